import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import type { Field, FieldTypeName } from '@plindo/core/structure';
import { fieldType } from '@plindo/core/structure';
import { Icon } from '@plindo/listing-view';
import { KindsStore } from '../../shared/kinds-store';
import { offersFor } from './field-offers';
import { TYPE_USES } from './type-descriptions';

/** What a new field is made of: a type, or a field that it is like. */
export type PickedField = { readonly type: FieldTypeName } | { readonly like: Field };

/** All types of field with what each is for, and, once something is looked for, fields that a new one can be like. */
@Component({
  selector: 'pl-type-picker',
  imports: [Icon, MatButtonModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>What does the new field hold?</h2>
    <mat-dialog-content>
      <input
        class="plain-input look"
        type="search"
        cdkFocusInitial
        aria-label="Look for a type or a field"
        placeholder="Price, photo, opening time …"
        (input)="text.set($any($event.target).value)"
      />
      @for (group of offers().groups; track group.label) {
        <section [attr.aria-label]="group.label">
          <h3>{{ group.label }}</h3>
          <div class="types">
            @for (type of group.types; track type) {
              <button type="button" class="offer" (click)="dialog.close({ type })">
                <pl-icon [name]="iconOf(type)" />
                <span class="name">{{ labelOf(type) }}</span>
                <span class="quiet">{{ uses[type] }}</span>
              </button>
            }
          </div>
        </section>
      }
      @if (offers().likes.length) {
        <section aria-label="A field like this one">
          <h3>A field like this one</h3>
          <div class="types">
            @for (like of offers().likes; track $index) {
              <button type="button" class="offer" (click)="dialog.close({ like: like.field })">
                <pl-icon [name]="iconOf(like.field.type)" />
                <span class="name">{{ like.field.label }}</span>
                <span class="quiet">{{ labelOf(like.field.type) }} of {{ like.many }}</span>
              </button>
            }
          </div>
        </section>
      }
      @if (!offers().groups.length && !offers().likes.length) {
        <p class="quiet">No type and no field has this name. A short text holds anything that fits in a line.</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end"><button matButton mat-dialog-close>Cancel</button></mat-dialog-actions>
  `,
  styles: `
    mat-dialog-content {
      min-block-size: 24rem;
      padding-block-start: 0.25rem;
    }
    .look {
      inline-size: min(24rem, 100%);
    }
    h3 {
      padding-block: 0.75rem 0.25rem;
      color: var(--pl-quiet);
      font-size: 0.9375rem;
    }
    .types {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
      grid-auto-rows: 1fr;
      gap: 0.375rem;
    }
    .offer {
      display: grid;
      grid-template-columns: 1.75rem 1fr;
      grid-template-rows: auto 1fr;
      gap: 0 0.5rem;
      align-items: start;
      padding: 0.5rem 0.75rem;
      border: 1px solid var(--pl-line);
      border-radius: var(--pl-corner);
      background: var(--pl-raised);
      color: var(--pl-ink);
      font: inherit;
      text-align: start;
      cursor: pointer;
    }
    .offer:hover {
      border-color: var(--pl-accent);
    }
    .name {
      font-weight: 600;
    }
    .name::first-letter {
      text-transform: uppercase;
    }
    .offer .quiet {
      grid-column: 2;
      font-size: 0.875rem;
    }
  `,
})
export class TypePicker {
  protected readonly dialog = inject<MatDialogRef<TypePicker, PickedField>>(MatDialogRef);
  private readonly kinds = inject(KindsStore);
  protected readonly uses = TYPE_USES;
  protected readonly text = signal('');
  protected readonly offers = computed(() =>
    offersFor(
      this.text(),
      (this.kinds.kinds() ?? []).map(({ kind }) => kind),
    ),
  );

  protected iconOf(type: FieldTypeName): string {
    return fieldType(type).icon;
  }

  protected labelOf(type: FieldTypeName): string {
    return fieldType(type).label;
  }
}
