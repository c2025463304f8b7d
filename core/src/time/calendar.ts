import { localInMs, momentOfLocal } from './zone.js';

export type CalendarUnit = 'day' | 'week' | 'month' | 'year';

/** Hours are all alike; days, weeks, months and years are as long as the calendar and the clocks of a zone make them. */
export const SPAN_UNITS = ['hour', 'day', 'week', 'month', 'year'] as const;

/** A stretch of time that moves a moment or a day: forward, or backward where the amount is negative. */
export interface CalendarSpan {
  /** A whole number. */
  readonly amount: number;
  readonly unit: (typeof SPAN_UNITS)[number];
}

const HOUR_IN_MS = 3_600_000;

const DAY_IN_MS = 86_400_000;

/**
 * A calendar day moved by a number of days, weeks, months or years. Months and years keep the day of the month where
 * it exists, and take the last one of the month where it doesn't (31 January + 1 month = 28 February). Days are counted
 * from 1970-01-01.
 */
export function movedDay(dayNumber: number, by: number, unit: CalendarUnit): number {
  if (unit === 'day' || unit === 'week') return dayNumber + by * (unit === 'week' ? 7 : 1);
  const date = new Date(dayNumber * DAY_IN_MS);
  const month = date.getUTCMonth() + by * (unit === 'year' ? 12 : 1);
  const lastOfMonth = new Date(Date.UTC(date.getUTCFullYear(), month + 1, 0)).getUTCDate();
  return Date.UTC(date.getUTCFullYear(), month, Math.min(date.getUTCDate(), lastOfMonth)) / DAY_IN_MS;
}

/** The year of a calendar day. */
export function yearOfDay(dayNumber: number): number {
  return new Date(dayNumber * DAY_IN_MS).getUTCFullYear();
}

/**
 * A moment moved by a span. By anything but hours it keeps the time that the clocks of the zone show; where they skip
 * that time it is the later valid moment, where they show it twice the earlier one.
 */
export function movedMoment(momentInMs: number, { amount, unit }: CalendarSpan, zone: string): number {
  if (amount === 0) return momentInMs;
  if (unit === 'hour') return momentInMs + amount * HOUR_IN_MS;
  const local = localInMs(momentInMs, zone);
  const day = Math.floor(local / DAY_IN_MS);
  return momentOfLocal(movedDay(day, amount, unit) * DAY_IN_MS + (local - day * DAY_IN_MS), zone);
}
