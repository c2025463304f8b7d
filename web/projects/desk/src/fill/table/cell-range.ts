import { computed, signal } from '@angular/core';

/** A cell by its row in the table and the position of its column. */
export interface CellPlace {
  readonly row: number;
  readonly column: number;
}

/** The rows and columns of a range, all of them in. */
export interface RangeBounds {
  readonly top: number;
  readonly bottom: number;
  readonly left: number;
  readonly right: number;
}

/** A block of cells that is chosen with Shift, from the cell where it began to another one. */
export class CellRange {
  private readonly anchor = signal<CellPlace | null>(null);
  private readonly end = signal<CellPlace | null>(null);

  /** Null for less than two cells. */
  readonly bounds = computed((): RangeBounds | null => {
    const [from, to] = [this.anchor(), this.end()];
    if (!from || !to || (from.row === to.row && from.column === to.column)) return null;
    return {
      top: Math.min(from.row, to.row),
      bottom: Math.max(from.row, to.row),
      left: Math.min(from.column, to.column),
      right: Math.max(from.column, to.column),
    };
  });
  readonly cells = computed(() => {
    const bounds = this.bounds();
    return bounds ? (bounds.bottom - bounds.top + 1) * (bounds.right - bounds.left + 1) : 0;
  });

  has(row: number, column: number): boolean {
    const bounds = this.bounds();
    if (!bounds) return false;
    return row >= bounds.top && row <= bounds.bottom && column >= bounds.left && column <= bounds.right;
  }

  /** Begins anew at a cell. */
  start(place: CellPlace): void {
    this.anchor.set(place);
    this.end.set(null);
  }

  /** Goes on to a cell; begins there when it hasn't begun. */
  extendTo(place: CellPlace): void {
    if (this.anchor()) this.end.set(place);
    else this.start(place);
  }

  /** Moves the end by rows and columns, inside a table of so many; answers where it is now. */
  extendBy(down: number, right: number, { rows, columns }: { rows: number; columns: number }): CellPlace | null {
    const from = this.end() ?? this.anchor();
    if (!from) return null;
    const place = {
      row: Math.min(Math.max(0, from.row + down), rows - 1),
      column: Math.min(Math.max(0, from.column + right), columns - 1),
    };
    this.end.set(place);
    return place;
  }

  clear(): void {
    this.anchor.set(null);
    this.end.set(null);
  }
}
