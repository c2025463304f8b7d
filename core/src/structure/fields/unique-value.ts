import { foldText } from '../../values/index.js';
import type { Field } from './field.js';
import { fieldType } from '../field-types/registry.js';

/** Whether no two listings of a kind may have the same value of a field. */
export function isUnique({ unique, type }: Pick<Field, 'unique' | 'type'>): boolean {
  return unique || type === 'reference';
}

/** A value as it is compared for being the same, without regard to case and accents; null for an empty one. */
export function samenessOf(value: unknown, field: Field): string | null {
  const type = fieldType(field.type);
  return type.holds(value) ? foldText(type.toText(value, field)) : null;
}

/** The values of a listing that no other one of its kind may have, by the key of their field. */
export function uniqueValuesOf(
  values: Readonly<Record<string, unknown>>,
  fields: readonly Field[],
): ReadonlyMap<string, string> {
  const pairs = fields.filter(isUnique).map((field) => [field.key, samenessOf(values[field.key], field)] as const);
  return new Map(pairs.filter((pair): pair is readonly [string, string] => pair[1] !== null));
}
