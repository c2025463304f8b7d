export type CalendarUnit = 'day' | 'week' | 'month' | 'year';

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
