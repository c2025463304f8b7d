import type { Bitset, ChoicesColumn } from '../../catalog/index.js';

/** About how many bits are counted in the time in which one row of a list is. */
const BITS_A_ROW = 24;

/** The rows of an answer, as bits and, when that is faster to walk, as a list. */
export class FoundRows {
  readonly size: number;
  private rows: Uint32Array | null = null;

  constructor(readonly bits: Bitset) {
    this.size = bits.count();
  }

  /** Ascending. */
  list(): Uint32Array {
    return (this.rows ??= this.bits.toRows(this.size));
  }

  /** How many of the rows have each choice, by its number: by counting bits where that is less work than a list. */
  countChoices(column: ChoicesColumn): Uint32Array {
    if (column.keys.length * this.bits.capacity > this.size * BITS_A_ROW) return column.countRows(this.list());
    return Uint32Array.from(column.keys, (_, number) => column.rowsWith(number).countWith(this.bits));
  }
}
