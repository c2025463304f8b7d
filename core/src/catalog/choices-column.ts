import { Bitset } from './bitset.js';

const ROOM_FOR_ONE = 1.25;
/** Sets of rows by choice are kept for so many choices at most; each takes a bit a row. */
const MOST_KEPT_SETS = 256;

/**
 * Any number of choices a row. The numbers of a row's choices lie side by side in one pool, from `starts[row]` on,
 * `lengths[row]` of them; a row that changes gets a new stretch at the end, and the pool is packed when half is unused.
 */
export class ChoicesColumn {
  readonly kind = 'choices';
  starts: Uint32Array;
  lengths: Uint16Array;
  pool: Uint16Array;
  private used = 0;
  private wasted = 0;
  /** Keys by number: the defined choices in their order, then keys that listings still hold though they are gone. */
  readonly keys: string[];
  private readonly numbers = new Map<string, number>();
  /** The rows that have a choice, for choices that were asked for; kept in step with every change. */
  private readonly rowSets = new Map<number, Bitset>();

  constructor(capacity: number, definedKeys: readonly string[]) {
    this.starts = new Uint32Array(capacity);
    this.lengths = new Uint16Array(capacity);
    this.pool = new Uint16Array(Math.ceil(capacity * ROOM_FOR_ONE));
    this.keys = [...definedKeys];
    this.keys.forEach((key, number) => this.numbers.set(key, number));
  }

  grow(capacity: number): void {
    const starts = new Uint32Array(capacity);
    starts.set(this.starts);
    const lengths = new Uint16Array(capacity);
    lengths.set(this.lengths);
    [this.starts, this.lengths] = [starts, lengths];
    this.rowSets.clear();
  }

  put(row: number, keys: readonly string[] | null): void {
    this.markRow(row, false);
    this.wasted += this.lengths[row] ?? 0;
    const length = keys?.length ?? 0;
    if (this.used + length > this.pool.length) this.makeRoom(length);
    this.starts[row] = this.used;
    this.lengths[row] = length;
    for (const key of keys ?? []) this.pool[this.used++] = this.numberOf(key);
    this.markRow(row, true);
  }

  /** The keys of a row's choices. */
  keysAt(row: number): string[] {
    const start = this.starts[row]!;
    return Array.from(this.pool.subarray(start, start + this.lengths[row]!), (number) => this.keys[number]!);
  }

  /** The rows that have a choice, by its number. The set belongs to the column: copy it before changing it. */
  rowsWith(number: number): Bitset {
    const known = this.rowSets.get(number);
    if (known) return known;
    const rows = new Bitset(this.starts.length);
    for (let row = 0; row < this.starts.length; row++) {
      const end = this.starts[row]! + this.lengths[row]!;
      for (let at = this.starts[row]!; at < end; at++) if (this.pool[at] === number) rows.add(row);
    }
    if (this.rowSets.size >= MOST_KEPT_SETS) this.rowSets.delete(this.rowSets.keys().next().value!);
    this.rowSets.set(number, rows);
    return rows;
  }

  private markRow(row: number, isIn: boolean): void {
    if (this.rowSets.size === 0) return;
    const end = this.starts[row]! + this.lengths[row]!;
    for (let at = this.starts[row]!; at < end; at++) this.rowSets.get(this.pool[at]!)?.put(row, isIn);
  }

  /** The number of a key, or −1 when no listing and no choice has it. */
  find(key: string): number {
    return this.numbers.get(key) ?? -1;
  }

  private numberOf(key: string): number {
    let number = this.numbers.get(key);
    if (number === undefined) {
      number = this.keys.push(key) - 1;
      this.numbers.set(key, number);
    }
    return number;
  }

  private makeRoom(length: number): void {
    const inUse = this.used - this.wasted;
    const packed = new Uint16Array(Math.max(64, Math.ceil((inUse + length) * 1.5)));
    let end = 0;
    for (let row = 0; row < this.starts.length; row++) {
      const start = this.starts[row]!;
      const stretch = this.pool.subarray(start, start + this.lengths[row]!);
      packed.set(stretch, end);
      this.starts[row] = end;
      end += stretch.length;
    }
    this.pool = packed;
    this.used = end;
    this.wasted = 0;
  }
}
