import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatMenuModule } from '@angular/material/menu';
import type { BatchAsk } from '@plindo/api';
import { CatalogApi } from '@plindo/api';
import type { Changed } from '@plindo/core/contract';
import type { ListingInput } from '@plindo/core/listings';
import { STATUSES, STATUS_LABELS } from '@plindo/core/listings';
import type { Field, Kind, LinkInput, ReadContext } from '@plindo/core/structure';
import type { Observable } from 'rxjs';
import { tap } from 'rxjs';
import { LongWork } from '../../shared/long-work/long-work';
import { Notices } from '../../shared/notices';
import { AskForValue } from './ask-for-value';
import type { TableColumn } from './table-columns';
import { columnsOf } from './table-columns';
import { CellEditor } from './cell-editor';

/** What can be done with the chosen listings, each act one change that can be undone. */
@Component({
  selector: 'pl-bulk-bar',
  imports: [CellEditor, MatButtonModule, MatMenuModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="bar" role="toolbar" aria-label="Acts on the chosen listings">
      <strong role="status">{{ ids().length }} chosen</strong>
      <button matButton [matMenuTriggerFor]="status">Set status</button>
      <mat-menu #status="matMenu">
        @for (one of statuses; track one) {
          <button
            mat-menu-item
            (click)="change({ status: one }, 'Set ' + ids().length + ' listings to ' + labels[one])"
          >
            {{ labels[one] }}
          </button>
        }
      </mat-menu>
      <button matButton (click)="change({ featured: true }, 'Featured ' + ids().length + ' listings')">Feature</button>
      <button matButton (click)="change({ featured: false }, 'No longer featured: ' + ids().length + ' listings')">
        Don’t feature
      </button>
      <button matButton [matMenuTriggerFor]="fields">Set a field</button>
      <mat-menu #fields="matMenu">
        @for (column of editable(); track column.field.key) {
          <button mat-menu-item (click)="choose(column)">{{ column.field.label }}</button>
        }
      </mat-menu>
      @if (categoryFields().length) {
        <button matButton [matMenuTriggerFor]="categories">Categories</button>
        <mat-menu #categories="matMenu">
          @for (field of categoryFields(); track field.key) {
            <button mat-menu-item (click)="changeCategories(field, 'add')">Add to {{ field.label }} …</button>
            <button mat-menu-item (click)="changeCategories(field, 'remove')">Remove from {{ field.label }} …</button>
          }
        </mat-menu>
      }
      <button matButton (click)="duplicate()">Duplicate</button>
      <button matButton (click)="change({ status: 'binned' }, 'Put ' + ids().length + ' listings into the bin')">
        Bin
      </button>
      <button matButton (click)="cleared.emit()">Choose none</button>
    </div>
    @if (field$(); as field) {
      <div class="field">
        <span>{{ field.label }} of {{ ids().length }} listings becomes</span>
        <pl-cell-editor
          [field]="field"
          [value]="undefined"
          [context]="context()"
          (kept)="setField(field, $event.value)"
          (dropped)="field$.set(null)"
        />
      </div>
    }
  `,
  styles: `
    .bar {
      display: flex;
      flex-wrap: wrap;
      gap: 0.25rem 0.5rem;
      align-items: center;
      padding: 0.25rem 1rem;
      border-block-end: 1px solid var(--pl-line);
      background: var(--pl-wash);
    }
    .field {
      display: flex;
      gap: 0.75rem;
      align-items: center;
      padding: 0.5rem 1rem;
      border-block-end: 1px solid var(--pl-line);
    }
    .field pl-cell-editor {
      inline-size: 16rem;
    }
  `,
})
export class BulkBar {
  readonly kind = input.required<Kind>();
  readonly ids = input.required<readonly number[]>();
  readonly context = input.required<ReadContext>();
  readonly done = output();
  /** Shows the table anew when the act is undone later; by then this bar may be gone. */
  readonly reload = input.required<() => void>();
  readonly cleared = output();

  private readonly api = inject(CatalogApi);
  private readonly askForValue = inject(AskForValue);
  private readonly notices = inject(Notices);
  private readonly work = inject(LongWork);
  protected readonly statuses = STATUSES;
  protected readonly labels = STATUS_LABELS;
  protected readonly field$ = signal<Field | null>(null);
  /** Values that many can share. */
  protected readonly editable = computed(() =>
    columnsOf(this.kind(), this.context().zone).filter(
      ({ field, editing }) => editing !== null && OWN_ACTS.every((key) => key !== field.key) && !isOwnToEach(field),
    ),
  );
  protected readonly categoryFields = computed(() => this.kind().fields.filter(({ type }) => type === 'categories'));

  protected change(input: ListingInput, sentence: string): void {
    this.run(this.api.batch(this.kind().id, { parts: this.partsWith(input) }), sentence);
  }

  protected setField(field: Field, value: unknown): void {
    this.field$.set(null);
    this.change({ values: { [field.key]: value } }, `Set ${field.label} of ${this.ids().length} listings`);
  }

  protected choose({ field, editing }: TableColumn): void {
    if (editing === 'cell') this.field$.set(field);
    else this.askFor(field, `${this.ids().length} listings`, (value) => this.setField(field, plainLinks(value, field)));
  }

  protected changeCategories(field: Field, act: 'add' | 'remove'): void {
    const count = this.ids().length;
    const asked = { ...field, label: `Categories to ${act === 'add' ? 'add to' : 'take out of'} ${field.label}` };
    this.askFor({ ...asked, required: false }, `${count} listings`, (value) => {
      const keys = (value ?? []) as readonly string[];
      const labels = (field.settings.choices ?? []).filter(({ key }) => keys.includes(key)).map(({ label }) => label);
      if (labels.length === 0) return;
      const categories = { field: field.key, add: [], remove: [], [act]: keys };
      const sentence = act === 'add' ? `Added ${labels.join(', ')} to` : `Took ${labels.join(', ')} out of`;
      this.run(
        this.api.batch(this.kind().id, { parts: this.partsWith({}), categories }),
        `${sentence} ${count} listings`,
      );
    });
  }

  private askFor(field: Field, of: string, then: (value: unknown) => void): void {
    void this.askForValue.open({ of, field, value: undefined, context: this.context() }, then);
  }

  protected duplicate(): void {
    this.run(this.api.duplicate(this.kind().id, this.ids()), `Duplicated ${this.ids().length} listings as drafts`);
  }

  private partsWith(input: ListingInput): BatchAsk['parts'] {
    return this.ids().map((id) => ({ id, input }));
  }

  private run(sent: Observable<Changed<unknown>>, sentence: string): void {
    const shown = this.work.follow(sent, `Changing ${this.ids().length} listings`, sentence);
    this.notices.tell(shown.pipe(tap(() => this.done.emit())), sentence, this.reload());
  }
}

/** Built-in parts, which have acts of their own in the bar or a value that is each listing's own. */
const OWN_ACTS: readonly string[] = [
  '@title',
  '@status',
  '@handOrder',
  '@shownFrom',
  '@shownUntil',
  '@featuredFrom',
  '@featuredUntil',
];

/** Whether each listing has to have its own value. */
function isOwnToEach({ unique, type }: Field): boolean {
  return unique || type === 'reference';
}

/** Linked listings as the API takes them: a plain list replaces all that were linked before. */
function plainLinks(value: unknown, { type }: Field): unknown {
  return type === 'link' ? (value as readonly LinkInput[]).map(({ id, note }) => ({ id, note })) : value;
}
