import { issue, ok, refuse } from '../../values/index.js';
import type { Field } from '../fields/field.js';
import { COMPUTED_RESULTS } from '../fields/field.js';
import type { FieldType, TypeOf } from './field-type.js';
import { isEmptyInput } from './field-type.js';

/** The field in the guise of which a computed field is formatted, sorted and filtered: that of its result. */
export function resultField(field: Field): Field {
  return { ...field, type: field.settings.result ?? 'decimal' };
}

/** Worked out from other fields whenever a listing is read; never typed, never kept. Refused by `value.computed`. */
export function makeComputedType(typeOf: TypeOf): FieldType<unknown> {
  return {
    label: 'computed',
    icon: 'function',
    control: 'none',
    settings: ['expression', 'result', 'unit', 'currency', 'decimals', 'before', 'after'],
    short: false,
    nests: false,
    checkSettings(field) {
      const { expression = '', result = 'decimal' } = field.settings;
      if (expression.trim() === '') return `${field.label} needs something to work out.`;
      if (!COMPUTED_RESULTS.includes(result)) return `${field.label} needs to say what it comes to.`;
      return typeOf(result).checkSettings?.(resultField(field)) ?? null;
    },
    read: (input, field) =>
      isEmptyInput(input) ? ok(null) : refuse(issue('value.computed', { label: field.label }, { field: field.key })),
    holds: (value): value is unknown => COMPUTED_RESULTS.some((result) => typeOf(result).holds(value)),
    toText: (value, field) => typeOf(resultField(field).type).toText(value, resultField(field)),
    format: (value, field, formats) => typeOf(resultField(field).type).format(value, resultField(field), formats),
    column: null,
    facets: [],
    standsFor: resultField,
  };
}
