import { Injectable, inject } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { CatalogApi } from '@plindo/api';
import type { PastePlan } from '@plindo/core/exchange';
import { parseBlock, planPaste } from '@plindo/core/exchange';
import type { Listing, ListingInput } from '@plindo/core/listings';
import type { Field, ReadContext } from '@plindo/core/structure';
import { Notices } from '../../shared/notices';
import type { TableColumn } from './table-columns';
import { PasteDialog } from './paste-dialog';

/** Where a block is pasted: the rows from the first cell down, the columns from it to the right. */
export interface PastePlace {
  readonly kindId: number;
  readonly rows: readonly Listing[];
  readonly columns: readonly TableColumn[];
  readonly context: ReadContext;
}

/** Shows what pasting a block would do, then does it as one change. */
@Injectable({ providedIn: 'root' })
export class PasteCells {
  private readonly api = inject(CatalogApi);
  private readonly dialog = inject(MatDialog);
  private readonly notices = inject(Notices);

  /** The cells of a block as a spreadsheet puts it on the clipboard; none where there is nothing to paste. */
  blockOf(event: ClipboardEvent): readonly (readonly string[])[] {
    const block = parseBlock(event.clipboardData?.getData('text/plain') ?? '');
    const isEmpty = block.length === 1 && block[0]?.length === 1 && block[0][0] === '';
    return isEmpty ? [] : block;
  }

  paste(block: readonly (readonly string[])[], place: PastePlace, done: () => void): void {
    const byKey = new Map(place.columns.map((column) => [column.field.key, column]));
    const target = {
      rows: place.rows,
      fields: place.columns.map(({ field }) => field),
      titleOf: ({ title }: Listing) => title,
      isEditable: ({ key, type }: Field) => byKey.get(key)?.editing != null && type !== 'link',
    };
    const plan = planPaste(block, target, place.context);
    this.dialog
      .open<PasteDialog, PastePlan<Listing>, boolean>(PasteDialog, { data: plan, width: '44rem', maxWidth: '95vw' })
      .afterClosed()
      .subscribe((isAgreed) => {
        if (isAgreed) this.change(place.kindId, plan, byKey, done);
      });
  }

  private change(
    kindId: number,
    { cells }: PastePlan<Listing>,
    columns: ReadonlyMap<string, TableColumn>,
    done: () => void,
  ): void {
    const inputs = new Map<number, { listing: Listing; input: ListingInput }>();
    for (const { row, field, value } of cells) {
      const given = columns.get(field.key)?.inputFor(value, row) ?? {};
      const { input } = inputs.get(row.id) ?? { input: {} };
      const values = { ...(input as ListingInput).values, ...given.values };
      const merged = { ...input, ...given, ...(Object.keys(values).length > 0 && { values }) };
      inputs.set(row.id, { listing: row, input: merged });
    }
    const parts = [...inputs.values()].map(({ listing: { id, version }, input }) => ({ id, version, input }));
    this.notices.tellAndShow(this.api.batch(kindId, { parts }), `Pasted ${cells.length} cells`, done);
  }
}
