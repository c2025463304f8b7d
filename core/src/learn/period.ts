import { firstWeekday, movedDay, nextPeriod, periodStart } from '../time/index.js';

/** Days of the site, counted from 1970-01-01, both in. */
export interface Period {
  readonly from: number;
  readonly to: number;
}

export function isIn(day: number, { from, to }: Period): boolean {
  return day >= from && day <= to;
}

/** What a period is compared with: the one right before it, or the same days a year before. */
export const COMPARISONS = ['before', 'year'] as const;
export type Comparison = (typeof COMPARISONS)[number];

/** Counts are kept by day for so long, then by month. */
export const DAYS_KEPT_BY_DAY = 366;
/** A report covers no longer time. */
export const LONGEST_PERIOD_IN_DAYS = 3660;

const MOST_BARS_OF_DAYS = 62;
const MOST_BARS_OF_WEEKS_IN_DAYS = 190;

/** The first day since which counts are still by day; those before it lie on the first days of their months. */
export function firstDayByDay(today: number): number {
  return periodStart(today - DAYS_KEPT_BY_DAY, 'month');
}

/** The period that another one is compared with: as many days, or, for many whole months, as many whole months. */
export function comparedWith(period: Period, against: Comparison): Period {
  const { from, to } = period;
  const isWholeMonths = periodStart(from, 'month') === from && periodStart(to + 1, 'month') === to + 1;
  if (against === 'year') {
    const end = isWholeMonths ? movedDay(to + 1, -1, 'year') - 1 : movedDay(to, -1, 'year');
    return { from: movedDay(from, -1, 'year'), to: end };
  }
  if (!isWholeMonths || stretchOf(period) !== 'month') return { from: from - (to - from + 1), to: from - 1 };
  let months = 0;
  for (let at = from; at <= to; at = nextPeriod(at, 'month')) months++;
  return { from: movedDay(from, -months, 'month'), to: from - 1 };
}

/** A chart has one number for each day, week or month. */
export type Stretch = 'day' | 'week' | 'month';

export function stretchOf({ from, to }: Period): Stretch {
  const days = to - from + 1;
  if (days <= MOST_BARS_OF_DAYS) return 'day';
  return days <= MOST_BARS_OF_WEEKS_IN_DAYS ? 'week' : 'month';
}

/** The stretches of a period by their first days in it, in order: the first and the last may be shorter. */
export function stretchesOf(period: Period, stretch: Stretch, locale: string): number[] {
  const starts: number[] = [];
  const weekStart = firstWeekday(locale);
  for (let at = period.from; at <= period.to; at = nextPeriod(periodStart(at, stretch, weekStart), stretch)) {
    starts.push(at);
  }
  return starts;
}
