import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import type { Field, ReadContext } from '@plindo/core/structure';
import { readRequired } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import { issuesOf } from '@plindo/core/values';
import { FieldControl } from '../../shared/controls/field-control';

export interface CellDialogData {
  /** Whose value it is: the title of a listing, or how many there are. */
  readonly of: string;
  readonly field: Field;
  readonly value: unknown;
  readonly context: ReadContext;
}

/** A value that needs more room than its cell: the control that the form has for it. Closes with the value as read. */
@Component({
  selector: 'pl-cell-dialog',
  imports: [FieldControl, MatButtonModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="$event.preventDefault(); keep()">
      <h2 mat-dialog-title>{{ data.field.label }} of {{ data.of }}</h2>
      <mat-dialog-content>
        <pl-field-control
          [field]="data.field"
          [context]="data.context"
          [path]="data.field.key"
          [input]="input()"
          [issues]="issues()"
          (inputChange)="input.set($event)"
        />
        @if (issues().length) {
          <p class="problem" role="alert">{{ issues()[0]?.message }}</p>
        }
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button matButton type="button" mat-dialog-close>Cancel</button>
        <button matButton="filled" class="next-step" type="submit">Change it</button>
      </mat-dialog-actions>
    </form>
  `,
  styles: `
    pl-field-control {
      display: block;
      padding-block-start: 0.5rem;
    }
    .problem {
      color: var(--pl-signal);
    }
  `,
})
export class CellDialog {
  protected readonly data = inject<CellDialogData>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<CellDialog, { readonly value: unknown }>>(MatDialogRef);
  protected readonly input = signal<unknown>(this.data.value);
  protected readonly issues = signal<readonly Issue[]>([]);

  protected keep(): void {
    const { field, context } = this.data;
    const read = readRequired(this.input() ?? null, field, context);
    // Links are told as they stand in the control, since reading knows the titles of none.
    if (read.ok) this.dialog.close({ value: field.type === 'link' ? (this.input() ?? []) : read.value });
    else this.issues.set(issuesOf(read));
  }
}
