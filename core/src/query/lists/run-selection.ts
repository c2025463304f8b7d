import type { Bitset, Catalog } from '../../catalog/index.js';
import { Bitset as Rows } from '../../catalog/index.js';
import type { Condition, SelectionDefinition } from '../../structure/index.js';
import { countShown } from './asked-list.js';
import type { ConditionScene } from '../filters/condition-rows.js';
import { rowsWhere } from '../filters/condition-rows.js';
import { cutList } from './cut-list.js';
import { FoundRows } from './found-rows.js';
import type { PageParameters } from '../filters/parameters.js';
import { NO_PARAMETERS } from '../filters/parameters.js';
import type { OrderScene } from '../order/rankings.js';
import type { QueryScene } from '../filters/scene.js';
import { shownRows } from '../filters/shown-rows.js';

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

/** What of a selection decides which listings it has. */
type SelectedBy = Pick<SelectionDefinition, 'kinds' | 'picked' | 'where' | 'shows' | 'leavesOutCurrent'>;

/** The listings that satisfy a selection, kind by kind. */
export function rowsOfSelection(
  selection: SelectedBy,
  scene: QueryScene,
  parameters: PageParameters = NO_PARAMETERS,
): SelectedRows[] {
  const asked: ConditionScene = { scene, parameters };
  return catalogsOfSelection(selection, scene).map((catalog) => {
    const rows = selection.picked ? rowsPicked(selection.picked, catalog) : rowsWhere(selection.where, catalog, asked);
    rows.intersect(shownRows(catalog, selection.shows, scene.context.nowInMs));
    const current = parameters.listing === null ? undefined : catalog.rowOf(parameters.listing);
    if (selection.leavesOutCurrent && current !== undefined) rows.delete(current);
    return { catalog, rows };
  });
}

/** The catalogs that a selection chooses from: those of its kinds, or of the listings that were picked by hand. */
export function catalogsOfSelection(
  { kinds, picked }: Pick<SelectionDefinition, 'kinds' | 'picked'>,
  scene: QueryScene,
): Catalog[] {
  if (picked) return scene.catalogs().filter((catalog) => picked.some((id) => catalog.rowOf(id) !== undefined));
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
  { picked, order: keys }: Pick<SelectionDefinition, 'picked' | 'order'>,
  selected: readonly SelectedRows[],
  offset: number,
  limit: number,
  scene: QueryScene,
): number[] {
  const order: OrderScene = { scene, matches: null, near: null };
  const parts = selected.map(({ catalog, rows }) => ({ catalog, found: new FoundRows(rows), order }));
  return cutList(parts, { keys, picked }, offset, limit).map(({ catalog, row }) => catalog.ids[row]!);
}

/** For each condition at the top, how many listings it removes that all others let in. */
export function removedByEach(selection: SelectedBy, scene: QueryScene): number[] {
  const whole = countSelected(rowsOfSelection(selection, scene));
  return selection.where.of.map((_, at) => {
    const of = selection.where.of.filter((__, other) => other !== at);
    const without = { ...selection, where: { ...selection.where, of } };
    return Math.max(0, countSelected(rowsOfSelection(without, scene)) - whole);
  });
}

/** Listings that fail one condition of an "all of" and satisfy all others: by the condition's position, their numbers. */
export function justMissing(
  selection: SelectedBy,
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
