import type { BuiltInKey } from './built-in-fields.js';
import type { OrderSubject } from './sort-choice.js';

/** The built-in fields that orders go by. */
const SUBJECT_FIELDS: Readonly<Partial<Record<OrderSubject, `@${BuiltInKey}`>>> = {
  title: '@title',
  'hand-order': '@handOrder',
  newest: '@createdAt',
  changed: '@changedAt',
  binned: '@binnedAt',
  published: '@publishedAt',
  'shown-from': '@shownFrom',
  'shown-until': '@shownUntil',
  'featured-from': '@featuredFrom',
  'featured-until': '@featuredUntil',
};

/** The key of the field that a subject goes by, built-in ones with their mark; null for one that is no field. */
export function fieldOfSubject(by: OrderSubject): string | null {
  return SUBJECT_FIELDS[by] ?? (by.startsWith('field:') ? by.slice('field:'.length) : null);
}
