import type { Operator } from './condition.js';
import { OPERATOR_WORDS } from './condition.js';
import type { Field } from '../fields/field.js';
import { columnOf, plainField } from '../field-types/registry.js';

const PRESENCE: readonly Operator[] = ['is-empty', 'is-not-empty'];
const OVER_TIMES: readonly Operator[] = ['in-past', 'in-future', 'in-last', 'in-next', 'in-this'];

const BY_COLUMN: Readonly<Record<string, readonly Operator[]>> = {
  number: ['is', 'is-not', 'below', 'at-most', 'above', 'at-least', 'between', ...PRESENCE],
  days: ['is', 'is-not', 'below', 'at-most', 'above', 'at-least', 'between', ...OVER_TIMES, ...PRESENCE],
  moments: ['below', 'at-most', 'above', 'at-least', 'between', 'is-on', ...OVER_TIMES, ...PRESENCE],
  text: ['contains', 'starts-with', 'is', 'is-not', ...PRESENCE],
  'yes-no': ['is', ...PRESENCE],
  choices: ['is-one-of', 'includes-all', 'includes-none', 'contains', ...PRESENCE],
};
/** Listings at the other end are found by the words of their titles, or named. */
const OF_LINKS: readonly Operator[] = ['contains', 'is-one-of', 'includes-all', 'includes-none', ...PRESENCE];

/** The operators that make sense for the values of a field, the likeliest first. */
export function operatorsFor(field: Field): readonly Operator[] {
  if (field.type === 'link') return OF_LINKS;
  if (field.type === 'place') return ['within', ...PRESENCE];
  const column = columnOf(plainField(field));
  const kind = column?.kind === 'number' ? (column.time ?? 'number') : column?.kind;
  return BY_COLUMN[kind ?? ''] ?? PRESENCE;
}

/** Whether an operator compares with a value. */
export function takesValue(op: Operator): boolean {
  return !['is-empty', 'is-not-empty', 'in-past', 'in-future', 'is-current'].includes(op);
}

const TIME_WORDS: Readonly<Partial<Record<Operator, string>>> = {
  is: 'is on',
  'is-not': 'is not on',
  below: 'is before',
  'at-most': 'is not after',
  above: 'is after',
  'at-least': 'is not before',
};

/** How an operator reads after the label of a field: a date is "before" where a number is "below". */
export function operatorWords(op: Operator, field: Field): string {
  const column = columnOf(plainField(field));
  const ofTime = column?.kind === 'number' && column.time ? TIME_WORDS[op] : undefined;
  return ofTime ?? OPERATOR_WORDS[op];
}
