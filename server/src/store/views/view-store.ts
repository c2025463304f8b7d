import type { Transaction } from 'sequelize';
import { QueryTypes } from 'sequelize';
import type { CountedThing, DayOfKind, ListingViews, ThingTimes } from '@plindo/core/learn';
import type { Dialect } from '../dialect.js';
import type { Models } from '../models.js';
import type { OfDay } from './count-table.js';
import { CountTable } from './count-table.js';

/** How often the page of a listing was looked at on a day of the site. */
export interface ViewsOfDay extends OfDay {
  readonly kindId: number;
  readonly listingId: number;
  readonly views: number;
}

/** How often something else of visits was counted on a day of the site. */
export interface TimesOfDay extends CountedThing, OfDay {
  readonly times: number;
}

/** Days of the site, both in. */
interface Days {
  readonly from: number;
  readonly to: number;
}

type InTransaction = <T>(work: (transaction: Transaction) => Promise<T>) => Promise<T>;

/** Keeps how often the pages of listings were looked at, and what else of visits is counted. Several nodes add up. */
export class ViewStore {
  private readonly views: CountTable<ViewsOfDay>;
  private readonly times: CountTable<TimesOfDay>;

  constructor(
    private readonly dialect: Dialect,
    models: Models,
    private readonly brief: InTransaction,
  ) {
    this.views = new CountTable(dialect, models, {
      ...{ model: 'listingViews', table: 'listing_views', count: 'views' },
      ...{ columns: ['day', 'listingId', 'kindId', 'views'], key: ['day', 'listingId'] },
    });
    this.times = new CountTable(dialect, models, {
      ...{ model: 'visitCounts', table: 'visit_counts', count: 'times' },
      ...{ columns: ['day', 'what', 'about', 'detail', 'times'], key: ['day', 'what', 'about', 'detail'] },
    });
  }

  /** Adds to what is kept, all or nothing. */
  async add(views: readonly ViewsOfDay[], times: readonly TimesOfDay[] = []): Promise<void> {
    if (views.length === 0 && times.length === 0) return;
    await this.brief(async (transaction) => {
      await this.views.add(views, transaction);
      await this.times.add([...times, ...viewsOfKinds(views)], transaction);
    });
  }

  /** How often each listing of a kind was looked at from a day on, by its id; those that were not are left out. */
  async since(kindId: number, day: number): Promise<Map<number, number>> {
    const rows = await this.ask<{ id: number; views: number | string }>(
      'SELECT "listingId" AS id, SUM("views") AS views FROM listing_views ' +
        'WHERE "kindId" = :kindId AND "day" >= :day GROUP BY "listingId"',
      { kindId, day },
    );
    return new Map(rows.map(({ id, views }) => [Number(id), Number(views)]));
  }

  /** How often each listing was looked at in some days and in others; those that never were are left out. */
  async ofListings(now: Days, before: Days): Promise<ListingViews[]> {
    const rows = await this.ask<Record<keyof ListingViews, number | string>>(
      `SELECT "listingId", MAX("kindId") AS "kindId", ${sumsOf('views', now, before)} FROM listing_views ` +
        `WHERE ${within(now, before)} GROUP BY "listingId"`,
      {},
    );
    return rows.map((row) => ({
      ...{ listingId: Number(row.listingId), kindId: Number(row.kindId) },
      ...{ now: Number(row.now), before: Number(row.before) },
    }));
  }

  /** How often the listings of each kind were looked at on each of some days. */
  async ofKinds(days: Days): Promise<DayOfKind[]> {
    const rows = await this.ask<{ day: number; about: string; times: number }>(
      `SELECT "day", "about", "times" FROM visit_counts WHERE "what" = 'views' AND "day" BETWEEN :from AND :to`,
      { ...days },
    );
    return rows.map(({ day, about, times }) => ({ day: Number(day), kindId: Number(about), views: Number(times) }));
  }

  /** How often one listing was looked at on each of some days. */
  async ofListing(listingId: number, days: Days): Promise<DayOfKind[]> {
    const rows = await this.ask<Record<'day' | 'kindId' | 'views', number | string>>(
      'SELECT "day", "kindId", "views" FROM listing_views WHERE "day" BETWEEN :from AND :to AND "listingId" = :listingId',
      { ...days, listingId },
    );
    return rows.map(({ day, kindId, views }) => ({
      ...{ day: Number(day), kindId: Number(kindId), views: Number(views) },
    }));
  }

  /** What else was counted in some days and in others, each added up. */
  async timesIn(now: Days, before: Days): Promise<ThingTimes[]> {
    const rows = await this.ask<CountedThing & Record<'now' | 'before', number | string>>(
      `SELECT "what", "about", "detail", ${sumsOf('times', now, before)} FROM visit_counts ` +
        `WHERE "what" <> 'views' AND ${within(now, before)} GROUP BY "what", "about", "detail"`,
      {},
    );
    return rows.map((row) => ({ ...row, now: Number(row.now), before: Number(row.before) }));
  }

  /** The first day of which anything is kept; null for nothing at all. */
  async firstDay(): Promise<number | null> {
    const [row] = await this.ask<{ day: number | null }>('SELECT MIN("day") AS "day" FROM visit_counts', {});
    return row?.day == null ? null : Number(row.day);
  }

  /** Adds up days before a day by months: `monthOf` gives the first day of the month of a day. */
  async rollUp(before: number, monthOf: (day: number) => number): Promise<void> {
    await this.views.rollUp(before, monthOf, this.brief);
    await this.times.rollUp(before, monthOf, this.brief);
  }

  /** Forgets all that was counted. */
  async erase(): Promise<void> {
    await this.brief(async (transaction) => {
      await this.views.erase(transaction);
      await this.times.erase(transaction);
    });
  }

  private ask<Row extends object>(select: string, replacements: Record<string, number>): Promise<Row[]> {
    return this.dialect.sequelize.query<Row>(select, { replacements, type: QueryTypes.SELECT });
  }
}

/** From so many days on an index is read whole, in the order of what is added up, rather than day by day. */
const MANY_DAYS = 120;

function sumsOf(column: string, now: Days, before: Days): string {
  const sum = (days: Days): string => `SUM(CASE WHEN ${isIn(days)} THEN "${column}" ELSE 0 END)`;
  return `${sum(now)} AS "now", ${sum(before)} AS "before"`;
}

/** The condition that a row is of one of two times. The plus keeps a database from going by the day. */
function within(now: Days, before: Days): string {
  const isMany = now.to - now.from + before.to - before.from > MANY_DAYS;
  if (before.to + 1 === now.from) return isIn({ from: before.from, to: now.to }, isMany);
  return `(${isIn(now, isMany)} OR ${isIn(before, isMany)})`;
}

function isIn({ from, to }: Days, isMany = false): string {
  return `${isMany ? '+' : ''}"day" BETWEEN ${Number(from)} AND ${Number(to)}`;
}

/** The views of the listings of each kind, which stand in one table with all else that is counted. */
function viewsOfKinds(views: readonly ViewsOfDay[]): TimesOfDay[] {
  const sums = new Map<string, TimesOfDay>();
  for (const { day, kindId, views: count } of views) {
    const key = `${day} ${kindId}`;
    const times = count + (sums.get(key)?.times ?? 0);
    sums.set(key, { day, what: 'views', about: String(kindId), detail: '', times });
  }
  return [...sums.values()];
}
