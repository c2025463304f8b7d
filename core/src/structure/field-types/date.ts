import type { Formats } from '../../values/index.js';
import { issue, ok, refuse } from '../../values/index.js';
import type { DateOrder, Field } from '../fields/field.js';
import { boundsIssue, checkBounds, isRelativeDay, relativeDay } from './bounds.js';
import type { FieldType } from './field-type.js';
import { isEmptyInput, isText, withAffixes, wrongType } from './field-type.js';
import { countFitting, proposeIfEnough } from './proposal.js';
import type { ReadContext } from './read-context.js';
import { namedDate, numericDate } from './written-date.js';

const DAY_IN_MS = 86_400_000;
const ISO = /^(\d{4})-(\d{2})-(\d{2})(?:[T ]\d{2}:\d{2}.*)?$/;
/** A day, or a day with midnight as programs write it. */
const ONLY_DAY = /^\d{4}-\d{2}-\d{2}(?:[T ]00:00(?::00(?:\.0+)?)?(?:Z|[+-]00:?00)?)?$/i;
const YEAR_FIRST = /^\s*\d{4}\D/;
const NUMERIC = /^(\d{1,4})[./ -](\d{1,2})[./ -](\d{1,4})$/;

/** After so many years, which have so many days, the calendar is the same again. */
const YEARS_A_CYCLE = 400;
const DAYS_A_CYCLE = 146_097;
const DAYS_OF_MONTHS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

/** Days since 1970-01-01 of a calendar date, or null when there is no such day. */
function dayNumber(year: number, month: number, day: number): number | null {
  const isLeap = year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0);
  const last = month === 2 && isLeap ? 29 : (DAYS_OF_MONTHS[month - 1] ?? 0);
  if (day < 1 || day > last) return null;
  // A cycle later, as Date.UTC takes years below 100 for those of the last century.
  return Date.UTC(year + YEARS_A_CYCLE, month - 1, day) / DAY_IN_MS - DAYS_A_CYCLE;
}

/** "2026-12-04" of days since 1970-01-01. */
export function dateFromDayNumber(days: number): string {
  return new Date(days * DAY_IN_MS).toISOString().slice(0, 10);
}

/** Days since 1970-01-01 of "2026-12-04"; null when it isn't a date. */
export function dayNumberOfDate(iso: string): number | null {
  const match = ISO.exec(iso.trim());
  return match ? dayNumber(Number(match[1]), Number(match[2]), Number(match[3])) : null;
}

/** Days since 1970-01-01 of a date written with numbers in the given order; ISO dates are read in any. */
export function readDate(text: string, order: DateOrder): number | null {
  const iso = dayNumberOfDate(text);
  if (iso !== null) return iso;
  const match = NUMERIC.exec(text.trim());
  if (!match) return null;
  const [, a = '', b = '', c = ''] = match;
  const [year, month, day] = order === 'ymd' ? [a, b, c] : order === 'dmy' ? [c, b, a] : [c, a, b];
  if (year.length !== 4 || day.length > 2 || month.length > 2) return null;
  return dayNumber(Number(year), Number(month), Number(day));
}

/** Days since 1970-01-01 of a date as the context has dates written: by a file's manner, else as people of the locale type it. */
export function dayIn(text: string, field: Field, context: ReadContext): number | null {
  const { manner } = context;
  if (!manner) return readDate(text, field.settings.dateOrder ?? context.dateOrder);
  const iso = dayNumberOfDate(text);
  if (iso !== null) return iso;
  const order = YEAR_FIRST.test(text) ? 'ymd' : manner.dateOrder;
  const written = numericDate(text, order) ?? namedDate(text, manner.monthOf);
  return written && dayNumber(written.year, written.month, written.day);
}

/** Days since 1970-01-01 of a date that is written with numbers in an order, and not with its year first. */
export function numericDay(text: string, order: DateOrder): number | null {
  const written = YEAR_FIRST.test(text) ? null : numericDate(text, order);
  return written && dayNumber(written.year, written.month, written.day);
}

/** The day that a bound of a date comes to now, in days since 1970-01-01. */
function dayOfBound(bound: number | string, context: ReadContext): number | null {
  return typeof bound === 'number' ? null : (dayNumberOfDate(bound) ?? relativeDay(bound, context));
}

/** Whether a bound is a date or relative to today. */
export function isDayBound(bound: number | string): boolean {
  return typeof bound === 'string' && (dayNumberOfDate(bound) !== null || isRelativeDay(bound));
}

function formatDays(days: number, formats: Formats): string {
  return formats.date(days * DAY_IN_MS);
}

/** The parts of a date in their order, in words. */
export const ORDER_WORDS: Readonly<Record<DateOrder, string>> = {
  ymd: 'year, month, day',
  dmy: 'day, month, year',
  mdy: 'month, day, year',
};

export const dateType: FieldType<string> = {
  label: 'date',
  icon: 'event',
  control: 'date',
  settings: ['dateOrder', 'least', 'greatest', 'before', 'after'],
  short: true,
  checkSettings: (field) => checkBounds(field, isDayBound, 'a date, or as “today + 30 days”'),
  read(input, field, context) {
    if (isEmptyInput(input)) return ok(null);
    if (typeof input !== 'string') return wrongType(field, 'a date');
    const days = dayIn(input, field, context);
    if (days !== null) {
      const readBound = (bound: number | string): number | null => dayOfBound(bound, context);
      const outside = boundsIssue(days, field, readBound, (bound) => formatDays(bound, context.formats));
      return outside ? refuse(outside) : ok(dateFromDayNumber(days));
    }
    return refuse(issue('value.not-a-date', { label: field.label, found: input }, { field: field.key }));
  },
  holds: (value): value is string => isText(value) && ISO.test(value),
  toText: (value) => value,
  format(value, field, formats) {
    return withAffixes(formatDays(dayNumberOfDate(value) ?? 0, formats), field);
  },
  column: {
    kind: 'number',
    time: 'days',
    of: (value) => dayNumberOfDate(value) ?? NaN,
    boundFromText: (text) => dayNumberOfDate(text),
    boundToText: (bound: number) => dateFromDayNumber(bound),
    formatBound: (bound, _field, formats) => formatDays(bound, formats),
  },
  facets: ['dates', 'range'],
  propose(sample) {
    const { context } = sample;
    let iso = 0;
    let months = 0;
    const fitting = countFitting(sample, (value) => {
      const isIso = ISO.test(value);
      // A time that is not midnight is told by dates with a time.
      if (isIso ? !isOnlyDay(value) : !/\d/.test(value)) return false;
      if (dayIn(value, NO_SETTINGS, context) === null) return false;
      const times = sample.tally.get(value) ?? 0;
      if (isIso) iso += times;
      else if (context.manner && namedDate(value, context.manner.monthOf)?.isMonth) months += times;
      return true;
    });
    const order = context.manner?.dateOrder ?? context.dateOrder;
    const plural = iso === fitting ? 'ISO dates' : `dates, written as ${ORDER_WORDS[order]}`;
    const proposal = proposeIfEnough(sample, fitting, 0.96, { plural });
    if (!proposal || months === 0) return proposal;
    const told = `${context.formats.number(months)} name a month only and become its first day.`;
    return { ...proposal, against: [proposal.against, told].filter(Boolean).join(' ') };
  },
};

/** Whether a text is a day, without a time or with midnight. */
export function isOnlyDay(text: string): boolean {
  return ONLY_DAY.test(text);
}

const NO_SETTINGS = { settings: {} } as Field;
