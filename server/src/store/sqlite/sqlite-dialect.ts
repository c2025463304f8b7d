import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { ForeignKeyConstraintError, QueryTypes, Sequelize } from 'sequelize';
import { Transaction, UniqueConstraintError } from 'sequelize';
import type sqlite3 from 'sqlite3';
import type { Dialect, ManyRows, StoreTrouble } from '../dialect.js';
import { PACKED_COLUMNS, insertions } from '../dialect.js';
import { StoreDriver } from './driver.js';

const JSON_COLUMNS: readonly string[] = ['place', 'values'];

/** SQLite in one file: WAL mode, foreign keys on, one writer at a time. */
export async function openSqlite(file: string): Promise<Dialect> {
  mkdirSync(dirname(file), { recursive: true });
  const driver = new StoreDriver();
  const { dialectModule } = driver;
  const sequelize = new Sequelize({ dialect: 'sqlite', dialectModule, storage: file, logging: false });
  leaveOutStacks(sequelize);
  await sequelize.query('PRAGMA journal_mode = WAL');
  const columns = PACKED_COLUMNS.map((name) => (JSON_COLUMNS.includes(name) ? `json("${name}")` : `"${name}"`));
  return {
    name: 'sqlite',
    sequelize,
    packedListing: `json_array(${columns.join(', ')})`,
    packedStates: 'json_group_array(json_array("id", "version", "changedAt"))',
    insertMany: (many, transaction) => insertMany(many, transaction),
    write: (work) =>
      sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, (transaction) => work(transaction, null)),
    skipLocked: '',
    brief: (work) => sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, work),
    read: (work) => sequelize.transaction({ type: Transaction.TYPES.DEFERRED }, work),
    whileAlone: (work) => work(),
    copyTo: async (path) => void (await sequelize.query('VACUUM INTO :path', { replacements: { path } })),
    ready: () => driver.rememberColumns(),
    announce: () => Promise.resolve(),
    // One process serves a folder, so nobody else writes.
    follow: () => () => Promise.resolve(),
    async lastNumber(table) {
      const select = 'SELECT "seq" FROM sqlite_sequence WHERE "name" = :table';
      const options = { replacements: { table }, type: QueryTypes.SELECT } as const;
      return (await sequelize.query<{ seq: number }>(select, options))[0]?.seq ?? 0;
    },
    async countOn(table, last, transaction) {
      const replacements = { table, last };
      await sequelize.query('DELETE FROM sqlite_sequence WHERE "name" = :table', { replacements, transaction });
      await sequelize.query('INSERT INTO sqlite_sequence VALUES (:table, :last)', { replacements, transaction });
    },
    isRefused,
    troubleOf,
    async close() {
      await sequelize.close();
      await driver.close();
    },
  };
}

/** SQLite takes at most 32,766 values in one statement; with fewer, the next one is made while the last one is carried out. */
const MOST_VALUES = 6000;

/**
 * Adds rows on the connection of a transaction. Sequelize would give each value a name, which SQLite then looks for among
 * all the others, so that a thousand rows take seconds.
 */
async function insertMany<T extends object>(many: ManyRows, transaction: Transaction): Promise<T[]> {
  const { connection } = transaction as unknown as { readonly connection: sqlite3.Database };
  const told: T[] = [];
  let running = Promise.resolve<T[]>([]);
  for (const { sql, values } of insertions(many, MOST_VALUES, () => '?')) {
    told.push(...(await running));
    running = new Promise<T[]>((resolve, reject) => {
      connection.all<T>(sql, values, (error, found) => (error ? reject(error) : resolve(found)));
    });
  }
  return [...told, ...(await running)];
}

/** By the names of SQLite's result codes (https://www.sqlite.org/rescode.html). */
const TROUBLES: readonly (readonly [RegExp, StoreTrouble])[] = [
  [/SQLITE_FULL/, 'full'],
  [/SQLITE_READONLY/, 'read-only'],
  [/SQLITE_(CORRUPT|NOTADB)/, 'damaged'],
  [/SQLITE_(BUSY|CANTOPEN|IOERR)/, 'away'],
];

function troubleOf(error: unknown): StoreTrouble | null {
  const said = error instanceof Error ? error.message : '';
  return TROUBLES.find(([code]) => code.test(said))?.[1] ?? null;
}

/** Told by Sequelize, or by the driver itself, which names every refusal alike. */
function isRefused(error: unknown): boolean {
  if (error instanceof ForeignKeyConstraintError || error instanceof UniqueConstraintError) return true;
  return error instanceof Error && error.message.includes('constraint failed');
}

/** As far as it is needed here: what runs a statement. */
type StatementClass = new (...given: never[]) => { run(...given: unknown[]): unknown };

/**
 * For every statement Sequelize writes down who asked for it, in case it fails. That takes about as long as a small
 * statement does, so it is left out; the message and the statement itself are told all the same.
 */
function leaveOutStacks(sequelize: Sequelize): void {
  const { dialect } = sequelize as unknown as { dialect: { Query: StatementClass } };
  dialect.Query = class extends dialect.Query {
    override run(...given: unknown[]): unknown {
      const limit = Error.stackTraceLimit;
      Error.stackTraceLimit = 0;
      try {
        return super.run(...given);
      } finally {
        Error.stackTraceLimit = limit;
      }
    }
  };
}
