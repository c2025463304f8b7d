import type { ValueInText } from '../../design/index.js';
import { PAGE_VALUE_FIELDS, isPageValue } from '../../design/index.js';
import type { Listing } from '../../listings/index.js';
import { isFeatured, isShown, leavesAt, publishingTime } from '../../listings/index.js';
import type { Field, Kind, KindById, LinkedListing, ReadContext } from '../../structure/index.js';
import { BUILT_IN_MARK, builtInFieldAt, fieldByKey, fieldType, hasPart, textOfMoment } from '../../structure/index.js';
import { dayNumberAt } from '../../time/index.js';

/** A listing with what is needed to show its values, and those of the listings that it is linked with. */
export interface ShownListing {
  readonly listing: Listing;
  readonly kind: Kind;
  readonly context: ReadContext;
  readonly kindById: KindById;
  /** Gives a linked listing, complete, as far as it was read for this page. */
  readonly linked: (id: number) => Listing | undefined;
  /** How far it is from the place that the visitor named, as it is read; '' where none is named. */
  readonly distance: string;
}

/** A value that is there, with its field and the listing that has it. */
export interface ReachedValue {
  readonly field: Field;
  readonly value: unknown;
  readonly listing: Listing;
  readonly kind: Kind;
}

/** The values that a value in a text stands for, in order: of the listing itself, or of each that is reached. */
export function reachedValues({ through, field, inside }: ValueInText, shown: ShownListing): ReachedValue[] {
  return reachedListings(through, shown)
    .flatMap((reached) => valueAt(field, { ...shown, ...reached }) ?? [])
    .flatMap((value) => insideOf(value, inside));
}

/** The listings at the end of a way through link fields, each once, without those that visitors may not see. */
function reachedListings(
  through: readonly string[],
  { listing, kind, kindById, linked }: ShownListing,
): Pick<ReachedValue, 'listing' | 'kind'>[] {
  const step = (reached: Pick<ReachedValue, 'listing' | 'kind'>[], key: string): typeof reached => {
    const ids = reached.flatMap((one) => onSiteAt(one.listing, key).map(({ id }) => id));
    return [...new Set(ids)].flatMap((id) => {
      const next = linked(id);
      const nextKind = next && kindById(next.kindId);
      return next && nextKind ? [{ listing: next, kind: nextKind }] : [];
    });
  };
  return through.reduce(step, [{ listing, kind }]);
}

/** The listings that visitors may see at the other end of a link field. */
export function onSiteAt({ values }: Pick<Listing, 'values'>, key: string): readonly LinkedListing[] {
  const value = values[key];
  return fieldType('link').holds(value) ? (value as readonly LinkedListing[]).filter(({ onSite }) => onSite) : [];
}

function valueAt(key: string, shown: ShownListing): ReachedValue | null {
  const { listing, kind, context } = shown;
  const isFar = isPageValue(key);
  const field = isFar ? PAGE_VALUE_FIELDS[key] : (builtInFieldAt(key) ?? fieldByKey(kind, key));
  if (!field || !isShown(field, listing.values, kind, context)) return null;
  const value = isFar || field.key.startsWith(BUILT_IN_MARK) ? partAt(key, shown) : visible(listing, field);
  return value === null || value === '' || !fieldType(field.type).holds(value) ? null : { field, value, listing, kind };
}

/** A value as visitors may see it: linked listings that are not on the site are left out. */
function visible(listing: Listing, { key, type }: Field): unknown {
  if (type !== 'link') return listing.values[key];
  const seen = onSiteAt(listing, key);
  return seen.length > 0 ? seen : null;
}

/** A built-in part as its type holds it, or what the page knows; null or '' for none. */
export function partAt(key: string, { listing, kind, context, distance }: ShownListing): unknown {
  const moment = (ms: number | null): string | null => (ms === null ? null : textOfMoment(ms));
  switch (key) {
    case '@title':
      return listing.title;
    case '@summary':
      return hasPart(kind, 'summary') ? listing.summary : null;
    case '@picture':
      return hasPart(kind, 'picture') ? listing.picture : null;
    case '@body':
      return hasPart(kind, 'body') ? listing.body : null;
    case '@place':
      return hasPart(kind, 'place') ? listing.place : null;
    case '@author':
      return hasPart(kind, 'author') ? listing.author : null;
    case '@featured':
      return isFeatured(listing, context.nowInMs) || null;
    case '@views':
      return listing.views ?? null;
    case '@createdAt':
      return moment(listing.createdAt);
    case '@changedAt':
      return moment(listing.changedAt);
    case '@publishedAt':
      return moment(publishingTime(listing));
    case '@distance':
      return distance;
    case '@daysLeft':
      return daysLeft(leavesAt(listing, kind, context.zone), context);
    default:
      return null;
  }
}

/** "Last day", "3 days left"; '' for a listing that stays. */
function daysLeft(leaves: number | null, { nowInMs, zone, formats }: ReadContext): string {
  if (leaves === null || leaves <= nowInMs) return '';
  // The window does not include its end, so the last day is that of the moment before it.
  const days = dayNumberAt(leaves - 1, zone) - dayNumberAt(nowInMs, zone);
  return days === 0 ? formats.words.say('value.last-day') : formats.words.say('value.days-left', { count: days });
}

function insideOf(reached: ReachedValue, inside: string): ReachedValue[] {
  const { field, value } = reached;
  if (inside === '' || field.type === 'categories') return [reached];
  const entries = fieldType(field.type).parts?.(value, field) ?? [];
  return entries.flatMap((parts) =>
    parts.filter((part) => part.field.key === inside).map((part) => ({ ...reached, ...part })),
  );
}
