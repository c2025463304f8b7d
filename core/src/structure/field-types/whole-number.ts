import { decimalsOf, issue, refuse } from '../../values/index.js';
import { checkNumberBounds } from './bounds.js';
import type { FieldType } from './field-type.js';
import { isNumber } from './field-type.js';
import { formatPlain, keptInBounds, plainNumberColumn, proposeNumbers, readPlainNumber } from './plain-number.js';

export const wholeNumberType: FieldType<number> = {
  label: 'whole number',
  icon: 'tag',
  control: 'number',
  settings: ['least', 'greatest', 'step', 'before', 'after'],
  short: true,
  checkSettings: checkNumberBounds,
  read(input, field, context) {
    const read = readPlainNumber(input, field, context, { wanted: 'a whole number', example: 12 });
    if (!read.ok || read.value === null) return read;
    const params = { label: field.label, found: String(input) };
    if (decimalsOf(read.value) > 0) return refuse(issue('value.not-whole', params, { field: field.key }));
    if (!Number.isSafeInteger(read.value)) {
      const greatest = context.formats.number(Number.MAX_SAFE_INTEGER);
      return refuse(issue('value.too-large', { ...params, greatest }, { field: field.key }));
    }
    return keptInBounds(read.value, field, context);
  },
  holds: isNumber,
  toText: (value) => String(value),
  format: formatPlain,
  column: plainNumberColumn,
  facets: ['range'],
  propose: (sample) => proposeNumbers(sample, 0.85, 'whole numbers', Number.isSafeInteger),
};
