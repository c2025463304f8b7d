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
import type { Near } from './distances.js';
import { distancesFrom, nearOf } from './distances.js';
import type { FacetCounts } from './facet-counts.js';
import { countFacet } from './facet-counts.js';
import { sourceOf } from './facet-source.js';
import { rowsKept } from './filters.js';
import { FoundRows } from './found-rows.js';
import type { NamedPoint } from './points.js';
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

/** A list that is asked: the rows that it holds before anything is chosen, and how they are arranged. */
export interface QueryArea {
  readonly design: Pick<
    Kind,
    'slug' | 'intro' | 'facets' | 'sortChoices' | 'defaultOrder' | 'pageSize' | 'grouping' | 'pager'
  >;
  /** Null for all of the catalog that are on the site. */
  readonly rows: Bitset | null;
  /** Leaves out so many of the first ones in order, and shows at most so many of the rest. */
  readonly skip: number;
  readonly most: number | null;
}

/** The list of all listings of a catalog's kind, as the kind arranges it. */
export function areaOfKind({ kind }: Catalog): QueryArea {
  return { design: kind, rows: null, skip: 0, most: null };
}

/** Answers a visitor's query over the listings that are on the site at the scene's moment. */
export function runQuery(
  catalog: Catalog,
  query: Query,
  scene: QueryScene,
  area: QueryArea = areaOfKind(catalog),
): QueryResult {
  const { design, skip } = area;
  const found = find(catalog, query, scene, area);
  const { all, matches } = found;
  const counts = new Map<string, FacetCounts>();
  for (const facet of design.facets) {
    const source = sourceOf(facet, catalog, scene);
    if (source) counts.set(facet.key, countFacet(facet, source, rowsToCount(facet, found), scene));
  }
  const near = nearOf(design.facets, query, scene);
  const order: OrderScene = { scene, matches, near };
  const keys = rankingsOf(
    catalog,
    orderOf(query, design, { isSearch: matches !== null, isNear: near !== null }),
    order,
  );
  const total = countShown(area, all.size);
  const { offset, limit } = pageOf(query, design.pageSize);
  const page = { offset: offset + skip, limit: Math.max(0, Math.min(limit, total - offset)) };
  // What is skipped and cut off is so by the order; headings come after that.
  const isCut = skip > 0 || area.most !== null;
  const shown = isCut && design.grouping ? rowsShown(all, catalog, cutPage(all, catalog, keys, skip, total)) : all;
  const groups =
    design.grouping && dateGroups(shown, design.grouping, { catalog, keys, page: { offset, limit }, scene });
  const idOf = (row: number): number => catalog.ids[row]!;
  const ids = groups
    ? groups.onPage.flatMap((group) => group.ids)
    : cutPage(all, catalog, keys, page.offset, page.limit).map(idOf);
  return {
    total,
    entries: groups?.entries ?? total,
    ids,
    counts,
    groups,
    words: matches && { wanted: matches.wanted, met: matches.met },
    near: near && { point: near.point, title: near.title, metres: metresOf(ids, near, catalog, scene) },
  };
}

function rowsShown(all: FoundRows, catalog: Catalog, rows: readonly number[]): FoundRows {
  if (rows.length === all.size) return all;
  const bits = new Rows(catalog.existing.capacity);
  for (const row of rows) bits.add(row);
  return new FoundRows(bits);
}

/** How many of so many listings are shown, after skipping the first ones and cutting off the last ones. */
export function countShown({ skip, most }: Pick<QueryArea, 'skip' | 'most'>, found: number): number {
  return Math.min(Math.max(0, found - skip), most ?? Infinity);
}

/** How many listings a query finds. */
export function countQuery(
  catalog: Catalog,
  query: Query,
  scene: QueryScene,
  area: QueryArea = areaOfKind(catalog),
): number {
  return countShown(area, find(catalog, query, scene, area).all.size);
}

/** The rows that a query finds, whether they are shown or skipped. The set is the caller's. */
export function rowsOfQuery(
  catalog: Catalog,
  query: Query,
  scene: QueryScene,
  area: QueryArea = areaOfKind(catalog),
): Bitset {
  return find(catalog, query, scene, area).all.bits;
}

function find(catalog: Catalog, query: Query, scene: QueryScene, { design, rows: own }: QueryArea): Found {
  const base = catalog.onSiteAt(scene.context.nowInMs).clone();
  if (own) base.intersect(own);
  const matches = query.text === '' ? null : searchOf(catalog, query.text, base);
  if (matches) base.intersect(rowsOf(matches, catalog));
  const kept = new Map<string, Bitset>();
  for (const facet of design.facets) {
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

/** How far each of the listings is, where that is known. */
function metresOf(ids: readonly number[], near: Near, catalog: Catalog, scene: QueryScene): Map<number, number> {
  const distanceOf = distancesFrom(near, catalog, scene);
  const metres = ids.map((id) => [id, distanceOf?.(catalog.rowOf(id)!) ?? NaN] as const);
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
