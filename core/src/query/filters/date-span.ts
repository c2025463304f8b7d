import { RANGE_MARK, dateFromDayNumber, dayNumberOfDate } from '../../structure/index.js';
import { nextPeriod, periodStart } from '../../time/index.js';

/** Calendar days, both in; null is open. Counted from 1970-01-01. */
export interface DaySpan {
  readonly from: number | null;
  readonly to: number | null;
}

const MONTH = /^(\d{4})-(\d{2})$/;
const YEAR = /^\d{4}$/;

/** The first and last day of what a text names: a day, a month (2026-12) or a year; null when it names none. */
function daysNamed(text: string): { first: number; last: number } | null {
  const day = dayNumberOfDate(text);
  if (day !== null) return { first: day, last: day };
  const unit = MONTH.test(text) ? 'month' : YEAR.test(text) ? 'year' : null;
  const first = unit && dayNumberOfDate(unit === 'month' ? `${text}-01` : `${text}-01-01`);
  return first === null ? null : { first, last: nextPeriod(first, unit!) - 1 };
}

/** A span from the two ends of an address or a form; null when neither says anything, or they are the wrong way round. */
export function daysFromText([from, to]: readonly [string | undefined, string | undefined]): DaySpan | null {
  const span = { from: from ? (daysNamed(from)?.first ?? null) : null, to: to ? (daysNamed(to)?.last ?? null) : null };
  if (span.from === null && span.to === null) return null;
  return span.from !== null && span.to !== null && span.from > span.to ? null : span;
}

/** A span as it stands in an address: a whole month or year by its name, else its two ends. */
export function textOfDays({ from, to }: DaySpan): string {
  if (from !== null && to !== null) {
    for (const unit of ['year', 'month'] as const) {
      const isWhole = periodStart(from, unit) === from && nextPeriod(from, unit) - 1 === to;
      if (isWhole) return dateFromDayNumber(from).slice(0, unit === 'year' ? 4 : 7);
    }
  }
  const write = (day: number | null): string => (day === null ? '' : dateFromDayNumber(day));
  return `${write(from)}${RANGE_MARK}${write(to)}`;
}
