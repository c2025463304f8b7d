import type { Transaction } from 'sequelize';
import { Op, QueryTypes } from 'sequelize';
import type { Dialect } from '../dialect.js';
import type { Models } from '../models.js';

/** How often the page of a listing was looked at on a day of the site, told by its number (`dayNumberAt`). */
export interface ViewsOfDay {
  readonly day: number;
  readonly kindId: number;
  readonly listingId: number;
  readonly views: number;
}

/** So many are written with one statement; SQLite takes 32,766 values in one. */
const ROWS_A_STATEMENT = 1000;

/** Keeps how often the pages of listings were looked at. What it keeps is no change of records and stands in no log. */
export class ViewStore {
  constructor(
    private readonly dialect: Dialect,
    private readonly models: Models,
    private readonly brief: <T>(work: (transaction: Transaction) => Promise<T>) => Promise<T>,
  ) {}

  /** Adds to what is kept, all or nothing; several nodes add up. */
  async add(counted: readonly ViewsOfDay[]): Promise<void> {
    if (counted.length === 0) return;
    await this.brief((transaction) => this.addIn(counted, transaction));
  }

  /** How often each listing of a kind was looked at from a day on, by its id; those that were not are left out. */
  async since(kindId: number, day: number): Promise<Map<number, number>> {
    const sums =
      'SELECT "listingId" AS id, SUM("views") AS views FROM listing_views ' +
      'WHERE "kindId" = :kindId AND "day" >= :day GROUP BY "listingId"';
    const rows = await this.dialect.sequelize.query<{ id: number; views: number | string }>(sums, {
      ...{ replacements: { kindId, day }, type: QueryTypes.SELECT },
    });
    return new Map(rows.map(({ id, views }) => [Number(id), Number(views)]));
  }

  /** Adds up days before a day by months: `monthOf` gives the first day of the month of a day. */
  async rollUp(before: number, monthOf: (day: number) => number): Promise<void> {
    const days = await this.daysBefore(before);
    for (const day of days.filter((one) => monthOf(one) !== one)) {
      await this.brief(async (transaction) => {
        // Another node that does the same waits here, and then finds none.
        const rows = await this.models.listingViews.findAll({
          where: { day },
          raw: true,
          transaction,
          lock: transaction.LOCK.UPDATE,
        });
        const moved = (rows as unknown as ViewsOfDay[]).map((row) => ({ ...row, day: monthOf(day) }));
        await this.addIn(moved, transaction);
        await this.models.listingViews.destroy({ where: { day }, transaction });
      });
    }
  }

  /** Forgets all that was counted. */
  async erase(): Promise<void> {
    await this.brief((transaction) => this.models.listingViews.destroy({ where: {}, transaction }));
  }

  private async addIn(counted: readonly ViewsOfDay[], transaction: Transaction): Promise<void> {
    for (let at = 0; at < counted.length; at += ROWS_A_STATEMENT) {
      // Always in the same order: two nodes that add to the same rows never wait for each other.
      const rows = [...counted.slice(at, at + ROWS_A_STATEMENT)].sort(
        (a, b) => a.day - b.day || a.listingId - b.listingId,
      );
      const values = rows.map(
        ({ day, listingId, kindId, views }) => `(${[day, listingId, kindId, views].map(Number).join()})`,
      );
      await this.dialect.sequelize.query(
        `INSERT INTO listing_views ("day", "listingId", "kindId", "views") VALUES ${values.join()} ` +
          'ON CONFLICT ("day", "listingId") DO UPDATE SET "views" = listing_views."views" + excluded."views"',
        { transaction },
      );
    }
  }

  private async daysBefore(day: number): Promise<number[]> {
    const rows = await this.models.listingViews.findAll({
      ...{ attributes: ['day'], where: { day: { [Op.lt]: day } }, group: ['day'], order: [['day', 'ASC']], raw: true },
    });
    return (rows as unknown as { day: number }[]).map((row) => Number(row.day));
  }
}
