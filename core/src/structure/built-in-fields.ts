import type { Field } from './field.js';
import { makeField } from './field.js';
import type { KindDefinition } from './kind.js';
import { fieldByKey } from './kind.js';
import { STATUSES, STATUS_LABELS } from './status.js';

export const LONGEST_TITLE = 200;

const moment = (key: string, label: string): Field => makeField({ key, label, type: 'date-time' });

/**
 * What every listing has by itself, in the guise of fields, so that the rules of their types hold for it too: reading,
 * comparing and showing exist once.
 */
export const BUILT_IN_FIELDS = {
  title: makeField({
    key: 'title',
    label: 'Title',
    type: 'short-text',
    required: true,
    settings: { longest: LONGEST_TITLE },
  }),
  body: makeField({ key: 'body', label: 'Body', type: 'rich-text' }),
  place: makeField({ key: 'place', label: 'Place', type: 'place' }),
  handOrder: makeField({ key: 'handOrder', label: 'Hand order', type: 'decimal' }),
  featured: makeField({ key: 'featured', label: 'Featured', type: 'yes-no' }),
  featuredFrom: moment('featuredFrom', 'Featured from'),
  featuredUntil: moment('featuredUntil', 'Featured until'),
  status: makeField({
    key: 'status',
    label: 'Status',
    type: 'one-choice',
    required: true,
    settings: { choices: STATUSES.map((key) => ({ key, label: STATUS_LABELS[key] })) },
  }),
  shownFrom: moment('shownFrom', 'On the site from'),
  shownUntil: moment('shownUntil', 'On the site until'),
  publishedAt: moment('publishedAt', 'Published'),
  createdAt: moment('createdAt', 'Added'),
  changedAt: moment('changedAt', 'Changed'),
  binnedAt: moment('binnedAt', 'In the bin since'),
} as const satisfies Record<string, Field>;

export type BuiltInKey = keyof typeof BUILT_IN_FIELDS;

/** Stands before the key of a built-in field wherever a key could as well be that of a field of the kind. */
export const BUILT_IN_MARK = '@';

/** The field that a key names: "price" is one of the kind, "@title" a built-in one. */
export function fieldAt(kind: Pick<KindDefinition, 'fields'>, key: string): Field | undefined {
  if (!key.startsWith(BUILT_IN_MARK)) return fieldByKey(kind, key);
  const name = key.slice(BUILT_IN_MARK.length);
  return Object.hasOwn(BUILT_IN_FIELDS, name) ? { ...BUILT_IN_FIELDS[name as BuiltInKey], key } : undefined;
}
