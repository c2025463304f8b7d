import type { Condition, Field, Kind } from '@plindo/core/structure';
import { BUILT_IN_FIELDS, BUILT_IN_MARK, columnOf } from '@plindo/core/structure';

/** Something that a condition can ask about. */
export interface Askable {
  /** Key of the field, built-in ones with their mark. */
  readonly key: string;
  readonly field: Field;
}

const BUILT_IN = [
  'title',
  'status',
  'featured',
  'publishedAt',
  'createdAt',
  'changedAt',
  'shownFrom',
  'shownUntil',
  'leavesAt',
  'views',
  'place',
] as const;

/** The fields that a condition over some kinds can ask about, each key once. */
export function askablesOf(kinds: readonly Kind[]): Askable[] {
  const own = kinds
    .flatMap(({ fields }) => fields)
    .filter((field) => columnOf(field) !== null || field.type === 'place');
  const byKey = new Map(own.map((field) => [field.key, field]));
  const builtIn = BUILT_IN.map((name): Askable => ({ key: `${BUILT_IN_MARK}${name}`, field: BUILT_IN_FIELDS[name] }));
  return [...[...byKey].map(([key, field]): Askable => ({ key, field })), ...builtIn];
}

/** The link fields of some kinds, each key once. */
export function linksOf(kinds: readonly Kind[]): Field[] {
  const own = kinds.flatMap(({ fields }) => fields).filter(({ type }) => type === 'link');
  return [...new Map(own.map((field) => [field.key, field])).values()];
}

/** The kinds that a link field leads to. */
export function kindsBehind(key: string, kinds: readonly Kind[], all: readonly Kind[]): Kind[] {
  const ids = kinds.flatMap(({ fields }) => fields.find((field) => field.key === key)?.settings.linked?.kindId ?? []);
  return all.filter(({ id }) => ids.includes(id));
}

/** What stands in a new condition. */
export function newTest(askables: readonly Askable[]): Condition {
  const [first] = askables;
  return { field: first?.key ?? `${BUILT_IN_MARK}title`, op: 'is-not-empty' };
}
