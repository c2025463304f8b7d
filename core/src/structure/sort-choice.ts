/** What an order goes by beside the fields of a kind. */
export const ORDER_SUBJECTS = [
  'featured',
  'hand-order',
  'title',
  'newest',
  'relevance',
  'distance',
  'shuffled',
  'status',
  'changed',
  'binned',
  'published',
  'shown-from',
  'shown-until',
  'featured-from',
  'featured-until',
] as const;

/** One step of an order. `field:` is followed by a field's key. */
export type OrderSubject = (typeof ORDER_SUBJECTS)[number] | `field:${string}`;

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
  { by: 'featured', direction: 'down' },
  { by: 'hand-order', direction: 'up' },
  { by: 'title', direction: 'up' },
];

export const RELEVANCE_ORDER: readonly OrderKey[] = [
  { by: 'relevance', direction: 'down' },
  { by: 'title', direction: 'up' },
];

export const NEAREST_ORDER: readonly OrderKey[] = [
  { by: 'distance', direction: 'up' },
  { by: 'title', direction: 'up' },
];

/** Sort keys that every page has beside its own sort choices. */
export const HOUSE_SORT_KEY = 'picked';
export const RELEVANCE_SORT_KEY = 'match';
export const NEAREST_SORT_KEY = 'nearest';
export const OWN_SORT_KEYS: readonly string[] = [HOUSE_SORT_KEY, RELEVANCE_SORT_KEY, NEAREST_SORT_KEY];
