import type { Catalog } from '@plindo/core/catalog';
import { Turns } from '../store/index.js';
import type { Store, ViewsOfDay } from '../store/index.js';

/** "In 30 days": on a day and the 29 before it. */
export const DAYS_OF_VIEWS = 30;

/** Keeps the views of the catalogs in step with the store: what this process counts at once, all the rest by reading it. */
export class ViewCounts {
  /** What is read and what is added meanwhile would count twice. */
  private readonly turns = new Turns();
  private day = NaN;

  constructor(
    private readonly store: Store,
    private readonly catalogs: () => readonly Catalog[],
    private readonly today: () => number,
  ) {}

  /** Of a catalog that was just built. */
  read(catalog: Catalog): Promise<void> {
    return this.turns.take(() => this.readNow(catalog));
  }

  /** Of all catalogs: when a day is over, and for what other nodes have counted. */
  readAll(): Promise<void> {
    return this.turns.take(() => this.readAllNow());
  }

  /** Writes what was counted, then shows it. */
  add(counted: readonly ViewsOfDay[]): Promise<void> {
    return this.turns.take(async () => {
      await this.store.views.add(counted);
      if (this.today() !== this.day) return this.readAllNow();
      const byKind = new Map(this.catalogs().map((catalog) => [catalog.kind.id, catalog]));
      for (const { kindId, listingId, views } of counted) byKind.get(kindId)?.addViews(listingId, views);
    });
  }

  private async readAllNow(): Promise<void> {
    this.day = this.today();
    for (const catalog of this.catalogs()) await this.readNow(catalog);
  }

  private async readNow(catalog: Catalog): Promise<void> {
    const views = await this.store.views.since(catalog.kind.id, this.today() - DAYS_OF_VIEWS + 1);
    catalog.takeViews((id) => views.get(id) ?? 0);
  }
}
