import { Injectable, inject } from '@angular/core';
import type { Listing } from '@plindo/core/listings';
import type { ReadContext } from '@plindo/core/structure';
import { fieldType } from '@plindo/core/structure';
import { Notices } from '../../shared/notices';
import type { CellPlace, RangeBounds } from './cell-range';
import { PasteCells } from './paste-cells';
import type { TableColumn } from './table-columns';

/** The table as the clipboard sees it. */
export interface ClipboardScene {
  readonly kindId: number;
  readonly columns: readonly TableColumn[];
  readonly context: ReadContext;
  /** Undefined for a row that hasn't been fetched. */
  rowAt(index: number): Listing | undefined;
  /** Shows the table anew. */
  done(): void;
}

/** Cells on their way to the clipboard and from it, as spreadsheets have them: rows of texts with tabs between. */
@Injectable({ providedIn: 'root' })
export class CellClipboard {
  private readonly notices = inject(Notices);
  private readonly pasteCells = inject(PasteCells);

  /** Copies a range, or one cell where there is none; each value as the text that a cell takes back. */
  copy(event: ClipboardEvent, place: CellPlace, range: RangeBounds | null, scene: ClipboardScene): void {
    const { top, bottom, left, right } = range ?? {
      top: place.row,
      bottom: place.row,
      left: place.column,
      right: place.column,
    };
    const columns = scene.columns.slice(left, right + 1);
    const lines: string[] = [];
    for (let row = top; row <= bottom; row++) {
      const listing = scene.rowAt(row);
      if (!listing) continue;
      lines.push(columns.map((column) => inCell(textOf(listing, column))).join('\t'));
    }
    event.preventDefault();
    event.clipboardData?.setData('text/plain', lines.join('\n'));
    if (range) this.notices.said(`Copied ${lines.length} × ${columns.length} cells.`);
  }

  /** Pastes a block at a cell, or at the upper left of a range, after showing what it does. */
  paste(event: ClipboardEvent, place: CellPlace, range: RangeBounds | null, scene: ClipboardScene): void {
    const block = this.pasteCells.blockOf(event);
    if (block.length === 0) return;
    event.preventDefault();
    this.put(block, range ? { row: range.top, column: range.left } : place, scene);
  }

  /** Empties the cells of a range, after showing what that does. */
  empty({ top, bottom, left, right }: RangeBounds, scene: ClipboardScene): void {
    const line = Array.from({ length: right - left + 1 }, () => '');
    const block = Array.from({ length: bottom - top + 1 }, () => line);
    this.put(block, { row: top, column: left }, scene);
  }

  private put(block: readonly (readonly string[])[], { row, column }: CellPlace, scene: ClipboardScene): void {
    const { kindId, columns, context } = scene;
    const rows = block.flatMap((_, at) => scene.rowAt(row + at) ?? []);
    this.pasteCells.paste(block, { kindId, rows, columns: columns.slice(column), context }, () => scene.done());
  }
}

function textOf(listing: Listing, { field, valueOf }: TableColumn): string {
  const value = valueOf(listing);
  const type = fieldType(field.type);
  return type.holds(value) ? type.toText(value, field) : '';
}

/** A text with tabs or lines in it stands in quotation marks, as spreadsheets write it. */
function inCell(text: string): string {
  return /[\t\n"]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
}
