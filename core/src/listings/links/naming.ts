import type { Field, FieldTypeName } from '../../structure/index.js';
import { fieldType } from '../../structure/index.js';
import type { Issue } from '../../values/index.js';
import { issue } from '../../values/index.js';
import type { Listing } from '../listing.js';

/** Types whose values can name other listings. */
export const NAMING_TYPES: readonly FieldTypeName[] = [
  'short-text',
  'one-choice',
  'several-choices',
  'whole-number',
  'reference',
];

/** The texts of a value: one for each choice of several. */
export function textsOf(value: unknown, field: Field): string[] {
  const { holds, toText } = fieldType(field.type);
  if (!holds(value)) return [];
  const parts = field.type === 'several-choices' ? (value as readonly unknown[]).map((one) => [one]) : [value];
  return parts.map((part) => toText(part, field)).filter((text) => text.trim() !== '');
}

/** The texts that name a listing: its title (`by` is `@title`), its address (`@slug`), or those of a field. */
export function namesOfListing(
  { title, slug, values }: Pick<Listing, 'title' | 'slug' | 'values'>,
  by: string,
  field: Field,
): string[] {
  if (by === '@title') return [title];
  if (by === '@slug') return [slug];
  return textsOf(values[field.key], field);
}

/** Why a field can't name listings: `kind.fields`. `by` is its key as it was asked for. */
export function namingIssues(field: Field | undefined, by: string): Issue[] {
  if (field && NAMING_TYPES.includes(field.type)) return [];
  const reason = `${field?.label ?? by} holds no text that could name a listing.`;
  return [issue('kind.fields', { reason }, { field: 'fields' })];
}
