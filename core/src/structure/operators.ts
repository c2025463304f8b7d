import type { Operator } from './condition.js';
import type { Field } from './field.js';
import { columnOf, plainField } from './field-types/registry.js';

const BY_COLUMN: Readonly<Record<string, readonly Operator[]>> = {
  number: ['is', 'is-not', 'below', 'at-most', 'above', 'at-least', 'between', 'is-empty', 'is-not-empty'],
  text: ['contains', 'starts-with', 'is', 'is-not', 'is-empty', 'is-not-empty'],
  'yes-no': ['is', 'is-empty', 'is-not-empty'],
  choices: ['is-one-of', 'includes-all', 'includes-none', 'contains', 'is-empty', 'is-not-empty'],
};
/** Listings at the other end are found by the words of their titles. */
const OF_LINKS: readonly Operator[] = ['contains', 'is-empty', 'is-not-empty'];
const WITHOUT_COLUMN: readonly Operator[] = ['is-empty', 'is-not-empty'];

/** The operators that make sense for the values of a field, the likeliest first. */
export function operatorsFor(field: Field): readonly Operator[] {
  if (field.type === 'link') return OF_LINKS;
  return BY_COLUMN[columnOf(plainField(field))?.kind ?? ''] ?? WITHOUT_COLUMN;
}

/** Whether an operator compares with a value. */
export function takesValue(op: Operator): boolean {
  return op !== 'is-empty' && op !== 'is-not-empty';
}
