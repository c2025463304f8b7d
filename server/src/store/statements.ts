import type { Sequelize, Transaction } from 'sequelize';
import { QueryTypes } from 'sequelize';
import type { Row } from './rows.js';
import { inParts } from './rows.js';

/** SQLite takes at most 32,766 values in one statement, PostgreSQL 65,535. */
const MOST_VALUES = 30_000;

/**
 * Plain statements that write rows in a transaction, the same for every database. Sequelize's models would do it too, but
 * take several times as long for each row as the database does, and every edit waits for those before it.
 */
export class Statements {
  constructor(
    private readonly sequelize: Sequelize,
    private readonly transaction: Transaction,
  ) {}

  /** Adds rows that all have the same columns, lists and objects as JSON. */
  async insert(table: string, rows: readonly Row[]): Promise<void> {
    await this.inserted(table, rows, '');
  }

  /** The same for a table that gives out numbers; answers those of the rows, in their order. */
  async insertNumbered(table: string, rows: readonly Row[]): Promise<number[]> {
    const numbers = await this.inserted<{ id: number }>(table, rows, ' RETURNING "id"');
    // Numbers are given out in the order of the rows, but told in any.
    return numbers.map(({ id }) => id).sort((a, b) => a - b);
  }

  /** Answers how many rows there were to change. */
  async update(table: string, changes: Row, where: Row): Promise<number> {
    const bind: unknown[] = [];
    const set = Object.entries(changes).map(([column, value]) => `"${column}" = ${place(bind, value)}`);
    const sql = `UPDATE ${table} SET ${set.join(', ')} WHERE ${condition(bind, where)}`;
    return this.sequelize.query(sql, { ...this.options(bind), type: QueryTypes.BULKUPDATE }) as Promise<number>;
  }

  /** Answers how many rows went. */
  async delete(table: string, where: Row): Promise<number> {
    const bind: unknown[] = [];
    const sql = `DELETE FROM ${table} WHERE ${condition(bind, where)}`;
    // For Sequelize an update and a deletion are alike: both tell how many rows they touched.
    return this.sequelize.query(sql, { ...this.options(bind), type: QueryTypes.BULKUPDATE }) as Promise<number>;
  }

  /** The rows for which a condition holds. */
  select(table: string, where: Row): Promise<Row[]> {
    const bind: unknown[] = [];
    const sql = `SELECT * FROM ${table} WHERE ${condition(bind, where)}`;
    return this.sequelize.query<Row>(sql, { ...this.options(bind), type: QueryTypes.SELECT });
  }

  private async inserted<T extends object>(table: string, rows: readonly Row[], returning: string): Promise<T[]> {
    const [first] = rows;
    if (!first) return [];
    const columns = Object.keys(first);
    const names = columns.map((column) => `"${column}"`).join(', ');
    const told: T[] = [];
    for (const part of inParts(rows, Math.floor(MOST_VALUES / columns.length))) {
      const bind: unknown[] = [];
      const tuples = part.map((row) => `(${columns.map((column) => place(bind, row[column])).join(', ')})`);
      // Two spaces, as Sequelize lets SQLite tell nothing of a statement that it takes for an insertion of its own.
      const sql = `INSERT  INTO ${table} (${names}) VALUES ${tuples.join(', ')}${returning}`;
      told.push(...(await this.sequelize.query<T>(sql, { ...this.options(bind), type: QueryTypes.SELECT })));
    }
    return told;
  }

  private options(bind: unknown[]): { bind: unknown[]; transaction: Transaction } {
    return { bind, transaction: this.transaction };
  }
}

/** Puts a value among those of a statement; answers how the statement names it. */
function place(bind: unknown[], value: unknown): string {
  const isJson = typeof value === 'object' && value !== null;
  bind.push(isJson ? JSON.stringify(value) : (value ?? null));
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
