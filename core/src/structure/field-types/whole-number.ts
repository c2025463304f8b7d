import { decimalsOf, formatNumber, issue, ok, parseNumber, refuse } from '../../values/index.js';
import type { Field } from '../field.js';
import type { ColumnSpec, FieldType } from './field-type.js';
import { boundsIssue, isEmptyInput, isNumber, wrongType } from './field-type.js';
import { countFitting, proposeIfEnough } from './proposal.js';

/** How a plain number stands in the catalog and in addresses; shared with the decimal type. */
export const plainNumberColumn: ColumnSpec<number> = {
  kind: 'number',
  of: (value) => value,
  boundFromText: (text) => parseNumber(text, { decimal: '.', group: '' }),
  boundToText: (bound) => String(bound),
  formatBound: (bound, field, locale) => formatPlain(bound, field, locale),
};

/** A number for readers, with the field's texts before and after. */
export function formatPlain(value: number, field: Field, locale: string): string {
  const { before = '', after = '' } = field.settings;
  return [before, formatNumber(value, locale), after].filter((part) => part !== '').join(' ');
}

/** A number with a leading zero ("007") is a code: reading it as a number would lose the zero. */
export const LEADING_ZERO = /^[+-]?0\d/;

export const wholeNumberType: FieldType<number> = {
  label: 'whole number',
  icon: 'tag',
  control: 'number',
  settings: ['least', 'greatest', 'before', 'after'],
  short: true,
  read(input, field, context) {
    if (isEmptyInput(input)) return ok(null);
    if (typeof input !== 'string' && typeof input !== 'number') return wrongType(field, 'a whole number');
    const value = typeof input === 'number' ? input : parseNumber(input, context.marks);
    const params = { label: field.label, found: String(input), example: '12' };
    if (value === null || !Number.isFinite(value)) {
      return refuse(issue('value.not-a-number', params, { field: field.key }));
    }
    if (decimalsOf(value) > 0) return refuse(issue('value.not-whole', params, { field: field.key }));
    if (!Number.isSafeInteger(value)) {
      const greatest = formatNumber(Number.MAX_SAFE_INTEGER, context.locale);
      return refuse(issue('value.too-large', { ...params, greatest }, { field: field.key }));
    }
    const outside = boundsIssue(value, field, (bound) => formatNumber(bound, context.locale));
    return outside ? refuse(outside) : ok(value === 0 ? 0 : value);
  },
  holds: isNumber,
  toText: (value) => String(value),
  format: formatPlain,
  column: plainNumberColumn,
  facet: 'range',
  propose(sample) {
    const { context } = sample;
    const numbers: number[] = [];
    const fitting = countFitting(sample, (value) => {
      const number = LEADING_ZERO.test(value) ? null : parseNumber(value, context.marks);
      if (number === null || !Number.isSafeInteger(number)) return false;
      numbers.push(number);
      return true;
    });
    if (fitting === 0) return null;
    const show = (number: number): string => formatNumber(number, context.locale);
    const [least, greatest] = extent(numbers);
    const plural = `whole numbers from ${show(least)} to ${show(greatest)}`;
    return proposeIfEnough(sample, fitting, 0.85, { plural });
  },
};

/** Least and greatest of at least one number, without spreading a long list over the call stack. */
export function extent(numbers: readonly number[]): [number, number] {
  let least = Infinity;
  let greatest = -Infinity;
  for (const number of numbers) {
    if (number < least) least = number;
    if (number > greatest) greatest = number;
  }
  return [least, greatest];
}
