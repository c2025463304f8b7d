/** Compares two rows that have a value; 0 when their values are equal. */
export type RowComparison = (a: number, b: number) => number;

/**
 * Rows in the order of their values, equal values by row, kept in step with single changes. Knows nothing of what the
 * values are.
 */
export class SortedRows {
  /** The first {@link size} entries count. */
  rows: Uint32Array;
  size: number;

  constructor(
    rows: ArrayLike<number>,
    private readonly compare: RowComparison,
  ) {
    this.rows = Uint32Array.from(rows);
    this.size = rows.length;
  }

  /** Takes out a row while its value is still the one that it was put in with; answers its position. */
  takeOut(row: number): number {
    const at = this.positionOf(row);
    this.rows.copyWithin(at, at + 1, this.size);
    this.size--;
    return at;
  }

  /** Puts in a row that has its new value; answers its position. */
  insert(row: number): number {
    if (this.size === this.rows.length) this.widen();
    const at = this.positionOf(row);
    this.rows.copyWithin(at + 1, at, this.size);
    this.rows[at] = row;
    this.size++;
    return at;
  }

  private positionOf(row: number): number {
    let low = 0;
    let high = this.size;
    while (low < high) {
      const middle = (low + high) >>> 1;
      const other = this.rows[middle]!;
      if ((this.compare(other, row) || other - row) < 0) low = middle + 1;
      else high = middle;
    }
    return low;
  }

  private widen(): void {
    const rows = new Uint32Array(Math.max(64, Math.ceil(this.rows.length * 1.5)));
    rows.set(this.rows);
    this.rows = rows;
  }
}
