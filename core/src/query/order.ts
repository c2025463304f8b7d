import type { Catalog, TextMatches } from '../catalog/index.js';
import { NO_RANK } from '../catalog/index.js';
import type { OrderKey } from '../structure/index.js';

export type RowOrder = (a: number, b: number) => number;

/** A key of an order as numbers by row. */
interface RankedKey {
  readonly at: (row: number) => number;
  readonly sign: 1 | -1;
  readonly missing: 'first' | 'last';
}

/**
 * The order of rows under the given keys; the last key is always the listing's id, so that it is total. Missing values
 * go last in both directions unless the key says first.
 */
export function rowOrder(catalog: Catalog, keys: readonly OrderKey[], matches: TextMatches | null): RowOrder {
  const ranked = keys.map((key): RankedKey => ({
    at: numbersOf(catalog, key, matches),
    sign: key.direction === 'up' ? 1 : -1,
    missing: key.missing ?? 'last',
  }));
  const { ids } = catalog;
  return (a, b) => {
    for (const { at, sign, missing } of ranked) {
      const x = at(a);
      const y = at(b);
      if (x === y) continue;
      const [noX, noY] = [x !== x, y !== y];
      if (noX && noY) continue;
      if (noX || noY) return noX === (missing === 'first') ? -1 : 1;
      return (x - y) * sign;
    }
    return ids[a]! - ids[b]!;
  };
}

/** The number that a key compares for a row; NaN for a missing value. */
function numbersOf(catalog: Catalog, { by }: OrderKey, matches: TextMatches | null): (row: number) => number {
  switch (by) {
    case 'featured':
      return (row) => (catalog.featured.has(row) ? 1 : 0);
    case 'hand-order':
      return (row) => catalog.handOrder.values[row]!;
    case 'title':
      return ranks(catalog.title.rankByRow());
    case 'newest':
      return (row) => catalog.createdAt.values[row]!;
    case 'changed':
      return (row) => catalog.changedAt.values[row]!;
    case 'binned':
      return (row) => catalog.binnedAt.values[row]!;
    case 'status':
      return (row) => catalog.statuses[row]!;
    case 'relevance':
      return (row) => matches?.get(row) ?? 0;
    default:
      return numbersOfField(catalog, by.slice('field:'.length));
  }
}

function numbersOfField(catalog: Catalog, key: string): (row: number) => number {
  const column = catalog.column(key);
  switch (column?.kind) {
    case 'number':
      return (row) => column.values[row]!;
    case 'text':
      return ranks(column.rankByRow());
    case 'yes-no':
      return (row) => column.values[row]! || NaN;
    case 'choices':
      // Choices are numbered in their defined order, and a listing's own stand in it too.
      return (row) => (column.lengths[row] === 0 ? NaN : column.pool[column.starts[row]!]!);
    default:
      return () => NaN;
  }
}

function ranks(byRow: Uint32Array): (row: number) => number {
  return (row) => (byRow[row] === NO_RANK ? NaN : byRow[row]!);
}

/** Up to this many rows the first ones are kept while walking; beyond, everything is sorted. */
const BOUNDED_SELECTION = 500;

/** The rows from `offset` on, `limit` of them, in order. */
export function cutPage(rows: Uint32Array, order: RowOrder, offset: number, limit: number): number[] {
  const wanted = offset + limit;
  if (wanted > BOUNDED_SELECTION) return [...rows].sort(order).slice(offset, wanted);
  const first: number[] = [];
  if (wanted === 0) return first;
  for (const row of rows) {
    if (first.length === wanted && order(row, first[wanted - 1]!) >= 0) continue;
    insertInOrder(first, row, order);
    if (first.length > wanted) first.pop();
  }
  return first.slice(offset);
}

function insertInOrder(sorted: number[], row: number, order: RowOrder): void {
  let low = 0;
  let high = sorted.length;
  while (low < high) {
    const middle = (low + high) >>> 1;
    if (order(sorted[middle]!, row) < 0) low = middle + 1;
    else high = middle;
  }
  sorted.splice(low, 0, row);
}
