import type { DecimalMark } from './written-numbers.js';
import { plainNumber } from './written-numbers.js';

/** How a locale writes numbers. */
export interface NumberMarks {
  readonly decimal: string;
  readonly group: string;
  /** In a file numbers are written with this decimal mark and in no other way; absent where people type. */
  readonly written?: DecimalMark;
}

/** The decimal and grouping marks of a locale, as `Intl` knows them. */
export function numberMarks(locale: string): NumberMarks {
  const parts = new Intl.NumberFormat(locale, { useGrouping: true }).formatToParts(1234567.5);
  const find = (type: string): string | undefined => parts.find((part) => part.type === type)?.value;
  return { decimal: find('decimal') ?? '.', group: find('group') ?? ',' };
}

const SPACES = /[\s  ’']/g;
const PLAIN_NUMBER = /^[+-]?(\d+(\.\d*)?|\.\d+)(e[+-]?\d{1,3})?$/i;

/**
 * Reads a number as a person of the locale writes it ("1 234,50" in pt, "1,234.50" in en), and in the plain form of
 * programs ("1234.5"). Where both readings are possible, the locale's wins. Null when it is not a finite number.
 */
export function parseNumber(text: string, marks: NumberMarks): number | null {
  if (marks.written !== undefined) {
    const plain = plainNumber(text, marks.written);
    return plain === null || !Number.isFinite(Number(plain)) ? null : Number(plain);
  }
  const compact = text.trim().replace(SPACES, '').replace('−', '-');
  if (compact === '') return null;
  const local = withoutGroups(compact, marks);
  for (const candidate of local === null ? [compact] : [local, compact]) {
    if (!PLAIN_NUMBER.test(candidate)) continue;
    const value = Number(candidate);
    if (Number.isFinite(value)) return value;
  }
  return null;
}

/** The text with the locale's grouping marks taken out where they stand between threes, and a point for the decimal mark. */
function withoutGroups(compact: string, { decimal, group }: NumberMarks): string | null {
  const [whole = '', fraction, ...more] = compact.split(decimal);
  if (more.length > 0 || (fraction !== undefined && !/^\d*$/.test(fraction))) return null;
  const isSpaceGroup = group.trim() === '';
  const groups = isSpaceGroup ? [whole] : whole.split(group);
  const threes = groups.slice(1).every((part) => /^\d{3}$/.test(part));
  if (groups.length > 1 && (!threes || !/^[+-]?\d{1,3}$/.test(groups[0] ?? ''))) return null;
  return groups.join('') + (fraction === undefined ? '' : `.${fraction}`);
}

/** How many decimals a number has when written in full, at most 15. */
export function decimalsOf(value: number): number {
  const [mantissa = '', exponent = '0'] = value.toString().split('e');
  const fraction = mantissa.split('.')[1] ?? '';
  return Math.min(15, Math.max(0, fraction.length - Number(exponent)));
}
