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

export interface ListingViews {
  readonly listingId: number;
  readonly kindId: number;
  readonly views: number;
}

export interface ThingTimes extends CountedThing {
  readonly times: number;
}

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
  readonly listings: NowAndBefore<readonly ListingViews[]>;
  readonly things: NowAndBefore<readonly ThingTimes[]>;
  /** The first day of which anything is kept; null for nothing at all. */
  readonly firstDay: number | null;
  /** What was sent in, in any period, but for what may be misuse. */
  readonly sent: readonly SentTimes[];
  readonly listingById: (id: number) => LearnedListing;
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

/** Whether something of a kind is asked about. */
export function isAsked({ kindId }: Pick<LearnSource, 'kindId'>, of: number): boolean {
  return kindId === null || kindId === of;
}

/** Numbers by a key, of the period and of the one before; a key that has neither is left out. */
export function added<T>(
  { now, before }: NowAndBefore<readonly T[]>,
  keyOf: (one: T) => string | null,
  timesOf: (one: T) => number,
): Map<string, { now: number; before: number }> {
  const sums = new Map<string, { now: number; before: number }>();
  const add = (all: readonly T[], when: 'now' | 'before'): void => {
    for (const one of all) {
      const key = keyOf(one);
      if (key === null) continue;
      const sum = sums.get(key) ?? { now: 0, before: 0 };
      sum[when] += timesOf(one);
      sums.set(key, sum);
    }
  };
  add(now, 'now');
  add(before, 'before');
  return sums;
}

/** The most of the period first, then the most of the one before, then by their names. */
export function byTimes(
  [key, one]: readonly [string, { now: number; before: number }],
  [otherKey, other]: readonly [string, { now: number; before: number }],
): number {
  return other.now - one.now || other.before - one.before || (key < otherKey ? -1 : 1);
}
