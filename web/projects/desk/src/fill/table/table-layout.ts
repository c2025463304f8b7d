import { Injectable, computed, inject, signal } from '@angular/core';
import { CatalogApi } from '@plindo/api';
import type { KeptTable, TableAsk, TableView } from '@plindo/core/contract';
import type { Kind } from '@plindo/core/structure';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';
import type { TableColumn } from './table-columns';
import { BINNED, TITLE, columnsOf } from './table-columns';

const NOTHING_KEPT: KeptTable = { columns: null, frozen: [], views: [] };
/** Width of the cells that every row has: to choose it, its star, its acts. */
const FIXED_PX = 56 + 64 + 190;

/** A shown column, and where it stays when the table is scrolled sideways; null when it moves along. */
export interface ShownColumn extends TableColumn {
  readonly stickyPx: number | null;
}

/** Which columns a table shows, which of them stay in view, and its named views; kept on the server for each person. */
@Injectable()
export class TableLayout {
  private readonly api = inject(CatalogApi);
  private readonly notices = inject(Notices);
  private readonly reading = inject(Reading);
  private readonly kind = signal<Kind | undefined>(undefined);
  private readonly kept = signal<KeptTable>(NOTHING_KEPT);
  private readonly showsBin = signal(false);

  /** All columns that there could be. */
  readonly offered = computed((): readonly TableColumn[] => {
    const kind = this.kind();
    return kind ? columnsOf(kind, this.reading.context().zone) : [];
  });
  readonly shownKeys = computed(
    () =>
      this.kept().columns ??
      this.offered()
        .filter(({ field }) => field.inTable)
        .map(({ field }) => field.key),
  );
  readonly frozenKeys = computed(() => this.kept().frozen.filter((key) => this.shownKeys().includes(key)));
  readonly views = computed(() => this.kept().views);
  /** The shown columns: the title, then those that stay in view beside it, then the others. */
  readonly columns = computed((): readonly ShownColumn[] => {
    const byKey = new Map(this.offered().map((column) => [column.field.key, column]));
    const frozen = this.frozenKeys();
    const moving = this.shownKeys().filter((key) => !frozen.includes(key));
    let stickyPx = TITLE.widthPx;
    const stays = frozen.flatMap((key): ShownColumn[] => {
      const column = byKey.get(key);
      if (!column) return [];
      const shown = { ...column, stickyPx };
      stickyPx += column.widthPx;
      return [shown];
    });
    const moves = [...(this.showsBin() ? [BINNED] : []), ...moving.flatMap((key) => byKey.get(key) ?? [])];
    return [{ ...TITLE, stickyPx: 0 }, ...stays, ...moves.map((column) => ({ ...column, stickyPx: null }))];
  });
  readonly widthPx = computed(() => this.columns().reduce((sum, { widthPx }) => sum + widthPx, FIXED_PX));

  /** Begins with a kind, or with another state of the same. */
  show(kind: Kind): void {
    const isOther = this.kind()?.id !== kind.id;
    this.kind.set(kind);
    if (!isOther) return;
    this.kept.set(NOTHING_KEPT);
    this.api.table(kind.id).subscribe({
      next: (kept) => this.kept.set(kept),
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  showBin(isBin: boolean): void {
    this.showsBin.set(isBin);
  }

  setColumns(columns: readonly string[]): void {
    this.keep({ columns });
  }

  setFrozen(frozen: readonly string[]): void {
    this.keep({ frozen });
  }

  keepView(name: string, ask: TableAsk): void {
    const view: TableView = { name, columns: this.shownKeys(), frozen: this.frozenKeys(), ask };
    this.keep({ views: [...this.views().filter((other) => other.name !== name), view] });
  }

  removeView({ name }: TableView): void {
    this.keep({ views: this.views().filter((other) => other.name !== name) });
  }

  choose({ columns, frozen }: TableView): void {
    this.keep({ columns, frozen });
  }

  private keep(changed: Partial<KeptTable>): void {
    const kind = this.kind();
    this.kept.update((kept) => ({ ...kept, ...changed }));
    if (kind) {
      this.api.keepTable(kind.id, this.kept()).subscribe({ error: (error: unknown) => this.notices.refused(error) });
    }
  }
}
