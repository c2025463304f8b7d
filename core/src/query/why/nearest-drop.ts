import type { Query } from '../address/query.js';
import { withChoice } from '../address/query.js';

/** One thing to take back when nothing is found: a facet's choice, the search or the part of the map, and what is found without it. */
export interface Drop {
  /** Key of the facet; null for the search or the part of the map. */
  readonly facet: string | null;
  readonly query: Query;
  readonly total: number;
}

/** Of everything that is chosen, the one thing whose removal finds the most listings; null when removing a single one finds none. */
export function nearestDrop(query: Query, countOf: (query: Query) => number): Drop | null {
  const drops: Omit<Drop, 'total'>[] = [...query.choices.keys()].map((facet) => ({
    facet,
    query: withChoice(query, facet, null),
  }));
  if (query.text !== '') drops.push({ facet: null, query: { ...query, text: '', page: 1 } });
  if (query.box) drops.push({ facet: null, query: { ...query, box: null, page: 1 } });
  const counted = drops.map((drop) => ({ ...drop, total: countOf(drop.query) }));
  const best = counted.reduce<Drop | null>((most, drop) => (drop.total > (most?.total ?? 0) ? drop : most), null);
  return best;
}
