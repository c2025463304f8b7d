import { computed, signal } from '@angular/core';
import { FIRST_ASK } from '@plindo/api';
import type { TableAsk } from '@plindo/core/contract';
import type { Status } from '@plindo/core/listings';
import type { TableFilter } from '@plindo/core/query';
import { areTableFilters } from '@plindo/core/query';
import type { OrderSubject } from '@plindo/core/structure';
import type { TableColumn } from './table-columns';
import { filterSubject } from './table-filters';

const TYPING_PAUSE_IN_MS = 200;

/** What somebody asks of the table: words, status, filters on columns, and the order. */
export class TableQuestion {
  readonly ask = signal(FIRST_ASK);
  /** Whether rows stand in the order that dragging writes. */
  readonly isHandOrder = computed(() => this.ask().sort === '@handOrder' && this.ask().direction === 'up');
  private typing: ReturnType<typeof setTimeout> | undefined;

  /** `asked` is told whenever something else is asked. */
  constructor(private readonly asked: (ask: TableAsk) => void) {}

  /** Begins anew, with the filters that an address names as JSON; those of another form count for none. */
  begin(filters: string | undefined): TableAsk {
    clearTimeout(this.typing);
    const ask = { ...FIRST_ASK, filters: filtersOf(filters) };
    this.ask.set(ask);
    return ask;
  }

  change(changed: Partial<TableAsk>): void {
    this.ask.update((ask) => ({ ...ask, ...changed }));
    this.asked(this.ask());
  }

  /** The words to be found, as they are typed. */
  find(text: string): void {
    clearTimeout(this.typing);
    this.typing = setTimeout(() => this.change({ text: text.trim() }), TYPING_PAUSE_IN_MS);
  }

  /** '' shows all but the bin. */
  showStatus(status: string): void {
    this.change({ status: status === '' ? null : (status as Status) });
  }

  /** Sorts by something; asked again for the same, the other way round. */
  sortBy(by: OrderSubject | null): void {
    if (!by) return;
    const { sort, direction } = this.ask();
    this.change({ sort: by, direction: sort === by && direction === 'up' ? 'down' : 'up' });
  }

  ariaSort(by: OrderSubject | null): 'ascending' | 'descending' | null {
    if (this.ask().sort !== by) return null;
    return this.ask().direction === 'up' ? 'ascending' : 'descending';
  }

  filterOf(column: TableColumn): TableFilter | null {
    return this.ask().filters.find(({ by }) => by === filterSubject(column)) ?? null;
  }

  /** Narrows the table by a column; null takes its filter off. */
  setFilter(column: TableColumn, filter: TableFilter | null): void {
    const others = this.ask().filters.filter(({ by }) => by !== filterSubject(column));
    this.change({ filters: filter ? [...others, filter] : others });
  }

  takeOff(filter: TableFilter): void {
    this.change({ filters: this.ask().filters.filter((other) => other !== filter) });
  }
}

function filtersOf(text: string | undefined): readonly TableFilter[] {
  try {
    const filters: unknown = JSON.parse(text ?? '[]');
    return areTableFilters(filters) ? filters : [];
  } catch {
    return [];
  }
}
