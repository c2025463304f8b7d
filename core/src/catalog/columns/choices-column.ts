import { Bitset } from '../bitset.js';
import type { KeptCombinations } from './combinations.js';
import { Combinations } from './combinations.js';

/** Sets of rows by choice are kept for so many choices at most; each takes a bit a row. */
const MOST_KEPT_SETS = 64;
/** Of a column with so few choices the sets of all are kept, as counting bits is then the fastest way to count. */
export const FEW_CHOICES = 32;
const NARROW_END = 0x10000;

export interface KeptChoices {
  /** By row, the number of its combination; by number, the keys. */
  readonly rows: Uint16Array | Uint32Array;
  readonly keys: readonly string[];
  readonly combinations: KeptCombinations;
}

/**
 * Any number of choices a row. Each row holds the number of its combination of choices; 0 is none. Choices are numbered
 * in their defined order, and others after them as they come.
 */
export class ChoicesColumn {
  readonly kind = 'choices';
  readonly combinations = new Combinations();
  /** Number of its combination by row; 16 bits wide until there are more combinations than that. */
  rows: Uint16Array | Uint32Array;
  /** Keys by number: the defined choices in their order, then keys that listings still hold though they are gone. */
  readonly keys: string[] = [];
  private readonly numbers = new Map<string, number>();
  /** The rows that have a choice, for choices that were asked for; kept in step with every change. */
  private readonly rowSets = new Map<number, Bitset>();

  constructor(capacity: number, definedKeys: readonly string[]) {
    this.rows = new Uint16Array(capacity);
    for (const key of definedKeys) this.numberOf(key);
  }

  kept(): KeptChoices {
    return { rows: this.rows.slice(), keys: [...this.keys], combinations: this.combinations.kept() };
  }

  /** To be called on a column that is empty. */
  restore({ rows, keys, combinations }: KeptChoices): void {
    this.rows = rows.slice();
    for (const key of keys) this.numberOf(key);
    this.combinations.restore(combinations);
  }

  grow(capacity: number): void {
    const rows = this.rows instanceof Uint16Array ? new Uint16Array(capacity) : new Uint32Array(capacity);
    rows.set(this.rows);
    this.rows = rows;
    this.rowSets.clear();
  }

  put(row: number, keys: readonly string[] | null): void {
    const before = this.rows[row]!;
    const after = this.combinations.take((keys ?? []).map((key) => this.numberOf(key)));
    if (after >= NARROW_END && this.rows instanceof Uint16Array) this.rows = Uint32Array.from(this.rows);
    this.markRow(before, row, false);
    this.rows[row] = after;
    this.markRow(after, row, true);
    this.combinations.release(before);
  }

  hasAny(row: number): boolean {
    return this.rows[row] !== 0;
  }

  /** The numbers of a row's choices. */
  numbersAt(row: number): Uint32Array {
    return this.combinations.sequenceOf(this.rows[row]!);
  }

  /** The keys of a row's choices. */
  keysAt(row: number): string[] {
    return Array.from(this.numbersAt(row), (number) => this.keys[number]!);
  }

  /** The number of a row's first choice, by which it is sorted; NaN for none. */
  firstAt(row: number): number {
    const combination = this.rows[row]!;
    return combination === 0 ? NaN : this.combinations.firstOf(combination);
  }

  /** The number of a key, or −1 when no listing and no choice has it. */
  find(key: string): number {
    return this.numbers.get(key) ?? -1;
  }

  /** The rows that have a choice, by its number. The set belongs to the column: copy it before changing it. */
  rowsWith(number: number): Bitset {
    const known = this.rowSets.get(number);
    if (known) return known;
    const wanted = new Uint8Array(this.keys.length);
    wanted[number] = 1;
    const rows = this.rowsOfCombinations(this.combinations.withAnyOf(wanted));
    if (this.rowSets.size >= MOST_KEPT_SETS) this.rowSets.delete(this.rowSets.keys().next().value!);
    this.rowSets.set(number, rows);
    return rows;
  }

  /** The rows whose combination is marked. */
  rowsOfCombinations(marks: Uint8Array): Bitset {
    const { rows } = this;
    const set = new Bitset(rows.length);
    const { words } = set;
    for (let row = 0; row < rows.length; row++) words[row >>> 5]! |= marks[rows[row]!]! << (row & 31);
    return set;
  }

  /** How many of the given rows have each choice, by its number. */
  countRows(rows: Uint32Array): Uint32Array {
    return this.combinations.countMembers(this.rows, rows, this.keys.length);
  }

  private markRow(combination: number, row: number, isIn: boolean): void {
    if (this.rowSets.size === 0) return;
    for (const number of this.combinations.sequenceOf(combination)) this.rowSets.get(number)?.put(row, isIn);
  }

  private numberOf(key: string): number {
    let number = this.numbers.get(key);
    if (number === undefined) {
      number = this.keys.push(key) - 1;
      this.numbers.set(key, number);
    }
    return number;
  }
}
