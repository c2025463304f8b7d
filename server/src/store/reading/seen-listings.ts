import type { Listing } from '@plindo/core/listings';

/** Listings that were read before a unit, by number, and the place in the feed that they are no older than. */
export interface SeenListings {
  readonly feed: number;
  readonly listings: ReadonlyMap<number, Listing>;
}
