import type { ExpiryChoice, ExpiryRule, KindDefinition } from '../../structure/index.js';
import { columnOf, fieldByKey, fieldType, momentOfText } from '../../structure/index.js';
import { movedDay, movedMoment, startOfDay } from '../../time/index.js';
import type { Listing, ShownParts } from '../listing.js';
import { publishingTime } from '../listing.js';

/** What of a kind decides when its listings leave. */
export type LeavingKind = Pick<KindDefinition, 'expiry' | 'fields'>;

/** What of a listing decides when it leaves. */
export type LeavingParts = Pick<Listing, 'shownFrom' | 'shownUntil' | 'expiry' | 'publishedAt' | 'values'>;

/** The rule that a listing follows; null when its kind has none, or it doesn't follow that. */
export function ruleFor(
  { expiry: said }: { readonly expiry: ExpiryChoice | null },
  { expiry }: LeavingKind,
): ExpiryRule | null {
  if (!expiry) return null;
  const follows = said === null ? expiry.byDefault : said === 'by-rule';
  return follows ? expiry : null;
}

/**
 * The moment from which a listing is off the site, in milliseconds since 1970: its own one, else the one by the rule that
 * it follows; null for one that stays.
 */
export function leavesAt(listing: LeavingParts, kind: LeavingKind, zone: string): number | null {
  if (listing.shownUntil !== null) return listing.shownUntil;
  const rule = ruleFor(listing, kind);
  return rule && momentByRule(listing, rule, kind, zone);
}

/** When a listing would leave by a rule, whatever it says itself; null where it has nothing to count from. */
export function momentByRule(
  listing: LeavingParts,
  { countedFrom: from, offset }: ExpiryRule,
  { fields }: Pick<KindDefinition, 'fields'>,
  zone: string,
): number | null {
  if (from.by === 'moment') return movedMoment(momentOfText(from.at), offset, zone);
  if (from.by === 'publishing') {
    const published = publishingTime(listing);
    return published === null ? null : movedMoment(published, offset, zone);
  }
  const field = fieldByKey({ fields }, from.field);
  const column = field && columnOf(field);
  const value = listing.values[from.field];
  if (column?.kind !== 'number' || !column.time || !fieldType(field!.type).holds(value)) return null;
  const counted = from.rangeEnd === 'to' && column.endOf ? column.endOf(value) : column.of(value);
  if (!Number.isFinite(counted)) return null;
  if (column.time === 'moments') return movedMoment(counted, offset, zone);
  // The calendar moves the day; only then is it asked when that day begins or ends.
  const day = offset.unit === 'hour' ? counted : movedDay(counted, offset.amount, offset.unit);
  const edge = startOfDay(from.dayEdge === 'end' ? day + 1 : day, 'moments', zone);
  return offset.unit === 'hour' ? movedMoment(edge, offset, zone) : edge;
}

/** What of a listing decides whether visitors see it, worked out by its kind and the zone of the site. */
export function shownParts(
  listing: LeavingParts & Pick<Listing, 'status'>,
  kind: LeavingKind,
  zone: string,
): ShownParts {
  return { status: listing.status, shownFrom: listing.shownFrom, leavesAt: leavesAt(listing, kind, zone) };
}
