import type { ExpiryChoice, FieldTypeName, Picture, Place, Status } from '../structure/index.js';
import { STATUS_LABELS } from '../structure/index.js';

export { STATUSES, STATUS_LABELS, type Status } from '../structure/index.js';

/** Typed values by field key; a field without a value is absent. */
export type Values = Readonly<Record<string, unknown>>;

/** A value that a change of its field's type could not convert: kept as text until somebody deals with it. */
export interface AsideValue {
  readonly type: FieldTypeName;
  readonly text: string;
}

/** What an editor says of a listing. */
export interface ListingContent {
  readonly slug: string;
  readonly title: string;
  /** One paragraph; '' when there is none. */
  readonly summary: string;
  readonly picture: Picture | null;
  /** Rich text; '' when there is none. */
  readonly body: string;
  readonly place: Place | null;
  /** Who wrote it, for readers; '' when it isn't said. */
  readonly author: string;
  readonly values: Values;
  readonly status: Status;
  /**
   * The window in which it is on the site, from (in) and until (out), in milliseconds since 1970; null is open, and leaves
   * its end to the rule of its kind, if it follows that.
   */
  readonly shownFrom: number | null;
  readonly shownUntil: number | null;
  /** Whether it follows the expiry rule of its kind; null for whatever the rule says of those that don't say. */
  readonly expiry: ExpiryChoice | null;
  readonly featured: boolean;
  /** The window in which it is featured, if it is. */
  readonly featuredFrom: number | null;
  readonly featuredUntil: number | null;
  /** By field key, what is kept aside. */
  readonly aside: Readonly<Record<string, AsideValue>>;
  /** Lower first; null when the listing has no place of its own. */
  readonly handOrder: number | null;
}

/** One record of a kind. Moments are milliseconds since 1970. */
export interface Listing extends ListingContent {
  readonly id: number;
  readonly kindId: number;
  /** What follows the part of its kind in its address: its slug, or what the kind's pattern makes of its values. */
  readonly address: string;
  readonly version: number;
  /** Milliseconds since 1970. */
  readonly createdAt: number;
  readonly changedAt: number;
  /** How often its page was looked at on this day and the 29 before it; left out where that isn't known. */
  readonly views?: number;
  /** When it was made live for the first time; null when it never was. */
  readonly publishedAt: number | null;
  /** When it was put into the bin; null when it isn't there. */
  readonly binnedAt: number | null;
}

type Stamp = Exclude<keyof Listing, keyof ListingContent>;
const STAMPS: readonly string[] = [
  'id',
  'kindId',
  'address',
  'version',
  'createdAt',
  'changedAt',
  'views',
  'publishedAt',
  'binnedAt',
] satisfies Stamp[];

/** What an editor said of a listing, without what the store adds to it. */
export function contentOf(listing: Listing): ListingContent {
  return Object.fromEntries(Object.entries(listing).filter(([key]) => !STAMPS.includes(key))) as Omit<Listing, Stamp>;
}

/** What of a listing decides whether visitors see it. */
export interface ShownParts extends Pick<Listing, 'status' | 'shownFrom'> {
  /** From when on it is off the site; null for one that stays. `leavesAt` in expiry/ works it out. */
  readonly leavesAt: number | null;
}

/** Whether a moment lies in a window: from its beginning on, until before its end. */
function isIn(moment: number, from: number | null, until: number | null): boolean {
  return (from === null || from <= moment) && (until === null || until > moment);
}

/** Whether visitors may see a listing at a moment, its kind being published. */
export function isOnSite({ status, shownFrom, leavesAt }: ShownParts, nowInMs: number): boolean {
  return status === 'live' && isIn(nowInMs, shownFrom, leavesAt);
}

/** Whether a live listing was on the site and is over. */
export function hasLeft({ status, leavesAt }: ShownParts, nowInMs: number): boolean {
  return status === 'live' && leavesAt !== null && leavesAt <= nowInMs;
}

/** Whether a listing is featured at a moment. */
export function isFeatured(
  { featured, featuredFrom, featuredUntil }: Pick<Listing, 'featured' | 'featuredFrom' | 'featuredUntil'>,
  nowInMs: number,
): boolean {
  return featured && isIn(nowInMs, featuredFrom, featuredUntil);
}

/** When visitors could first see a listing: when it was published, or, where it was to wait, when its window begins. */
export function publishingTime({ publishedAt, shownFrom }: Pick<Listing, 'publishedAt' | 'shownFrom'>): number | null {
  if (publishedAt === null || shownFrom === null) return publishedAt;
  return Math.max(publishedAt, shownFrom);
}

/** The status as people read it: of a live listing outside its window, Upcoming or Expired. */
export function statusLabel(listing: ShownParts, nowInMs: number): string {
  if (listing.status !== 'live' || isOnSite(listing, nowInMs)) return STATUS_LABELS[listing.status];
  return hasLeft(listing, nowInMs) ? 'Expired' : 'Upcoming';
}
