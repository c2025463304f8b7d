import type { CdkDragMove } from '@angular/cdk/drag-drop';
import { DragDropModule } from '@angular/cdk/drag-drop';
import { CdkVirtualScrollViewport, ScrollingModule } from '@angular/cdk/scrolling';
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
  output,
  signal,
  viewChild,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { CatalogApi } from '@plindo/api';
import type { Changed } from '@plindo/core/contract';
import type { Listing, ListingInput } from '@plindo/core/listings';
import { listingPath } from '@plindo/core/page';
import type { Kind } from '@plindo/core/structure';
import { isSame } from '@plindo/core/values';
import { Icon } from '@plindo/listing-view';
import { tap } from 'rxjs';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';
import { AskForValue } from './ask-for-value';
import { BinActs } from './bin-acts';
import type { ClipboardScene } from './cell-clipboard';
import { CellClipboard } from './cell-clipboard';
import type { Onward } from './cell-editor';
import { CellEditor } from './cell-editor';
import { CellRange } from './cell-range';
import { CellTexts } from './cell-texts';
import type { HandOrderScene } from './hand-order';
import { HandOrder } from './hand-order';
import type { RowSelection } from './row-selection';
import type { TableColumn } from './table-columns';
import { TITLE } from './table-columns';
import { TableHead } from './table-head';
import { TableLayout } from './table-layout';
import type { TableQuestion } from './table-question';
import type { TableSource } from './table-source';
import { TotalsRow } from './totals-row';

/** So many rows stay in view above the one that is gone to. */
const ROWS_ABOVE = 3;
/** Where the arrow keys lead: rows down, columns to the right. */
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

/** The rows of the table with their cells: gone through by keys, changed in place, chosen, put in order by hand. */
@Component({
  selector: 'pl-table-grid',
  imports: [BinActs, CellEditor, DragDropModule, Icon, RouterLink, ScrollingModule, TableHead, TotalsRow],
  providers: [HandOrder],
  host: { role: 'grid', '[attr.aria-label]': 'kind().many', '[attr.aria-rowcount]': 'total() + 1' },
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './table-grid.html',
  styleUrl: './table-grid.scss',
})
export class TableGrid {
  readonly kind = input.required<Kind>();
  readonly source = input.required<TableSource>();
  readonly question = input.required<TableQuestion>();
  readonly selection = input.required<RowSelection>();
  /** The listing whose form is open beside the table; undefined for none. */
  readonly open = input<string>();
  readonly showsTotals = input.required<boolean>();
  /** Shows the table anew; also run when a change is undone after the table was left. */
  readonly reload = input.required<() => void>();
  /** A row is to be opened in its form. */
  readonly opened = output<{ readonly id: number; readonly at: number }>();

  private readonly api = inject(CatalogApi);
  private readonly application = inject(ApplicationRef);
  private readonly injector = inject(Injector);
  private readonly askForValue = inject(AskForValue);
  private readonly notices = inject(Notices);
  private readonly clipboard = inject(CellClipboard);
  private readonly viewport = viewChild(CdkVirtualScrollViewport);
  private readonly head = viewChild(TableHead);
  private readonly totals = viewChild(TotalsRow);
  protected readonly layout = inject(TableLayout);
  protected readonly context = inject(Reading).context;
  private readonly handOrder = inject(HandOrder);
  protected readonly drag = this.handOrder.drag;
  protected readonly range = new CellRange();
  protected readonly rowHeightPx = 40;
  private readonly editing = signal<{ readonly id: number; readonly key: string; readonly typed: string } | null>(null);
  /** Whether a cell is being changed. */
  readonly isEditing = computed(() => this.editing() !== null);
  protected readonly typed = computed(() => this.editing()?.typed ?? '');
  protected readonly total = computed(() => this.source().total());
  protected readonly indexes = computed(() => Array.from({ length: this.total() }, (_, index) => index));
  protected readonly isHandOrder = computed(() => this.question().isHandOrder());
  /** Texts of cells, made anew when fields or the site's locale change. */
  private readonly texts = computed(() => (this.layout.offered(), new CellTexts(this.context().formats)));

  constructor() {
    effect(() => {
      this.source();
      this.range.clear();
    });
  }

  /**
   * Keeps the header over its columns, whichever of the two is scrolled (the header is when the focus goes along it);
   * listened to past Angular, which would check all rows at each step.
   */
  private readonly slide = effect((onCleanup) => {
    const [viewport, head] = [this.viewport()?.elementRef.nativeElement, this.head()?.element];
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

  /** Asks for the rows that are in view. */
  needShown(): void {
    const range = this.viewport()?.getRenderedRange();
    if (range) this.source().need(range.start, range.end);
  }

  /** Begins anew at the first row, as another question is asked. */
  toTop(): void {
    this.editing.set(null);
    this.range.clear();
    this.viewport()?.scrollToIndex(0);
  }

  /** Gives up the chosen range; false where there is none. */
  clearRange(): boolean {
    if (!this.range.bounds()) return false;
    this.range.clear();
    return true;
  }

  showRow(index: number): void {
    this.viewport()?.scrollToIndex(Math.max(0, index - ROWS_ABOVE));
  }

  focusTitle(listing: Listing): void {
    this.focusCell(listing, TITLE);
  }

  protected listingAt(index: number): Listing | undefined {
    this.source().revision();
    return this.source().rowAt(index);
  }

  protected shown(column: TableColumn, listing: Listing): string {
    return this.texts().of(listing, column);
  }

  protected isEdited(listing: Listing, column: TableColumn): boolean {
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
    const focus = (): void => this.cell(listing, column)?.focus({ preventScroll: true });
    afterNextRender({ read: focus }, { injector: this.injector });
  }

  private cell(listing: Listing, column: TableColumn): HTMLElement | null {
    return document.getElementById(this.cellId(listing, column));
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
    const [source, reload] = [this.source(), this.reload()];
    const shown = ({ result }: Changed<Listing>): void => (moves ? reload() : source.put(result));
    const sent = this.api.changeListing(listing, input).pipe(tap({ next: shown, error: reload }));
    this.notices.tell(sent, sentence, reload);
  }

  protected pagePath(listing: Listing): string {
    return listingPath(this.kind(), listing);
  }

  protected toggleRow(index: number, event: MouseEvent): void {
    this.selection().toggle(index, event.shiftKey, (at) => this.source().rowAt(at)?.id);
  }

  /** Chooses everything that the table shows, also what was not scrolled to yet; or nothing. */
  protected async toggleAll(): Promise<void> {
    const selection = this.selection();
    if (selection.size() > 0) return selection.clear();
    selection.choose(await this.source().allIds());
  }

  /**
   * Arrows lead from cell to cell, with Shift they choose a range, with Alt they move the row; Delete empties, a letter
   * begins to type.
   */
  protected key(event: KeyboardEvent, index: number, at: number): void {
    const [listing, column] = [this.source().rowAt(index), this.layout.columns()[at]];
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
      this.opened.emit({ id: listing.id, at: index });
    } else if (event.key === 'Delete' && this.range.bounds()) {
      event.preventDefault();
      this.clipboard.empty(this.range.bounds()!, this.clipboardScene());
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
    const size = { rows: this.total(), columns: this.layout.columns().length };
    const end = this.range.extendBy(down, right, size);
    const listing = end && this.source().rowAt(end.row);
    if (!end || !listing) return;
    const cell = this.cell(listing, this.layout.columns()[end.column]!);
    if (cell) cell.scrollIntoView({ block: 'nearest', inline: 'nearest' });
    else this.showRow(end.row);
  }

  private goTo(index: number, at: number): void {
    const [listing, column] = [this.source().rowAt(index), this.layout.columns()[at]];
    if (!listing || !column) return;
    const cell = this.cell(listing, column);
    if (cell) cell.focus();
    else this.showRow(index);
  }

  protected paste(event: ClipboardEvent, row: number, column: number): void {
    if (!this.isEditing()) this.clipboard.paste(event, { row, column }, this.range.bounds(), this.clipboardScene());
  }

  protected copy(event: ClipboardEvent, row: number, column: number): void {
    if (!this.isEditing()) this.clipboard.copy(event, { row, column }, this.range.bounds(), this.clipboardScene());
  }

  /** A click with Shift leads the range to a cell; any other one begins it there, and changes the cell. */
  protected click(event: MouseEvent, listing: Listing, row: number, column: number): void {
    if (event.shiftKey) return this.range.extendTo({ row, column });
    this.range.start({ row, column });
    this.edit(listing, this.layout.columns()[column]!);
  }

  private clipboardScene(): ClipboardScene {
    const [source, reload] = [this.source(), this.reload()];
    return {
      ...{ kindId: this.kind().id, columns: this.layout.columns(), context: this.context() },
      rowAt: (index) => source.rowAt(index),
      done: reload,
    };
  }

  protected dragOver(move: CdkDragMove): void {
    const viewport = this.viewport();
    if (viewport) this.handOrder.dragOver(move, viewport, this.rowHeightPx, this.total());
  }

  protected dragEnd(): void {
    this.handOrder.drop(this.orderScene());
  }

  private moveRow(event: Event, listing: Listing, index: number, down: number): void {
    event.preventDefault();
    this.handOrder.step(listing, index, down, this.orderScene());
  }

  private orderScene(): HandOrderScene {
    const [source, reload] = [this.source(), this.reload()];
    const moved = (listing: Listing): void => {
      reload();
      this.focusTitle(listing);
    };
    return { source, reload, moved };
  }
}
