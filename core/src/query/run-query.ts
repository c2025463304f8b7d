import type { Bitset, Catalog, TextMatches } from '../catalog/index.js';
import { Bitset as Rows } from '../catalog/index.js';
import type { Facet, Kind, OrderKey } from '../structure/index.js';
import { RELEVANCE_ORDER, RELEVANCE_SORT_KEY } from '../structure/index.js';
import type { FacetCounts } from './facet-counts.js';
import { countFacet } from './facet-counts.js';
import { rowsKept } from './filters.js';
import { cutPage, rowOrder } from './order.js';
import type { Query } from './query.js';

/** A page of listings with the counts beside all facets. */
export interface QueryResult {
  /** Listings that satisfy everything. */
  readonly total: number;
  /** Ids of the page's listings, in order. */
  readonly ids: readonly number[];
  /** By facet key. */
  readonly counts: ReadonlyMap<string, FacetCounts>;
}

/** Answers a visitor's query over the listings that are on the site. */
export function runQuery(catalog: Catalog, query: Query): QueryResult {
  const { kind } = catalog;
  const matches = query.text === '' ? null : catalog.text.search(query.text);
  const base = catalog.onSite.clone();
  if (matches) base.intersect(rowsOf(matches, catalog));
  const kept = keptByFacet(catalog, query);
  const all = intersection(base, [...kept.values()]).toRows();
  const counts = new Map<string, FacetCounts>();
  for (const facet of kind.facets) {
    counts.set(facet.key, countFacet(catalog, facet, rowsToCount(facet, base, all, kept)));
  }
  const order = rowOrder(catalog, orderOf(query, kind, matches !== null), matches);
  const rows = cutPage(all, order, (query.page - 1) * kind.pageSize, kind.pageSize);
  return { total: all.length, ids: rows.map((row) => catalog.ids[row]!), counts };
}

function keptByFacet(catalog: Catalog, query: Query): Map<string, Bitset> {
  const kept = new Map<string, Bitset>();
  for (const facet of catalog.kind.facets) {
    const choice = query.choices.get(facet.key);
    const rows = choice && rowsKept(catalog, facet, choice);
    if (rows) kept.set(facet.key, rows);
  }
  return kept;
}

/** A facet of "any" counts over what every other facet keeps, one of "all" over what all of them keep. */
function rowsToCount(facet: Facet, base: Bitset, all: Uint32Array, kept: ReadonlyMap<string, Bitset>): Uint32Array {
  const countsOwn = facet.control === 'ticks' && facet.join === 'all';
  if (countsOwn || !kept.has(facet.key)) return all;
  const others = [...kept].filter(([key]) => key !== facet.key).map(([, rows]) => rows);
  return intersection(base, others).toRows();
}

function intersection(base: Bitset, sets: readonly Bitset[]): Bitset {
  const rows = base.clone();
  for (const set of sets) rows.intersect(set);
  return rows;
}

/** The rows that a text search found. */
export function rowsOf(matches: TextMatches, catalog: Catalog): Bitset {
  const rows = new Rows(catalog.onSite.capacity);
  for (const row of matches.keys()) rows.add(row);
  return rows;
}

/** The order that a query asks for: its sort choice, or by relevance when there are search words, or the page's own. */
export function orderOf(
  query: Pick<Query, 'sort'>,
  kind: Pick<Kind, 'sortChoices' | 'defaultOrder'>,
  isSearch: boolean,
): readonly OrderKey[] {
  const chosen = kind.sortChoices.find(({ key }) => key === query.sort);
  if (chosen) return chosen.order;
  const byRelevance = query.sort === RELEVANCE_SORT_KEY || (query.sort === null && isSearch);
  return byRelevance ? RELEVANCE_ORDER : kind.defaultOrder;
}
