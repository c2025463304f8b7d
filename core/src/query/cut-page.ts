import type { Bitset, Catalog } from '../catalog/index.js';
import { Bitset as Rows } from '../catalog/index.js';
import { FoundRows } from './found-rows.js';
import type { Ranking } from './rankings.js';
import { compareValues, rowOrder } from './rankings.js';

/** So few rows are compared one with the other. */
const FEW_ROWS = 256;
/** Looking at a row in the kept order costs about so many times what looking at one of the found rows does. */
const STEP_COST = 2;
/** Up to this many rows the first ones are kept while walking; beyond, all are sorted. */
const MOST_KEPT = 1000;

/** A part of the rows that is to be put in order, and what of it is wanted. */
interface Cut {
  readonly catalog: Catalog;
  readonly keys: readonly Ranking[];
  readonly offset: number;
  readonly limit: number;
}

/**
 * The rows from `offset` on, `limit` of them, in order. A key whose order the catalog keeps is walked along where the
 * found rows lie dense enough; rows that are alike in it are ordered by the keys after it, and only those that matter.
 */
export function cutPage(
  found: FoundRows,
  catalog: Catalog,
  keys: readonly Ranking[],
  offset: number,
  limit: number,
): number[] {
  return cut(found, { catalog, keys, offset, limit });
}

function cut(found: FoundRows, wanted: Cut): number[] {
  const { keys, offset, limit, catalog } = wanted;
  if (limit <= 0 || found.size <= offset) return [];
  if (found.size <= FEW_ROWS) return selected(found, wanted);
  const [key] = keys;
  if (!key) return catalog.idsAscend ? [...found.list().subarray(offset, offset + limit)] : selected(found, wanted);
  if (key.ones) return cutByOnes(found, key.ones, wanted);
  const steps = ((offset + limit) * catalog.rows) / found.size;
  if (key.sorted && (steps * STEP_COST < found.size || offset + limit > MOST_KEPT)) return cutAlong(found, key, wanted);
  return selected(found, wanted);
}

/** Cuts from several parts that follow one another. */
function cutParts(parts: Iterable<Bitset>, wanted: Cut): number[] {
  const rows: number[] = [];
  let { offset } = wanted;
  for (const part of parts) {
    const found = new FoundRows(part);
    if (found.size > offset) {
      rows.push(...cut(found, { ...wanted, keys: wanted.keys.slice(1), offset, limit: wanted.limit - rows.length }));
    }
    offset = Math.max(0, offset - found.size);
    if (rows.length === wanted.limit) break;
  }
  return rows;
}

function cutByOnes(found: FoundRows, ones: Bitset, wanted: Cut): number[] {
  const yes = found.bits.clone().intersect(ones);
  const no = found.bits.clone().subtract(ones);
  return cutParts(wanted.keys[0]!.isDown ? [yes, no] : [no, yes], wanted);
}

/** Walks along the kept order of a key; what has no value in it comes after, or before, all that has. */
function cutAlong(found: FoundRows, key: Ranking, wanted: Cut): number[] {
  const { rows, size } = key.sorted!.rows();
  const withValue = (): Bitset => {
    const has = new Rows(found.bits.capacity);
    for (let at = 0; at < size; at++) has.add(rows[at]!);
    return found.bits.clone().intersect(has);
  };
  const without = (): Bitset => found.bits.clone().subtract(withValue());
  const result: number[] = [];
  let { offset } = wanted;
  const rest = (part: Bitset): void => {
    const missing = new FoundRows(part);
    const left = { ...wanted, keys: wanted.keys.slice(1), offset, limit: wanted.limit - result.length };
    result.push(...cut(missing, left));
    offset = Math.max(0, offset - missing.size);
  };
  if (key.missingFirst) rest(without());
  for (const group of groupsAlong(found.bits, key, rows, size)) {
    if (result.length === wanted.limit) return result;
    if (group.length <= offset) offset -= group.length;
    else {
      const left = { ...wanted, keys: wanted.keys.slice(1), offset, limit: wanted.limit - result.length };
      if (group.length === 1) result.push(group[0]!);
      else result.push(...cut(new FoundRows(bitsOf(group, found.bits.capacity)), left));
      offset = 0;
    }
  }
  if (!key.missingFirst && result.length < wanted.limit) rest(without());
  return result;
}

function bitsOf(rows: readonly number[], capacity: number): Bitset {
  const bits = new Rows(capacity);
  for (const row of rows) bits.add(row);
  return bits;
}

/** The found rows in a key's order, those with the same value together. */
function* groupsAlong(bits: Bitset, key: Ranking, rows: Uint32Array, size: number): Generator<number[]> {
  const { words } = bits;
  const { isSame } = key.sorted!;
  let group: number[] = [];
  for (let step = 0; step < size; step++) {
    const row = rows[key.isDown ? size - 1 - step : step]!;
    if ((words[row >>> 5]! & (1 << (row & 31))) === 0) continue;
    if (group.length > 0 && !isSame(group[0]!, row)) {
      yield group;
      group = [];
    }
    group.push(row);
  }
  if (group.length > 0) yield group;
}

/** The wanted rows by comparing: the first ones are kept while walking, or, where those are many, all are sorted. */
function selected(found: FoundRows, { catalog, keys, offset, limit }: Cut): number[] {
  const order = rowOrder(catalog, keys);
  const rows = found.list();
  const wanted = offset + limit;
  if (wanted > MOST_KEPT) return [...rows].sort(order).slice(offset, wanted);
  const first: number[] = [];
  const [key] = keys;
  let last = NaN;
  for (let at = 0; at < rows.length; at++) {
    const row = rows[at]!;
    if (first.length === wanted) {
      // Most rows fall behind the last one by the first key alone.
      if (key && compareValues(key, key.at(row), last) > 0) continue;
      if (order(row, first[wanted - 1]!) >= 0) continue;
      first.pop();
    }
    insertInOrder(first, row, order);
    if (first.length === wanted && key) last = key.at(first[wanted - 1]!);
  }
  return first.slice(offset);
}

function insertInOrder(sorted: number[], row: number, order: (a: number, b: number) => number): void {
  let low = 0;
  let high = sorted.length;
  while (low < high) {
    const middle = (low + high) >>> 1;
    if (order(sorted[middle]!, row) < 0) low = middle + 1;
    else high = middle;
  }
  sorted.splice(low, 0, row);
}
