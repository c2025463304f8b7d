import type { Design } from '../design/index.js';
import type { QueryScene } from '../query/index.js';
import type { Kind, KindById, Selection } from '../structure/index.js';
import type { SubmissionState } from '../submissions/index.js';
import type { CountedThing } from './counting/counted-things.js';
import type { Period } from './period.js';

/** Something of a period, and of the one that it is compared with. */
export interface NowAndBefore<T> {
  readonly now: T;
  readonly before: T;
}

export interface DayOfKind {
  readonly day: number;
  readonly kindId: number;
  readonly views: number;
}

/** Of a listing, how often it was looked at. */
export interface ListingViews extends NowAndBefore<number> {
  readonly listingId: number;
  readonly kindId: number;
}

/** Of something else, how often it was counted. */
export interface ThingTimes extends CountedThing, NowAndBefore<number> {}

/** A listing that something was counted of, as it is now. */
export interface LearnedListing {
  readonly id: number;
  readonly kindId: number;
  /** '' for one that is gone for good. */
  readonly title: string;
  readonly isOnSite: boolean;
  readonly isFeatured: boolean;
  /** Milliseconds since 1970; null for never. */
  readonly leavesAt: number | null;
}

/** When something was sent in and decided, in milliseconds since 1970; null as long as nobody has. */
export interface SentTimes {
  readonly kindId: number;
  readonly state: SubmissionState;
  readonly createdAt: number;
  readonly decidedAt: number | null;
}

/** All that a report is made of. */
export interface LearnSource {
  readonly period: NowAndBefore<Period>;
  /** The only kind that is asked about; null for all. */
  readonly kindId: number | null;
  /** The listing whose views over time are asked for, with them; null for all listings. */
  readonly listing: { readonly listing: LearnedListing; readonly days: NowAndBefore<readonly DayOfKind[]> } | null;
  readonly days: NowAndBefore<readonly DayOfKind[]>;
  readonly listings: readonly ListingViews[];
  readonly things: readonly ThingTimes[];
  /** The first day of which anything is kept; null for nothing at all. */
  readonly firstDay: number | null;
  /** What was sent in, in any period, but for what may be misuse. */
  readonly sent: readonly SentTimes[];
  /** A listing by its number and that of its kind. */
  readonly listingOf: (id: number, kindId: number) => LearnedListing;
  /** Listings that leave within the days of {@link LEAVES_SOON_IN_DAYS}. */
  readonly leaving: readonly LearnedListing[];
  /** Those that visitors see. */
  readonly kinds: readonly Kind[];
  readonly kindById: KindById;
  readonly selections: readonly Selection[];
  readonly designs: readonly Design[];
  readonly scene: QueryScene;
}

export const LEAVES_SOON_IN_DAYS = 30;

/** Whether a report asks about a kind. */
export function isAsked({ kindId }: Pick<LearnSource, 'kindId'>, of: number): boolean {
  return kindId === null || kindId === of;
}

/** Adds numbers up by a key; leaves out what has none (null). */
export function added<T extends NowAndBefore<number>>(
  all: readonly T[],
  keyOf: (one: T) => string | null,
): Map<string, { now: number; before: number }> {
  const sums = new Map<string, { now: number; before: number }>();
  for (const one of all) {
    const key = keyOf(one);
    if (key === null) continue;
    const { now, before } = sums.get(key) ?? { now: 0, before: 0 };
    sums.set(key, { now: now + one.now, before: before + one.before });
  }
  return sums;
}

/** The views of each kind, by its number. */
export function viewsOfKinds({ days: { now, before } }: LearnSource): Map<string, { now: number; before: number }> {
  const told = [
    ...now.map(({ kindId, views }) => ({ kindId, now: views, before: 0 })),
    ...before.map(({ kindId, views }) => ({ kindId, now: 0, before: views })),
  ];
  return added(told, ({ kindId }) => String(kindId));
}

/** The most of the period first, then the most of the one before, then by their names. */
export function byTimes(
  [key, one]: readonly [string, NowAndBefore<number>],
  [otherKey, other]: readonly [string, NowAndBefore<number>],
): number {
  return other.now - one.now || other.before - one.before || (key < otherKey ? -1 : 1);
}
