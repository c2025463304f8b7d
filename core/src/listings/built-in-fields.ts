import type { Field } from '../structure/index.js';
import { makeField } from '../structure/index.js';
import { LONGEST_TITLE } from './fixed-parts.js';
import { STATUSES, STATUS_LABELS } from './listing.js';

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
  status: makeField({
    key: 'status',
    label: 'Status',
    type: 'one-choice',
    required: true,
    settings: { choices: STATUSES.map((key) => ({ key, label: STATUS_LABELS[key] })) },
  }),
  createdAt: makeField({ key: 'createdAt', label: 'Added', type: 'date-time' }),
  changedAt: makeField({ key: 'changedAt', label: 'Changed', type: 'date-time' }),
  binnedAt: makeField({ key: 'binnedAt', label: 'In the bin since', type: 'date-time' }),
} as const satisfies Record<string, Field>;
