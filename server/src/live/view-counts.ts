import type { Catalog } from '@plindo/core/catalog';
import { Turns } from '../store/index.js';
import type { Store, TimesOfDay, ViewsOfDay } from '../store/index.js';

/** "In 30 days": on a day and the 29 before it. */
const DAYS_OF_VIEWS = 30;

/** Keeps the views of the catalogs in step with the store: what this process counts at once, all the rest by reading it. */
export class ViewCounts {
  /** What is read and what is added meanwhile would count twice. */
  private readonly turns = new Turns();
  /** The last of the days that all catalogs tell of. */
  private day = NaN;

  constructor(
    private readonly store: Store,
    private readonly catalogs: () => readonly Catalog[],
    private readonly today: () => number,
  ) {}

  /** Of a catalog that was just built. */
  read(catalog: Catalog): Promise<void> {
    return this.turns.take(async () => {
      // All are built at the start; later, those that are not told of another day yet wait for it.
      if (Number.isNaN(this.day)) this.day = this.today();
      await this.readNow(catalog);
    });
  }

  /** Of all catalogs when a day is over, as another one is a month ago then. */
  follow(): Promise<void> {
    return this.turns.take(() => this.followNow());
  }

  /** Of all catalogs, for what other nodes have counted. */
  readAll(): Promise<void> {
    return this.turns.take(() => this.readAllNow());
  }

  /** Writes what was counted, then shows it. */
  add(counted: readonly ViewsOfDay[], times: readonly TimesOfDay[]): Promise<void> {
    return this.turns.take(async () => {
      await this.store.views.add(counted, times);
      const byKind = new Map(this.catalogs().map((catalog) => [catalog.kind.id, catalog]));
      const first = this.firstDay();
      for (const { day, kindId, listingId, views } of counted) {
        if (day >= first) byKind.get(kindId)?.addViews(listingId, views);
      }
      await this.followNow();
    });
  }

  private async followNow(): Promise<void> {
    if (this.today() !== this.day) await this.readAllNow();
  }

  /** The first day that counts today. */
  private firstDay(): number {
    return this.today() - DAYS_OF_VIEWS + 1;
  }

  private async readAllNow(): Promise<void> {
    this.day = this.today();
    for (const catalog of this.catalogs()) await this.readNow(catalog);
  }

  private async readNow(catalog: Catalog): Promise<void> {
    const views = await this.store.views.since(catalog.kind.id, this.firstDay());
    catalog.takeViews((id) => views.get(id) ?? 0);
  }
}
