import type { Transaction } from 'sequelize';
import { QueryTypes } from 'sequelize';
import type { Dialect } from '../dialect.js';
import { boundValue } from '../dialect.js';
import type { Row } from '../rows.js';

/**
 * Plain statements that write rows in a transaction, the same for every database. Sequelize's models would do it too, but
 * take several times as long for each row as the database does, and every edit waits for those before it.
 */
export class Statements {
  constructor(
    private readonly dialect: Dialect,
    private readonly transaction: Transaction,
  ) {}

  /** Adds rows that all have the same columns, lists and objects as JSON. */
  async insert(table: string, rows: readonly Row[]): Promise<void> {
    await this.inserted(table, rows, '');
  }

  /** The same for a table that gives out numbers; answers those of the rows, in their order. */
  async insertNumbered(table: string, rows: readonly Row[]): Promise<number[]> {
    const numbers = await this.inserted<{ id: number }>(table, rows, '"id"');
    // Numbers are given out in the order of the rows, but told in any.
    return numbers.map(({ id }) => id).sort((a, b) => a - b);
  }

  /**
   * Writes some columns of rows that are there, by their ids. The rows have those that their table asks for besides, so
   * that one statement does for all.
   */
  async updateMany(table: string, rows: readonly Row[], changed: readonly string[]): Promise<void> {
    if (changed.length === 0) return;
    const set = changed.map((column) => `"${column}" = excluded."${column}"`).join(', ');
    await this.inserted(table, rows, '', `ON CONFLICT ("id") DO UPDATE SET ${set}`);
  }

  /** Answers how many rows there were to change. */
  async update(table: string, changes: Row, where: Row): Promise<number> {
    const bind: unknown[] = [];
    const set = Object.entries(changes).map(([column, value]) => `"${column}" = ${place(bind, value)}`);
    const sql = `UPDATE ${table} SET ${set.join(', ')} WHERE ${condition(bind, where)}`;
    return this.dialect.sequelize.query(sql, { ...this.options(bind), type: QueryTypes.BULKUPDATE }) as Promise<number>;
  }

  /** Answers how many rows went. */
  async delete(table: string, where: Row): Promise<number> {
    const bind: unknown[] = [];
    const sql = `DELETE FROM ${table} WHERE ${condition(bind, where)}`;
    // For Sequelize an update and a deletion are alike: both tell how many rows they touched.
    return this.dialect.sequelize.query(sql, { ...this.options(bind), type: QueryTypes.BULKUPDATE }) as Promise<number>;
  }

  /** The rows for which a condition holds. */
  select(table: string, where: Row): Promise<Row[]> {
    const bind: unknown[] = [];
    const sql = `SELECT * FROM ${table} WHERE ${condition(bind, where)}`;
    return this.dialect.sequelize.query<Row>(sql, { ...this.options(bind), type: QueryTypes.SELECT });
  }

  private async inserted<T extends object>(
    table: string,
    rows: readonly Row[],
    returning: string,
    otherwise = '',
  ): Promise<T[]> {
    const [first] = rows;
    if (!first) return [];
    const columns = Object.keys(first);
    return this.dialect.insertMany<T>({ table, columns, rows, returning, otherwise }, this.transaction);
  }

  private options(bind: unknown[]): { bind: unknown[]; transaction: Transaction } {
    return { bind, transaction: this.transaction };
  }
}

/** Puts a value among those of a statement; answers how the statement names it. */
function place(bind: unknown[], value: unknown): string {
  bind.push(boundValue(value));
  return `$${bind.length}`;
}

/** A condition that columns have values; null asks for none, a list for any of it. */
function condition(bind: unknown[], where: Row): string {
  const tests = Object.entries(where).map(([column, value]) => {
    if (value === null) return `"${column}" IS NULL`;
    if (!Array.isArray(value)) return `"${column}" = ${place(bind, value)}`;
    const any = (value as readonly unknown[]).map((one) => place(bind, one)).join(', ');
    return any === '' ? '1 = 0' : `"${column}" IN (${any})`;
  });
  return tests.join(' AND ');
}
