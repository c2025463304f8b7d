import type { Transaction } from 'sequelize';
import { Op } from 'sequelize';
import type { Dialect } from '../dialect.js';
import type { Models } from '../models.js';

/** A number that is counted for a day of the site, told by its number (`dayNumberAt`). */
export interface OfDay {
  readonly day: number;
}

/** A table of numbers that only ever grow, by day: how it is called, what tells its rows apart, and the column of the number. */
interface Layout<Row> {
  readonly model: 'listingViews' | 'visitCounts';
  readonly table: string;
  readonly columns: readonly (keyof Row & string)[];
  readonly key: readonly (keyof Row & string)[];
  readonly count: keyof Row & string;
}

/** So many are written with one statement; SQLite takes 32,766 values in one. */
const ROWS_A_STATEMENT = 1000;

/** Keeps numbers by day, adds to them, and adds old ones up by months. What it keeps is no change of records and stands in no log. */
export class CountTable<Row extends OfDay> {
  constructor(
    private readonly dialect: Dialect,
    private readonly models: Models,
    private readonly layout: Layout<Row>,
  ) {}

  /** Adds to what is kept. */
  async add(counted: readonly Row[], transaction: Transaction): Promise<void> {
    const { table, columns, key, count } = this.layout;
    const names = (of: readonly string[]): string => of.map((name) => `"${name}"`).join();
    // Always in the same order: two nodes that add to the same rows never wait for each other.
    const inOrder = [...counted].sort((one, other) => this.compare(one, other));
    for (let at = 0; at < inOrder.length; at += ROWS_A_STATEMENT) {
      const rows = inOrder.slice(at, at + ROWS_A_STATEMENT).map((row) => columns.map((name) => row[name]));
      await this.dialect.sequelize.query(
        `INSERT INTO ${table} (${names(columns)}) VALUES ${rows.map(() => '(?)').join()} ` +
          `ON CONFLICT (${names(key)}) DO UPDATE SET "${count}" = ${table}."${count}" + excluded."${count}"`,
        { transaction, replacements: rows },
      );
    }
  }

  /** Adds up the days before a day by months, each day in a transaction of its own: `monthOf` gives the first day of the month of a day. */
  async rollUp(
    before: number,
    monthOf: (day: number) => number,
    brief: <T>(work: (transaction: Transaction) => Promise<T>) => Promise<T>,
  ): Promise<void> {
    const model = this.models[this.layout.model];
    const days = await model.findAll({
      ...{
        attributes: ['day'],
        where: { day: { [Op.lt]: before } },
        group: ['day'],
        order: [['day', 'ASC']],
        raw: true,
      },
    });
    const kept = (days as unknown as OfDay[]).map(({ day }) => Number(day));
    for (const day of kept.filter((one) => monthOf(one) !== one)) {
      await brief(async (transaction) => {
        // Another node that does the same waits here, and then finds none.
        const rows = await model.findAll({ where: { day }, raw: true, transaction, lock: transaction.LOCK.UPDATE });
        const moved = (rows as unknown as Row[]).map((row) => ({ ...row, day: monthOf(day) }));
        await this.add(moved, transaction);
        await model.destroy({ where: { day }, transaction });
      });
    }
  }

  async erase(transaction: Transaction): Promise<void> {
    await this.models[this.layout.model].destroy({ where: {}, transaction });
  }

  private compare(one: Row, other: Row): number {
    for (const name of this.layout.key) {
      if (one[name] < other[name]) return -1;
      if (one[name] > other[name]) return 1;
    }
    return 0;
  }
}
