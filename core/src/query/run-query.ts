import type { Bitset, Catalog, TextMatches } from '../catalog/index.js';
import { Bitset as Rows } from '../catalog/index.js';
import type { Facet, Kind, OrderKey } from '../structure/index.js';
import {
  HOUSE_SORT_KEY,
  NEAREST_ORDER,
  NEAREST_SORT_KEY,
  RELEVANCE_ORDER,
  RELEVANCE_SORT_KEY,
} from '../structure/index.js';
import { wordsOf } from '../values/index.js';
import { cutPage } from './cut-page.js';
import type { DateGroups } from './date-groups.js';
import { dateGroups } from './date-groups.js';
import type { FacetCounts } from './facet-counts.js';
import { countFacet } from './facet-counts.js';
import { sourceOf } from './facet-source.js';
import { rowsKept } from './filters.js';
import { FoundRows } from './found-rows.js';
import type { NamedPoint } from './points.js';
import { pointOf } from './points.js';
import type { Query } from './query.js';
import type { OrderScene } from './rankings.js';
import { rankingsOf } from './rankings.js';
import type { QueryScene } from './scene.js';

/** A page of listings with the counts beside all facets. */
export interface QueryResult {
  /** Listings that satisfy everything. */
  readonly total: number;
  /** Entries on all pages: listings, or, where spans stand in several groups, more. */
  readonly entries: number;
  /** Ids of the page's listings, in order. */
  readonly ids: readonly number[];
  /** By facet key; a facet over something that is gone has none. */
  readonly counts: ReadonlyMap<string, FacetCounts>;
  /** The page parted by a date, where the kind asks for it. */
  readonly groups: DateGroups | null;
  /** Of a search: how many words were asked for, and how many of them all listings found have. */
  readonly words: { readonly wanted: number; readonly met: number } | null;
  /** The point that distances are told from, and how far from it each listing of the page is, in metres. */
  readonly near: (NamedPoint & { readonly metres: ReadonlyMap<number, number> }) | null;
}

/** What a query found, before it is counted and put in order. */
interface Found {
  readonly base: Bitset;
  readonly kept: ReadonlyMap<string, Bitset>;
  readonly all: FoundRows;
  readonly matches: TextMatches | null;
}

/** Answers a visitor's query over the listings that are on the site at the scene's moment. */
export function runQuery(catalog: Catalog, query: Query, scene: QueryScene): QueryResult {
  const { kind } = catalog;
  const found = find(catalog, query, scene);
  const { all, matches } = found;
  const counts = new Map<string, FacetCounts>();
  for (const facet of kind.facets) {
    const source = sourceOf(facet, catalog, scene);
    if (source) counts.set(facet.key, countFacet(facet, source, rowsToCount(facet, found), scene));
  }
  const near = nearOf(catalog, query, scene);
  const order: OrderScene = { scene, matches, near: near && { point: near.point, field: near.field } };
  const keys = rankingsOf(catalog, orderOf(query, kind, { isSearch: matches !== null, isNear: near !== null }), order);
  const page = pageOf(query, kind.pageSize);
  const groups = kind.grouping && dateGroups(all, catalog, kind.grouping, keys, page, scene);
  const idOf = (row: number): number => catalog.ids[row]!;
  const ids = groups
    ? groups.onPage.flatMap((group) => group.ids)
    : cutPage(all, catalog, keys, page.offset, page.limit).map(idOf);
  return {
    total: all.size,
    entries: groups?.entries ?? all.size,
    ids,
    counts,
    groups,
    words: matches && { wanted: matches.wanted, met: matches.met },
    near: near && { point: near.point, title: near.title, metres: distancesOf(ids, near, catalog) },
  };
}

/** How many listings a query finds. */
export function countQuery(catalog: Catalog, query: Query, scene: QueryScene): number {
  return find(catalog, query, scene).all.size;
}

function find(catalog: Catalog, query: Query, scene: QueryScene): Found {
  const base = catalog.onSiteAt(scene.context.nowInMs).clone();
  const matches = query.text === '' ? null : searchOf(catalog, query.text, base);
  if (matches) base.intersect(rowsOf(matches, catalog));
  const kept = new Map<string, Bitset>();
  for (const facet of catalog.kind.facets) {
    const choice = query.choices.get(facet.key);
    const rows = choice && rowsKept(facet, choice, catalog, scene);
    if (rows) kept.set(facet.key, rows);
  }
  return { base, kept, matches, all: new FoundRows(intersection(base, [...kept.values()])) };
}

/** A facet of "any" counts over what every other facet keeps, one of "all" over what all of them keep. */
function rowsToCount(facet: Facet, { base, kept, all }: Found): FoundRows {
  if (facet.join === 'all' || !kept.has(facet.key)) return all;
  const others = [...kept].filter(([key]) => key !== facet.key).map(([, rows]) => rows);
  return new FoundRows(intersection(base, others));
}

function intersection(base: Bitset, sets: readonly Bitset[]): Bitset {
  const rows = base.clone();
  for (const set of sets) rows.intersect(set);
  return rows;
}

/** The rows of `within` that a search finds, with the kind's synonyms; null when there is no word to look for. */
export function searchOf(catalog: Catalog, text: string, within: Bitset): TextMatches | null {
  const synonyms = catalog.kind.synonyms.map((group) => group.map(wordsOf));
  return catalog.text.search(text, { within, synonyms });
}

/** The rows that a text search found. */
export function rowsOf(matches: TextMatches, catalog: Catalog): Bitset {
  const rows = new Rows(catalog.existing.capacity);
  for (const row of matches.rows) rows.add(row);
  return rows;
}

/** Where the page of a query begins and how long it is; "show more" leaves all pages up to its own. */
function pageOf({ page, fromFirst }: Query, pageSize: number): { offset: number; limit: number } {
  return fromFirst ? { offset: 0, limit: page * pageSize } : { offset: (page - 1) * pageSize, limit: pageSize };
}

interface Near extends NamedPoint {
  readonly field: string;
}

/** The point of the first distance that is chosen over a place of the listings themselves. */
function nearOf(catalog: Catalog, query: Query, scene: QueryScene): Near | null {
  for (const { key, field, through } of catalog.kind.facets) {
    const choice = query.choices.get(key);
    const found = choice?.kind === 'near' && through.length === 0 ? pointOf(choice.at, scene) : null;
    if (found) return { ...found, field };
  }
  return null;
}

function distancesOf(ids: readonly number[], { field, point }: Near, catalog: Catalog): Map<number, number> {
  const column = catalog.column(field);
  if (column?.kind !== 'place') return new Map();
  const metres = ids.map((id) => [id, column.distanceAt(catalog.rowOf(id)!, point)] as const);
  return new Map(metres.filter(([, distance]) => !Number.isNaN(distance)));
}

/** The order that a query asks for: its sort choice; else by relevance when there are words, or nearest first; else the page's own. */
export function orderOf(
  { sort }: Pick<Query, 'sort'>,
  kind: Pick<Kind, 'sortChoices' | 'defaultOrder'>,
  { isSearch, isNear }: { isSearch: boolean; isNear: boolean },
): readonly OrderKey[] {
  const chosen = kind.sortChoices.find(({ key }) => key === sort);
  if (chosen) return chosen.order;
  const key = sort ?? ownSortKey(isSearch, isNear);
  if (key === RELEVANCE_SORT_KEY) return RELEVANCE_ORDER;
  return key === NEAREST_SORT_KEY ? NEAREST_ORDER : kind.defaultOrder;
}

/** The sort key that a page has as long as none is chosen. */
export function ownSortKey(isSearch: boolean, isNear: boolean): string {
  if (isSearch) return RELEVANCE_SORT_KEY;
  return isNear ? NEAREST_SORT_KEY : HOUSE_SORT_KEY;
}
