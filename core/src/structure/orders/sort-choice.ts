import type { BuiltInKey } from '../fields/built-in-fields.js';
import { BUILT_IN_MARK } from '../fields/built-in-fields.js';

/** What an order goes by that is no part of a listing. */
export const ORDER_NOTIONS = ['relevance', 'distance', 'shuffled'] as const;

/** What one step of an order goes by: a built-in part by its key with the mark, a field by its key, or a notion. */
export type OrderSubject = (typeof ORDER_NOTIONS)[number] | `@${BuiltInKey}` | `field:${string}`;

export interface OrderKey {
  readonly by: OrderSubject;
  readonly direction: 'up' | 'down';
  /** Where listings without a value go; last unless told otherwise. */
  readonly missing?: 'first' | 'last';
}

/** An order offered to visitors under a label. */
export interface SortChoice {
  /** Stands in the address: `?sort=key`. */
  readonly key: string;
  readonly label: string;
  readonly order: readonly OrderKey[];
}

/** Featured listings first, then by hand order, then by title: the order of a page until a visitor chooses another. */
export const HOUSE_ORDER: readonly OrderKey[] = [
  { by: '@featured', direction: 'down' },
  { by: '@handOrder', direction: 'up' },
  { by: '@title', direction: 'up' },
];

export const RELEVANCE_ORDER: readonly OrderKey[] = [
  { by: 'relevance', direction: 'down' },
  { by: '@title', direction: 'up' },
];

export const NEAREST_ORDER: readonly OrderKey[] = [
  { by: 'distance', direction: 'up' },
  { by: '@title', direction: 'up' },
];

/** Sort keys that every page has beside its own sort choices. */
export const HOUSE_SORT_KEY = 'picked';
export const RELEVANCE_SORT_KEY = 'match';
export const NEAREST_SORT_KEY = 'nearest';
export const OWN_SORT_KEYS: readonly string[] = [HOUSE_SORT_KEY, RELEVANCE_SORT_KEY, NEAREST_SORT_KEY];

/** The field that a subject goes by: built-in ones with their mark; null for one that is no field. */
export function fieldOfSubject(by: OrderSubject): string | null {
  if (by.startsWith(BUILT_IN_MARK)) return by;
  return by.startsWith(FIELD) ? by.slice(FIELD.length) : null;
}

const FIELD = 'field:';

/** What built-in parts were called in orders before each had one key; stores and blueprints of that time have these. */
const FORMER_SUBJECTS: Readonly<Record<string, OrderSubject>> = {
  featured: '@featured',
  'hand-order': '@handOrder',
  title: '@title',
  newest: '@createdAt',
  status: '@status',
  changed: '@changedAt',
  binned: '@binnedAt',
  published: '@publishedAt',
  'shown-from': '@shownFrom',
  'shown-until': '@leavesAt',
  'featured-from': '@featuredFrom',
  'featured-until': '@featuredUntil',
};

/** A subject by the name that it has now. */
export function presentSubject(by: string): OrderSubject {
  const known = Object.hasOwn(FORMER_SUBJECTS, by) ? FORMER_SUBJECTS[by] : undefined;
  return known ?? (by as OrderSubject);
}

/** An order with the names that its subjects have now. */
export function presentOrder(order: readonly OrderKey[]): OrderKey[] {
  return order.map((key) => ({ ...key, by: presentSubject(key.by) }));
}
