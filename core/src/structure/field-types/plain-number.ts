import type { Formats, NumberMarks, Result } from '../../values/index.js';
import { decimalsOf, issue, ok, parseNumber, refuse, wordsOf } from '../../values/index.js';
import type { Field } from '../fields/field.js';
import { boundNumber, boundsIssue, stepIssue } from './bounds.js';
import type { ColumnSpec } from './field-type.js';
import { isEmptyInput, withAffixes, withoutAffixes, wrongType } from './field-type.js';
import type { ColumnSample, Proposal } from './proposal.js';
import { proposeIfEnough } from './proposal.js';
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

/**
 * Reads any finite number from JSON or text; −0 becomes 0. Bounds and decimals are the caller's. Refused by
 * `value.not-a-number`.
 */
export function readPlainNumber(
  input: unknown,
  field: Field,
  context: ReadContext,
  { wanted, example }: { wanted: string; example: number },
): Result<number | null> {
  if (isEmptyInput(input)) return ok(null);
  if (typeof input !== 'string' && typeof input !== 'number') return wrongType(field, wanted);
  const value = typeof input === 'number' ? input : parseNumber(withoutAffixes(input, field), context.marks);
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

/** Whole numbers that begin with a zero ("007") are codes: reading them as numbers would lose the zero. */
const LEADING_ZERO = /^0\d+$/;
/** So many of a column's values with such a zero make all of it codes; fewer are slips, which are told. */
const CODES_FROM_SHARE = 0.01;
/** Words of headers of codes, which are written with digits and never counted with (common practice). */
const CODE_WORDS: ReadonlySet<string> = new Set([
  ...['postcode', 'postcodes', 'zip', 'zipcode', 'postal', 'plz', 'postleitzahl', 'cap', 'cp', 'isbn', 'issn', 'ean'],
  ...['gtin', 'upc', 'sku', 'account', 'konto', 'iban', 'bic', 'code', 'codes', 'ref', 'reference', 'barcode'],
  ...['serial', 'version', 'release', 'codigo', 'codice', 'artikelnummer', 'aktenzeichen'],
]);

/** Whether the header of a column says that its digits are a code. */
export function isCalledCode({ header }: Pick<ColumnSample, 'header'>): boolean {
  return wordsOf(header).some((word) => CODE_WORDS.has(word));
}

/** What a column of numbers is written like, as it is found out. */
interface NumberTally {
  fitting: number;
  /** Of those, how many would be written differently when their number is written again: 1.10. */
  lossy: number;
  withZero: number;
  /** Whether two different texts are one number, as 1.1 and 1.10 are: those are versions, not numbers. */
  hasTwins: boolean;
  percents: number;
  least: number;
  greatest: number;
}

/** Which numbers a type has, and how they are called. */
interface NumberKind {
  readonly strength: number;
  readonly noun: string;
  accepts(number: number): boolean;
  /** Percentages are decimals, even where all happen to be whole. */
  readonly takesPercents: boolean;
}

/** Proposes a type of number for a column in which enough values are numbers that it accepts. */
export function proposeNumbers(
  sample: ColumnSample,
  { strength, noun, accepts, takesPercents }: NumberKind,
): Proposal | null {
  if (isCalledCode(sample)) return null;
  const { context } = sample;
  const found = tallyNumbers(sample, accepts);
  if (found.fitting === 0 || found.withZero >= Math.max(1, sample.filled * CODES_FROM_SHARE)) return null;
  if (found.hasTwins) return null;
  const isPercent = found.percents === found.fitting;
  if (found.percents > 0 && !(isPercent && takesPercents)) return null;
  const range = `from ${context.formats.number(found.least)} to ${context.formats.number(found.greatest)}`;
  const plural = isPercent ? `percentages ${range}` : `${noun} ${range}`;
  const words = { plural, ...(isPercent && { settings: { after: '%' } }) };
  const proposal = proposeIfEnough(sample, found.fitting, strength, words);
  if (!proposal || found.lossy === 0) return proposal;
  const told = `${context.formats.number(found.lossy)} would lose zeros at their end.`;
  return { ...proposal, against: [proposal.against, told].filter(Boolean).join(' ') };
}

function tallyNumbers(sample: ColumnSample, accepts: NumberKind['accepts']): NumberTally {
  const { marks } = sample.context;
  const found = { fitting: 0, lossy: 0, withZero: 0, percents: 0, least: Infinity, greatest: -Infinity };
  const twins = new Twins();
  const decimals = new Set<number>();
  let endsInZero = 0;
  for (const [value, times] of sample.tally) {
    const isPercent = value.endsWith('%');
    const text = isPercent ? value.slice(0, -1).trimEnd() : value;
    const number = parseNumber(text, marks);
    const written = decimalsWritten(text, marks);
    if (number !== null && !isPercent) twins.add(number, written);
    if (LEADING_ZERO.test(value)) {
      found.withZero += times;
      continue;
    }
    if (number === null || !accepts(number)) continue;
    found.fitting += times;
    if (isPercent) found.percents += times;
    found.least = Math.min(found.least, number);
    found.greatest = Math.max(found.greatest, number);
    decimals.add(written);
    if (written > 0 && text.endsWith('0') && written > decimalsOf(number)) endsInZero += times;
  }
  // Where all have as many decimals, as prices do, writing that many gives each back.
  return { ...found, hasTwins: twins.found, lossy: decimals.size > 1 ? endsInZero : 0 };
}

/** Finds out whether numbers come again with other decimals. */
class Twins {
  found = false;
  private readonly decimals = new Map<number, number>();

  add(number: number, written: number): void {
    const known = this.decimals.get(number);
    if (known !== undefined && known !== written && Math.min(known, written) > 0) this.found = true;
    this.decimals.set(number, written);
  }
}

function decimalsWritten(text: string, { written, decimal }: NumberMarks): number {
  const at = text.lastIndexOf(written ?? decimal);
  return at < 0 ? 0 : text.length - at - 1;
}
