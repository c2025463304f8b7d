import type { Listing, ListingContent } from '@plindo/core/listings';
import { addressOfListing, isAddressLike } from '@plindo/core/listings';
import type { Kind } from '@plindo/core/structure';

/** A listing with other content, changed at a moment. Its address is still the one that it had. */
export function listingAfter(before: Listing, content: ListingContent, now: number): Listing {
  return { ...before, ...content, version: before.version + 1, changedAt: now, ...momentsOf(content, before, now) };
}

/** When a listing was published first, and when it was put into the bin. */
export function momentsOf(
  { status }: ListingContent,
  before: Listing | null,
  now: number,
): Pick<Listing, 'publishedAt' | 'binnedAt'> {
  return {
    publishedAt: before?.publishedAt ?? (status === 'live' ? now : null),
    binnedAt: status === 'binned' ? (before?.binnedAt ?? now) : null,
  };
}

/** The address that a listing of a kind keeps or has by its slug; null where one that is free has to be found. */
export function fittingAddress(
  listing: Omit<Listing, 'id' | 'address'> & { readonly address: string | null },
  kind: Pick<Kind, 'fields' | 'addressPattern'> | undefined,
  zone: string,
): string | null {
  if (!kind?.addressPattern) return listing.slug;
  const { address } = listing;
  return address !== null && isAddressLike(address, addressOfListing(listing, kind, zone)) ? address : null;
}
