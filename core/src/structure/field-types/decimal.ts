import { decimalsOf, issue, refuse } from '../../values/index.js';
import { checkNumberBounds } from './bounds.js';
import type { FieldType } from './field-type.js';
import { isNumber } from './field-type.js';
import { formatPlain, keptInBounds, plainNumberColumn, proposeNumbers, readPlainNumber } from './plain-number.js';

const DECIMALS = { strength: 0.8, noun: 'numbers', accepts: Number.isFinite, takesPercents: true } as const;

export const decimalType: FieldType<number> = {
  label: 'decimal',
  icon: 'decimal_increase',
  control: 'number',
  settings: ['least', 'greatest', 'step', 'decimals', 'before', 'after'],
  short: true,
  checkSettings: checkNumberBounds,
  read(input, field, context) {
    const read = readPlainNumber(input, field, context, { wanted: 'a number', example: 12.5 });
    if (!read.ok || read.value === null) return read;
    const { decimals } = field.settings;
    if (decimals !== undefined && decimalsOf(read.value) > decimals) {
      const params = { label: field.label, greatest: decimals };
      return refuse(issue('value.decimals', params, { field: field.key }));
    }
    return keptInBounds(read.value, field, context);
  },
  holds: isNumber,
  toText: (value) => String(value),
  format: formatPlain,
  column: plainNumberColumn,
  facets: ['range'],
  propose: (sample) => proposeNumbers(sample, DECIMALS),
};
