import type { Listing } from '@plindo/core/listings';
import type { ListingNotice } from '@plindo/core/notices';
import { FIELD_PLACE } from '@plindo/core/notices';
import { listingPath } from '@plindo/core/page';
import type { Kind, SiteSettings } from '@plindo/core/structure';
import { fieldByKey, fieldType, isKindShown } from '@plindo/core/structure';
import type { Formats } from '@plindo/core/values';
import { placesIn } from '@plindo/core/values';

/** A notice about a listing as it is now, with what the wording of the site wants to say of it. */
export function listingNotice(
  about: ListingNotice['about'],
  { kind, listing, moment }: { readonly kind: Kind; readonly listing: Listing; readonly moment: number },
  { address = '' }: SiteSettings,
  formats: Formats,
): ListingNotice {
  const hasPage = address !== '' && kind.hasListingPages && isKindShown(kind);
  const link = hasPage ? `${address}${listingPath(kind, listing)}` : '';
  const { title } = listing;
  const values = valuesFor(about, kind, listing, formats);
  return { about, told: { title, one: kind.one, many: kind.many, moment, link, values } };
}

/** The values of fields that the wording of a notice names, as readers see them; '' for one that isn't there. */
function valuesFor(
  about: ListingNotice['about'],
  kind: Kind,
  listing: Listing,
  formats: Formats,
): Record<string, string> {
  const wordings = (['subject', 'text'] as const).map((part) => formats.words.wording(`notice.${about}.${part}`));
  const places = wordings.flatMap(placesIn).filter((place) => place.startsWith(FIELD_PLACE));
  return Object.fromEntries(
    places.map((place) => {
      const field = fieldByKey(kind, place.slice(FIELD_PLACE.length));
      const value = field && listing.values[field.key];
      const type = field && fieldType(field.type);
      return [place, field && type?.holds(value) ? type.format(value, field, formats) : ''];
    }),
  );
}
