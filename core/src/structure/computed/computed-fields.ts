import type { Field } from '../fields/field.js';
import { subfieldsOf } from '../field-types/subfields.js';
import type { Expression } from './expression.js';
import { parseExpression } from './expression.js';

/** A computed field with its expression parsed. */
export interface ComputedField {
  readonly field: Field;
  readonly expression: Expression;
}

/** Types whose values an expression can use. Dates count in days, times of day in hours, choices are their labels. */
const USABLE: readonly string[] = [
  'short-text',
  'long-text',
  'whole-number',
  'decimal',
  'money',
  'measure',
  'yes-no',
  'one-choice',
  'date',
  'date-time',
  'time-of-day',
  'rating',
  'reference',
  'computed',
];

/** The names that expressions may use: keys of fields, and "key.subkey" of those inside groups and rows. */
export function expressionNames(fields: readonly Field[]): Set<string> {
  const names = new Set<string>();
  for (const field of fields) {
    if (USABLE.includes(field.type)) names.add(field.key);
    for (const sub of subfieldsOf(field)) if (USABLE.includes(sub.type)) names.add(`${field.key}.${sub.key}`);
  }
  return names;
}

export interface ReadComputed {
  /** In an order in which each comes after those it uses. */
  readonly inOrder: readonly ComputedField[];
  /** What is wrong, in sentences that say where. */
  readonly reasons: readonly string[];
}

/** Parses all computed fields of a kind and puts them in order; a cycle is told with its path. */
export function readComputedFields(fields: readonly Field[]): ReadComputed {
  const known = expressionNames(fields);
  const reasons: string[] = [];
  const byKey = new Map<string, ComputedField>();
  for (const field of fields.filter(({ type }) => type === 'computed')) {
    const parsed = parseExpression(field.settings.expression ?? '', known);
    if ('wrong' in parsed) reasons.push(`the expression of ${field.label} is not right: ${parsed.wrong}`);
    else byKey.set(field.key, { field, expression: parsed });
  }
  const inOrder: ComputedField[] = [];
  const done = new Set<string>();
  const visit = (key: string, trail: readonly string[]): void => {
    const computed = byKey.get(key);
    if (!computed || done.has(key)) return;
    if (trail.includes(key)) {
      const path = [...trail.slice(trail.indexOf(key)), key].map((step) => byKey.get(step)?.field.label ?? step);
      const reason = `${path[0]} goes round in a circle: ${path.join(' → ')}.`;
      if (!reasons.includes(reason)) reasons.push(reason);
      return;
    }
    for (const name of computed.expression.names) visit(name, [...trail, key]);
    if (done.has(key)) return;
    done.add(key);
    inOrder.push(computed);
  };
  for (const key of byKey.keys()) visit(key, []);
  return { inOrder, reasons };
}
