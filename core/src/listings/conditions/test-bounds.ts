import type { Field, FieldTest, ReadContext } from '../../structure/index.js';
import { columnOf, fieldType, plainField } from '../../structure/index.js';
import type { TimeUnit } from '../../time/index.js';
import { dayNumberAt, firstWeekday, movedDay, nextPeriod, periodStart, startOfDay } from '../../time/index.js';

/** Which numbers a test holds for: those between two bounds, or, turned over, all others. */
export interface Bounds {
  /** In the unit of the column; minus infinity for no bound. */
  readonly least: number;
  /** Whether the least one is in. */
  readonly withLeast: boolean;
  readonly greatest: number;
  readonly withGreatest: boolean;
  readonly isTurned: boolean;
}

const AMOUNT = /^\s*(\d{1,5})\s*(day|week|month|year)s?\s*$/i;
const UNIT = /^\s*(day|week|month|year)\s*$/i;
type StretchUnit = 'day' | 'week' | 'month' | 'year';

/** "3 weeks" as a number and a unit; null for anything else. */
export function readStretch(input: unknown): { readonly amount: number; readonly unit: StretchUnit } | null {
  const match = typeof input === 'string' ? AMOUNT.exec(input) : null;
  return match ? { amount: Number(match[1]), unit: match[2]!.toLowerCase() as StretchUnit } : null;
}

/** "week", of "in this week". */
export function readStretchUnit(input: unknown): StretchUnit | null {
  const match = typeof input === 'string' ? UNIT.exec(input) : null;
  return match ? (match[1]!.toLowerCase() as StretchUnit) : null;
}

const NOTHING: Bounds = {
  least: Infinity,
  withLeast: false,
  greatest: -Infinity,
  withGreatest: false,
  isTurned: false,
};

function between(least: number, greatest: number): Bounds {
  return { least, withLeast: true, greatest, withGreatest: true, isTurned: false };
}

function before(end: number): Bounds {
  return { least: -Infinity, withLeast: true, greatest: end, withGreatest: false, isTurned: false };
}

/** From a moment on (in) until another (out). */
function window(from: number, end: number): Bounds {
  return { least: from, withLeast: true, greatest: end, withGreatest: false, isTurned: false };
}

/** The numbers that a test of a field with a number column holds for; a value that can't be read holds for none. */
export function boundsOf(
  { op, value }: Omit<FieldTest, 'field'>,
  computedOrPlain: Field,
  context: ReadContext,
): Bounds {
  const field = plainField(computedOrPlain);
  const spec = columnOf(field);
  const time = (spec?.kind === 'number' && spec.time) || null;
  const ofTime = time && timeBounds(op, value, time, context);
  if (ofTime) return ofTime;
  const [first, second] = (Array.isArray(value) ? value : [value]).map((input) => readNumber(input, field, context));
  if (first == null) return NOTHING;
  switch (op) {
    case 'is':
      return between(first, first);
    case 'is-not':
      return { ...between(first, first), isTurned: true };
    case 'below':
      return before(first);
    case 'at-most':
      return between(-Infinity, first);
    case 'above':
      return { least: first, withLeast: false, greatest: Infinity, withGreatest: true, isTurned: false };
    case 'at-least':
      return between(first, Infinity);
    case 'between':
      return second == null ? NOTHING : between(first, second);
    default:
      return NOTHING;
  }
}

export function isWithin(value: number, { least, withLeast, greatest, withGreatest, isTurned }: Bounds): boolean {
  const isIn = (withLeast ? value >= least : value > least) && (withGreatest ? value <= greatest : value < greatest);
  return isIn !== isTurned;
}

/**
 * Tests that go by the calendar of the site's zone: days are whole ones, today counts among the next ones and not among
 * the last ones, weeks begin where the locale has them begin.
 */
function timeBounds(op: FieldTest['op'], value: unknown, time: TimeUnit, context: ReadContext): Bounds | null {
  const { nowInMs, zone, locale } = context;
  const today = dayNumberAt(nowInMs, zone);
  const days = (from: number, end: number): Bounds => window(startOfDay(from, time, zone), startOfDay(end, time, zone));
  const now = time === 'days' ? today : nowInMs;
  const stretch = readStretch(value);
  switch (op) {
    case 'in-past':
      return before(now);
    case 'in-future':
      // A day is to come when it is not over; a moment when it has not been.
      return between(now, Infinity);
    case 'in-last':
      return stretch ? days(movedDay(today, -stretch.amount, stretch.unit), today) : NOTHING;
    case 'in-next':
      return stretch ? days(today, movedDay(today, stretch.amount, stretch.unit)) : NOTHING;
    case 'in-this': {
      const unit = readStretchUnit(value);
      if (!unit) return NOTHING;
      const start = periodStart(today, unit, firstWeekday(locale));
      return days(start, nextPeriod(start, unit));
    }
    case 'is-on': {
      const day = readDay(value, context);
      return day === null ? NOTHING : days(day, day + 1);
    }
    default:
      return null;
  }
}

const ANY_DATE = { key: '', label: '', type: 'date', settings: {} } as unknown as Field;

function readDay(value: unknown, context: ReadContext): number | null {
  const read = fieldType('date').read(value, ANY_DATE, context);
  const spec = columnOf(ANY_DATE);
  return read.ok && read.value !== null && spec?.kind === 'number' ? spec.of(read.value) : null;
}

/** A number that is compared as it stands in the column, as one that was taken from another listing. */
export interface ColumnNumber {
  readonly inColumn: number;
}

function readNumber(input: unknown, field: Field, context: ReadContext): number | null {
  if (typeof input === 'object' && input !== null && 'inColumn' in input) return (input as ColumnNumber).inColumn;
  const spec = columnOf(field);
  const read = fieldType(field.type).read(input, unbounded(field), context);
  return read.ok && read.value !== null && spec?.kind === 'number' ? spec.of(read.value) : null;
}

/** A field without its bounds: one may well ask for more than fits. */
export function unbounded(field: Field): Field {
  const { least: _, greatest: __, step: ___, ...settings } = field.settings;
  return { ...field, settings };
}
