import { signal } from '@angular/core';

/** Where a row that is dragged in the hand order would stand. */
export class RowDrag<Row> {
  readonly row = signal<Row | null>(null);
  /** The gap that it would go into, counted from 0 above the first row; null while nothing is dragged. */
  readonly gap = signal<number | null>(null);

  start(row: Row): void {
    this.row.set(row);
  }

  /** Follows the pointer: `offsetPx` is its distance from the top of the first row, scrolled away or not. */
  over(offsetPx: number, rowHeightPx: number, rows: number): void {
    this.gap.set(Math.min(rows, Math.max(0, Math.round(offsetPx / rowHeightPx))));
  }

  end(): { readonly row: Row; readonly gap: number } | null {
    const [row, gap] = [this.row(), this.gap()];
    this.row.set(null);
    this.gap.set(null);
    return row !== null && gap !== null ? { row, gap } : null;
  }
}
