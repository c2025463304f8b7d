import { A11yModule } from '@angular/cdk/a11y';
import type { CdkDragMove } from '@angular/cdk/drag-drop';
import { DragDropModule } from '@angular/cdk/drag-drop';
import { OverlayModule } from '@angular/cdk/overlay';
import { CdkVirtualScrollViewport, ScrollingModule } from '@angular/cdk/scrolling';
import { NgTemplateOutlet } from '@angular/common';
import type { ElementRef } from '@angular/core';
import {
  ApplicationRef,
  ChangeDetectionStrategy,
  Component,
  Injector,
  afterNextRender,
  computed,
  effect,
  inject,
  input,
  signal,
  viewChild,
  untracked,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { Router, RouterLink } from '@angular/router';
import { CatalogApi, FIRST_ASK, sentenceOf } from '@plindo/api';
import type { Changed, TableAsk, TableView } from '@plindo/core/contract';
import type { Listing, ListingInput } from '@plindo/core/listings';
import { STATUSES, STATUS_LABELS } from '@plindo/core/listings';
import { listingPath } from '@plindo/core/page';
import type { TableFilter } from '@plindo/core/query';
import type { Kind } from '@plindo/core/structure';
import { isSame } from '@plindo/core/values';
import { Icon } from '@plindo/listing-view';
import { debounceTime, filter, tap } from 'rxjs';
import { DeskEvents, OTHERS_PAUSE_IN_MS } from '../../shared/desk-events';
import { KindList } from '../../shared/kind-list';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';
import { UndoStack } from '../../shared/undo-stack';
import { AskForValue } from './ask-for-value';
import { BinActs } from './bin-acts';
import type { TableColumn } from './table-columns';
import { TITLE } from './table-columns';
import { BulkBar } from './bulk-bar';
import type { ClipboardScene } from './cell-clipboard';
import { CellClipboard } from './cell-clipboard';
import type { Onward } from './cell-editor';
import { CellEditor } from './cell-editor';
import { CellRange } from './cell-range';
import { CellTexts } from './cell-texts';
import { ColumnChooser } from './column-chooser';
import { FormPage } from '../form/form-page';
import { FileMenu } from './file-menu';
import { FilterPanel } from './filter-panel';
import type { ReplaceData, Replaced } from './replace-dialog';
import { RowDrag } from './row-drag';
import { RowSelection } from './row-selection';
import { filterSentence, filterSubject } from './table-filters';
import { TableLayout } from './table-layout';
import { TableMemory } from '../table-memory';
import { TableQuestion } from './table-question';
import { TableSource } from './table-source';
import { TotalsRow } from './totals-row';
import { ViewTabs } from './view-tabs';

/** So many rows stay in view above the one that is gone to. */
const ROWS_ABOVE = 3;
/** Where the arrow keys lead: rows down, columns to the right. */
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

/** All listings of a kind: sorted and narrowed by any column, changed in place, put in order by hand. */
@Component({
  selector: 'pl-table-page',
  imports: [
    A11yModule,
    BinActs,
    BulkBar,
    CellEditor,
    ColumnChooser,
    DragDropModule,
    FileMenu,
    FilterPanel,
    FormPage,
    Icon,
    KindList,
    MatButtonModule,
    NgTemplateOutlet,
    OverlayModule,
    RouterLink,
    ScrollingModule,
    TotalsRow,
    ViewTabs,
  ],
  providers: [TableLayout],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './table-page.html',
  styleUrl: './table-page.scss',
  host: { '(document:keydown.escape)': 'escape($event)' },
})
export class TablePage {
  /** From the address. */
  readonly kindId = input.required<string>();

  /** From the address: filters to begin with, as JSON. */
  readonly filters = input<string>();

  /** From the address: the listing whose form is open beside the table, and its position there. */
  readonly open = input<string>();
  readonly at = input<string>();

  private readonly api = inject(CatalogApi);
  private readonly application = inject(ApplicationRef);
  private readonly injector = inject(Injector);
  private readonly askForValue = inject(AskForValue);
  private readonly memory = inject(TableMemory);
  private readonly notices = inject(Notices);
  private readonly clipboard = inject(CellClipboard);
  private readonly router = inject(Router);
  private readonly store = inject(KindsStore);
  private readonly undoStack = inject(UndoStack);
  private readonly dialogs = inject(MatDialog);
  private readonly form = viewChild(FormPage);
  private readonly viewport = viewChild(CdkVirtualScrollViewport);
  private readonly head = viewChild<ElementRef<HTMLElement>>('head');
  protected readonly layout = inject(TableLayout);

  protected readonly rowHeightPx = 40;
  protected readonly statuses = STATUSES;
  protected readonly statusLabels = STATUS_LABELS;
  protected readonly reading = inject(Reading);
  protected readonly context = this.reading.context;
  protected readonly kind = this.store.kindOf(this.kindId);
  protected readonly isChoosing = signal(false);
  protected readonly selection = new RowSelection();
  protected readonly range = new CellRange();
  protected readonly showsTotals = signal(false);
  /** Name of the kept view that is shown; null for none. */
  protected readonly view = signal<string | null>(null);
  private readonly totals = viewChild(TotalsRow);
  protected readonly drag = new RowDrag<Listing>();
  protected readonly question = new TableQuestion((ask) => this.showAnswer(ask));
  protected readonly ask = this.question.ask;
  protected readonly editing = signal<{ readonly id: number; readonly key: string; readonly typed: string } | null>(
    null,
  );
  /** Whether others have changed something that isn't shown yet. */
  private isBehind = false;
  /** The column whose filter is open, and the button that it hangs from. */
  protected readonly filtering = signal<{ readonly column: TableColumn; readonly from: HTMLElement } | null>(null);
  protected readonly source = signal<TableSource | null>(null);
  protected readonly indexes = computed(() => Array.from({ length: this.source()?.total() ?? 0 }, (_, index) => index));
  protected readonly failure = computed(() => {
    const failed = this.source()?.failed();
    return failed ? sentenceOf(failed) : '';
  });
  protected readonly isHandOrder = this.question.isHandOrder;
  protected readonly chips = computed(() =>
    this.ask().filters.flatMap((filter) => {
      const column = [TITLE, ...this.layout.offered()].find((one) => filterSubject(one) === filter.by);
      return column ? [{ filter, sentence: filterSentence(filter, column) }] : [];
    }),
  );
  /** Texts of cells, made anew when fields or the site's locale change. */
  private readonly texts = computed(() => (this.layout.offered(), new CellTexts(this.context().formats)));

  constructor() {
    void this.store.reload();
    effect(() => {
      const ask = this.question.begin(this.filters());
      const source = new TableSource(this.api, Number(this.kindId()), ask);
      this.source.set(source);
      this.memory.remember(Number(this.kindId()), ask);
      this.layout.showBin(false);
      source.restart();
      this.selection.clear();
      this.range.clear();
      this.view.set(null);
    });
    effect(() => {
      const kind = this.kind();
      if (kind) this.layout.show(kind);
    });
    effect(() => {
      if (this.undoStack.revision() > 0) this.reload();
    });
    effect(() => {
      if (this.editing() === null && this.isBehind) untracked(() => this.refresh());
    });
    inject(DeskEvents)
      .changes.pipe(
        filter(({ kinds }) => kinds.includes(Number(this.kindId()))),
        debounceTime(OTHERS_PAUSE_IN_MS),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.refresh());
  }

  protected listingAt(index: number): Listing | undefined {
    this.source()?.revision();
    return this.source()?.rowAt(index);
  }

  protected scrolled(): void {
    const range = this.viewport()?.getRenderedRange();
    if (range) this.source()?.need(range.start, range.end);
  }

  /**
   * Keeps the header over its columns, whichever of the two is scrolled (the header is when the focus goes along it);
   * listened to past Angular, which would check all rows at each step.
   */
  private readonly slide = effect((onCleanup) => {
    const [viewport, head] = [this.viewport()?.elementRef.nativeElement, this.head()?.nativeElement];
    if (!viewport || !head) return;
    const over = new AbortController();
    for (const [one, other] of [
      [viewport, head],
      [head, viewport],
    ] as const) {
      const follow = (): void => {
        other.scrollLeft = one.scrollLeft;
        this.totals()?.scrollTo(one.scrollLeft);
      };
      one.addEventListener('scroll', follow, { passive: true, signal: over.signal });
    }
    onCleanup(() => over.abort());
  });

  protected show(status: string): void {
    this.layout.showBin(status === 'binned');
    this.question.showStatus(status);
  }

  protected setFilter(column: TableColumn, filter: TableFilter | null): void {
    this.closeFilter();
    this.question.setFilter(column, filter);
  }

  protected closeFilter(): void {
    this.filtering()?.from.focus();
    this.filtering.set(null);
  }

  protected shown(column: TableColumn, listing: Listing): string {
    return this.texts().of(listing, column);
  }

  protected isEditing(listing: Listing, column: TableColumn): boolean {
    const editing = this.editing();
    return editing?.id === listing.id && editing.key === column.field.key;
  }

  /** Opens a cell; `typed` is the letter that began it, if one did. */
  protected edit(listing: Listing, column: TableColumn, typed = ''): void {
    if (column.editing === 'cell') this.editing.set({ id: listing.id, key: column.field.key, typed });
    else if (column.editing === 'dialog') this.editInDialog(listing, column);
  }

  private editInDialog(listing: Listing, column: TableColumn): void {
    const value = column.valueOf(listing);
    const data = { of: listing.title, field: column.field, value, context: this.context() };
    void this.askForValue.open(data, (given) => this.keep(listing, column, given, null));
  }

  protected keep(listing: Listing, column: TableColumn, value: unknown, onward: Onward): void {
    this.editing.set(null);
    const before = column.valueOf(listing) ?? null;
    if (!isSame(before, value)) {
      this.change(listing, column.inputFor(value, listing), `Changed ${column.field.label} of ${listing.title}`);
    }
    this.goOn(listing, column, onward);
  }

  /** Opens the next or previous cell of the row that is changed in place, or puts the focus back on the cell. */
  private goOn(listing: Listing, column: TableColumn, onward: Onward): void {
    const editable = this.layout.columns().filter((other) => other.editing === 'cell');
    const at = editable.findIndex(({ field }) => field.key === column.field.key);
    const next = onward === null ? undefined : editable[at + (onward === 'next' ? 1 : -1)];
    if (next) setTimeout(() => this.edit(listing, next));
    else this.focusCell(listing, column);
  }

  protected drop(listing: Listing, column: TableColumn): void {
    this.editing.set(null);
    this.focusCell(listing, column);
  }

  private focusCell(listing: Listing, column: TableColumn): void {
    const focus = (): void => document.getElementById(this.cellId(listing, column))?.focus({ preventScroll: true });
    afterNextRender({ read: focus }, { injector: this.injector });
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

  private change(listing: Listing, input: ListingInput, sentence: string, moves = false): void {
    const shown = ({ result }: Changed<Listing>): void => (moves ? this.reload() : this.source()?.put(result));
    const sent = this.api.changeListing(listing, input).pipe(tap({ next: shown, error: this.reloading }));
    this.notices.tell(sent, sentence, this.reloading);
  }

  protected pagePath(kind: Kind, listing: Listing): string {
    return listingPath(kind, listing);
  }

  protected openForm(id: number, at: number): void {
    const isOpen = this.open() !== undefined;
    void this.router.navigate(['/fill', this.kindId()], { queryParams: { open: id, at }, replaceUrl: isOpen });
    this.viewport()?.scrollToIndex(Math.max(0, at - ROWS_ABOVE));
  }

  protected closeForm(): void {
    const listing = this.source()?.rowAt(Number(this.at() ?? 0));
    void this.router.navigate(['/fill', this.kindId()]);
    if (listing) this.focusCell(listing, TITLE);
  }

  /** What lies over the page, or a cell that is changed, takes the key first. */
  protected escape(event: Event): void {
    const isTaken = event.defaultPrevented || this.editing() !== null || this.dialogs.openDialogs.length > 0;
    if (isTaken) return;
    if (this.range.bounds()) this.range.clear();
    else if (this.open() !== undefined) this.form()?.close();
  }

  protected add(): void {
    void this.router.navigate(['/fill', this.kindId(), 'new']);
  }

  /** Shows a kept view; null for the table as it begins. */
  protected chooseView(view: TableView | null): void {
    this.view.set(view?.name ?? null);
    if (view) this.layout.choose(view);
    this.layout.showBin(view?.ask.status === 'binned');
    this.question.change(view?.ask ?? FIRST_ASK);
  }

  protected keepView(name: string): void {
    this.layout.keepView(name, this.ask());
    this.view.set(name);
  }

  protected removeView(view: TableView): void {
    this.layout.removeView(view);
    this.view.set(null);
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
    this.selection.choose((await this.source()?.allIds()) ?? []);
  }

  /**
   * Arrows lead from cell to cell, with Shift they choose a range, with Alt they move the row; Delete empties, a letter
   * begins to type.
   */
  protected key(event: KeyboardEvent, index: number, at: number): void {
    const [listing, column] = [this.source()?.rowAt(index), this.layout.columns()[at]];
    const [down, right] = ARROWS[event.key] ?? [0, 0];
    if (!listing || !column || event.ctrlKey || event.metaKey) return;
    const isArrow = down !== 0 || right !== 0;
    if (event.altKey) {
      if (down !== 0 && this.isHandOrder()) this.moveRow(event, listing, index, down);
    } else if (isArrow && event.shiftKey) {
      event.preventDefault();
      this.extendRange(down, right);
    } else if (isArrow) {
      event.preventDefault();
      this.range.clear();
      this.goTo(index + down, at + right);
    } else if (event.key === 'Enter' && column.field.key === TITLE.field.key) {
      event.preventDefault();
      this.openForm(listing.id, index);
    } else if (event.key === 'Delete' && this.range.bounds()) {
      event.preventDefault();
      this.clipboard.empty(this.range.bounds()!, this.scene());
    } else if (event.key === 'Delete' && column.editing === 'cell' && column.field.key !== TITLE.field.key) {
      event.preventDefault();
      this.keep(listing, column, null, null);
    } else if (event.key.length === 1 && event.key !== ' ' && column.editing === 'cell') {
      event.preventDefault();
      this.edit(listing, column, event.key);
      // The editor has to be there before the next letter comes.
      this.application.tick();
    }
  }

  private extendRange(down: number, right: number): void {
    const size = { rows: this.source()?.total() ?? 0, columns: this.layout.columns().length };
    const end = this.range.extendBy(down, right, size);
    if (!end || this.source()?.rowAt(end.row) === undefined) return;
    const cell = document.getElementById(
      this.cellId(this.source()!.rowAt(end.row)!, this.layout.columns()[end.column]!),
    );
    if (cell) cell.scrollIntoView({ block: 'nearest', inline: 'nearest' });
    else this.viewport()?.scrollToIndex(Math.max(0, end.row - ROWS_ABOVE));
  }

  private goTo(index: number, at: number): void {
    const listing = this.source()?.rowAt(index);
    const column = this.layout.columns()[at];
    if (!listing || !column) return;
    const cell = document.getElementById(this.cellId(listing, column));
    if (cell) cell.focus();
    else this.viewport()?.scrollToIndex(Math.max(0, index - ROWS_ABOVE));
  }

  protected paste(event: ClipboardEvent, row: number, column: number): void {
    if (!this.editing()) this.clipboard.paste(event, { row, column }, this.range.bounds(), this.scene());
  }

  protected copy(event: ClipboardEvent, row: number, column: number): void {
    if (!this.editing()) this.clipboard.copy(event, { row, column }, this.range.bounds(), this.scene());
  }

  /** A click with Shift leads the range to a cell; any other one begins it there, and changes the cell. */
  protected click(event: MouseEvent, listing: Listing, row: number, column: number): void {
    if (event.shiftKey) return this.range.extendTo({ row, column });
    this.range.start({ row, column });
    this.edit(listing, this.layout.columns()[column]!);
  }

  private scene(): ClipboardScene {
    return {
      kindId: Number(this.kindId()),
      columns: this.layout.columns(),
      context: this.context(),
      rowAt: (index) => this.source()?.rowAt(index),
      done: () => this.reload(),
    };
  }

  protected async openReplace(): Promise<void> {
    const source = this.source();
    if (!source) return;
    const { ReplaceDialog } = await import('./replace-dialog');
    const data = { kindId: Number(this.kindId()), source, columns: this.layout.columns(), context: this.context() };
    this.dialogs
      .open<unknown, ReplaceData, Replaced>(ReplaceDialog, { data, width: '52rem', maxWidth: '95vw' })
      .afterClosed()
      .subscribe((done) => {
        if (!done) return;
        this.reload();
        this.notices.changed(done.sentence, done.changed.changeId, this.reloading);
      });
  }

  /** Columns to the left of a point stay in view when the table is scrolled sideways. */
  protected freezeUpTo(x: number): void {
    const cells = [...(this.head()?.nativeElement.querySelectorAll<HTMLElement>('[data-column]') ?? [])];
    const before = cells.filter((cell) => {
      const { left, width } = cell.getBoundingClientRect();
      return left + width / 2 < x;
    });
    this.layout.setFrozen(before.map((cell) => cell.dataset['column']!));
  }

  protected dragOver({ pointerPosition }: CdkDragMove): void {
    const viewport = this.viewport();
    if (!viewport) return;
    const top = viewport.elementRef.nativeElement.getBoundingClientRect().top;
    const offset = pointerPosition.y - top + viewport.measureScrollOffset();
    this.drag.over(offset, this.rowHeightPx, this.source()?.total() ?? 0);
  }

  protected dragEnd(): void {
    const dropped = this.drag.end();
    if (dropped) this.putBehind(dropped.row, this.source()?.rowAt(dropped.gap - 1) ?? null);
  }

  private moveRow(event: Event, listing: Listing, index: number, down: number): void {
    event.preventDefault();
    // Down it goes behind the next one, up behind the one before the previous.
    const behind = index + (down > 0 ? 1 : -2);
    if (index + down < 0 || index + down >= (this.source()?.total() ?? 0)) return;
    this.putBehind(listing, this.source()?.rowAt(behind) ?? null);
  }

  private putBehind(listing: Listing, after: Listing | null): void {
    if (after?.id === listing.id) return;
    this.api.moveInHandOrder(listing.kindId, listing.id, after?.id ?? null).subscribe({
      next: ({ changeId, result }) => {
        this.reload();
        this.focusCell(listing, TITLE);
        if (result.listings > 0) {
          this.notices.changed(`Moved ${listing.title} in the hand order`, changeId, () => this.reload());
        }
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected bulkDone(): void {
    this.selection.clear();
    this.reload();
  }

  /** Shows the answer to another question, from the first row on. */
  private showAnswer(ask: TableAsk): void {
    this.editing.set(null);
    this.range.clear();
    this.memory.remember(Number(this.kindId()), ask);
    this.source()?.restart(ask);
    this.viewport()?.scrollToIndex(0);
  }

  protected readonly reloading = (): void => this.reload();

  /** Shows what others have changed where the table stands, after the cell that is being changed here. */
  private refresh(): void {
    this.isBehind = this.editing() !== null;
    if (this.isBehind) return;
    this.source()?.restart();
    this.scrolled();
  }

  protected reload(): void {
    this.source()?.restart();
    this.scrolled();
    void this.store.reload();
  }
}
