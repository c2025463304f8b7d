import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { CatalogApi, sentenceOf } from '@plindo/api';
import type { Changed } from '@plindo/core/contract';
import type { Kind, Link } from '@plindo/core/structure';
import { KindsStore } from '../../shared/kinds-store';

export interface LinkDialogData {
  readonly kind: Kind;
}

/** Makes a link between two kinds, as a sentence of choices read from both ends. */
@Component({
  selector: 'pl-link-dialog',
  imports: [MatButtonModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>Link {{ data.kind.many }} with …</h2>
    <mat-dialog-content>
      <label>
        The other kind
        <select #other class="plain-select" (change)="choose(+other.value)">
          <option value="">Choose one</option>
          @for (kind of kinds(); track kind.id) {
            <option [value]="kind.id">{{ kind.many }}</option>
          }
        </select>
      </label>
      @if (chosen(); as kind) {
        <p>
          One {{ data.kind.one }} has
          <select
            class="plain-select"
            aria-label="How many from here"
            (change)="ownMany.set($any($event.target).value === 'many')"
          >
            <option value="one">one {{ kind.one }}</option>
            <option value="many">many {{ kind.many }}</option>
          </select>
          under the label
          <input
            class="plain-input"
            aria-label="Label here"
            maxlength="80"
            [value]="ownLabel()"
            (input)="ownLabel.set($any($event.target).value)"
          />
        </p>
        <p>
          One {{ kind.one }} has
          <select
            class="plain-select"
            aria-label="How many from there"
            (change)="otherMany.set($any($event.target).value === 'many')"
          >
            <option value="many">many {{ data.kind.many }}</option>
            <option value="one">one {{ data.kind.one }}</option>
          </select>
          under the label
          <input
            class="plain-input"
            aria-label="Label there"
            maxlength="80"
            [value]="otherLabel()"
            (input)="otherLabel.set($any($event.target).value)"
          />
        </p>
        <label>
          <input type="checkbox" [checked]="hasNotes()" (change)="hasNotes.set($any($event.target).checked)" />
          Each connection can have a note, such as “Tuesdays only”
        </label>
      }
      @if (refused()) {
        <p class="issues" role="alert">{{ refused() }}</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button matButton mat-dialog-close>Cancel</button>
      <button matButton="filled" class="next-step" [disabled]="!isReady()" (click)="make()">Make the link</button>
    </mat-dialog-actions>
  `,
  styles: `
    mat-dialog-content {
      display: grid;
      gap: 1rem;
    }
    p {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem;
      align-items: center;
    }
  `,
})
export class LinkDialog {
  protected readonly data = inject<LinkDialogData>(MAT_DIALOG_DATA);
  private readonly api = inject(CatalogApi);
  private readonly dialog = inject<MatDialogRef<LinkDialog, Changed<Link>>>(MatDialogRef);
  private readonly store = inject(KindsStore);

  protected readonly kinds = computed(() => (this.store.kinds() ?? []).map(({ kind }) => kind));
  protected readonly chosen = signal<Kind | null>(null);
  protected readonly ownLabel = signal('');
  protected readonly otherLabel = signal('');
  protected readonly ownMany = signal(false);
  protected readonly otherMany = signal(true);
  protected readonly hasNotes = signal(false);
  protected readonly refused = signal('');
  protected readonly isReady = computed(
    () => this.chosen() !== null && this.ownLabel().trim() !== '' && this.otherLabel().trim() !== '',
  );

  protected choose(id: number): void {
    const kind = this.kinds().find((one) => one.id === id) ?? null;
    this.chosen.set(kind);
    this.ownLabel.set(kind?.one ?? '');
    this.otherLabel.set(this.data.kind.many);
  }

  protected make(): void {
    const other = this.chosen();
    if (!other) return;
    const a = { kindId: this.data.kind.id, label: this.ownLabel().trim(), many: this.ownMany() };
    const b = { kindId: other.id, label: this.otherLabel().trim(), many: this.otherMany() };
    this.api.addLink({ a, b, hasNotes: this.hasNotes() }).subscribe({
      next: (done) => this.dialog.close(done),
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }
}
