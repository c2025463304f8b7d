import type { Catalog } from '../../catalog/index.js';
import { Bitset } from '../../catalog/index.js';
import type { ReadContext } from '../../structure/index.js';
import type { TableQuery } from './table-query.js';
import { rowsOfTable } from './table-query.js';

/** What the values of one column come to. */
export interface ColumnTotals {
  /** Key of the field, built-in ones with their mark. */
  readonly key: string;
  /** Listings that have a value. */
  readonly filled: number;
  /** Over the numbers of the column, in the unit that it counts in; null for a column without numbers, and over none. */
  readonly numbers: {
    readonly sum: number;
    readonly mean: number;
    readonly least: number;
    readonly greatest: number;
  } | null;
}

export interface TableTotals {
  /** How many listings are counted. */
  readonly listings: number;
  readonly columns: readonly ColumnTotals[];
}

/** What is added up: columns by their keys, over the listings that were chosen, or all that the table shows. */
export interface TotalsAsk extends Pick<TableQuery, 'status' | 'text' | 'filters'> {
  readonly columns: readonly string[];
  /** Null for all that the table shows. */
  readonly ids: readonly number[] | null;
}

/** Adds up columns of a table. Columns that the catalog doesn't have are left out. */
export function tableTotals(catalog: Catalog, ask: TotalsAsk, context: ReadContext): TableTotals {
  const rows = ask.ids ? rowsOfIds(catalog, ask.ids) : rowsOfTable(catalog, ask, context).rows;
  let listings = 0;
  rows.forEach(() => listings++);
  return { listings, columns: ask.columns.flatMap((key) => totalsOf(catalog, key, rows) ?? []) };
}

function rowsOfIds(catalog: Catalog, ids: readonly number[]): Bitset {
  const rows = new Bitset(catalog.ids.length);
  for (const id of ids) {
    const row = catalog.rowOf(id);
    if (row !== undefined && catalog.existing.has(row)) rows.add(row);
  }
  return rows;
}

function totalsOf(catalog: Catalog, key: string, rows: Bitset): ColumnTotals | null {
  const column = catalog.column(key);
  if (!column) return null;
  let [filled, sum, least, greatest] = [0, 0, Infinity, -Infinity];
  rows.forEach((row) => {
    if (!column.hasAny(row)) return;
    filled++;
    if (column.kind !== 'number') return;
    const value = column.values[row]!;
    sum += value;
    if (value < least) least = value;
    if (value > greatest) greatest = value;
  });
  const hasNumbers = column.kind === 'number' && filled > 0;
  return { key, filled, numbers: hasNumbers ? { sum, mean: sum / filled, least, greatest } : null };
}
