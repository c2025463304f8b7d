import { movedDay, yearOfDay } from './calendar.js';
import { dayNumberAt, momentOfLocal } from './zone.js';

export const PERIOD_UNITS = ['day', 'iso-week', 'week', 'month', 'quarter', 'year'] as const;
/** A stretch of the calendar. An ISO week begins on Monday (ISO 8601); a plain week where the locale has it begin. */
export type PeriodUnit = (typeof PERIOD_UNITS)[number];

/** Monday is 1, Sunday 7. */
export type Weekday = 1 | 2 | 3 | 4 | 5 | 6 | 7;

const YEARS_A_DECADE = 10;
const DAY_IN_MS = 86_400_000;
const MONDAY: Weekday = 1;

/** Whether times are kept as days since 1970-01-01, or as moments in milliseconds since then. */
export type TimeUnit = 'days' | 'moments';

/** On which day the weeks of a locale begin, by CLDR; Monday where that isn't known. */
export function firstWeekday(locale: string): Weekday {
  const known = new Intl.Locale(locale) as unknown as {
    getWeekInfo?: () => { firstDay: Weekday };
    weekInfo?: { firstDay: Weekday };
  };
  return (known.getWeekInfo?.() ?? known.weekInfo)?.firstDay ?? MONDAY;
}

/** The weekday of a day counted from 1970-01-01, which was a Thursday. */
export function weekdayOf(day: number): Weekday {
  return (((((day + 3) % 7) + 7) % 7) + 1) as Weekday;
}

/** The first day of the period that a day lies in. */
export function periodStart(day: number, unit: PeriodUnit, weekStart: Weekday = MONDAY): number {
  switch (unit) {
    case 'day':
      return day;
    case 'iso-week':
      return day - (weekdayOf(day) - MONDAY);
    case 'week':
      return day - ((weekdayOf(day) - weekStart + 7) % 7);
    case 'month':
      return firstOfMonth(day, 1);
    case 'quarter':
      return firstOfMonth(day, 3);
    case 'year':
      return firstOfMonth(day, 12);
  }
}

/** The first day of the period after the one that begins on `start`. */
export function nextPeriod(start: number, unit: PeriodUnit): number {
  if (unit === 'day') return start + 1;
  if (unit === 'iso-week' || unit === 'week') return start + 7;
  if (unit === 'quarter') return movedDay(start, 3, 'month');
  return movedDay(start, 1, unit);
}

/** The first day of the decade that a day lies in: 1 January of a year that ends in 0. */
export function decadeStart(day: number): number {
  return movedDay(firstOfMonth(day, 12), -(yearOfDay(day) % YEARS_A_DECADE), 'year');
}

/** The first day of the decade after the one that begins on `start`. */
export function nextDecade(start: number): number {
  return movedDay(start, YEARS_A_DECADE, 'year');
}

/** How a period stands in addresses, by its first day: 2026-12-04, 2026-W49, 2026-12, 2026-Q4, 2026. */
export function periodKey(start: number, unit: PeriodUnit): string {
  const date = new Date(start * DAY_IN_MS).toISOString();
  if (unit === 'year') return date.slice(0, 4);
  if (unit === 'month') return date.slice(0, 7);
  if (unit === 'quarter') return `${date.slice(0, 4)}-Q${Math.floor(Number(date.slice(5, 7)) / 3) + 1}`;
  if (unit === 'iso-week') {
    const { year, week } = isoWeekOf(start);
    return `${year}-W${String(week).padStart(2, '0')}`;
  }
  return date.slice(0, 10);
}

/** The number of a week and the year that it belongs to: week 1 is the one with the year's first Thursday (ISO 8601). */
export function isoWeekOf(day: number): { readonly year: number; readonly week: number } {
  const thursday = day - weekdayOf(day) + 4;
  const year = new Date(thursday * DAY_IN_MS).getUTCFullYear();
  const firstDay = Date.UTC(year, 0, 1) / DAY_IN_MS;
  return { year, week: Math.floor((thursday - firstDay) / 7) + 1 };
}

/** Where a calendar day begins, in the unit in which times are kept. */
export function startOfDay(day: number, time: TimeUnit, zone: string): number {
  return time === 'days' ? day : momentOfLocal(day * DAY_IN_MS, zone);
}

function firstOfMonth(day: number, months: number): number {
  const date = new Date(day * DAY_IN_MS);
  const month = Math.floor(date.getUTCMonth() / months) * months;
  return Date.UTC(date.getUTCFullYear(), month, 1) / DAY_IN_MS;
}

/** Finds the periods of times kept as days or moments. As turning moments into days takes long, it remembers what it found. */
export class PeriodFinder {
  /** By UTC day, the periods that times in it lie in; one that a period ends in has two. */
  private readonly known = new Map<number, { from: number; end: number; start: number }[]>();
  private readonly weekStart: Weekday;

  constructor(
    private readonly unit: PeriodUnit,
    private readonly time: TimeUnit,
    private readonly scene: { readonly zone: string; readonly locale: string },
  ) {
    this.weekStart = firstWeekday(scene.locale);
  }

  /** The calendar day of a time. */
  dayOf(time: number): number {
    return this.time === 'days' ? time : dayNumberAt(time, this.scene.zone);
  }

  /** The first day of the period that a time lies in. */
  periodOf(time: number): number {
    const key = this.time === 'days' ? time : Math.floor(time / DAY_IN_MS);
    const here = this.known.get(key) ?? [];
    const found = here.find(({ from, end }) => time >= from && time < end);
    if (found) return found.start;
    const start = periodStart(this.dayOf(time), this.unit, this.weekStart);
    const from = startOfDay(start, this.time, this.scene.zone);
    const end = startOfDay(nextPeriod(start, this.unit), this.time, this.scene.zone);
    this.known.set(key, [...here, { from, end, start }]);
    return start;
  }
}
