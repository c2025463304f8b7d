import type { Bitset, Catalog } from '../../catalog/index.js';
import type { Status } from '../../listings/index.js';
import type { Operator, OrderKey, OrderSubject, ReadContext } from '../../structure/index.js';
import { OPERATORS, fieldOfSubject } from '../../structure/index.js';
import { rowsWhere } from '../filters/condition-rows.js';
import { cutPage } from './cut-page.js';
import { FoundRows } from './found-rows.js';
import { NO_PARAMETERS } from '../filters/parameters.js';
import { rankingsOf } from '../order/rankings.js';
import type { QueryResult } from './run-query.js';
import { rowsOf, searchOf } from './found-parts.js';
import { sceneOf } from '../filters/scene.js';

/** A condition on one column of the listing table; the value stands as it would be typed. */
export interface TableFilter {
  readonly by: OrderSubject;
  readonly op: Operator;
  readonly value?: unknown;
}

/** What the listing table of the Desk asks: any status, any order, a window of rows. */
export interface TableQuery {
  readonly text: string;
  /** Null shows all but the binned ones. */
  readonly status: Status | null;
  /** All of them have to hold. */
  readonly filters: readonly TableFilter[];
  readonly order: readonly OrderKey[];
  readonly offset: number;
  readonly limit: number;
}

export const BLANK_TABLE_QUERY: TableQuery = {
  text: '',
  status: null,
  filters: [],
  order: [{ by: '@title', direction: 'up' }],
  offset: 0,
  limit: 100,
};

const MOST_FILTERS = 40;

/** Whether JSON from outside is a list of filters. */
export function areTableFilters(input: unknown): input is TableFilter[] {
  if (!Array.isArray(input) || input.length > MOST_FILTERS) return false;
  return input.every((one: unknown) => {
    if (typeof one !== 'object' || one === null) return false;
    const { by, op, value: _, ...others } = one as Record<string, unknown>;
    return typeof by === 'string' && OPERATORS.some((known) => known === op) && Object.keys(others).length === 0;
  });
}

/** Answers the listing table. */
export function runTableQuery(
  catalog: Catalog,
  query: TableQuery,
  context: ReadContext,
): Pick<QueryResult, 'total' | 'ids'> {
  const { rows, matches } = rowsOfTable(catalog, query, context);
  const keys = rankingsOf(catalog, query.order, { scene: sceneOf(catalog, context), matches, near: null });
  const found = new FoundRows(rows);
  const page = cutPage(found, catalog, keys, query.offset, query.limit);
  return { total: found.size, ids: page.map((row) => catalog.ids[row]!) };
}

/** The rows that a table shows, whatever their order, and where words were found. */
export function rowsOfTable(
  catalog: Catalog,
  { status, text, filters }: Pick<TableQuery, 'status' | 'text' | 'filters'>,
  context: ReadContext,
): { readonly rows: Bitset; readonly matches: ReturnType<typeof searchOf> | null } {
  const rows = rowsOfStatus(catalog, status);
  const matches = text === '' ? null : searchOf(catalog, text, rows);
  if (matches) rows.intersect(rowsOf(matches, catalog));
  const scene = sceneOf(catalog, context);
  for (const { by, op, value } of filters) {
    const test = { field: fieldOfSubject(by) ?? '', op, value };
    rows.intersect(rowsWhere(test, catalog, { scene, parameters: NO_PARAMETERS }));
  }
  return { rows, matches };
}

function rowsOfStatus(catalog: Catalog, wanted: Status | null): Bitset {
  const rows = catalog.existing.clone();
  catalog.existing.forEach((row) => {
    const status = catalog.statusAt(row);
    const isWanted = wanted === null ? status !== 'binned' : status === wanted;
    if (!isWanted) rows.delete(row);
  });
  return rows;
}
