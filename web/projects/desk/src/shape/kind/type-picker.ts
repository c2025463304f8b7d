import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import type { FieldTypeName } from '@plindo/core/structure';
import { fieldType } from '@plindo/core/structure';
import { Icon } from '@plindo/listing-view';
import { TYPE_GROUPS, TYPE_USES } from './type-descriptions';

/** All types of field with what each is for. */
@Component({
  selector: 'pl-type-picker',
  imports: [Icon, MatButtonModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>What does the new field hold?</h2>
    <mat-dialog-content>
      @for (group of groups; track group.label) {
        <section [attr.aria-label]="group.label">
          <h3>{{ group.label }}</h3>
          <div class="types">
            @for (type of group.types; track type) {
              <button type="button" (click)="dialog.close(type)">
                <pl-icon [name]="iconOf(type)" />
                <span class="name">{{ labelOf(type) }}</span>
                <span class="quiet">{{ uses[type] }}</span>
              </button>
            }
          </div>
        </section>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end"><button matButton mat-dialog-close>Cancel</button></mat-dialog-actions>
  `,
  styles: `
    h3 {
      padding-block: 0.75rem 0.25rem;
      color: var(--pl-quiet);
      font-size: 0.9375rem;
    }
    .types {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
      gap: 0.375rem;
    }
    button:not([matButton]) {
      display: grid;
      grid-template-columns: 1.75rem 1fr;
      gap: 0 0.5rem;
      align-items: center;
      padding: 0.5rem 0.75rem;
      border: 1px solid var(--pl-line);
      border-radius: var(--pl-corner);
      background: var(--pl-raised);
      color: var(--pl-ink);
      font: inherit;
      text-align: start;
      cursor: pointer;
    }
    button:not([matButton]):hover {
      border-color: var(--pl-accent);
    }
    .name {
      font-weight: 600;
    }
    .name::first-letter {
      text-transform: uppercase;
    }
    .quiet {
      grid-column: 2;
      font-size: 0.875rem;
    }
  `,
})
export class TypePicker {
  protected readonly dialog = inject<MatDialogRef<TypePicker, FieldTypeName>>(MatDialogRef);
  protected readonly groups = TYPE_GROUPS;
  protected readonly uses = TYPE_USES;

  protected iconOf(type: FieldTypeName): string {
    return fieldType(type).icon;
  }

  protected labelOf(type: FieldTypeName): string {
    return fieldType(type).label;
  }
}
