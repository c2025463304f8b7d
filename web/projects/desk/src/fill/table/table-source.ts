import { signal } from '@angular/core';
import type { CatalogApi } from '@plindo/api';
import type { ListingsWindow, TableAsk } from '@plindo/core/contract';
import type { Listing } from '@plindo/core/listings';
import type { Subscription } from 'rxjs';
import { firstValueFrom } from 'rxjs';

const WINDOW = 100;
const ROWS_AT_ONCE = 500;

/** The rows of a long table, fetched in windows as they come into view. */
export class TableSource {
  readonly total = signal(0);
  /** Goes up when rows have come in. */
  readonly revision = signal(0);
  readonly failed = signal<unknown>(null);
  readonly loaded = signal(false);
  private readonly rows = new Map<number, Listing>();
  private readonly asked = new Map<number, Subscription>();
  /** Whether the rows are those of before the last restart. */
  private isStale = false;

  constructor(
    private readonly api: CatalogApi,
    private readonly kindId: number,
    private ask: TableAsk,
  ) {}

  /** Begins anew with another question; the old rows stay in view until the first new ones are there. */
  restart(ask: TableAsk = this.ask): void {
    this.ask = ask;
    for (const request of this.asked.values()) request.unsubscribe();
    this.asked.clear();
    this.isStale = true;
    this.need(0, WINDOW);
  }

  rowAt(index: number): Listing | undefined {
    return this.rows.get(index);
  }

  /** Makes sure that the rows from `start` up to `end` are there or on their way. */
  need(start: number, end: number): void {
    for (let window = Math.floor(start / WINDOW); window * WINDOW < end; window++) {
      if (!this.asked.has(window)) this.fetch(window);
    }
  }

  /** Puts a changed listing in the place of its old state. */
  put(listing: Listing): void {
    for (const [index, row] of this.rows) if (row.id === listing.id) this.rows.set(index, listing);
    this.revision.update((count) => count + 1);
  }

  /** The ids of all rows, also of those that were not fetched yet. */
  async allIds(): Promise<number[]> {
    const ids: number[] = [];
    for await (const { listings } of this.allRows()) ids.push(...listings.map(({ id }) => id));
    return ids;
  }

  /** All rows in their order, some at a time. */
  async *allRows(): AsyncGenerator<ListingsWindow> {
    for (let offset = 0; ; offset += ROWS_AT_ONCE) {
      const ask = { ...this.ask, offset, limit: ROWS_AT_ONCE };
      const window = await firstValueFrom(this.api.listings(this.kindId, ask));
      yield window;
      if (offset + ROWS_AT_ONCE >= window.total) return;
    }
  }

  private fetch(window: number): void {
    const request = this.api.listings(this.kindId, { ...this.ask, offset: window * WINDOW, limit: WINDOW }).subscribe({
      next: ({ total, offset, listings }) => {
        if (this.isStale) this.rows.clear();
        this.isStale = false;
        listings.forEach((listing, at) => this.rows.set(offset + at, listing));
        this.total.set(total);
        this.failed.set(null);
        this.loaded.set(true);
        this.revision.update((count) => count + 1);
      },
      error: (error: unknown) => {
        this.asked.delete(window);
        this.failed.set(error);
      },
    });
    this.asked.set(window, request);
  }
}
