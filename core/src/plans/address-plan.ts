import type { AddressedListing, Listing } from '../listings/index.js';
import { addressOfListing } from '../listings/index.js';
import type { KindDefinition } from '../structure/index.js';
import type { Issue } from '../values/index.js';
import { firstFreeSlug, isSame, issue } from '../values/index.js';

const MOST_EXAMPLES = 6;
const MOST_CLASHES = 20;

/** A listing as far as a plan of addresses asks about it. */
export type PlannedListing = AddressedListing & Pick<Listing, 'id' | 'title' | 'status' | 'address'>;

type Addressed = Pick<KindDefinition, 'addressPattern'>;

/** Whether another definition of a kind gives its listings other addresses. */
export function hasOtherAddresses(before: Addressed, after: Addressed): boolean {
  return !isSame(before.addressPattern, after.addressPattern);
}

/** A listing with the address that it has and the one that it gets. */
export interface AddressMove {
  readonly id: number;
  readonly from: string;
  readonly to: string;
}

interface Taker {
  readonly id: number;
  readonly title: string;
}

/** Listings that would have the same address. */
export interface AddressClash {
  readonly address: string;
  readonly count: number;
  /** The first ones. */
  readonly listings: readonly Taker[];
}

/** What a pattern makes of the addresses of all listings that are not in the bin; addresses are those inside the kind. */
export interface AddressesPlan {
  readonly total: number;
  /** How many would get another address. */
  readonly moved: number;
  /** The first ones, and the one with the longest address. */
  readonly examples: readonly (Taker & { readonly address: string; readonly before: string })[];
  /** How many would share one; of them the first clashes. */
  readonly clashing: number;
  readonly clashes: readonly AddressClash[];
}

/**
 * The addresses that a kind with another pattern gives to all its listings. What lies in the bin stands in nobody's
 * way: it gets an address with a number where its own is taken.
 */
export class AddressPlan {
  private readonly takers = new Map<string, Taker[]>();
  private readonly inBin: { id: number; wanted: string }[] = [];
  private readonly before = new Map<number, string>();

  constructor(
    private readonly kind: Pick<KindDefinition, 'addressPattern' | 'fields'>,
    private readonly zone: string,
  ) {}

  take(listing: PlannedListing): void {
    const { id, title, status, address } = listing;
    this.before.set(id, address);
    const wanted = addressOfListing(listing, this.kind, this.zone);
    if (status === 'binned') return void this.inBin.push({ id, wanted });
    const takers = this.takers.get(wanted);
    if (takers) takers.push({ id, title });
    else this.takers.set(wanted, [{ id, title }]);
  }

  private get clashes(): AddressClash[] {
    return [...this.takers].flatMap(([address, listings]) =>
      listings.length > 1 ? [{ address, count: listings.length, listings }] : [],
    );
  }

  /** Refuses addresses that several listings would have: `kind.address-clash`. */
  issues(): Issue[] {
    const { clashes } = this;
    const [first] = clashes;
    if (!first) return [];
    const count = clashing(clashes);
    const [{ title }, { title: other }] = first.listings as readonly [Taker, Taker];
    const params = { count, title, other, address: first.address };
    return [issue('kind.address-clash', params, { field: 'addressPattern' })];
  }

  /** For people: some listings with the addresses that they would have, and those that clash. */
  report(): AddressesPlan {
    const { clashes } = this;
    const all = [...this.takers].flatMap(([address, listings]) => listings.map((listing) => ({ ...listing, address })));
    const longest = all.reduce((most, one) => (one.address.length > most.address.length ? one : most), all[0]!);
    const examples = [...new Set([...all.slice(0, MOST_EXAMPLES - 1), longest])].filter(Boolean);
    const isMoved = ({ id, address }: { id: number; address: string }): boolean => this.before.get(id) !== address;
    return {
      total: all.length,
      moved: all.filter(isMoved).length,
      examples: examples.map((one) => ({ ...one, before: this.before.get(one.id)! })),
      clashing: clashing(clashes),
      clashes: clashes.slice(0, MOST_CLASHES).map((clash) => ({
        ...clash,
        listings: clash.listings.slice(0, MOST_CLASHES),
      })),
    };
  }

  /** The listings that move, with where to. To be asked only when there are no clashes. */
  moves(): AddressMove[] {
    const all = new Map([...this.takers].map(([address, [taker]]) => [address, taker!.id]));
    for (const { id, wanted } of this.inBin)
      all.set(
        firstFreeSlug(wanted, (one) => all.has(one)),
        id,
      );
    return [...all].flatMap(([to, id]) => {
      const from = this.before.get(id)!;
      return from === to ? [] : [{ id, from, to }];
    });
  }
}

/** How many listings would share an address. */
function clashing(clashes: readonly AddressClash[]): number {
  return clashes.reduce((sum, { count }) => sum + count, 0);
}
