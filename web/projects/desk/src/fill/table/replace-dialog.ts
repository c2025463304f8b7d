import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { CatalogApi, sentenceOf } from '@plindo/api';
import type { Changed } from '@plindo/core/contract';
import type { Replacement } from '@plindo/core/exchange';
import type { Listing } from '@plindo/core/listings';
import type { ReadContext } from '@plindo/core/structure';
import { firstValueFrom } from 'rxjs';
import { LongWork } from '../../shared/long-work/long-work';
import type { ReplacePlan } from './replace-plan';
import { isWritten, planReplacing, withColumns } from './replace-plan';
import type { TableColumn } from './table-columns';
import type { TableSource } from './table-source';

export interface ReplaceData {
  readonly kindId: number;
  readonly source: TableSource;
  readonly columns: readonly TableColumn[];
  readonly context: ReadContext;
}

/** What was replaced, for a notice. */
export interface Replaced {
  readonly changed: Changed<unknown>;
  readonly sentence: string;
}

const MOST_SHOWN = 50;
/** So many listings can be changed in one go. */
const MOST_LISTINGS = 20_000;

/** Finds a text in the cells that the table shows and puts another one in its place, after showing what that changes. */
@Component({
  selector: 'pl-replace-dialog',
  imports: [MatButtonModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>Find and replace</h2>
    <mat-dialog-content>
      <div class="ask">
        <label>
          <span>Find</span>
          <input class="plain-input" cdkFocusInitial (input)="set({ find: $any($event.target).value })" />
        </label>
        <label>
          <span>Replace it by</span>
          <input class="plain-input" (input)="set({ by: $any($event.target).value })" />
        </label>
        <label>
          <span>In</span>
          <select class="plain-select" (change)="key.set($any($event.target).value)">
            <option value="">All columns of text</option>
            @for (column of written; track column.field.key) {
              <option [value]="column.field.key">{{ column.field.label }}</option>
            }
          </select>
        </label>
        <label class="tick">
          <input type="checkbox" (change)="set({ isExact: $any($event.target).checked })" />Case and accents have to be
          the same
        </label>
        <label class="tick">
          <input type="checkbox" (change)="set({ isWhole: $any($event.target).checked })" />It has to be all of the cell
        </label>
      </div>
      @if (failure()) {
        <p class="issues" role="alert">{{ failure() }}</p>
      }
      @if (!rows()) {
        <p class="quiet">Reading the table …</p>
      } @else if (what().find !== '') {
        <p role="status">
          {{ number(plan().cells.length) }} {{ plan().cells.length === 1 ? 'cell' : 'cells' }} in
          {{ number(plan().parts.length) }} {{ plan().parts.length === 1 ? 'listing' : 'listings' }} would change.
          @if (plan().refused.length) {
            <strong class="refused">{{ number(plan().refused.length) }} can’t.</strong>
          }
        </p>
        @if (plan().parts.length > mostListings) {
          <p class="issues">
            At most {{ number(mostListings) }} listings can change in one go. Filter the table first.
          </p>
        }
        <table class="data-table">
          <thead>
            <tr>
              <th>Listing</th>
              <th>Column</th>
              <th>Now</th>
              <th>Will be</th>
            </tr>
          </thead>
          <tbody>
            @for (one of plan().refused.slice(0, most); track $index) {
              <tr>
                <td>{{ one.title }}</td>
                <td>{{ one.label }}</td>
                <td class="quiet">{{ one.before }}</td>
                <td class="refused">{{ one.message }}</td>
              </tr>
            }
            @for (one of plan().cells.slice(0, most); track $index) {
              <tr>
                <td>{{ one.title }}</td>
                <td>{{ one.label }}</td>
                <td class="quiet">{{ one.before }}</td>
                <td>{{ one.after || '(nothing)' }}</td>
              </tr>
            }
          </tbody>
        </table>
        @if (plan().cells.length > most) {
          <p class="quiet">and {{ number(plan().cells.length - most) }} more</p>
        }
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button matButton mat-dialog-close>Cancel</button>
      <button
        matButton="filled"
        class="next-step"
        [disabled]="!plan().parts.length || plan().parts.length > mostListings || isBusy()"
        (click)="replace()"
      >
        Replace in {{ number(plan().cells.length) }} cells
      </button>
    </mat-dialog-actions>
  `,
  styles: `
    .ask {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem 1rem;
      align-items: end;
    }
    label {
      display: grid;
      gap: 0.25rem;
    }
    .tick {
      display: inline-flex;
      gap: 0.375rem;
      align-items: center;
    }
    .refused {
      color: var(--pl-signal);
    }
    td {
      max-inline-size: 18rem;
      overflow-wrap: anywhere;
    }
  `,
})
export class ReplaceDialog {
  private readonly data = inject<ReplaceData>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<ReplaceDialog, Replaced>>(MatDialogRef);
  private readonly api = inject(CatalogApi);
  private readonly work = inject(LongWork);

  protected readonly most = MOST_SHOWN;
  protected readonly mostListings = MOST_LISTINGS;
  protected readonly written = this.data.columns.filter(isWritten);
  protected readonly rows = signal<readonly Listing[] | null>(null);
  protected readonly what = signal<Replacement>({ find: '', by: '', isExact: false, isWhole: false });
  protected readonly key = signal('');
  protected readonly failure = signal('');
  protected readonly isBusy = signal(false);
  protected readonly plan = computed((): ReplacePlan => {
    const columns = withColumns(this.written, this.key());
    return planReplacing(this.rows() ?? [], columns, this.what(), this.data.context);
  });

  constructor() {
    effect(() => void this.read());
  }

  protected number(count: number): string {
    return this.data.context.formats.number(count);
  }

  protected set(change: Partial<Replacement>): void {
    this.what.update((what) => ({ ...what, ...change }));
  }

  protected async replace(): Promise<void> {
    const { parts, cells } = this.plan();
    const sentence = `Replaced “${this.what().find}” in ${this.number(cells.length)} cells`;
    this.isBusy.set(true);
    try {
      const sent = this.work.follow(this.api.batch(this.data.kindId, { parts }), 'Replacing', sentence);
      this.dialog.close({ changed: await firstValueFrom(sent), sentence });
    } catch (error) {
      this.failure.set(sentenceOf(error));
    }
    this.isBusy.set(false);
  }

  private async read(): Promise<void> {
    try {
      const rows: Listing[] = [];
      for await (const { listings } of this.data.source.allRows()) rows.push(...listings);
      this.rows.set(rows);
    } catch (error) {
      this.failure.set(sentenceOf(error));
    }
  }
}
