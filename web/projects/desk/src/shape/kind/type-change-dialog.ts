import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatSelectModule } from '@angular/material/select';
import { CatalogApi, sentenceOf } from '@plindo/api';
import type { Changed, TypeChangePlan } from '@plindo/core/contract';
import type { Field, FieldSettings, FieldTypeName, Kind } from '@plindo/core/structure';
import { FIELD_TYPE_NAMES, fieldType } from '@plindo/core/structure';
import { FieldSettingsEditor } from './field-settings';

export interface TypeChangeData {
  readonly kind: Kind;
  readonly field: Field;
}

const OUTCOMES = [
  { key: 'exact', label: 'convert exactly' },
  { key: 'lossy', label: 'convert with a loss' },
  { key: 'impossible', label: 'cannot be converted, and are kept aside' },
] as const;

/** Another type for a field: shows what becomes of every value before anything is done. */
@Component({
  selector: 'pl-type-change-dialog',
  imports: [
    FieldSettingsEditor,
    MatButtonModule,
    MatDialogModule,
    MatFormFieldModule,
    MatProgressBarModule,
    MatSelectModule,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>Change the type of {{ data.field.label }}</h2>
    <mat-dialog-content>
      <mat-form-field>
        <mat-label>New type</mat-label>
        <mat-select [value]="to().type" (selectionChange)="choose($event.value)">
          @for (type of types; track type) {
            <mat-option [value]="type">{{ labelOf(type) }}</mat-option>
          }
        </mat-select>
      </mat-form-field>
      <pl-field-settings [field]="to()" (settingsChange)="setSettings($event)" />
      @if (working()) {
        <mat-progress-bar mode="indeterminate" aria-label="Working on the values" />
      }
      @if (refused()) {
        <p class="issues" role="alert">{{ refused() }}</p>
      }
      @if (plan(); as shown) {
        <div role="status" class="report">
          @for (outcome of outcomes; track outcome.key) {
            <section [class]="outcome.key">
              <h3>{{ shown.report[outcome.key].toLocaleString() }} {{ outcome.label }}</h3>
              @if (shown.report.examples[outcome.key].length) {
                <table class="data-table">
                  @for (example of shown.report.examples[outcome.key]; track $index) {
                    <tr>
                      <td>{{ example.title }}</td>
                      <td>{{ example.before }}</td>
                      <td>{{ example.after }}</td>
                    </tr>
                  }
                </table>
              }
            </section>
          }
          <p class="quiet">
            {{ shown.report.empty.toLocaleString() }} have no value.
            @if (shown.report.returning) {
              {{ shown.report.returning.toLocaleString() }} that were kept aside come back.
            }
          </p>
        </div>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button matButton mat-dialog-close>Cancel</button>
      <button matButton (click)="tryOut()" [disabled]="working()">Show what happens</button>
      <button matButton="filled" class="next-step" (click)="apply()" [disabled]="working() || !plan()">
        Change the type
      </button>
    </mat-dialog-actions>
  `,
  styles: `
    mat-dialog-content {
      display: grid;
      gap: 0.75rem;
    }
    .report {
      display: grid;
      gap: 0.75rem;
    }
    h3 {
      font-size: 1rem;
    }
    .impossible h3 {
      color: var(--pl-signal);
    }
    .lossy h3 {
      color: var(--pl-warm);
    }
  `,
})
export class TypeChangeDialog {
  protected readonly data = inject<TypeChangeData>(MAT_DIALOG_DATA);
  private readonly api = inject(CatalogApi);
  private readonly dialog = inject<MatDialogRef<TypeChangeDialog, Changed<Kind>>>(MatDialogRef);

  protected readonly outcomes = OUTCOMES;
  protected readonly types = FIELD_TYPE_NAMES.filter((name) => fieldType(name).control !== 'none');
  protected readonly to = signal<Field>({ ...this.data.field });
  protected readonly plan = signal<TypeChangePlan | null>(null);
  protected readonly working = signal(false);
  protected readonly refused = signal('');
  protected readonly isChanged = computed(() => this.to().type !== this.data.field.type);

  protected labelOf(type: FieldTypeName): string {
    return fieldType(type).label;
  }

  protected choose(type: FieldTypeName): void {
    const heeded = fieldType(type).settings;
    const kept = Object.entries(this.data.field.settings).filter(([name]) => heeded.some((other) => other === name));
    this.to.set({ ...this.data.field, type, default: null, settings: Object.fromEntries(kept) });
    this.tryOut();
  }

  protected setSettings(settings: FieldSettings): void {
    this.to.update((field) => ({ ...field, settings }));
    this.tryOut();
  }

  protected tryOut(): void {
    this.working.set(true);
    this.api.planTypeChange(this.data.kind.id, this.to()).subscribe({
      next: (plan) => {
        this.working.set(false);
        this.refused.set('');
        this.plan.set(plan);
        this.to.set(plan.field);
      },
      error: (error: unknown) => this.refuse(error),
    });
  }

  protected apply(): void {
    this.working.set(true);
    this.api.changeType(this.data.kind, this.to()).subscribe({
      next: (changed) => this.dialog.close(changed),
      error: (error: unknown) => this.refuse(error),
    });
  }

  private refuse(error: unknown): void {
    this.working.set(false);
    this.plan.set(null);
    this.refused.set(sentenceOf(error));
  }
}
