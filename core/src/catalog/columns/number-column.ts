import { Bitset } from '../bitset.js';
import { orderedByValue } from './number-order.js';
import { SortedRows } from './sorted-rows.js';

/** Into so many steps the values of a column are parted for ranges; each takes a bit a row. */
const STEPS = 32;
const FEW_ROWS = 4096;

/** Rows whose value is at most a threshold, for some thresholds; kept in step with every change. */
interface Steps {
  /** Ascending; the last one is infinite. */
  readonly thresholds: Float64Array;
  /** By threshold, the rows with a value up to it. */
  readonly upTo: readonly Bitset[];
}

/** By row, the number; its length is the capacity. */
export type KeptNumbers = Float64Array;

/**
 * A number a row; NaN stands for no value. Of one that changes often no order and no steps are kept, as keeping them in step
 * would take longer than looking through all rows.
 */
export class NumberColumn {
  readonly kind = 'number';
  values: Float64Array;
  private sorted: SortedRows | null = null;
  private steps: Steps | null = null;

  constructor(
    capacity: number,
    readonly changesOften = false,
  ) {
    this.values = new Float64Array(capacity).fill(NaN);
  }

  grow(capacity: number): void {
    const larger = new Float64Array(capacity).fill(NaN);
    larger.set(this.values);
    this.values = larger;
    this.steps = null;
  }

  put(row: number, value: number | null): void {
    const before = this.values[row]!;
    const after = value ?? NaN;
    if (before === after || (before !== before && after !== after)) return;
    if (before === before) this.sorted?.takeOut(row);
    this.values[row] = after;
    if (after === after) this.sorted?.insert(row);
    if (!this.steps) return;
    const { thresholds, upTo } = this.steps;
    // A comparison with NaN is false, so a missing value is in none of them.
    for (let at = 0; at < upTo.length; at++) upTo[at]!.put(row, after <= thresholds[at]!);
  }

  kept(): KeptNumbers {
    return this.values.slice();
  }

  restore(kept: KeptNumbers): void {
    this.values = kept.slice();
    [this.sorted, this.steps] = [null, null];
  }

  hasAny(row: number): boolean {
    return this.values[row] === this.values[row];
  }

  /** The rows that have a value, in the order of values, equal ones by row. Made when it is first asked for. */
  sortedRows(): SortedRows {
    if (this.sorted) return this.sorted;
    const rows = new Uint32Array(this.values.length);
    let size = 0;
    this.values.forEach((value, row) => {
      if (value === value) rows[size++] = row;
    });
    const ordered = orderedByValue(rows.subarray(0, size), this.values);
    this.sorted = new SortedRows(ordered, (a, b) => this.values[a]! - this.values[b]!);
    return this.sorted;
  }

  /** The rows with a value from `least` to `greatest`, both in. The set is the caller's. */
  rowsBetween(least: number, greatest: number): Bitset {
    if (this.changesOften || this.values.length < FEW_ROWS) return scanned(this.values, least, greatest);
    const sorted = this.sortedRows();
    const from = this.countUpTo(least, false);
    const to = this.countUpTo(greatest, true);
    const rows = new Bitset(this.values.length);
    if (to - from < sorted.size / STEPS) return addAll(rows, sorted.rows.subarray(from, to));
    const steps = (this.steps ??= makeSteps(sorted, this.values));
    return this.rowsUpTo(steps, greatest, to).subtract(this.rowsUpTo(steps, least, from));
  }

  /** How many rows have a value below a bound, or up to it. */
  private countUpTo(bound: number, isIn: boolean): number {
    const { rows, size } = this.sortedRows();
    let [low, high] = [0, size];
    while (low < high) {
      const middle = (low + high) >>> 1;
      const value = this.values[rows[middle]!]!;
      if (value < bound || (isIn && value === bound)) low = middle + 1;
      else high = middle;
    }
    return low;
  }

  /** The first `count` rows in order, of which `bound` is the end: those of the nearest threshold, and the few between. */
  private rowsUpTo({ thresholds, upTo }: Steps, bound: number, count: number): Bitset {
    const { rows } = this.sortedRows();
    let at = 0;
    while (thresholds[at]! < bound) at++;
    const before = at === 0 ? 0 : this.countUpTo(thresholds[at - 1]!, true);
    const after = this.countUpTo(thresholds[at]!, true);
    if (after - count < count - before) return deleteAll(upTo[at]!.clone(), rows.subarray(count, after));
    return addAll(at === 0 ? new Bitset(this.values.length) : upTo[at - 1]!.clone(), rows.subarray(before, count));
  }
}

function makeSteps({ rows, size }: SortedRows, values: Float64Array): Steps {
  const count = Math.min(STEPS, size);
  const chosen = Array.from({ length: count }, (_, at) => values[rows[Math.floor((at * size) / count)]!]!);
  const thresholds = Float64Array.from(new Set([...chosen, Infinity]));
  return { thresholds, upTo: Array.from(thresholds, (threshold) => scanned(values, -Infinity, threshold)) };
}

function addAll(set: Bitset, rows: Uint32Array): Bitset {
  const { words } = set;
  for (const row of rows) words[row >>> 5]! |= 1 << (row & 31);
  return set;
}

function deleteAll(set: Bitset, rows: Uint32Array): Bitset {
  const { words } = set;
  for (const row of rows) words[row >>> 5]! &= ~(1 << (row & 31));
  return set;
}

function scanned(values: Float64Array, least: number, greatest: number): Bitset {
  const rows = new Bitset(values.length);
  const { words } = rows;
  for (let row = 0; row < values.length; row++) {
    const value = values[row]!;
    if (value >= least && value <= greatest) words[row >>> 5]! |= 1 << (row & 31);
  }
  return rows;
}
