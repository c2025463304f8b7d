import { Injectable } from '@angular/core';
import type { TableAsk } from './table-memory';

/** Which columns of a table are shown, in which order; and, under a name, how it is sorted and narrowed. */
export interface TableView {
  readonly name: string;
  /** Keys of the shown columns, in order. */
  readonly columns: readonly string[];
  readonly ask: TableAsk;
}

interface Kept {
  readonly columns: readonly string[] | null;
  readonly views: readonly TableView[];
}

/** The tables' columns and named views, kept in the browser. */
@Injectable({ providedIn: 'root' })
export class TableViews {
  of(kindId: number): Kept {
    const text = localStorage.getItem(keyOf(kindId));
    return text === null ? { columns: null, views: [] } : (JSON.parse(text) as Kept);
  }

  keep(kindId: number, kept: Kept): void {
    try {
      localStorage.setItem(keyOf(kindId), JSON.stringify(kept));
    } catch {
      // Without room in the browser the choice lasts until the page is left.
    }
  }
}

function keyOf(kindId: number): string {
  return `plindo table ${kindId}`;
}
