import type { Replacement } from '@plindo/core/exchange';
import { WRITTEN_TYPES, replacedCell } from '@plindo/core/exchange';
import type { Listing, ListingInput } from '@plindo/core/listings';
import type { ReadContext } from '@plindo/core/structure';
import type { TableColumn } from './table-columns';

/** A cell that changes, or can't, as it is shown. */
export interface ShownCell {
  readonly title: string;
  readonly label: string;
  readonly before: string;
  readonly after: string;
}

/** What replacing would do. */
export interface ReplacePlan {
  readonly cells: readonly ShownCell[];
  readonly refused: readonly (ShownCell & { readonly message: string })[];
  /** What is sent, listing by listing. */
  readonly parts: readonly { readonly id: number; readonly version: number; readonly input: ListingInput }[];
}

/** Whether a column holds texts that somebody has written and may change. */
export function isWritten({ field, editing }: TableColumn): boolean {
  return editing !== null && WRITTEN_TYPES.includes(field.type);
}

/** The column of a key; all of them for ''. */
export function withColumns(columns: readonly TableColumn[], key: string): readonly TableColumn[] {
  return key === '' ? columns : columns.filter(({ field }) => field.key === key);
}

/** What replacing would do to rows. */
export function planReplacing(
  rows: readonly Listing[],
  columns: readonly TableColumn[],
  replacement: Replacement,
  context: ReadContext,
): ReplacePlan {
  const cells: ShownCell[] = [];
  const refused: (ShownCell & { message: string })[] = [];
  const parts: { id: number; version: number; input: ListingInput }[] = [];
  for (const listing of rows) {
    let input: ListingInput = {};
    for (const column of columns) {
      const cell = replacedCell(column.valueOf(listing), column.field, replacement, context);
      if (!cell) continue;
      const shown = { title: listing.title, label: column.field.label, before: cell.before, after: cell.after };
      if (cell.outcome === 'refused') {
        refused.push({ ...shown, message: cell.message });
        continue;
      }
      cells.push(shown);
      const given = column.inputFor(cell.value, listing);
      const values: Record<string, unknown> = { ...input.values, ...given.values };
      input = { ...input, ...given, ...(Object.keys(values).length > 0 && { values }) };
    }
    if (Object.keys(input).length > 0) parts.push({ id: listing.id, version: listing.version, input });
  }
  return { cells, refused, parts };
}
