import type { Bitset, Catalog } from '../catalog/index.js';
import { Bitset as Rows } from '../catalog/index.js';
import type { Condition, SelectionDefinition } from '../structure/index.js';
import { SELECTIONS_SLUG } from '../structure/index.js';
import type { ConditionScene } from './condition-rows.js';
import { rowsWhere } from './condition-rows.js';
import { cutPage } from './cut-page.js';
import { FoundRows } from './found-rows.js';
import type { PageParameters } from './parameters.js';
import { NO_PARAMETERS } from './parameters.js';
import type { OrderScene } from './rankings.js';
import { mergedOrder, rankingsOf } from './rankings.js';
import type { QueryArea } from './run-query.js';
import { countShown } from './run-query.js';
import type { QueryScene } from './scene.js';

/** The listings of a selection, by kind, before they are put in order. */
export interface SelectedRows {
  readonly catalog: Catalog;
  readonly rows: Bitset;
}

/** A page of a selection. */
export interface SelectionResult {
  /** Listings on all pages, after leaving out the first ones and cutting off the last ones. */
  readonly total: number;
  /** Listings that satisfy it, before that. */
  readonly found: number;
  /** Numbers of the page's listings, in order. */
  readonly ids: readonly number[];
}

/** The listings on the site that satisfy a selection, kind by kind. */
export function rowsOfSelection(
  selection: Pick<SelectionDefinition, 'kinds' | 'picked' | 'where' | 'leavesOutCurrent'>,
  scene: QueryScene,
  parameters: PageParameters = NO_PARAMETERS,
): SelectedRows[] {
  const asked: ConditionScene = { scene, parameters };
  return catalogsOf(selection, scene).map((catalog) => {
    const rows = selection.picked ? rowsPicked(selection.picked, catalog) : rowsWhere(selection.where, catalog, asked);
    rows.intersect(catalog.onSiteAt(scene.context.nowInMs));
    const current = parameters.listing === null ? undefined : catalog.rowOf(parameters.listing);
    if (selection.leavesOutCurrent && current !== undefined) rows.delete(current);
    return { catalog, rows };
  });
}

/** The catalogs that a selection chooses from: those of its kinds, or, of a list picked by hand, all. */
function catalogsOf({ kinds, picked }: Pick<SelectionDefinition, 'kinds' | 'picked'>, scene: QueryScene): Catalog[] {
  if (picked) return [...scene.catalogs()];
  return [...new Set(kinds)].map((id) => scene.catalogOf(id)).filter((catalog) => catalog !== undefined);
}

/** How many listings satisfy a selection, before the first ones are left out and the last ones cut off. */
export function countSelected(selected: readonly SelectedRows[]): number {
  return selected.reduce((sum, { rows }) => sum + rows.count(), 0);
}

function rowsPicked(picked: readonly number[], catalog: Catalog): Bitset {
  const rows = new Rows(catalog.existing.capacity);
  for (const id of picked) {
    const row = catalog.rowOf(id);
    if (row !== undefined) rows.add(row);
  }
  return rows;
}

/** The list of a selection of one kind: its rows, and the kind's facets that stand on its page. */
export function areaOfSelection(selection: SelectionDefinition, { catalog, rows }: SelectedRows): QueryArea {
  const { kind } = catalog;
  const { order, pageSize, grouping, pager, skip, most } = selection;
  const facets = selection.facets.flatMap((key) => kind.facets.find((facet) => facet.key === key) ?? []);
  const slug = `${SELECTIONS_SLUG}/${selection.slug}`;
  const design = {
    slug,
    intro: '',
    facets,
    sortChoices: kind.sortChoices,
    defaultOrder: order,
    pageSize,
    grouping,
    pager,
  };
  return { design, rows, skip, most };
}

/** One page of a selection, counted from 1. */
export function runSelection(
  selection: SelectionDefinition,
  page: number,
  scene: QueryScene,
  parameters: PageParameters = NO_PARAMETERS,
): SelectionResult {
  const selected = rowsOfSelection(selection, scene, parameters);
  const found = countSelected(selected);
  const total = countShown(selection, found);
  const { offset, limit } = pageWithin(selection, page, total);
  return { total, found, ids: idsInOrder(selection, selected, offset + selection.skip, limit, scene) };
}

/** Where a page begins among those that are shown, and how long it is. */
export function pageWithin(
  { pageSize }: Pick<SelectionDefinition, 'pageSize'>,
  page: number,
  total: number,
): { offset: number; limit: number } {
  const offset = (page - 1) * pageSize;
  return { offset, limit: Math.max(0, Math.min(pageSize, total - offset)) };
}

/** Numbers of the listings from `offset` on, `limit` of them, in the selection's order. */
export function idsInOrder(
  { picked, order }: Pick<SelectionDefinition, 'picked' | 'order'>,
  selected: readonly SelectedRows[],
  offset: number,
  limit: number,
  scene: QueryScene,
): number[] {
  if (picked) {
    const isSelected = (id: number): boolean =>
      selected.some(({ catalog, rows }) => {
        const row = catalog.rowOf(id);
        return row !== undefined && rows.has(row);
      });
    return [...new Set(picked)].filter(isSelected).slice(offset, offset + limit);
  }
  const ranked: OrderScene = { scene, matches: null, near: null };
  const [only, ...others] = selected;
  if (!only) return [];
  if (others.length === 0) {
    const keys = rankingsOf(only.catalog, order, ranked);
    return cutPage(new FoundRows(only.rows), only.catalog, keys, offset, limit).map((row) => only.catalog.ids[row]!);
  }
  // Of each kind no more than the first ones can be among those that are wanted.
  const candidates = selected.flatMap(({ catalog, rows }) => {
    const keys = rankingsOf(catalog, order, ranked);
    return cutPage(new FoundRows(rows), catalog, keys, 0, offset + limit).map((row) => ({ catalog, row }));
  });
  return candidates
    .sort(mergedOrder(order, ranked, scene.context.locale))
    .slice(offset, offset + limit)
    .map(({ catalog, row }) => catalog.ids[row]!);
}

/** For each condition at the top, how many listings it removes that all others let in. */
export function removedByEach(
  selection: Pick<SelectionDefinition, 'kinds' | 'picked' | 'where' | 'leavesOutCurrent'>,
  scene: QueryScene,
): number[] {
  const whole = countSelected(rowsOfSelection(selection, scene));
  return selection.where.of.map((_, at) => {
    const of = selection.where.of.filter((__, other) => other !== at);
    const without = { ...selection, where: { ...selection.where, of } };
    return Math.max(0, countSelected(rowsOfSelection(without, scene)) - whole);
  });
}

/** Listings that fail one condition of an "all of" and satisfy all others: by the condition's position, their numbers. */
export function justMissing(
  selection: Pick<SelectionDefinition, 'kinds' | 'picked' | 'where' | 'leavesOutCurrent'>,
  scene: QueryScene,
  most: number,
): { readonly at: number; readonly total: number; readonly ids: readonly number[] }[] {
  if (selection.where.join !== 'all' || selection.picked) return [];
  return selection.where.of.map((part, at) => {
    const others = selection.where.of.filter((_, other) => other !== at);
    const failing: Condition = { join: 'none', of: [part] };
    const selected = rowsOfSelection({ ...selection, where: { join: 'all', of: [...others, failing] } }, scene);
    const ids = selected.flatMap(({ catalog, rows }) =>
      [...rows.toRows().subarray(0, most)].map((row) => catalog.ids[row]!),
    );
    return { at, total: countSelected(selected), ids: ids.slice(0, most) };
  });
}
