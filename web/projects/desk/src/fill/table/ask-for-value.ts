import { Injectable, inject } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import type { CellDialogData } from './cell-dialog';

/** Asks for a value that needs more room than a cell. The dialog, with the controls of all types, is loaded then. */
@Injectable({ providedIn: 'root' })
export class AskForValue {
  private readonly dialog = inject(MatDialog);

  /** Runs `then` with the value as it was read, unless somebody cancels. */
  async open(data: CellDialogData, then: (value: unknown) => void): Promise<void> {
    const { CellDialog } = await import('./cell-dialog');
    this.dialog
      .open<unknown, CellDialogData, { value: unknown }>(CellDialog, { data, width: '44rem', maxWidth: '95vw' })
      .afterClosed()
      .subscribe((kept) => {
        if (kept) then(kept.value);
      });
  }
}
