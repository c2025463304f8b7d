import type { BuiltInKey, Field, KindDefinition, ReadContext } from '../../structure/index.js';
import { BUILT_IN_FIELDS, fieldType, plainOfHtml, textOfMoment } from '../../structure/index.js';
import type { Formats } from '../../values/index.js';
import type { Listing, ListingContent } from '../listing.js';
import { BLANK_CONTENT } from '../reading/read-listing.js';

/** One thing that a change made different, as readers see it; '' where there was or is nothing. */
export interface Difference {
  readonly label: string;
  readonly before: string;
  readonly after: string;
}

/** What editors set of the built-in parts, in the order in which it is told. */
const SHOWN_PARTS = (Object.keys(BUILT_IN_FIELDS) as BuiltInKey[]).filter(
  (key): key is keyof ListingContent & BuiltInKey => Object.hasOwn(BLANK_CONTENT, key),
);

type Shown = readonly (readonly [label: string, text: string])[];

/** What differs between two states of a listing, field by field; null stands for a listing that isn't there. */
export function differencesOf(
  before: Listing | null,
  after: Listing | null,
  kind: Pick<KindDefinition, 'fields'>,
  context: ReadContext,
): Difference[] {
  const [was, is] = [shownOf(before, kind, context), shownOf(after, kind, context)];
  return was
    .map(([label, text], at): Difference => ({ label, before: text, after: is[at]?.[1] ?? '' }))
    .filter((one) => one.before !== one.after);
}

/** Everything of a listing as texts, always in the same order. */
function shownOf(listing: Listing | null, { fields }: Pick<KindDefinition, 'fields'>, context: ReadContext): Shown {
  const { formats } = context;
  return [
    ...SHOWN_PARTS.map((key) => [BUILT_IN_FIELDS[key].label, partOf(listing, key, formats)] as const),
    ...fields
      .filter(({ type }) => type !== 'link' && fieldType(type).control !== 'none')
      .map((field) => [field.label, textOf(listing, field, context)] as const),
  ];
}

/** A built-in part as it is read. */
function partOf(listing: Listing | null, key: keyof ListingContent & BuiltInKey, formats: Formats): string {
  // What was written before a part existed has none of it.
  const part = listing?.[key] ?? null;
  if (part === null || part === '') return '';
  if (key === 'body') return plainOfHtml(part as string);
  if (key === 'picture') return listing!.picture!.alt || listing!.picture!.hash;
  if (key === 'place') return fieldType('place').toText(part, BUILT_IN_FIELDS.place);
  const { type } = BUILT_IN_FIELDS[key];
  const value = type === 'date-time' ? textOfMoment(part as number) : part;
  return fieldType(type).format(value, BUILT_IN_FIELDS[key], formats);
}

/** A value as it is read; where two that differ read alike, as in rows, with all that is in it. */
function textOf(listing: Listing | null, field: Field, { formats }: ReadContext): string {
  const value = listing?.values[field.key];
  const aside = listing?.aside?.[field.key];
  const type = fieldType(field.type);
  if (!type.holds(value)) return aside ? `kept aside: ${aside.text}` : '';
  const parts = type.parts?.(value, field);
  if (!parts) return type.format(value, field, formats) || type.toText(value, field);
  const entries = parts.map((entry) =>
    entry.map((part) => fieldType(part.field.type).format(part.value, part.field, formats)).join(', '),
  );
  return entries.join('; ');
}
