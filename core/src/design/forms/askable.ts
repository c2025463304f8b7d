import type { Field, FieldTypeName, Kind } from '../../structure/index.js';
import { builtInField, builtInFieldAt, fieldByKey, hasPart, hasSubfields, subfieldsOf } from '../../structure/index.js';

/** Types that Plindo works out. */
const WORKED_OUT: ReadonlySet<FieldTypeName> = new Set<FieldTypeName>(['computed', 'reference']);
/** Types that a form asks for by themselves only, not inside a group or rows. */
const NOT_INSIDE: ReadonlySet<FieldTypeName> = new Set<FieldTypeName>([
  'reference',
  'group',
  'rows',
  'picture',
  'pictures',
  'file',
  'place',
  'link',
]);

/** What a form can ask of the listings of a kind: their built-in parts, then the fields of the kind. */
export function askableFields(kind: Kind): Field[] {
  const parts = (['summary', 'picture', 'body', 'place'] as const).filter((part) => hasPart(kind, part));
  return [builtInField('title'), ...parts.map((part) => builtInField(part)), ...kind.fields.filter(isAskable)];
}

/** A group or rows only as a whole: of a value that is asked for in part, the rest would be lost. */
function isAskable(field: Field): boolean {
  if (!hasSubfields(field)) return !WORKED_OUT.has(field.type);
  return askedSubfields(field).length > 0 && subfieldsOf(field).every(({ type }) => !NOT_INSIDE.has(type));
}

/** The fields inside a group or rows that a form asks for: all but those that Plindo works out. */
export function askedSubfields(field: Field): Field[] {
  return subfieldsOf(field).filter(({ type }) => !WORKED_OUT.has(type));
}

/** The field that a question fills; undefined when it is gone, or cannot be asked for. */
export function askedField(kind: Kind, key: string): Field | undefined {
  const field = key.startsWith('@') ? builtInFieldAt(key) : fieldByKey(kind, key);
  return field && askableFields(kind).some((one) => one.key === field.key) ? field : undefined;
}
