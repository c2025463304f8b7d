import type { Field } from './field.js';
import { makeField } from './field.js';
import { EXPIRY_CHOICES, EXPIRY_LABELS } from '../expiry/expiry-choice.js';
import { STATUSES, STATUS_LABELS } from '../kinds/status.js';

export const LONGEST_TITLE = 200;

const moment = (key: string, label: string): Field => makeField({ key, label, type: 'date-time' });

/**
 * What every listing has by itself, in the guise of fields, so that the rules of their types hold for it too: reading,
 * comparing and showing exist once. Form, table, filters, orders, columns, history, log and API all name a part by its
 * one key here.
 */
export const BUILT_IN_FIELDS = {
  title: makeField({
    key: 'title',
    label: 'Title',
    type: 'short-text',
    required: true,
    settings: { longest: LONGEST_TITLE },
  }),
  slug: makeField({ key: 'slug', label: 'Address', type: 'short-text' }),
  summary: makeField({ key: 'summary', label: 'Summary', type: 'long-text' }),
  picture: makeField({ key: 'picture', label: 'Lead picture', type: 'picture' }),
  body: makeField({ key: 'body', label: 'Body', type: 'rich-text' }),
  place: makeField({ key: 'place', label: 'Place', type: 'place' }),
  author: makeField({ key: 'author', label: 'Author', type: 'short-text' }),
  status: makeField({
    key: 'status',
    label: 'Status',
    type: 'one-choice',
    required: true,
    settings: { choices: STATUSES.map((key) => ({ key, label: STATUS_LABELS[key] })) },
  }),
  shownFrom: moment('shownFrom', 'On the site from'),
  shownUntil: moment('shownUntil', 'On the site until'),
  expiry: makeField({
    key: 'expiry',
    label: 'Leaves the site',
    type: 'one-choice',
    settings: { choices: EXPIRY_CHOICES.map((key) => ({ key, label: EXPIRY_LABELS[key] })) },
  }),
  /** Worked out: its own moment, or the one by the rule of its kind. */
  leavesAt: moment('leavesAt', 'Leaves on'),
  featured: makeField({ key: 'featured', label: 'Featured', type: 'yes-no' }),
  featuredFrom: moment('featuredFrom', 'Featured from'),
  featuredUntil: moment('featuredUntil', 'Featured until'),
  handOrder: makeField({ key: 'handOrder', label: 'Hand order', type: 'decimal' }),
  /** Counted: how often visitors have looked at its page on this day and the 29 before it. */
  views: makeField({ key: 'views', label: 'Views in 30 days', type: 'whole-number' }),
  publishedAt: moment('publishedAt', 'Published'),
  createdAt: moment('createdAt', 'Added'),
  changedAt: moment('changedAt', 'Changed'),
  binnedAt: moment('binnedAt', 'In the bin since'),
} as const satisfies Record<string, Field>;

export type BuiltInKey = keyof typeof BUILT_IN_FIELDS;

/** Stands before the key of a built-in field wherever a key could as well be that of a field of the kind. */
export const BUILT_IN_MARK = '@';

/** A built-in field under its key with the mark. */
export function builtInField(key: BuiltInKey): Field & { readonly key: `@${BuiltInKey}` } {
  return { ...BUILT_IN_FIELDS[key], key: `${BUILT_IN_MARK}${key}` };
}

/** The built-in field that a key with the mark names; undefined for any other key. */
export function builtInFieldAt(key: string): Field | undefined {
  const name = key.startsWith(BUILT_IN_MARK) ? key.slice(BUILT_IN_MARK.length) : '';
  return Object.hasOwn(BUILT_IN_FIELDS, name) ? builtInField(name as BuiltInKey) : undefined;
}
