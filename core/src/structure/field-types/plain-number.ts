import type { Formats, Result } from '../../values/index.js';
import { issue, ok, parseNumber, refuse } from '../../values/index.js';
import type { Field } from '../fields/field.js';
import { boundNumber, boundsIssue, stepIssue } from './bounds.js';
import type { ColumnSpec } from './field-type.js';
import { isEmptyInput, withAffixes, wrongType } from './field-type.js';
import type { ColumnSample, Proposal } from './proposal.js';
import { countFitting, proposeIfEnough } from './proposal.js';
import type { ReadContext } from './read-context.js';

/** What whole numbers and decimals share. */

/** How a plain number stands in the catalog and in addresses. */
export const plainNumberColumn: ColumnSpec<number> = {
  kind: 'number',
  of: (value) => value,
  boundFromText: (text) => parseNumber(text, { decimal: '.', group: '' }),
  boundToText: (bound) => String(bound),
  formatBound: (bound, field, formats) => formatPlain(bound, field, formats),
};

/** A number for readers, with the field's texts before and after. */
export function formatPlain(value: number, field: Field, formats: Formats): string {
  return withAffixes(isYear(field) ? String(value) : formats.number(value), field);
}

/** Whether a field holds years: they are written without their thousands marked. */
function isYear({ settings }: Field): boolean {
  return [settings.least, settings.greatest].some((bound) => typeof bound === 'string');
}

/** Reads any finite number from JSON or text; −0 becomes 0. Bounds and decimals are the caller's. */
export function readPlainNumber(
  input: unknown,
  field: Field,
  context: ReadContext,
  { wanted, example }: { wanted: string; example: number },
): Result<number | null> {
  if (isEmptyInput(input)) return ok(null);
  if (typeof input !== 'string' && typeof input !== 'number') return wrongType(field, wanted);
  const value = typeof input === 'number' ? input : parseNumber(input, context.marks);
  if (value !== null && Number.isFinite(value)) return ok(value + 0);
  const params = { label: field.label, found: String(input), example: context.formats.number(example) };
  return refuse(issue('value.not-a-number', params, { field: field.key }));
}

/** A plain number that keeps its field's bounds and steps. */
export function keptInBounds(value: number, field: Field, context: ReadContext): Result<number> {
  const show = (bound: number): string => (isYear(field) ? String(bound) : context.formats.number(bound));
  const found =
    boundsIssue(value, field, (bound) => boundNumber(bound, context), show) ?? stepIssue(value, field, context);
  return found ? refuse(found) : ok(value);
}

/** A number with a leading zero ("007") is a code: reading it as a number would lose the zero. */
const LEADING_ZERO = /^[+-]?0\d/;

/** Proposes a type of number for a column in which enough values are numbers that it accepts. */
export function proposeNumbers(
  sample: ColumnSample,
  strength: number,
  noun: string,
  accepts: (number: number) => boolean,
): Proposal | null {
  const { context } = sample;
  let least = Infinity;
  let greatest = -Infinity;
  const fitting = countFitting(sample, (value) => {
    const number = LEADING_ZERO.test(value) ? null : parseNumber(value, context.marks);
    if (number === null || !accepts(number)) return false;
    least = Math.min(least, number);
    greatest = Math.max(greatest, number);
    return true;
  });
  if (fitting === 0) return null;
  const range = `from ${context.formats.number(least)} to ${context.formats.number(greatest)}`;
  return proposeIfEnough(sample, fitting, strength, { plural: `${noun} ${range}` });
}
