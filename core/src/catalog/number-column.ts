import { Bitset } from './bitset.js';
import { orderedByValue } from './number-order.js';
import { SortedRows } from './sorted-rows.js';

/** Into so many steps the values of a column are parted for ranges; each takes a bit a row. */
const STEPS = 32;
const SAMPLE = 4096;
const FEW_ROWS = 4096;

/** Rows whose value is at most a threshold, for some thresholds; kept in step with every change. */
interface Steps {
  /** Ascending; the last one is infinite. */
  readonly thresholds: Float64Array;
  /** By threshold, the rows with a value up to it. */
  readonly upTo: readonly Bitset[];
}

/** A number a row; NaN stands for no value. */
export class NumberColumn {
  readonly kind = 'number';
  values: Float64Array;
  private sorted: SortedRows | null = null;
  private steps: Steps | null = null;

  constructor(capacity: number) {
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
    if (this.values.length < FEW_ROWS) return scanned(this.values, least, greatest);
    const steps = (this.steps ??= makeSteps(this.values));
    const rows = rowsUpTo(steps, this.values, greatest, true);
    return least === -Infinity ? rows : rows.subtract(rowsUpTo(steps, this.values, least, false));
  }
}

function makeSteps(values: Float64Array): Steps {
  const sample = new Float64Array(SAMPLE);
  for (let at = 0; at < SAMPLE; at++) sample[at] = values[Math.floor((at * values.length) / SAMPLE)]!;
  const present = sample.filter((value) => value === value).sort();
  const chosen = Array.from({ length: STEPS }, (_, at) => present[Math.floor((at * present.length) / STEPS)]!);
  const thresholds = Float64Array.from(new Set([...chosen.filter((value) => value === value), Infinity]));
  return { thresholds, upTo: Array.from(thresholds, (threshold) => scanned(values, -Infinity, threshold)) };
}

/** The rows below a bound, or up to it: those of the last threshold before it, and what fits of the next step. */
function rowsUpTo({ thresholds, upTo }: Steps, values: Float64Array, bound: number, isIn: boolean): Bitset {
  if (bound === Infinity && isIn) return upTo.at(-1)!.clone();
  let at = 0;
  while (thresholds[at]! < bound) at++;
  const rows = at === 0 ? new Bitset(values.length) : upTo[at - 1]!.clone();
  const next = upTo[Math.min(at, upTo.length - 1)]!.words;
  const { words } = rows;
  for (let word = 0; word < words.length; word++) {
    for (let between = next[word]! & ~words[word]!; between !== 0; between &= between - 1) {
      const bit = 31 - Math.clz32(between & -between);
      const value = values[(word << 5) + bit]!;
      if (value < bound || (isIn && value === bound)) words[word]! |= 1 << bit;
    }
  }
  return rows;
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
