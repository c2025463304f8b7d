import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import type { PastePlan } from '@plindo/core/exchange';
import type { Listing } from '@plindo/core/listings';

const SHOWN_AT_MOST = 50;

/** What pasting a block would do, before it is done. */
@Component({
  selector: 'pl-paste-dialog',
  imports: [MatButtonModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>Paste {{ plan.cells.length + plan.refused.length }} cells</h2>
    <mat-dialog-content>
      <p role="status">
        {{ plan.cells.length }} cells change.
        @if (plan.refused.length) {
          {{ plan.refused.length }} are refused and stay as they are.
        }
        @if (plan.beyond) {
          {{ plan.beyond }} lie beyond the table.
        }
      </p>
      @if (plan.refused.length) {
        <table class="data-table">
          <thead>
            <tr>
              <th>Listing</th>
              <th>Field</th>
              <th>Why</th>
            </tr>
          </thead>
          <tbody>
            @for (cell of refused; track $index) {
              <tr>
                <td>{{ cell.title }}</td>
                <td>{{ cell.label }}</td>
                <td>{{ cell.message }}</td>
              </tr>
            }
          </tbody>
        </table>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button matButton mat-dialog-close>Cancel</button>
      <button matButton="filled" class="next-step" [disabled]="plan.cells.length === 0" [mat-dialog-close]="true">
        Change {{ plan.cells.length }} cells
      </button>
    </mat-dialog-actions>
  `,
})
export class PasteDialog {
  protected readonly plan = inject<PastePlan<Listing>>(MAT_DIALOG_DATA);
  protected readonly refused = this.plan.refused.slice(0, SHOWN_AT_MOST);
}
