import type { Issue } from '../../values/index.js';
import { issue, issuesOf } from '../../values/index.js';
import type { Field } from '../fields/field.js';
import type { FieldValue, TypeOf } from './field-type.js';
import type { ReadContext } from './read-context.js';

/** What group and rows share: one set of values of subfields. */

export type Entry = Readonly<Record<string, unknown>>;

export const MOST_SUBFIELDS = 40;
const DEEPEST = 2;

/** Whether a field is made of other ones: a group, or rows. */
export function hasSubfields({ type }: Pick<Field, 'type'>): boolean {
  return type === 'group' || type === 'rows';
}

export function subfieldsOf({ settings }: Field): readonly Field[] {
  return settings.fields ?? [];
}

export function isEntry(value: unknown): value is Entry {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** The entries of the value of a group, which is one, or of rows. */
export function entriesIn(value: unknown): Entry[] {
  return [value].flat().filter(isEntry);
}

/** JSON in a text, as it stands in a cell of a file; anything else as it is. */
export function parsedJson(input: unknown): unknown {
  if (typeof input !== 'string') return input;
  try {
    return JSON.parse(input) as unknown;
  } catch {
    return input;
  }
}

export interface ReadEntry {
  readonly entry: Entry;
  readonly issues: readonly Issue[];
}

/** Where an entry stands, for its issues: the path of its field ("tariff.2") and the words of it ("Tariff, row 3"). */
export interface EntryPlace {
  readonly path: string;
  readonly label: string;
}

/**
 * Reads the values of all subfields; every issue names the path of its subfield. Refused by `value.required` and
 * `value.unknown-part`.
 */
export function readEntry(
  input: Entry,
  fields: readonly Field[],
  place: EntryPlace,
  typeOf: TypeOf,
  context: ReadContext,
): ReadEntry {
  const issues: Issue[] = [];
  const entry: Record<string, unknown> = {};
  for (const key of Object.keys(input)) {
    if (fields.some((field) => field.key === key)) continue;
    issues.push(issue('value.unknown-part', { label: place.label, found: key }, { field: `${place.path}.${key}` }));
  }
  for (const field of fields) {
    const path = `${place.path}.${field.key}`;
    const own = { ...field, key: path, label: `${place.label}: ${field.label}` };
    const read = typeOf(field.type).read(Object.hasOwn(input, field.key) ? input[field.key] : null, own, context);
    if (!read.ok) issues.push(...issuesOf(read));
    else if (read.value !== null) entry[field.key] = read.value;
    else if (field.required) issues.push(issue('value.required', { label: own.label }, { field: path }));
  }
  return { entry, issues };
}

/** The values of an entry that their types know, each with its subfield. */
export function partsOf(entry: Entry, fields: readonly Field[], typeOf: TypeOf): FieldValue[] {
  return fields
    .map((field) => ({ field, value: entry[field.key] }))
    .filter(({ field, value }) => typeOf(field.type).holds(value));
}

/** An entry with its values as the texts that reading takes back. */
export function textsOf(entry: Entry, fields: readonly Field[], typeOf: TypeOf): Record<string, string> {
  const parts = partsOf(entry, fields, typeOf);
  return Object.fromEntries(parts.map(({ field, value }) => [field.key, typeOf(field.type).toText(value, field)]));
}

/** What is wrong with the subfields, or null. Groups and rows can stand in one another, once. */
export function checkSubfields(
  field: Field,
  typeOf: TypeOf,
  checkField: (field: Field) => string[],
  depth = 1,
): string | null {
  const fields = subfieldsOf(field);
  if (fields.length === 0) return `${field.label} needs at least one field inside.`;
  if (fields.length > MOST_SUBFIELDS)
    return `${field.label} has ${fields.length} fields inside; at most ${MOST_SUBFIELDS} fit.`;
  const keys = fields.map(({ key }) => key);
  const twice = keys.find((key, at) => keys.indexOf(key) !== at);
  if (twice) return `${field.label} has the key “${twice}” twice.`;
  for (const sub of fields) {
    if (typeOf(sub.type).nests === false) return `${sub.label} cannot stand inside ${field.label}.`;
    const inner = hasSubfields(sub);
    if (inner && depth >= DEEPEST)
      return `${sub.label} is nested too deep; groups and rows can stand in one another once.`;
    const wrong = inner ? checkSubfields(sub, typeOf, checkField, depth + 1) : checkField(sub)[0];
    if (wrong) return wrong;
  }
  return null;
}
