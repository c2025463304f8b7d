import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, viewChild } from '@angular/core';
import { CatalogApi } from '@plindo/api';
import type { TableAsk } from '@plindo/core/contract';
import type { ColumnTotals, TableTotals } from '@plindo/core/query';
import type { ReadContext } from '@plindo/core/structure';
import { columnOf, plainField } from '@plindo/core/structure';
import { Notices } from '../../shared/notices';
import type { ShownColumn } from './table-layout';

/** What is told of each column. */
const MEASURES = {
  filled: 'Have a value',
  sum: 'Sum',
  mean: 'Mean',
  least: 'Least',
  greatest: 'Greatest',
} as const;
type Measure = keyof typeof MEASURES;

const ASKED_AFTER_IN_MS = 300;

/** The last row of the table: what its columns come to, over the listings that were chosen or all that it shows. */
@Component({
  selector: 'pl-totals-row',
  host: { role: 'rowgroup' },
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="foot" role="presentation" #foot>
      <div class="row" role="row" [style.inline-size.px]="widthPx()">
        <div class="cell fixed" role="gridcell"></div>
        @for (column of columns(); track column.field.key) {
          <div
            class="cell"
            role="gridcell"
            [class.title]="$first"
            [class.frozen]="column.stickyPx !== null"
            [style.inset-inline-start.px]="column.stickyPx"
            [style.inline-size.px]="column.widthPx"
          >
            @if ($first) {
              <select
                class="plain-select"
                aria-label="What the last row tells"
                (change)="measure.set($any($event.target).value)"
              >
                @for (one of measures; track one[0]) {
                  <option [value]="one[0]" [selected]="one[0] === measure()">{{ one[1] }}</option>
                }
              </select>
              <span class="quiet">{{ ids() ? 'of the chosen' : '' }}</span>
            } @else {
              <span class="value">{{ texts().get(column.field.key) ?? '' }}</span>
            }
          </div>
        }
      </div>
    </div>
  `,
  styles: `
    .foot {
      overflow: hidden;
      border-block-start: 2px solid var(--pl-line);
      background: var(--pl-paper);
    }
    .row {
      display: flex;
      min-block-size: 2.5rem;
    }
    .cell {
      display: flex;
      flex: none;
      gap: 0.375rem;
      align-items: center;
      padding-inline: 0.625rem;
      background: var(--pl-paper);
      font-weight: 600;
    }
    .fixed {
      inline-size: 120px;
    }
    .title,
    .frozen {
      position: sticky;
      z-index: 1;
      border-inline-end: 1px solid var(--pl-line);
    }
    .value {
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    .quiet {
      font-weight: 400;
      white-space: nowrap;
    }
  `,
})
export class TotalsRow {
  readonly kindId = input.required<number>();
  readonly ask = input.required<TableAsk>();
  readonly columns = input.required<readonly ShownColumn[]>();
  readonly widthPx = input.required<number>();
  readonly context = input.required<ReadContext>();
  /** The listings that were chosen; null for all that the table shows. */
  readonly ids = input.required<readonly number[] | null>();
  /** Goes up when rows have come in, which may have changed. */
  readonly revision = input.required<number>();

  private readonly api = inject(CatalogApi);
  private readonly notices = inject(Notices);
  private readonly foot = viewChild.required<ElementRef<HTMLElement>>('foot');
  protected readonly measures = Object.entries(MEASURES);
  protected readonly measure = signal<Measure>('sum');
  private readonly totals = signal<TableTotals | null>(null);
  /** By the key of the column, what is told of it. */
  protected readonly texts = computed(() => {
    const found = new Map(this.totals()?.columns.map((one) => [one.key, one]));
    const texts = this.columns().map((column) => {
      const totals = found.get(column.field.key);
      return [column.field.key, totals ? this.textOf(column, totals) : ''] as const;
    });
    return new Map(texts);
  });

  constructor() {
    effect((done) => {
      this.revision();
      const [kindId, ask, ids] = [this.kindId(), this.ask(), this.ids()];
      const keys = this.columns().map(({ field }) => field.key);
      const waiting = setTimeout(() => this.load(kindId, ask, keys, ids), ASKED_AFTER_IN_MS);
      done(() => clearTimeout(waiting));
    });
  }

  /** Stands under its columns when the table is scrolled sideways. */
  scrollTo(left: number): void {
    this.foot().nativeElement.scrollLeft = left;
  }

  private load(kindId: number, ask: TableAsk, keys: readonly string[], ids: readonly number[] | null): void {
    this.api.totals(kindId, ask, keys, ids).subscribe({
      next: (totals) => this.totals.set(totals),
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  private textOf({ field }: ShownColumn, { filled, numbers }: ColumnTotals): string {
    const measure = this.measure();
    const { formats } = this.context();
    if (measure === 'filled') return formats.number(filled);
    const plain = plainField(field);
    const column = columnOf(plain);
    if (!numbers || column?.kind !== 'number') return '';
    // Days and moments can be compared, but not added up.
    if (column.time && (measure === 'sum' || measure === 'mean')) return '';
    return column.formatBound(numbers[measure], plain, formats);
  }
}
