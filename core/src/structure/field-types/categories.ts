import { issue, refuse } from '../../values/index.js';
import type { Choice, Field } from '../fields/field.js';
import type { FieldType } from './field-type.js';
import { CHOICE_CONTROLS } from './field-type.js';
import { severalChoicesType } from './several-choices.js';

/** The categories that a field can have, with those above them. They come from its set when the kind is read. */
function choicesOf({ settings }: Field): readonly Choice[] {
  return settings.choices ?? [];
}

/** By the keys of choices, those that they lie under. */
export function parentsOf(choices: readonly Choice[]): Map<string, string> {
  return new Map(choices.flatMap(({ key, parent }) => (parent === undefined ? [] : [[key, parent]])));
}

/** A choice's key with the keys of everything above it. */
export function withAncestors(key: string, parents: ReadonlyMap<string, string>): string[] {
  const keys: string[] = [];
  for (let own: string | undefined = key; own !== undefined && !keys.includes(own); own = parents.get(own))
    keys.push(own);
  return keys;
}

/** Categories of a set, kept by their keys. A category that was merged into another is read as that other. */
export const categoriesType: FieldType<readonly string[]> = {
  ...severalChoicesType,
  label: 'categories',
  icon: 'account_tree',
  control: 'categories',
  facets: ['tree', ...CHOICE_CONTROLS],
  settings: ['set', 'most'],
  nests: false,
  checkSettings: (field) => (field.settings.set === undefined ? `${field.label} needs a category set.` : null),
  read(input, field, context) {
    const former = new Map(choicesOf(field).flatMap(({ key, formerKeys = [] }) => formerKeys.map((old) => [old, key])));
    const current = Array.isArray(input)
      ? input.map((one: unknown) => (typeof one === 'string' ? (former.get(one) ?? one) : one))
      : input;
    const read = severalChoicesType.read(current, field, context);
    const { most } = field.settings;
    if (!read.ok || read.value === null || most === undefined || read.value.length <= most) return read;
    const params = { label: field.label, found: read.value.length, greatest: most };
    return refuse(issue('value.too-many', params, { field: field.key }));
  },
  /** A listing counts once in a category and once in each above it, however many of its categories lie below. */
  columnFor(field) {
    const parents = parentsOf(choicesOf(field));
    return {
      kind: 'choices',
      of: (value) => [...new Set(value.flatMap((key) => withAncestors(key, parents)))],
    };
  },
  propose: () => null,
};
