import type { Bitset, Catalog } from '../../catalog/index.js';
import { Bitset as Rows } from '../../catalog/index.js';
import type { Facet, OrderKey } from '../../structure/index.js';
import {
  HOUSE_SORT_KEY,
  KIND_FIELD_KEY,
  NEAREST_ORDER,
  NEAREST_SORT_KEY,
  RELEVANCE_ORDER,
  RELEVANCE_SORT_KEY,
} from '../../structure/index.js';
import type { AskedList } from './asked-list.js';
import { countShown } from './asked-list.js';
import type { ListDesign } from './list-design.js';
import type { CatalogRow, ListOrder, OrderedPart } from './cut-list.js';
import { cutList } from './cut-list.js';
import type { DateGroups } from '../counts/date-groups.js';
import { dateGroups } from '../counts/date-groups.js';
import type { Near } from '../order/distances.js';
import { distancesFrom, nearOf } from '../order/distances.js';
import type { FacetCounts } from '../counts/facet-counts.js';
import { countFacet } from '../counts/facet-counts.js';
import { sourceOf } from '../filters/facet-source.js';
import type { FoundPart } from './found-parts.js';
import { findParts, rowsToCount, wordsMet } from './found-parts.js';
import { FoundRows } from './found-rows.js';
import { mergedCounts } from '../counts/merged-counts.js';
import type { NamedPoint } from '../filters/points.js';
import type { Query } from '../address/query.js';
import type { QueryScene } from '../filters/scene.js';

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
  /** The page parted by a date, where the list asks for it. */
  readonly groups: DateGroups | null;
  /** Of a search: how many words were asked for, and how many of them all listings found have. */
  readonly words: { readonly wanted: number; readonly met: number } | null;
  /** The point that distances are told from, and how far from it each listing of the page is, in metres. */
  readonly near: (NamedPoint & { readonly metres: ReadonlyMap<number, number> }) | null;
}

/** Answers a visitor's query over the listings of a list that are on the site at the scene's moment. */
export function runQuery(list: AskedList, query: Query, scene: QueryScene): QueryResult {
  const { design, skip } = list;
  const parts = findParts(list, query, scene);
  const near = nearOf(design.facets, query, scene);
  const words = wordsMet(parts);
  const sort = sortKeyOf(query, { isSearch: words !== null, isNear: near !== null });
  const order: ListOrder = { keys: orderOf(sort, design), picked: sort === HOUSE_SORT_KEY ? list.picked : null };
  const ordered = parts.map((part) => orderedPart(part, near, scene));
  const total = countShown(list, sizeOf(parts));
  const { offset, limit } = pageOf(query, design.pageSize);
  // What is skipped and cut off is so by the order; headings come after that.
  const isCut = skip > 0 || list.most !== null;
  const cut = (from: readonly OrderedPart[], at: number, most: number): CatalogRow[] => cutList(from, order, at, most);
  const shown = isCut && design.grouping ? onlyRows(ordered, cut(ordered, skip, total)) : ordered;
  const groups = design.grouping && dateGroups(shown, design.grouping, { cut, page: { offset, limit }, scene });
  const page = groups ? [] : cut(ordered, offset + skip, Math.max(0, Math.min(limit, total - offset)));
  const ids = groups ? groups.onPage.flatMap((group) => group.ids) : page.map(({ catalog, row }) => catalog.ids[row]!);
  return {
    total,
    entries: groups?.entries ?? total,
    ids,
    counts: countsOf(list, parts, scene),
    groups,
    words,
    near: near && { point: near.point, title: near.title, metres: metresOf(ids, near, list, scene) },
  };
}

/** How many listings a query finds. */
export function countQuery(list: AskedList, query: Query, scene: QueryScene): number {
  return countShown(list, sizeOf(findParts(list, query, scene)));
}

/** The rows that a query finds of each kind, whether they are shown or skipped. The sets are the caller's. */
export function rowsOfQuery(
  list: AskedList,
  query: Query,
  scene: QueryScene,
): { readonly catalog: Catalog; readonly rows: Bitset }[] {
  return findParts(list, query, scene).map(({ part, all }) => ({ catalog: part.catalog, rows: all.bits }));
}

function sizeOf(parts: readonly FoundPart[]): number {
  return parts.reduce((sum, { all }) => sum + all.size, 0);
}

function countsOf({ design }: AskedList, parts: readonly FoundPart[], scene: QueryScene): Map<string, FacetCounts> {
  const counts = new Map<string, FacetCounts>();
  for (const facet of design.facets) {
    const found = facet.field === KIND_FIELD_KEY ? countKinds(facet, parts) : countOver(facet, parts, scene);
    if (found) counts.set(facet.key, found);
  }
  return counts;
}

function countKinds(facet: Facet, parts: readonly FoundPart[]): FacetCounts {
  const sizes = parts.map((found) => [found.part.catalog.kind.slug, rowsToCount(facet, found).size] as const);
  return { kind: 'values', counts: new Map(sizes) };
}

/** The counts of a facet over all kinds that have it; null where none has. */
function countOver(facet: Facet, parts: readonly FoundPart[], scene: QueryScene): FacetCounts | null {
  const asked = parts.flatMap((found) => {
    const own = found.part.facets.get(facet.key);
    const source = own && sourceOf(own, found.part.catalog, scene);
    return source ? [{ own, source, rows: rowsToCount(facet, found) }] : [];
  });
  const count = (within: Parameters<typeof countFacet>[4]): FacetCounts[] =>
    asked.map(({ own, source, rows }) => countFacet(own, source, rows, scene, within));
  const [first, ...others] = count(null);
  if (!first) return null;
  if (others.length === 0) return first;
  const merged = mergedCounts([first, ...others]);
  // The bars of a range have to stand for the same values in every kind.
  return merged.kind === 'range' ? mergedCounts(count(merged.bounds)) : merged;
}

function orderedPart(
  { part: { catalog, facets }, all, matches }: FoundPart,
  near: Near | null,
  scene: QueryScene,
): OrderedPart {
  const facet = near && facets.get(near.facet.key);
  return { catalog, found: all, order: { scene, matches, near: facet ? { ...near, facet } : null } };
}

/** The parts with no more than the given rows. */
function onlyRows(parts: readonly OrderedPart[], rows: readonly CatalogRow[]): OrderedPart[] {
  return parts.map((part) => {
    const bits = new Rows(part.catalog.existing.capacity);
    for (const { catalog, row } of rows) if (catalog === part.catalog) bits.add(row);
    return { ...part, found: new FoundRows(bits) };
  });
}

/** Where the page of a query begins and how long it is; "show more" leaves all pages up to its own. */
function pageOf({ page, fromFirst }: Query, pageSize: number): { offset: number; limit: number } {
  return fromFirst ? { offset: 0, limit: page * pageSize } : { offset: (page - 1) * pageSize, limit: pageSize };
}

/** How far each of the listings is, where that is known. */
function metresOf(ids: readonly number[], near: Near, { parts }: AskedList, scene: QueryScene): Map<number, number> {
  const told = parts.flatMap(({ catalog, facets }) => {
    const facet = facets.get(near.facet.key);
    const distanceOf = facet ? distancesFrom({ ...near, facet }, catalog, scene) : null;
    return distanceOf ? [{ catalog, distanceOf }] : [];
  });
  const metres = ids.flatMap((id) => {
    for (const { catalog, distanceOf } of told) {
      const row = catalog.rowOf(id);
      if (row !== undefined) return [[id, distanceOf(row)] as const];
    }
    return [];
  });
  return new Map(metres.filter(([, distance]) => !Number.isNaN(distance)));
}

/** The sort key that a query goes by: its own; else by relevance when there are words, or nearest first, or the page's. */
export function sortKeyOf(
  { sort }: Pick<Query, 'sort'>,
  { isSearch, isNear }: { readonly isSearch: boolean; readonly isNear: boolean },
): string {
  return sort ?? ownSortKey(isSearch, isNear);
}

/** The order that a sort key stands for: a sort choice of the list, by relevance, nearest first, or the list's own. */
function orderOf(sort: string, design: Pick<ListDesign, 'sortChoices' | 'defaultOrder'>): readonly OrderKey[] {
  const chosen = design.sortChoices.find(({ key }) => key === sort);
  if (chosen) return chosen.order;
  if (sort === RELEVANCE_SORT_KEY) return RELEVANCE_ORDER;
  return sort === NEAREST_SORT_KEY ? NEAREST_ORDER : design.defaultOrder;
}

/** The sort key that a page has as long as none is chosen. */
export function ownSortKey(isSearch: boolean, isNear: boolean): string {
  if (isSearch) return RELEVANCE_SORT_KEY;
  return isNear ? NEAREST_SORT_KEY : HOUSE_SORT_KEY;
}
