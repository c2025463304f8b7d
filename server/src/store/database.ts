import { join } from 'node:path';
import type { Dialect } from './dialect.js';
import { MIGRATIONS } from './migrations/index.js';
import { migrate } from './migrations/migrate.js';
import { openPostgres } from './postgres/postgres-dialect.js';
import { openSqlite } from './sqlite/sqlite-dialect.js';

export { ownFolder } from './sqlite/folder-owner.js';

/** The SQLite file of a folder. */
export function sqliteIn(folder: string): string {
  return join(folder, 'plindo.sqlite');
}

/** Whether an address names a PostgreSQL database; anything else is the path of an SQLite file. */
export function isPostgres(address: string): boolean {
  return /^postgres(ql)?:\/\//.test(address);
}

/** Opens a database with the tables that it has. */
export function openAsItIs(address: string): Promise<Dialect> {
  return isPostgres(address) ? openPostgres(address) : openSqlite(address);
}

/**
 * Opens a database, by its address (`postgres://…`) or the path of its file, and brings its tables up to date; `to` names
 * the last migration that is run, where that isn't the latest.
 */
export async function openDatabase(address: string, to?: string): Promise<Dialect> {
  let dialect: Dialect;
  try {
    dialect = await openAsItIs(address);
  } catch (error) {
    throw plainly(error, address);
  }
  try {
    await dialect.whileAlone(() => migrate(dialect, MIGRATIONS, { address, ...(to !== undefined && { to }) }));
  } catch (error) {
    await dialect.close();
    throw plainly(error, address);
  }
  dialect.ready();
  return dialect;
}

/** What whoever starts the program is told of a file that can't be opened as a store. */
function plainly(error: unknown, address: string): unknown {
  const said = error instanceof Error ? error.message : '';
  const sentence = SAID.find(([code]) => code.test(said))?.[1];
  return isPostgres(address) || !sentence ? error : new Error(`${sentence.replace('{file}', address)} (${said})`);
}

const SAID: readonly (readonly [RegExp, string])[] = [
  [/SQLITE_(CORRUPT|NOTADB)/, '{file} is damaged. Move it aside, and restore a backup: ./plindo restore FILE.zip'],
  [/SQLITE_(READONLY|CANTOPEN)/, '{file} cannot be written. See that this user may write to its folder.'],
  [/SQLITE_FULL/, 'The disk of {file} is full. Make room there, and start again.'],
];
