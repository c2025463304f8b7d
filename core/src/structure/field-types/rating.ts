import { issue, ok, parseNumber, refuse } from '../../values/index.js';
import type { Field } from '../fields/field.js';
import type { FieldType } from './field-type.js';
import { isEmptyInput, isNumber, withAffixes, wrongType } from './field-type.js';

export const DEFAULT_STARS = 5;
export const MOST_STARS = 10;

export function starsOf({ settings }: Field): number {
  return settings.stars ?? DEFAULT_STARS;
}

export const ratingType: FieldType<number> = {
  label: 'rating',
  icon: 'star_half',
  control: 'rating',
  settings: ['stars', 'before', 'after'],
  short: true,
  checkSettings(field) {
    const stars = starsOf(field);
    const fits = Number.isInteger(stars) && stars >= 1 && stars <= MOST_STARS;
    return fits ? null : `${field.label} can have 1 to ${MOST_STARS} stars.`;
  },
  read(input, field, context) {
    if (isEmptyInput(input)) return ok(null);
    if (typeof input !== 'string' && typeof input !== 'number') return wrongType(field, 'a rating');
    const value = typeof input === 'number' ? input : parseNumber(input, context.marks);
    const greatest = starsOf(field);
    if (value !== null && value >= 0 && value <= greatest && Number.isInteger(value * 2)) return ok(value + 0);
    const params = { label: field.label, greatest, found: String(input) };
    return refuse(issue('value.not-a-rating', params, { field: field.key }));
  },
  holds: isNumber,
  toText: (value) => String(value),
  format: (value, field, formats) =>
    withAffixes(formats.words.say('value.stars', { given: formats.number(value), all: starsOf(field) }), field),
  column: {
    kind: 'number',
    of: (value) => value,
    boundFromText: (text) => parseNumber(text, { decimal: '.', group: '' }),
    boundToText: (bound) => String(bound),
    formatBound: (bound, _field, formats) => formats.number(bound),
  },
  facets: ['rating', 'range'],
};
