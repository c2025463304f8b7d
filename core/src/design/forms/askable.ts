import type { Field, FieldTypeName, Kind } from '../../structure/index.js';
import { builtInField, builtInFieldAt, fieldByKey, hasPart } from '../../structure/index.js';

/** Types that a visitor cannot be asked for: Plindo works them out, or their form has no place on a public page. */
const NOT_ASKED: ReadonlySet<FieldTypeName> = new Set<FieldTypeName>(['computed', 'reference', 'group', 'rows']);

/** What a form can ask of the listings of a kind: their built-in parts, then the fields of the kind. */
export function askableFields(kind: Kind): Field[] {
  const parts = (['summary', 'picture', 'body', 'place'] as const).filter((part) => hasPart(kind, part));
  return [
    builtInField('title'),
    ...parts.map((part) => builtInField(part)),
    ...kind.fields.filter(({ type }) => !NOT_ASKED.has(type)),
  ];
}

/** The field that a question fills; undefined when it is gone, or cannot be asked for. */
export function askedField(kind: Kind, key: string): Field | undefined {
  const field = key.startsWith('@') ? builtInFieldAt(key) : fieldByKey(kind, key);
  return field && askableFields(kind).some((one) => one.key === field.key) ? field : undefined;
}
