import { isPublished } from '@plindo/core/design';
import type { Listing } from '@plindo/core/listings';
import type { ChangeEntry } from '@plindo/core/plans';
import type { Statements } from './statements.js';

/** Where an address stands: on the site, among the pages of selections, or inside a kind. */
export type AddressScope = 'kinds' | 'pages' | 'selections' | `kind ${number}`;

/** An address that something had before. */
export interface FormerAddress {
  readonly scope: AddressScope;
  readonly address: string;
  readonly ownerId: number;
}

const AT_ONCE = 300;

/**
 * Keeps the addresses that the entries of a unit have given up. Nobody takes them out: who had one last is found by it,
 * until another takes it. Undoing a change gives up the address that it had given.
 */
export async function keepFormerAddresses(statements: Statements, entries: readonly ChangeEntry[]): Promise<void> {
  const former = new Map<AddressScope, Map<string, FormerAddress>>();
  for (const entry of entries) {
    const [before, after] = [addressOf(entry, 'before'), addressOf(entry, 'after')];
    if (before && before.address !== '' && after && before.address !== after.address) {
      const { scope, address } = before;
      former.set(scope, (former.get(scope) ?? new Map<string, FormerAddress>()).set(address, before));
    }
  }
  for (const [scope, byAddress] of former) {
    const all = [...byAddress.values()];
    for (let start = 0; start < all.length; start += AT_ONCE) {
      const some = all.slice(start, start + AT_ONCE);
      await statements.delete('former_addresses', { scope, address: some.map(({ address }) => address) });
      await statements.insert(
        'former_addresses',
        some.map((one) => ({ ...one })),
      );
    }
  }
}

/** The address of a listing as the log has it; before listings had one, their slug was it. */
export function addressIn({ slug, address }: Pick<Listing, 'slug'> & Partial<Pick<Listing, 'address'>>): string {
  return address ?? slug;
}

function addressOf(entry: ChangeEntry, side: 'before' | 'after'): FormerAddress | null {
  const { id: ownerId } = entry;
  if (entry.entity === 'listing') {
    const listing = entry[side];
    return listing && { scope: `kind ${listing.kindId}`, address: addressIn(listing), ownerId };
  }
  if (entry.entity === 'kind') {
    const kind = entry[side];
    return kind && { scope: 'kinds', address: kind.definition.slug, ownerId };
  }
  if (entry.entity === 'selection') {
    const selection = entry[side];
    return selection && { scope: 'selections', address: selection.slug, ownerId };
  }
  if (entry.entity === 'design') {
    const design = entry[side];
    return design?.type === 'page' && isPublished(design)
      ? { scope: 'pages', address: design.definition.address, ownerId }
      : null;
  }
  return null;
}
