import type { Field, KindDefinition, ReadContext } from '../structure/index.js';
import { BUILT_IN_FIELDS, fieldType, plainOfHtml } from '../structure/index.js';
import type { Listing } from './listing.js';
import { STATUS_LABELS } from './listing.js';
import { PART_LABELS } from './read-listing.js';

/** One thing that a change made different, as readers see it; '' where there was or is nothing. */
export interface Difference {
  readonly label: string;
  readonly before: string;
  readonly after: string;
}

const WINDOW_ENDS = ['shownFrom', 'shownUntil', 'featuredFrom', 'featuredUntil'] as const;

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
  const text = (value: string | undefined): string => value ?? '';
  return [
    ['Title', text(listing?.title)],
    ['Address', text(listing?.slug)],
    [PART_LABELS.summary, text(listing?.summary)],
    [PART_LABELS.picture, listing?.picture ? listing.picture.alt || listing.picture.hash : ''],
    // What was written before a part existed has none of it.
    [PART_LABELS.body, plainOfHtml(listing?.body ?? '')],
    [PART_LABELS.place, listing?.place ? fieldType('place').toText(listing.place, BUILT_IN_FIELDS.place) : ''],
    [PART_LABELS.author, text(listing?.author)],
    ['Status', listing ? STATUS_LABELS[listing.status] : ''],
    ...WINDOW_ENDS.map((name) => {
      const moment = listing?.[name];
      return [BUILT_IN_FIELDS[name].label, moment == null ? '' : formats.moment(moment)] as const;
    }),
    ['Featured', listing ? (listing.featured ? 'Yes' : 'No') : ''],
    ['Hand order', listing?.handOrder == null ? '' : formats.number(listing.handOrder)],
    ...fields
      .filter(({ type }) => type !== 'link' && fieldType(type).control !== 'none')
      .map((field) => [field.label, textOf(listing, field, context)] as const),
  ];
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
