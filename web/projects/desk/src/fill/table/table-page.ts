import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { Router } from '@angular/router';
import { CatalogApi, FIRST_ASK, sentenceOf } from '@plindo/api';
import type { TableAsk, TableView } from '@plindo/core/contract';
import { STATUSES, STATUS_LABELS } from '@plindo/core/listings';
import { Icon } from '@plindo/listing-view';
import { debounceTime, filter } from 'rxjs';
import { DeskEvents, OTHERS_PAUSE_IN_MS } from '../../shared/desk-events';
import { KindList } from '../../shared/kind-list';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';
import { UndoStack } from '../../shared/undo-stack';
import { FormPage } from '../form/form-page';
import { TableMemory } from '../table-memory';
import { BinActs } from './bin-acts';
import { BulkBar } from './bulk-bar';
import { ColumnChooser } from './column-chooser';
import { FileMenu } from './file-menu';
import type { ReplaceData, Replaced } from './replace-dialog';
import { RowSelection } from './row-selection';
import { TITLE } from './table-columns';
import { filterSentence, filterSubject } from './table-filters';
import { TableGrid } from './table-grid';
import { TableLayout } from './table-layout';
import { TableQuestion } from './table-question';
import { TableSource } from './table-source';
import { ViewTabs } from './view-tabs';

/** All listings of a kind: found by words, status and columns, in kept views, with what can be done about many and a form beside them. */
@Component({
  selector: 'pl-table-page',
  imports: [BinActs, BulkBar, ColumnChooser, FileMenu, FormPage, Icon, KindList, MatButtonModule, TableGrid, ViewTabs],
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
  private readonly memory = inject(TableMemory);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);
  private readonly store = inject(KindsStore);
  private readonly undoStack = inject(UndoStack);
  private readonly dialogs = inject(MatDialog);
  private readonly form = viewChild(FormPage);
  private readonly grid = viewChild(TableGrid);
  protected readonly layout = inject(TableLayout);

  protected readonly statuses = STATUSES;
  protected readonly statusLabels = STATUS_LABELS;
  protected readonly reading = inject(Reading);
  protected readonly context = this.reading.context;
  protected readonly kind = this.store.kindOf(this.kindId);
  protected readonly isChoosing = signal(false);
  protected readonly selection = new RowSelection();
  protected readonly showsTotals = signal(false);
  /** Name of the kept view that is shown; null for none. */
  protected readonly view = signal<string | null>(null);
  protected readonly question = new TableQuestion((ask) => this.showAnswer(ask));
  protected readonly ask = this.question.ask;
  /** Whether others have changed something that isn't shown yet. */
  private isBehind = false;
  private readonly isEditing = computed(() => this.grid()?.isEditing() ?? false);
  protected readonly source = signal<TableSource | null>(null);
  protected readonly failure = computed(() => {
    const failed = this.source()?.failed();
    return failed ? sentenceOf(failed) : '';
  });
  protected readonly chips = computed(() =>
    this.ask().filters.flatMap((filter) => {
      const column = [TITLE, ...this.layout.offered()].find((one) => filterSubject(one) === filter.by);
      return column ? [{ filter, sentence: filterSentence(filter, column) }] : [];
    }),
  );

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
      if (!this.isEditing() && this.isBehind) untracked(() => this.refresh());
    });
    inject(DeskEvents)
      .changes.pipe(
        filter(({ kinds }) => kinds.includes(Number(this.kindId()))),
        debounceTime(OTHERS_PAUSE_IN_MS),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.refresh());
  }

  protected show(status: string): void {
    this.layout.showBin(status === 'binned');
    this.question.showStatus(status);
  }

  protected openForm(id: number, at: number): void {
    const isOpen = this.open() !== undefined;
    void this.router.navigate(['/fill', this.kindId()], { queryParams: { open: id, at }, replaceUrl: isOpen });
    this.grid()?.showRow(at);
  }

  protected closeForm(): void {
    const listing = this.source()?.rowAt(Number(this.at() ?? 0));
    void this.router.navigate(['/fill', this.kindId()]);
    if (listing) this.grid()?.focusTitle(listing);
  }

  /** What lies over the page, or a cell that is changed, takes the key first. */
  protected escape(event: Event): void {
    const isTaken = event.defaultPrevented || this.isEditing() || this.dialogs.openDialogs.length > 0;
    if (isTaken) return;
    if (!this.grid()?.clearRange() && this.open() !== undefined) this.form()?.close();
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

  protected bulkDone(): void {
    this.selection.clear();
    this.reload();
  }

  /** Shows the answer to another question, from the first row on. */
  private showAnswer(ask: TableAsk): void {
    this.memory.remember(Number(this.kindId()), ask);
    this.source()?.restart(ask);
    this.grid()?.toTop();
  }

  protected readonly reloading = (): void => this.reload();

  /** Shows what others have changed where the table stands, after the cell that is being changed here. */
  private refresh(): void {
    this.isBehind = this.isEditing();
    if (this.isBehind) return;
    this.source()?.restart();
    this.grid()?.needShown();
  }

  protected reload(): void {
    this.source()?.restart();
    this.grid()?.needShown();
    void this.store.reload();
  }
}
