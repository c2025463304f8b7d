import { wordsOf } from '../../values/index.js';
import type { Field } from '../fields/field.js';
import { fieldAt } from '../fields/field-at.js';
import { builtInField } from '../fields/built-in-fields.js';
import type { KindDefinition } from '../kinds/kind.js';
import { hasPart } from '../kinds/kind.js';
import { castOf } from '../roles/field-roles.js';
import type { StructuredKind, StructuredProperty, StructuredTypeName } from './structured-types.js';
import { STRUCTURED_TYPE_NAMES, structuredTypeOf } from './structured-types.js';

type OfKind = Pick<KindDefinition, 'fields' | 'parts' | 'one' | 'many'>;

/** What a kind is for search engines, as it says itself or else as it looks. */
export function structuredKind(kind: OfKind & Pick<KindDefinition, 'structured'>): StructuredKind {
  return kind.structured ?? proposedStructure(kind);
}

/** What a kind seems to be by what it is called and by its fields. */
export function proposedStructure(kind: OfKind): StructuredKind {
  const words = wordsOf(`${kind.one} ${kind.many}`);
  const named = STRUCTURED_TYPE_NAMES.find((name) => structuredTypeOf(name).kinds.some((one) => words.includes(one)));
  const type = named ?? typeByFields(kind);
  return { type, fields: type === '' ? {} : proposedFields(type, kind) };
}

/** Which fields seem to fill the properties of a type; a field can fill several, as a place has an address and a point. */
export function proposedFields(type: StructuredTypeName, kind: OfKind): Record<string, string> {
  const fields = fieldsOf(kind);
  const found = structuredTypeOf(type).properties.flatMap((property) => {
    const key = castOf([property], { fields })[property.name];
    return key === undefined ? [] : [[property.name, key] as const];
  });
  return Object.fromEntries(found);
}

/** What search engines require of a type and a kind does not fill. */
export function missingStructure({ type, fields }: StructuredKind): StructuredProperty[] {
  if (type === '') return [];
  return structuredTypeOf(type).properties.filter(({ name, isNeeded }) => isNeeded && !fields[name]);
}

/** The fields of a kind that can fill a property, its place among them. */
export function fieldsForProperty(property: StructuredProperty, kind: OfKind): Field[] {
  return fieldsOf(kind).filter(({ type }) => canFill(property, type));
}

/** Everything that is wrong with what is said of a kind: sentences that begin with a small letter. */
export function structureFaults({ structured, ...kind }: OfKind & Pick<KindDefinition, 'structured'>): string[] {
  if (!structured || structured.type === '') return [];
  const known = structuredTypeOf(structured.type).properties.map(({ name }) => name);
  return Object.entries(structured.fields).flatMap(([name, key]) => {
    if (!known.includes(name)) return [`there is no property “${name}” of ${structured.type}.`];
    return fieldAt(kind, key) ? [] : [`${name} is filled by a field “${key}” that is not there.`];
  });
}

/** What is said of a kind after one of its fields has gone. */
export function structureWithoutField(structured: StructuredKind | null, key: string): StructuredKind | null {
  return withFields(structured, (entries) => entries.filter(([, field]) => field !== key));
}

export function structureWithKeyRenamed(
  structured: StructuredKind | null,
  from: string,
  to: string,
): StructuredKind | null {
  return withFields(structured, (entries) => entries.map(([name, key]) => [name, key === from ? to : key]));
}

/** What is said of a kind after one of its fields has become another, which may not fit any more. */
export function structureForField(structured: StructuredKind | null, { key, type }: Field): StructuredKind | null {
  if (!structured || structured.type === '') return structured;
  const { properties } = structuredTypeOf(structured.type);
  return withFields(structured, (entries) =>
    entries.filter(([name, field]) => {
      const property = properties.find((one) => one.name === name);
      return field !== key || (property !== undefined && canFill(property, type));
    }),
  );
}

type Entries = readonly (readonly [string, string])[];

function withFields(structured: StructuredKind | null, change: (entries: Entries) => Entries): StructuredKind | null {
  return structured && { ...structured, fields: Object.fromEntries(change(Object.entries(structured.fields))) };
}

function canFill({ types, hinted = [] }: StructuredProperty, type: Field['type']): boolean {
  return types.includes(type) || hinted.includes(type);
}

function fieldsOf(kind: OfKind): Field[] {
  return [...(hasPart(kind, 'place') ? [builtInField('place')] : []), ...kind.fields];
}

function typeByFields({ fields, parts }: OfKind): StructuredTypeName | '' {
  const types = new Set(fields.map(({ type }) => type));
  const hasPlace = parts.includes('place') || types.has('place');
  if ((types.has('date') || types.has('date-time')) && (hasPlace || types.has('link'))) return 'Event';
  if (types.has('phone') && (hasPlace || types.has('email') || types.has('web-address'))) return 'LocalBusiness';
  if (hasPlace) return 'Place';
  return types.has('money') ? 'Product' : '';
}
