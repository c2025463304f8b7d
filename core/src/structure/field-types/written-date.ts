import type { DateOrder } from '../fields/field.js';
import type { WrittenManner } from './read-context.js';

/** Two digits of a year: from 69 on they are of the last century (POSIX, strptime, %y). */
const FIRST_OF_LAST_CENTURY = 69;
const PARTS = /[\s.,/-]+/;
/** Words between the parts of a date: "1 de marzo de 2024", "1st of March". */
const BETWEEN: ReadonlySet<string> = new Set(['de', 'del', 'of', 'den', 'the']);
const NUMERIC = /^(\d{1,4})[./ -]+(\d{1,2})[./ -]+(\d{1,4})\.?$/;

/** A date as a file writes it. */
export interface WrittenDate {
  readonly year: number;
  readonly month: number;
  readonly day: number;
  /** Whether it names a month only; the day is the first one then. */
  readonly isMonth: boolean;
}

/** The orders in which a date of numbers can be written: more than one for 3/4/2024; none for what is no such date. */
export function possibleOrders(text: string): DateOrder[] {
  return (['ymd', 'dmy', 'mdy'] as const).filter((order) => numericDate(text, order) !== null);
}

/** Year, month and day of a date that is written with numbers in an order. */
export function numericDate(text: string, order: DateOrder): WrittenDate | null {
  const match = NUMERIC.exec(text.trim());
  if (!match) return null;
  const [, a = '', b = '', c = ''] = match;
  const [years, months, days] = order === 'ymd' ? [a, b, c] : order === 'dmy' ? [c, b, a] : [c, a, b];
  const year = yearOf(years);
  const [month, day] = [Number(months), Number(days)];
  // Two digits first are a year only where nothing else can be: 24-03-10, but not 10/03/24.
  const isUnlikely = order === 'ymd' && years.length === 2 && Number(years) <= 31;
  const isDate = year !== null && !isUnlikely && months.length <= 2 && days.length <= 2 && month <= 12 && day <= 31;
  return isDate && month > 0 && day > 0 ? { year, month, day, isMonth: false } : null;
}

/** A date with the name of its month: 1 Mar 2024, March 1st, 2024, 1. März 24, Mar 2024, Fri 1 Mar 2024. */
export function namedDate(text: string, monthOf: WrittenManner['monthOf']): WrittenDate | null {
  if (!/\p{L}/u.test(text)) return null;
  const parts = text
    .trim()
    .split(PARTS)
    .filter((part) => part !== '' && !BETWEEN.has(part.toLowerCase()));
  if (parts.length === 4 && /^\p{L}+$/u.test(parts[0]!)) parts.shift();
  const at = parts.findIndex((part) => /^\p{L}+$/u.test(part));
  const month = at < 0 ? null : monthOf(parts[at]!);
  const numbers = parts
    .filter((_, other) => other !== at)
    .map((part) => part.replace(/(?<=^\d{1,2})(st|nd|rd|th|er|º|ª)$/i, ''));
  if (month === null || numbers.length === 0 || numbers.length > 2 || numbers.some((part) => !/^\d+$/.test(part)))
    return null;
  const [first = '', second] = numbers;
  if (second === undefined) return first.length === 4 ? { year: Number(first), month, day: 1, isMonth: true } : null;
  const [days, years] = first.length === 4 ? [second, first] : [first, second];
  const year = yearOf(years);
  const day = Number(days);
  return year === null || days.length > 2 || day < 1 ? null : { year, month, day, isMonth: false };
}

function yearOf(digits: string): number | null {
  if (digits.length === 4) return Number(digits);
  if (digits.length !== 2) return null;
  return Number(digits) + (Number(digits) >= FIRST_OF_LAST_CENTURY ? 1900 : 2000);
}
