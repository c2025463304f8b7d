import { ChangeDetectionStrategy, Component } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialogModule } from '@angular/material/dialog';

const SHORTCUTS: readonly (readonly [keys: string, does: string])[] = [
  ['Ctrl K', 'Jump to a listing, kind, field, category, page or command'],
  ['Ctrl Z', 'Undo your last change'],
  ['Ctrl Shift Z', 'Do again what was undone'],
  ['Ctrl S', 'In a form: save'],
  ['Alt Page Down, Alt Page Up', 'In a form: to the next and the previous listing'],
  ['Arrow keys', 'In the table: from cell to cell'],
  ['Shift with arrow keys', 'In the table: choose a range of cells to copy, paste over or empty'],
  ['Enter, or any letter', 'In the table: change the value of a cell'],
  ['Tab, Shift Tab', 'While changing a cell: keep it and go on to the next, or back'],
  ['Escape', 'While changing a cell: leave it as it was'],
  ['Delete', 'In the table: empty the cell'],
  ['Ctrl C, Ctrl V', 'In the table: copy a cell, paste a block from a spreadsheet'],
  ['Alt with the arrow keys', 'In the table sorted by hand order: move the row; in a tree: move the category'],
  ['J, K', 'In the review: to the next and the previous submission'],
  ['X, then A or R', 'In the review: choose submissions, then accept or refuse all that are chosen'],
  ['?', 'This list'],
];

/** All keys that do something. */
@Component({
  selector: 'pl-shortcuts',
  imports: [MatButtonModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>Keys</h2>
    <mat-dialog-content>
      <table class="data-table">
        @for (shortcut of shortcuts; track shortcut[0]) {
          <tr>
            <th scope="row">{{ shortcut[0] }}</th>
            <td>{{ shortcut[1] }}</td>
          </tr>
        }
      </table>
    </mat-dialog-content>
    <mat-dialog-actions align="end"><button matButton mat-dialog-close>Close</button></mat-dialog-actions>
  `,
})
export class Shortcuts {
  protected readonly shortcuts = SHORTCUTS;
}
