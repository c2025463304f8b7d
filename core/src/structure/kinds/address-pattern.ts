import type { BuiltInKey } from '../fields/built-in-fields.js';
import { builtInFieldAt } from '../fields/built-in-fields.js';
import type { Field } from '../fields/field.js';
import type { FieldTypeName } from '../field-types/names.js';

/** How much of a value stands in an address: all of it, or of a date its year, its month or its day ("2026-12-04"). */
export const ADDRESS_FORMS = ['whole', 'year', 'month', 'day'] as const;
export type AddressForm = (typeof ADDRESS_FORMS)[number];

/**
 * A part of an address: the value of a field, by its key ("start", "@title"), or where `field` is '' a word that is the
 * same in all addresses; the word "/" begins a new stretch of it.
 */
export interface AddressPart {
  readonly field: string;
  readonly as: AddressForm;
  readonly text: string;
}

/** What follows the part of the kind in the addresses of its listings; between two slashes parts are joined by hyphens. */
export type AddressPattern = readonly AddressPart[];

export const ADDRESS_SLASH = '/';
export const MOST_ADDRESS_PARTS = 15;

/** A part with every property at its plain default but those given. */
export function makeAddressPart({ field, as, text }: Partial<AddressPart>): AddressPart {
  return { field: field ?? '', as: as ?? 'whole', text: text ?? '' };
}

/** The parts between the slashes of a pattern. */
export function addressStretches(pattern: AddressPattern): AddressPart[][] {
  const stretches: AddressPart[][] = [[]];
  for (const part of pattern) {
    if (part.field === '' && part.text === ADDRESS_SLASH) stretches.push([]);
    else stretches.at(-1)!.push(part);
  }
  return stretches;
}

/** Types whose values are read alike by everybody and in every language. */
const TYPES: readonly FieldTypeName[] = [
  ...(['short-text', 'whole-number', 'decimal', 'one-choice', 'several-choices', 'categories'] as const),
  ...(['date', 'date-time', 'reference'] as const),
];

const BUILT_IN: readonly BuiltInKey[] = ['title', 'slug', 'author', 'shownFrom', 'publishedAt'];

/** The forms in which the values of a field can stand in an address, the likeliest first; none for most types. */
export function addressForms({ type }: Pick<Field, 'type'>): readonly AddressForm[] {
  if (type === 'date' || type === 'date-time') return ['year', 'month', 'day'];
  return TYPES.includes(type) ? ['whole'] : [];
}

/** The field that a part of an address names; undefined when it isn't there, or can't stand in an address. */
export function fieldOfAddress(key: string, fields: readonly Field[]): Field | undefined {
  const found = builtInFieldAt(key);
  if (found) return BUILT_IN.some((name) => key === `@${name}`) ? found : undefined;
  return fields.find((field) => field.key === key);
}

/** Everything that can stand in the addresses of a kind. */
export function addressFields(fields: readonly Field[]): Field[] {
  const builtIn = BUILT_IN.map((name) => builtInFieldAt(`@${name}`)!);
  return [...builtIn, ...fields].filter((field) => addressForms(field).length > 0);
}

/** A pattern without the parts that name a field; null when no value is left in it. */
export function patternWithoutField(pattern: AddressPattern | null, key: string): AddressPattern | null {
  const left = addressStretches(pattern ?? [])
    .map((stretch) => stretch.filter(({ field }) => field !== key))
    .filter((stretch) => stretch.length > 0);
  if (!left.flat().some(({ field }) => field !== '')) return null;
  const slash = makeAddressPart({ text: ADDRESS_SLASH });
  return left.flatMap((stretch, at) => (at === 0 ? stretch : [slash, ...stretch]));
}

/** A pattern with another key for a field. */
export function patternWithKeyRenamed(pattern: AddressPattern | null, from: string, to: string): AddressPattern | null {
  return pattern && pattern.map((part) => (part.field === from ? { ...part, field: to } : part));
}

/** The forms in which a pattern has the values of a field. */
export function formsInPattern(pattern: AddressPattern | null, key: string): AddressForm[] {
  return (pattern ?? []).filter(({ field }) => field === key).map(({ as }) => as);
}
