import type { Listing, ListingContent } from '@plindo/core/listings';
import type { EntryOf } from '@plindo/core/plans';
import type { Kind } from '@plindo/core/structure';
import { fittingAddress, listingAfter } from './listing-after.js';
import type { ListingRows } from './listing-rows.js';

/**
 * Listings as a large change will leave them. What is written of them is made before others have to wait, and lies in
 * the log already, under a change that nobody sees: the change only has to write the listings and to be completed.
 */
export interface StagedListings {
  readonly changeId: number;
  /** The moment of the change. */
  readonly at: number;
  readonly entries: readonly EntryOf<'listing'>[];
  readonly rows: ListingRows;
}

/**
 * The entries of listings that get other content at a moment; null where one needs an address that has to be looked for,
 * which only the change itself can do.
 */
export function entriesAhead(
  all: readonly { readonly before: Listing; readonly content: ListingContent }[],
  kind: Kind,
  zone: string,
  at: number,
): EntryOf<'listing'>[] | null {
  const entries: EntryOf<'listing'>[] = [];
  for (const { before, content } of all) {
    const moved = listingAfter(before, content, at);
    const address = fittingAddress(moved, kind, zone);
    if (address === null) return null;
    entries.push({ entity: 'listing', id: before.id, before, after: { ...moved, address } });
  }
  return entries;
}
