import { CdkVirtualScrollViewport, ScrollingModule } from '@angular/cdk/scrolling';
import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, viewChild } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { Router, RouterLink } from '@angular/router';
import { CatalogApi, sentenceOf } from '@plindo/api';
import type { PastePlan } from '@plindo/core/exchange';
import { parseBlock, planPaste } from '@plindo/core/exchange';
import type { Listing, ListingInput, Status } from '@plindo/core/listings';
import { STATUSES, STATUS_LABELS } from '@plindo/core/listings';
import { listingPath } from '@plindo/core/page';
import type { Field, Kind, OrderSubject } from '@plindo/core/structure';
import { fieldType } from '@plindo/core/structure';
import { Icon } from '@plindo/listing-view';
import { firstValueFrom } from 'rxjs';
import { KindList } from '../shared/kind-list';
import { KindsStore } from '../shared/kinds-store';
import { Notices } from '../shared/notices';
import { Reading } from '../shared/reading';
import type { TableColumn } from './built-in-fields';
import { HAND_ORDER, STATUS, TITLE, fieldColumns } from './built-in-fields';
import { BulkBar } from './bulk-bar';
import type { Onward } from './cell-editor';
import { CellEditor } from './cell-editor';
import { ColumnChooser } from './column-chooser';
import { PasteDialog } from './paste-dialog';
import { RowSelection } from './row-selection';
import { TableMemory } from './table-memory';
import { TableSource } from './table-source';
import type { TableView } from './table-views';
import { TableViews } from './table-views';

const TYPING_PAUSE_IN_MS = 200;
const ROWS_AT_ONCE = 500;

/** Where the arrow keys lead: rows down, columns to the right. */
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

/** All listings of a kind: sorted by any column, changed in place. */
@Component({
  selector: 'pl-table-page',
  imports: [BulkBar, CellEditor, ColumnChooser, Icon, KindList, MatButtonModule, RouterLink, ScrollingModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './table-page.html',
  styleUrl: './table-page.scss',
})
export class TablePage {
  /** From the address. */
  readonly kindId = input.required<string>();

  private readonly api = inject(CatalogApi);
  private readonly dialog = inject(MatDialog);
  private readonly memory = inject(TableMemory);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);
  private readonly store = inject(KindsStore);
  private readonly tableViews = inject(TableViews);
  private readonly viewport = viewChild(CdkVirtualScrollViewport);
  private readonly head = viewChild<ElementRef<HTMLElement>>('head');

  protected readonly rowHeightPx = 40;
  protected readonly statuses = STATUSES;
  protected readonly statusLabels = STATUS_LABELS;
  protected readonly context = inject(Reading).context;
  protected readonly kind = this.store.kindOf(this.kindId);
  /** All columns that there could be, and those that are shown. */
  protected readonly offered = computed((): readonly TableColumn[] => {
    const kind = this.kind();
    return kind ? [HAND_ORDER, ...fieldColumns(kind), STATUS] : [];
  });
  private readonly chosenKeys = signal<readonly string[] | null>(null);
  protected readonly shownKeys = computed(
    () =>
      this.chosenKeys() ??
      this.offered()
        .filter(({ field }) => field.inTable)
        .map(({ field }) => field.key),
  );
  protected readonly columns = computed((): readonly TableColumn[] =>
    this.shownKeys().flatMap((key) => this.offered().find(({ field }) => field.key === key) ?? []),
  );
  protected readonly views = signal<readonly TableView[]>([]);
  protected readonly isChoosing = signal(false);
  protected readonly selection = new RowSelection();
  protected readonly widthPx = computed(() =>
    this.columns().reduce((sum, { widthPx }) => sum + widthPx, TITLE.widthPx + 104 + 150),
  );
  protected readonly title = TITLE;
  protected readonly sort = signal<{ readonly by: OrderSubject; readonly direction: 'up' | 'down' }>({
    by: 'title',
    direction: 'up',
  });
  protected readonly status = signal<Status | null>(null);
  protected readonly text = signal('');
  protected readonly editing = signal<{ readonly id: number; readonly key: string } | null>(null);
  protected readonly source = signal<TableSource | null>(null);
  protected readonly indexes = computed(() => Array.from({ length: this.source()?.total() ?? 0 }, (_, index) => index));
  protected readonly failure = computed(() => {
    const failed = this.source()?.failed();
    return failed ? sentenceOf(failed) : '';
  });
  private typing: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    void this.store.reload();
    effect(() => {
      const source = new TableSource(this.api, Number(this.kindId()), {
        text: '',
        status: null,
        sort: 'title',
        direction: 'up',
      });
      this.source.set(source);
      source.restart();
      this.selection.clear();
      const { columns, views } = this.tableViews.of(Number(this.kindId()));
      this.chosenKeys.set(columns);
      this.views.set(views);
    });
  }

  protected listingAt(index: number): Listing | undefined {
    this.source()?.revision();
    return this.source()?.rowAt(index);
  }

  protected scrolled(): void {
    const range = this.viewport()?.getRenderedRange();
    if (range) this.source()?.need(range.start, range.end);
  }

  /** Keeps the header over its columns. */
  protected slide(event: Event): void {
    const head = this.head()?.nativeElement;
    if (head) head.scrollLeft = (event.target as HTMLElement).scrollLeft;
  }

  protected sortBy(column: TableColumn): void {
    this.sortOn(column.sort);
  }

  protected sortOn(by: OrderSubject | null): void {
    if (!by) return;
    const { by: before, direction } = this.sort();
    this.sort.set({ by, direction: before === by && direction === 'up' ? 'down' : 'up' });
    this.restart();
  }

  protected ariaSort(by: OrderSubject | null): 'ascending' | 'descending' | null {
    if (this.sort().by !== by) return null;
    return this.sort().direction === 'up' ? 'ascending' : 'descending';
  }

  protected find(text: string): void {
    clearTimeout(this.typing);
    this.typing = setTimeout(() => {
      this.text.set(text.trim());
      this.restart();
    }, TYPING_PAUSE_IN_MS);
  }

  protected show(status: string): void {
    this.status.set(status === '' ? null : (status as Status));
    this.restart();
  }

  protected shown(column: TableColumn, listing: Listing): string {
    const value = column.valueOf(listing);
    const type = fieldType(column.field.type);
    return type.holds(value) ? type.format(value, column.field, this.context().formats) : '';
  }

  protected isEditing(listing: Listing, column: TableColumn): boolean {
    const editing = this.editing();
    return editing?.id === listing.id && editing.key === column.field.key;
  }

  protected edit(listing: Listing, column: TableColumn): void {
    if (column.editable) this.editing.set({ id: listing.id, key: column.field.key });
  }

  protected keep(listing: Listing, column: TableColumn, value: unknown, onward: Onward): void {
    this.editing.set(null);
    const before = column.valueOf(listing) ?? null;
    if (JSON.stringify(before) !== JSON.stringify(value)) {
      this.change(listing, column.inputFor(value), `Changed ${column.field.label} of ${listing.title}`);
    }
    this.goOn(listing, column, onward);
  }

  /** Opens the next or previous editable cell of the row, or puts the focus back on the cell. */
  private goOn(listing: Listing, column: TableColumn, onward: Onward): void {
    const editable = [TITLE, ...this.columns()].filter((other) => other.editable);
    const at = editable.indexOf(column);
    const next = onward === null ? undefined : editable[at + (onward === 'next' ? 1 : -1)];
    if (next) setTimeout(() => this.edit(listing, next));
    else this.focusCell(listing, column);
  }

  protected drop(listing: Listing, column: TableColumn): void {
    this.editing.set(null);
    this.focusCell(listing, column);
  }

  private focusCell(listing: Listing, column: TableColumn): void {
    setTimeout(() => document.getElementById(this.cellId(listing, column))?.focus({ preventScroll: true }));
  }

  protected cellId(listing: Listing, column: TableColumn): string {
    return `cell-${listing.id}-${column.field.key}`;
  }

  protected toggleFeatured(listing: Listing): void {
    const verb = listing.featured ? 'No longer featured' : 'Featured';
    this.change(listing, { featured: !listing.featured }, `${verb}: ${listing.title}`);
  }

  protected bin(listing: Listing): void {
    this.change(listing, { status: 'binned' }, `Put ${listing.title} into the bin`, true);
  }

  protected restore(listing: Listing): void {
    this.change(listing, { status: 'draft' }, `Restored ${listing.title} as a draft`, true);
  }

  private change(listing: Listing, input: ListingInput, sentence: string, moves = false): void {
    this.api.changeListing(listing, input).subscribe({
      next: ({ changeId, result }) => {
        if (moves) this.reload();
        else this.source()?.put(result);
        this.notices.changed(sentence, changeId, () => this.reload());
      },
      error: (error: unknown) => {
        this.notices.refused(error);
        this.reload();
      },
    });
  }

  protected pagePath(kind: Kind, listing: Listing): string {
    return listingPath(kind, listing);
  }

  protected add(): void {
    void this.router.navigate(['/fill', this.kindId(), 'new']);
  }

  protected setColumns(columns: readonly string[]): void {
    this.chosenKeys.set(columns);
    this.keepViews();
  }

  protected keepView(name: string): void {
    const { by, direction } = this.sort();
    const ask = { text: this.text(), status: this.status(), sort: by, direction };
    const view: TableView = { name, columns: this.shownKeys(), ask };
    this.views.update((views) => [...views.filter((other) => other.name !== name), view]);
    this.keepViews();
  }

  protected removeView({ name }: TableView): void {
    this.views.update((views) => views.filter((other) => other.name !== name));
    this.keepViews();
  }

  protected chooseView({ columns, ask }: TableView): void {
    this.chosenKeys.set(columns);
    this.text.set(ask.text);
    this.status.set(ask.status);
    this.sort.set({ by: ask.sort, direction: ask.direction });
    this.keepViews();
    this.restart();
  }

  private keepViews(): void {
    this.tableViews.keep(Number(this.kindId()), { columns: this.chosenKeys(), views: this.views() });
  }

  protected toggleRow(index: number, event: MouseEvent): void {
    this.selection.toggle(index, event.shiftKey, (at) => this.source()?.rowAt(at)?.id);
  }

  /** Chooses everything that the table shows, also what was not scrolled to yet; or nothing. */
  protected async toggleAll(): Promise<void> {
    if (this.selection.size() > 0) {
      this.selection.clear();
      return;
    }
    const kindId = Number(this.kindId());
    const ids: number[] = [];
    for (let offset = 0; ; offset += ROWS_AT_ONCE) {
      const ask = { ...this.memory.askOf(kindId), offset, limit: ROWS_AT_ONCE };
      const { listings, total } = await firstValueFrom(this.api.listings(kindId, ask));
      ids.push(...listings.map(({ id }) => id));
      if (offset + ROWS_AT_ONCE >= total) break;
    }
    this.selection.choose(ids);
  }

  /** The arrow keys lead from cell to cell. */
  protected arrow(event: KeyboardEvent, index: number, column: TableColumn): void {
    const [down, right] = ARROWS[event.key] ?? [0, 0];
    if (down === 0 && right === 0) return;
    event.preventDefault();
    const all = [this.title, ...this.columns()];
    const listing = this.source()?.rowAt(index + down);
    const next = all[all.indexOf(column) + right];
    if (!listing || !next) return;
    const cell = document.getElementById(this.cellId(listing, next));
    if (cell) cell.focus();
    else this.viewport()?.scrollToIndex(Math.max(0, index + down - 3));
  }

  /** Shows what pasting a block here would do, then does it as one change. */
  protected paste(event: ClipboardEvent, index: number, column: TableColumn): void {
    const block = parseBlock(event.clipboardData?.getData('text/plain') ?? '');
    const isOne = block.length === 1 && block[0]?.length === 1;
    if (block.length === 0 || this.editing() || (isOne && block[0]?.[0] === '')) return;
    event.preventDefault();
    const all = [this.title, ...this.columns()];
    const columns = all.slice(all.indexOf(column));
    const rows = block.flatMap((_, at) => this.source()?.rowAt(index + at) ?? []);
    const byKey = new Map(columns.map((one) => [one.field.key, one]));
    const target = {
      rows,
      fields: columns.map(({ field }) => field),
      titleOf: ({ title }: Listing) => title,
      isEditable: ({ key }: Field) => byKey.get(key)?.editable ?? false,
    };
    const plan = planPaste(block, target, this.context());
    this.dialog
      .open<PasteDialog, PastePlan<Listing>, boolean>(PasteDialog, { data: plan, width: '44rem', maxWidth: '95vw' })
      .afterClosed()
      .subscribe((isAgreed) => {
        if (isAgreed) this.changeCells(plan, byKey);
      });
  }

  private changeCells({ cells }: PastePlan<Listing>, columns: ReadonlyMap<string, TableColumn>): void {
    const inputs = new Map<number, { listing: Listing; input: ListingInput }>();
    for (const { row, field, value } of cells) {
      const given = columns.get(field.key)?.inputFor(value) ?? {};
      const { input } = inputs.get(row.id) ?? { input: {} };
      const values = { ...(input as ListingInput).values, ...given.values };
      const merged = { ...input, ...given, ...(Object.keys(values).length > 0 && { values }) };
      inputs.set(row.id, { listing: row, input: merged });
    }
    const parts = [...inputs.values()].map(({ listing: { id, version }, input }) => ({ id, version, input }));
    this.api.batch(Number(this.kindId()), { parts }).subscribe({
      next: ({ changeId }) => {
        this.reload();
        this.notices.changed(`Pasted ${cells.length} cells`, changeId, () => this.reload());
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected bulkDone(): void {
    this.selection.clear();
    this.reload();
  }

  private restart(): void {
    const { by, direction } = this.sort();
    this.editing.set(null);
    const ask = { text: this.text(), status: this.status(), sort: by, direction };
    this.memory.remember(Number(this.kindId()), ask);
    this.source()?.restart(ask);
    this.viewport()?.scrollToIndex(0);
  }

  private reload(): void {
    this.source()?.restart();
    this.scrolled();
    void this.store.reload();
  }
}
