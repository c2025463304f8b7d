import { randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { copyFile } from 'node:fs/promises';
import type { Transaction } from 'sequelize';
import { QueryTypes } from 'sequelize';
import { isPostgres, openAsItIs, openDatabase } from '../database.js';
import type { Dialect } from '../dialect.js';
import { MIGRATIONS } from '../migrations/index.js';
import { ALL_TABLES, defineModels } from '../models.js';
import type { TableSum } from '../table-sums.js';
import { sumOf } from '../table-sums.js';
import { runPostgresTool } from './postgres-tools.js';

/** What a copy of a database holds. */
export interface DatabaseSums {
  readonly dialect: Dialect['name'];
  /** The last migration that has run in it. */
  readonly migration: string;
  readonly tables: readonly TableSum[];
}

/**
 * Copies a whole database, as it is at one moment, into a new file, while it may be written to: SQLite by `VACUUM INTO`,
 * PostgreSQL by `pg_dump`. Answers what is in the copy.
 */
export async function copyDatabase(address: string, path: string): Promise<DatabaseSums> {
  const dialect = await openAsItIs(address);
  try {
    if (dialect.copyTo) await dialect.copyTo(path);
    else return await dumpPostgres(dialect, address, path);
  } finally {
    await dialect.close();
  }
  return sumsOf(path);
}

/** What is in a database; throws when that is of another version than the program. */
export async function sumsOf(address: string): Promise<DatabaseSums> {
  const dialect = await openAsItIs(address);
  try {
    return await dialect.read((transaction) => sumsIn(dialect, transaction));
  } finally {
    await dialect.close();
  }
}

/**
 * Puts a copy into the place of a database that isn't there yet (SQLite) or has no tables (PostgreSQL), and brings its
 * tables up to date.
 */
export async function restoreDatabase(path: string, address: string): Promise<void> {
  if (isPostgres(address)) {
    await mustHaveNoTables(address);
    await runPostgresTool('pg_restore', address, ['--no-owner', '--exit-on-error', '--single-transaction', path]);
  } else {
    if (existsSync(address)) throw new Error(`${address} is there already.`);
    await copyFile(path, address);
  }
}

/** Brings the tables of a database up to date. */
export async function upgradeDatabase(address: string): Promise<void> {
  await (await openDatabase(address)).close();
}

/**
 * Restores a copy into a database of its own for the time of `work`; null where there is no right to make one, which
 * PostgreSQL gives by CREATEDB.
 */
export async function withTrialDatabase<T>(
  path: string,
  address: string,
  work: (trial: string) => Promise<T>,
): Promise<T | null> {
  if (!isPostgres(address)) return work(path);
  const name = `plindo_verify_${randomUUID().slice(0, 8)}`;
  const dialect = await openAsItIs(address);
  try {
    const isMade = await dialect.sequelize.query(`CREATE DATABASE ${name}`).then(
      () => true,
      () => false,
    );
    if (!isMade) return null;
    const trial = new URL(address);
    trial.pathname = `/${name}`;
    try {
      await restoreDatabase(path, trial.href);
      return await work(trial.href);
    } finally {
      await dialect.sequelize.query(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`);
    }
  } finally {
    await dialect.close();
  }
}

/** What is wrong with an SQLite file itself, in its own words; nothing for PostgreSQL, which sees to itself. */
export async function integrityFaults(address: string): Promise<string[]> {
  if (isPostgres(address)) return [];
  const dialect = await openAsItIs(address);
  const ask = <T extends object>(statement: string): Promise<T[]> =>
    dialect.sequelize.query<T>(statement, { type: QueryTypes.SELECT });
  try {
    const checked = await ask<{ integrity_check: string }>('PRAGMA integrity_check');
    const faults = checked.map((row) => row.integrity_check).filter((said) => said !== 'ok');
    const broken = await ask<{ table: string; parent: string }>('PRAGMA foreign_key_check');
    return [
      ...faults,
      ...broken.map(({ table, parent }) => `A row of ${table} refers to a row of ${parent} that is gone.`),
    ];
  } finally {
    await dialect.close();
  }
}

async function dumpPostgres(dialect: Dialect, address: string, path: string): Promise<DatabaseSums> {
  return dialect.read(async (transaction) => {
    // The dump and what is counted are of the same moment.
    const select = 'SELECT pg_export_snapshot() AS "snapshot"';
    const [row] = await dialect.sequelize.query<{ snapshot: string }>(select, { type: QueryTypes.SELECT, transaction });
    await dialect.sequelize.query('SET LOCAL idle_in_transaction_session_timeout = 0', { transaction });
    await runPostgresTool('pg_dump', address, ['--format=custom', `--snapshot=${row!.snapshot}`, `--file=${path}`]);
    return sumsIn(dialect, transaction);
  });
}

async function sumsIn(dialect: Dialect, transaction: Transaction): Promise<DatabaseSums> {
  const migration = await lastMigration(dialect, transaction);
  const latest = Object.keys(MIGRATIONS).at(-1)!;
  if (migration !== latest) {
    throw new Error(
      `The store has its tables as of ${migration}; this program has them as of ${latest}. Start it once.`,
    );
  }
  const models = defineModels(dialect.sequelize);
  const tables: TableSum[] = [];
  for (const name of ALL_TABLES) tables.push(await sumOf(models, name, transaction));
  return { dialect: dialect.name, migration, tables };
}

async function lastMigration({ sequelize }: Dialect, transaction: Transaction): Promise<string> {
  const select = 'SELECT max("name") AS "name" FROM migrations';
  const rows = await sequelize.query<{ name: string }>(select, { type: QueryTypes.SELECT, transaction });
  return rows[0]?.name ?? '';
}

async function mustHaveNoTables(address: string): Promise<void> {
  const dialect = await openAsItIs(address);
  try {
    const select = `SELECT count(*) AS "n" FROM information_schema.tables WHERE table_schema = 'public'`;
    const [row] = await dialect.sequelize.query<{ n: number }>(select, { type: QueryTypes.SELECT });
    if (Number(row?.n) > 0) throw new Error('The database is not empty. Name one without tables in PLINDO_DATABASE.');
  } finally {
    await dialect.close();
  }
}
