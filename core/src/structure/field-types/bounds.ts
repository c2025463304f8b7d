import type { CalendarUnit } from '../../time/index.js';
import { dayNumberAt, movedDay, yearOfDay } from '../../time/index.js';
import type { Issue } from '../../values/index.js';
import { issue } from '../../values/index.js';
import type { Field } from '../fields/field.js';
import type { ReadContext } from './read-context.js';

/** Least and greatest values, steps, and the relative bounds "this year + 1" and "today − 3 weeks". */

const RELATIVE_YEAR = /^this year(?:\s*([+−-])\s*(\d{1,4}))?$/i;
const RELATIVE_DAY = /^today(?:\s*([+−-])\s*(\d{1,5})\s*(day|week|month|year)s?)?$/i;

function signed(sign: string | undefined, count: string | undefined): number {
  return count === undefined ? 0 : sign === '+' ? Number(count) : -Number(count);
}

/** The number that a bound of a number comes to now; null when it isn't one. */
export function boundNumber(bound: number | string, context: ReadContext): number | null {
  if (typeof bound === 'number') return bound;
  const match = RELATIVE_YEAR.exec(bound.trim());
  if (!match) return null;
  return yearOfDay(dayNumberAt(context.nowInMs, context.zone)) + signed(match[1], match[2]);
}

/** The day that a relative bound of a date comes to now, in days since 1970-01-01; null when it isn't one. */
export function relativeDay(bound: string, context: ReadContext): number | null {
  const match = RELATIVE_DAY.exec(bound.trim());
  if (!match) return null;
  const unit = (match[3]?.toLowerCase() ?? 'day') as CalendarUnit;
  return movedDay(dayNumberAt(context.nowInMs, context.zone), signed(match[1], match[2]), unit);
}

/** How a bound of some type becomes comparable with a value of it. */
export type BoundReader = (bound: number | string) => number | null;

/**
 * Whether a value keeps its field's least and greatest; both sides as comparable numbers. Told as `value.too-large` and
 * `value.too-small`.
 */
export function boundsIssue(
  value: number,
  field: Field,
  readBound: BoundReader,
  show: (bound: number) => string,
): Issue | null {
  const { least, greatest } = field.settings;
  const [from, to] = [least, greatest].map((bound) => (bound === undefined ? null : readBound(bound)));
  const params = { label: field.label };
  if (from != null && value < from)
    return issue('value.too-small', { ...params, least: show(from) }, { field: field.key });
  if (to != null && value > to)
    return issue('value.too-large', { ...params, greatest: show(to) }, { field: field.key });
  return null;
}

const STEP_TOLERANCE = 1e-9;

/** Whether a number stands on one of its field's steps. Told as `value.step`. */
export function stepIssue(value: number, field: Field, context: ReadContext): Issue | null {
  const { step, least } = field.settings;
  if (step === undefined || step <= 0) return null;
  const from = typeof least === 'number' ? least : 0;
  const steps = (value - from) / step;
  if (Math.abs(steps - Math.round(steps)) <= STEP_TOLERANCE * Math.max(1, Math.abs(steps))) return null;
  const [stepText, fromText, found] = [step, from, value].map((number) => context.formats.number(number));
  const params = { label: field.label, step: stepText!, from: fromText!, found: found! };
  return issue('value.step', params, { field: field.key });
}

/** Says which of a field's bounds can't be read, or null; `isBound` knows the type's own. */
export function checkBounds(
  field: Field,
  isBound: (bound: number | string) => boolean,
  example: string,
): string | null {
  const { least, greatest, step } = field.settings;
  for (const [name, bound] of [
    ['least', least],
    ['greatest', greatest],
  ] as const) {
    if (bound !== undefined && !isBound(bound)) return `The ${name} value of ${field.label} must be ${example}.`;
  }
  if (step !== undefined && !(step > 0)) return `The step of ${field.label} must be above 0.`;
  if (typeof least === 'number' && typeof greatest === 'number' && least > greatest) {
    return `The least value of ${field.label} is above its greatest.`;
  }
  return null;
}

/** {@link checkBounds} for numbers: numbers, and "this year + 1". */
export function checkNumberBounds(field: Field): string | null {
  const isBound = (bound: number | string): boolean => typeof bound === 'number' || RELATIVE_YEAR.test(bound.trim());
  return checkBounds(field, isBound, 'a number, or as “this year + 1”');
}

/** Whether a text is a relative bound of a day. */
export function isRelativeDay(bound: string): boolean {
  return RELATIVE_DAY.test(bound.trim());
}

/**
 * Whether a list keeps its field's fewest and most entries; `ceiling` counts where the field says nothing. Told as
 * `value.too-few` and `value.too-many`.
 */
export function entriesIssue(found: number, field: Field, ceiling: number): Issue | null {
  const { fewest = 0, most = ceiling } = field.settings;
  const params = { label: field.label, found };
  if (found < fewest) return issue('value.too-few', { ...params, least: fewest }, { field: field.key });
  return found > most ? issue('value.too-many', { ...params, greatest: most }, { field: field.key }) : null;
}

/** Says what is wrong with a field's fewest and most entries, or null. */
export function checkEntries({ label, settings: { fewest = 0, most } }: Field, ceiling: number): string | null {
  const greatest = most ?? ceiling;
  return fewest >= 0 && fewest <= greatest && greatest <= ceiling ? null : `${label} can have 0 to ${ceiling} entries.`;
}
