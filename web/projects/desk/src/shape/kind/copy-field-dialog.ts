import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { CatalogApi } from '@plindo/api';
import type { Field, Kind } from '@plindo/core/structure';
import { foldText, firstFreeSlug } from '@plindo/core/values';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';

export interface CopyFieldData {
  readonly field: Field;
  /** The kind it is copied from. */
  readonly from: number | null;
}

/** Chooses the kind that gets a field with the same settings. */
@Component({
  selector: 'pl-copy-field-dialog',
  imports: [MatButtonModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>Copy {{ data.field.label }} to …</h2>
    <mat-dialog-content>
      @for (kind of kinds(); track kind.id) {
        <button matButton type="button" (click)="copyTo(kind)">{{ kind.many }}</button>
      } @empty {
        <p>There is no other kind yet.</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end"><button matButton mat-dialog-close>Cancel</button></mat-dialog-actions>
  `,
})
export class CopyFieldDialog {
  protected readonly data = inject<CopyFieldData>(MAT_DIALOG_DATA);
  private readonly api = inject(CatalogApi);
  private readonly dialog = inject(MatDialogRef);
  private readonly notices = inject(Notices);
  private readonly store = inject(KindsStore);

  protected readonly kinds = computed(() =>
    (this.store.kinds() ?? []).map(({ kind }) => kind).filter(({ id }) => id !== this.data.from),
  );

  protected copyTo(kind: Kind): void {
    const { field } = this.data;
    const keys = kind.fields.map(({ key }) => key);
    const labels = kind.fields.map(({ label }) => foldText(label));
    const key = firstFreeSlug(field.key, (candidate) => keys.includes(candidate.replaceAll('-', '_'))).replaceAll(
      '-',
      '_',
    );
    const label = labels.includes(foldText(field.label)) ? `${field.label} 2` : field.label;
    // What it depends on may not be there.
    const copy: Field = { ...field, key, label, section: '', showWhen: null };
    this.api.saveKind({ ...kind, fields: [...kind.fields, copy] }).subscribe({
      next: ({ changeId }) => {
        this.dialog.close();
        void this.store.reload();
        this.notices.changed(`Copied ${field.label} to ${kind.many}`, changeId, () => void this.store.reload());
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }
}
