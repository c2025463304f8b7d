import type { Design } from '../../design/index.js';
import { mainCard, slotsOfCard, waysOfSlots } from '../../design/index.js';
import type { Listing } from '../../listings/index.js';
import type { Kind, KindById } from '../../structure/index.js';
import { kindsOnWays } from '../../structure/index.js';
import { onSiteAt } from './reached-values.js';

/** So many linked listings are read for one listing and one way through links. */
const MOST_LINKED = 50;

/** What tells which cards listings have. */
export interface CardsInUse {
  readonly kindById: KindById;
  readonly designs: readonly Design[];
}

/** Reads what the cards of listings show of others, at most two steps far, each step in one go. */
export async function readLinked(
  listings: readonly Listing[],
  scene: CardsInUse,
  read: (ids: readonly number[]) => Promise<readonly Listing[]>,
  moreWays: WaysOf = () => [],
): Promise<(id: number) => Listing | undefined> {
  const known = new Map<number, Listing>(listings.map((listing) => [listing.id, listing]));
  const find = (id: number): Listing | undefined => known.get(id);
  const asked = new Set<number>();
  const waysOfKinds = new Map([...new Set(listings.map(({ kindId }) => kindId))].map((id) => [id, waysOf(id, scene)]));
  const ways: WaysOf = (listing) => [...waysOfKinds.get(listing.kindId)!, ...moreWays(listing)];
  for (;;) {
    const ids = linkedIds(listings, ways, find).filter((id) => !asked.has(id));
    if (ids.length === 0) return find;
    for (const id of ids) asked.add(id);
    for (const listing of await read(ids)) known.set(listing.id, listing);
  }
}

/** The numbers of the linked listings that the cards of listings show something of, as far as those read so far tell. */
function linkedIds(
  listings: readonly Listing[],
  waysOf: WaysOf,
  linked: (id: number) => Listing | undefined,
): number[] {
  const ids = new Set<number>();
  const follow = (listing: Listing, [key, ...rest]: readonly string[]): void => {
    if (key === undefined) return;
    for (const { id } of onSiteAt(listing, key).slice(0, MOST_LINKED)) {
      ids.add(id);
      const next = linked(id);
      if (next) follow(next, rest);
    }
  };
  for (const listing of listings) {
    for (const way of waysOf(listing)) follow(listing, way);
  }
  return [...ids].filter((id) => !linked(id));
}

/** The ways through links on which a listing's own page or card shows others. */
export type WaysOf = (listing: Listing) => readonly (readonly string[])[];

function waysOf(kindId: number, { designs, kindById }: CardsInUse): (readonly string[])[] {
  const kind = kindById(kindId);
  return kind ? waysOfCard(kind, designs) : [];
}

function waysOfCard(kind: Kind, designs: readonly Design[]): (readonly string[])[] {
  return waysOfSlots(slotsOfCard(mainCard(kind, designs)));
}

/** The numbers of the kinds whose listings the cards of a kind show, besides it. */
export function kindsOnCards(kind: Kind, { designs, kindById }: CardsInUse): number[] {
  return kindsOnWays(kind, waysOfCard(kind, designs), kindById);
}
