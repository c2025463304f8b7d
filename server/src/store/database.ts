import type { Dialect } from './dialect.js';
import { MIGRATIONS } from './migrations/index.js';
import { migrate } from './migrations/migrate.js';
import { openPostgres } from './postgres/postgres-dialect.js';
import { openSqlite } from './sqlite/sqlite-dialect.js';

export { ownFolder } from './sqlite/folder-owner.js';

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
  const dialect = await openAsItIs(address);
  try {
    await dialect.whileAlone(() => migrate(dialect, MIGRATIONS, { address, ...(to !== undefined && { to }) }));
  } catch (error) {
    await dialect.close();
    throw error;
  }
  dialect.ready();
  return dialect;
}
