import type { Formats } from '../../values/index.js';
import { issue, ok, refuse } from '../../values/index.js';
import type { DateOrder } from '../fields/field.js';
import { boundsIssue, checkBounds, isRelativeDay, relativeDay } from './bounds.js';
import type { FieldType } from './field-type.js';
import { isEmptyInput, isText, withAffixes, wrongType } from './field-type.js';
import type { ColumnSample } from './proposal.js';
import { countFitting, proposeIfEnough } from './proposal.js';
import type { ReadContext } from './read-context.js';

const DAY_IN_MS = 86_400_000;
const ISO = /^(\d{4})-(\d{2})-(\d{2})(?:[T ]\d{2}:\d{2}.*)?$/;
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

/** The order in which a locale writes dates with numbers. */
export function localDateOrder(locale: string): DateOrder {
  const parts = new Intl.DateTimeFormat(locale, { year: 'numeric', month: 'numeric', day: 'numeric' })
    .formatToParts(new Date(0))
    .map((part) => part.type);
  if (parts.indexOf('year') < parts.indexOf('month')) return 'ymd';
  return parts.indexOf('day') < parts.indexOf('month') ? 'dmy' : 'mdy';
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

const ORDER_WORDS: Readonly<Record<DateOrder, string>> = {
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
    const days = readDate(input, field.settings.dateOrder ?? localDateOrder(context.locale));
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
    const local = localDateOrder(sample.context.locale);
    const orders: DateOrder[] = [local, ...(['ymd', 'dmy', 'mdy'] as const).filter((order) => order !== local)];
    const counts = orders.map((order) => ({ order, fitting: countIn(sample, order) }));
    const best = counts.reduce((a, b) => (b.fitting > a.fitting ? b : a));
    if (best.fitting === 0) return null;
    const onlyIso = countFitting(sample, (value) => ISO.test(value)) === best.fitting;
    const rivals = counts.filter(({ order, fitting }) => order !== best.order && fitting === best.fitting);
    const plural = onlyIso ? 'ISO dates' : `dates written as ${ORDER_WORDS[best.order]}`;
    const settings = onlyIso ? {} : { dateOrder: best.order };
    const proposal = proposeIfEnough(sample, best.fitting, 0.96, { plural, settings });
    if (!proposal || onlyIso || rivals.length === 0) return proposal;
    const doubt = `They could as well be written as ${rivals.map(({ order }) => ORDER_WORDS[order]).join(' or ')}.`;
    return { ...proposal, against: [proposal.against, doubt].filter(Boolean).join(' ') };
  },
};

function countIn(sample: ColumnSample, order: DateOrder): number {
  return countFitting(sample, (value) => readDate(value, order) !== null);
}
