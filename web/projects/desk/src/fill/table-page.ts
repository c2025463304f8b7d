import { CdkVirtualScrollViewport, ScrollingModule } from '@angular/cdk/scrolling';
import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, viewChild } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { CatalogApi, sentenceOf } from '@plindo/api';
import type { Listing, ListingInput, Status } from '@plindo/core/listings';
import { STATUSES, STATUS_LABELS } from '@plindo/core/listings';
import { listingPath } from '@plindo/core/page';
import type { Kind, OrderSubject } from '@plindo/core/structure';
import { fieldType } from '@plindo/core/structure';
import { Icon } from '@plindo/listing-view';
import { KindList } from '../shared/kind-list';
import { KindsStore } from '../shared/kinds-store';
import { Notices } from '../shared/notices';
import { Reading } from '../shared/reading';
import type { TableColumn } from './built-in-fields';
import { HAND_ORDER, STATUS, TITLE, fieldColumns } from './built-in-fields';
import type { Onward } from './cell-editor';
import { CellEditor } from './cell-editor';
import { TableMemory } from './table-memory';
import { TableSource } from './table-source';

const TYPING_PAUSE_IN_MS = 200;

/** All listings of a kind: sorted by any column, changed in place. */
@Component({
  selector: 'pl-table-page',
  imports: [CellEditor, Icon, KindList, MatButtonModule, RouterLink, ScrollingModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './table-page.html',
  styleUrl: './table-page.scss',
})
export class TablePage {
  /** From the address. */
  readonly kindId = input.required<string>();

  private readonly api = inject(CatalogApi);
  private readonly memory = inject(TableMemory);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);
  private readonly store = inject(KindsStore);
  private readonly viewport = viewChild(CdkVirtualScrollViewport);
  private readonly head = viewChild<ElementRef<HTMLElement>>('head');

  protected readonly rowHeightPx = 40;
  protected readonly statuses = STATUSES;
  protected readonly statusLabels = STATUS_LABELS;
  protected readonly context = inject(Reading).context;
  protected readonly kind = this.store.kindOf(this.kindId);
  protected readonly columns = computed((): readonly TableColumn[] => {
    const kind = this.kind();
    return kind ? [HAND_ORDER, ...fieldColumns(kind), STATUS] : [];
  });
  protected readonly widthPx = computed(() =>
    this.columns().reduce((sum, { widthPx }) => sum + widthPx, TITLE.widthPx + 64 + 150),
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
