import { decimalsOf, formatNumber, issue, ok, parseNumber, refuse } from '../../values/index.js';
import type { FieldType } from './field-type.js';
import { boundsIssue, isEmptyInput, isNumber, wrongType } from './field-type.js';
import { countFitting, proposeIfEnough } from './proposal.js';
import { LEADING_ZERO, extent, formatPlain, plainNumberColumn } from './whole-number.js';

export const decimalType: FieldType<number> = {
  label: 'decimal',
  icon: 'decimal_increase',
  control: 'number',
  settings: ['least', 'greatest', 'decimals', 'before', 'after'],
  short: true,
  read(input, field, context) {
    if (isEmptyInput(input)) return ok(null);
    if (typeof input !== 'string' && typeof input !== 'number') return wrongType(field, 'a number');
    const value = typeof input === 'number' ? input : parseNumber(input, context.marks);
    const params = { label: field.label, found: String(input), example: formatNumber(12.5, context.locale) };
    if (value === null || !Number.isFinite(value)) {
      return refuse(issue('value.not-a-number', params, { field: field.key }));
    }
    const { decimals } = field.settings;
    if (decimals !== undefined && decimalsOf(value) > decimals) {
      return refuse(issue('value.decimals', { ...params, greatest: decimals }, { field: field.key }));
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
      if (number !== null) numbers.push(number);
      return number !== null;
    });
    if (fitting === 0) return null;
    const show = (number: number): string => formatNumber(number, context.locale);
    const [least, greatest] = extent(numbers);
    return proposeIfEnough(sample, fitting, 0.8, { plural: `numbers from ${show(least)} to ${show(greatest)}` });
  },
};
