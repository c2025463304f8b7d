import type { Bitset, Catalog } from '../../catalog/index.js';
import { Bitset as Rows } from '../../catalog/index.js';
import { FoundRows } from './found-rows.js';
import type { Ranking } from '../order/rankings.js';
import { rowOrder } from '../order/rankings.js';

/** So few rows are simply sorted. */
const FEW_ROWS = 256;
/** Looking at a row in the kept order costs about so many times what looking at one of the found rows does. */
const STEP_COST = 2;
/** Into so many parts the values of a key are parted where the catalog keeps no order of them. */
const BUCKETS = 1024;

/** A part of the rows that is to be put in order, and what of it is wanted. */
interface Cut {
  readonly catalog: Catalog;
  readonly keys: readonly Ranking[];
  readonly offset: number;
  readonly limit: number;
}

/**
 * The rows from `offset` on, `limit` of them, in order. A key whose order the catalog keeps is walked along where the
 * found rows lie dense enough; else the rows are parted into buckets by their values, and only the buckets that matter
 * are looked into. Rows that are alike in a key are ordered by the keys after it.
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
  if (found.size <= FEW_ROWS) return sorted(found.list(), wanted);
  const [key] = keys;
  if (!key) return byId(found, wanted);
  if (key.ones) return cutByOnes(found, key.ones, wanted);
  const steps = ((offset + limit) * catalog.rows) / found.size;
  if (key.sorted && steps * STEP_COST < found.size) return cutAlong(found, key, wanted);
  return cutByBuckets(found.list(), key, wanted);
}

function sorted(rows: ArrayLike<number>, { catalog, keys, offset, limit }: Cut): number[] {
  return Array.from(rows)
    .sort(rowOrder(catalog, keys))
    .slice(offset, offset + limit);
}

function byId(found: FoundRows, wanted: Cut): number[] {
  const { catalog, offset, limit } = wanted;
  return catalog.idsAscend ? [...found.list().subarray(offset, offset + limit)] : sorted(found.list(), wanted);
}

/** Takes parts that follow one another until a page is full. */
class Page {
  readonly rows: number[] = [];
  private offset: number;

  constructor(private readonly wanted: Cut) {
    this.offset = wanted.offset;
  }

  get isFull(): boolean {
    return this.rows.length === this.wanted.limit;
  }

  /** Whether a part of such a size lies before the page altogether; then it is passed over. */
  passes(size: number): boolean {
    if (size > this.offset) return false;
    this.offset -= size;
    return true;
  }

  /** What of the part that is to be taken next is wanted, under the keys that are left. */
  next(keys: readonly Ranking[]): Cut {
    return { ...this.wanted, keys, offset: this.offset, limit: this.wanted.limit - this.rows.length };
  }

  take(rows: readonly number[]): void {
    for (const row of rows) this.rows.push(row);
    this.offset = 0;
  }
}

function cutByOnes(found: FoundRows, ones: Bitset, wanted: Cut): number[] {
  const [key, ...others] = wanted.keys;
  const page = new Page(wanted);
  for (const isOne of key!.isDown ? [true, false] : [false, true]) {
    if (page.isFull) break;
    const bits = found.bits.clone();
    const part = new FoundRows(isOne ? bits.intersect(ones) : bits.subtract(ones));
    if (!page.passes(part.size)) page.take(cut(part, page.next(others)));
  }
  return page.rows;
}

/** Walks along the kept order of a key; what has no value in it comes after, or before, all that has. */
function cutAlong(found: FoundRows, key: Ranking, wanted: Cut): number[] {
  const { rows, size } = key.sorted!.rows();
  const others = wanted.keys.slice(1);
  const page = new Page(wanted);
  const takeMissing = (): void => {
    const missing = new FoundRows(withoutValue(found.bits, rows, size));
    if (!page.passes(missing.size)) page.take(cut(missing, page.next(others)));
  };
  if (key.missingFirst) takeMissing();
  if (page.isFull) return page.rows;
  const { words } = found.bits;
  const { isSame } = key.sorted!;
  let group: number[] = [];
  const takeGroup = (): void => {
    if (group.length === 0 || page.passes(group.length)) return;
    page.take(group.length === 1 ? group : cut(new FoundRows(bitsOf(group, found.bits.capacity)), page.next(others)));
  };
  for (let step = 0; step < size; step++) {
    const row = rows[key.isDown ? size - 1 - step : step]!;
    if ((words[row >>> 5]! & (1 << (row & 31))) === 0) continue;
    if (group.length > 0 && !isSame(group[0]!, row)) {
      takeGroup();
      if (page.isFull) return page.rows;
      group = [];
    }
    group.push(row);
  }
  takeGroup();
  if (!key.missingFirst && !page.isFull) takeMissing();
  return page.rows;
}

function withoutValue(bits: Bitset, rows: Uint32Array, size: number): Bitset {
  const missing = bits.clone();
  for (let at = 0; at < size; at++) missing.delete(rows[at]!);
  return missing;
}

function bitsOf(rows: Uint32Array | readonly number[], capacity: number): Bitset {
  const bits = new Rows(capacity);
  for (const row of rows) bits.add(row);
  return bits;
}

/** Parts the rows by their values in a key, and looks only into the parts that the page lies in. */
function cutByBuckets(rows: Uint32Array, key: Ranking, wanted: Cut): number[] {
  if (rows.length <= FEW_ROWS) return sorted(rows, wanted);
  const others = wanted.keys.slice(1);
  const { values, least, greatest, missing } = valuesOf(rows, key);
  const capacity = wanted.catalog.existing.capacity;
  if (!(least < greatest)) return cutAlike(rows, values, key, wanted);
  const page = new Page(wanted);
  const takeMissing = (): void => {
    if (missing === 0 || page.isFull || page.passes(missing)) return;
    const without = rows.filter((_, at) => values[at] !== values[at]);
    page.take(cut(new FoundRows(bitsOf(without, capacity)), page.next(others)));
  };
  if (key.missingFirst) takeMissing();
  const scale = (BUCKETS - 1) / (greatest - least);
  const sizes = bucketSizes(values, least, scale);
  for (let step = 0; step < BUCKETS && !page.isFull; step++) {
    const bucket = key.isDown ? BUCKETS - 1 - step : step;
    const size = sizes[bucket]!;
    if (size === 0 || page.passes(size)) continue;
    const inside = rowsInBucket(rows, values, { least, scale, bucket, size });
    page.take(cutByBuckets(inside, key, page.next(wanted.keys)));
  }
  if (!key.missingFirst) takeMissing();
  return page.rows;
}

function bucketSizes(values: Float64Array, least: number, scale: number): Uint32Array {
  const sizes = new Uint32Array(BUCKETS);
  for (const value of values) if (value === value) sizes[((value - least) * scale) | 0]!++;
  return sizes;
}

/** One part of the values of a key: which one it is, and how many rows lie in it. */
interface Bucket {
  readonly least: number;
  readonly scale: number;
  readonly bucket: number;
  readonly size: number;
}

function rowsInBucket(rows: Uint32Array, values: Float64Array, { least, scale, bucket, size }: Bucket): Uint32Array {
  const inside = new Uint32Array(size);
  let end = 0;
  for (let at = 0; end < size; at++) {
    const value = values[at]!;
    if (value === value && (((value - least) * scale) | 0) === bucket) inside[end++] = rows[at]!;
  }
  return inside;
}

/** Rows that all have the same value in a key, or none: the other keys order them, those without a value apart. */
function cutAlike(rows: Uint32Array, values: Float64Array, key: Ranking, wanted: Cut): number[] {
  const capacity = wanted.catalog.existing.capacity;
  const page = new Page(wanted);
  const has = (isThere: boolean): Uint32Array => rows.filter((_, at) => (values[at] === values[at]) === isThere);
  for (const part of key.missingFirst ? [has(false), has(true)] : [has(true), has(false)]) {
    if (page.isFull) break;
    if (!page.passes(part.length))
      page.take(cut(new FoundRows(bitsOf(part, capacity)), page.next(wanted.keys.slice(1))));
  }
  return page.rows;
}

function valuesOf(
  rows: Uint32Array,
  key: Ranking,
): { values: Float64Array; least: number; greatest: number; missing: number } {
  const values = new Float64Array(rows.length);
  let [least, greatest, missing] = [Infinity, -Infinity, 0];
  const { at: valueAt } = key;
  for (let at = 0; at < rows.length; at++) {
    const value = valueAt(rows[at]!);
    values[at] = value;
    if (value < least) least = value;
    if (value > greatest) greatest = value;
    if (value !== value) missing++;
  }
  return { values, least, greatest, missing };
}
