import type { Listing } from '@plindo/core/listings';

export const LISTINGS_AT_ONCE = 1000;

/** Listings in stretches, so that many never stand in memory at once; while one is dealt with, the next is read. */
export async function* inStretches(read: (after: number) => Promise<Listing[]>): AsyncGenerator<Listing[]> {
  let coming = read(0);
  for (;;) {
    const listings = await coming;
    if (listings.length === 0) return;
    coming = read(listings.at(-1)!.id);
    // Left alone when the reader stops early, it must not end the process.
    coming.catch(() => undefined);
    yield listings;
  }
}
