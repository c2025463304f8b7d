import type { QueryInterface, Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import type { Dialect } from './dialect.js';
import * as first from './migrations/0001-first.js';
import * as partsAndFiles from './migrations/0002-parts-and-files.js';
import * as categorySets from './migrations/0003-category-sets.js';
import * as links from './migrations/0004-links.js';
import * as binAndTableViews from './migrations/0005-bin-and-table-views.js';
import * as pictureFiles from './migrations/0006-picture-files.js';
import * as windows from './migrations/0007-windows.js';
import * as selections from './migrations/0008-selections.js';
import * as listingsByKind from './migrations/0009-listings-by-kind.js';
import * as oneWritePath from './migrations/0010-one-write-path.js';
import * as designs from './migrations/0011-designs.js';
import * as addresses from './migrations/0012-addresses.js';
import * as drafts from './migrations/0013-drafts.js';
import * as examples from './migrations/0014-examples.js';
import * as dueWork from './migrations/0015-due-work.js';
import { openPostgres } from './postgres/postgres-dialect.js';
import { openSqlite } from './sqlite/sqlite-dialect.js';

interface Migration {
  up(query: QueryInterface): Promise<void>;
  down(query: QueryInterface): Promise<void>;
}

const MIGRATIONS: Readonly<Record<string, Migration>> = {
  '0001-first': first,
  '0002-parts-and-files': partsAndFiles,
  '0003-category-sets': categorySets,
  '0004-links': links,
  '0005-bin-and-table-views': binAndTableViews,
  '0006-picture-files': pictureFiles,
  '0007-windows': windows,
  '0008-selections': selections,
  '0009-listings-by-kind': listingsByKind,
  '0010-one-write-path': oneWritePath,
  '0011-designs': designs,
  '0012-addresses': addresses,
  '0013-drafts': drafts,
  '0014-examples': examples,
  '0015-due-work': dueWork,
};

/** Whether an address names a PostgreSQL database; anything else is the path of an SQLite file. */
export function isPostgres(address: string): boolean {
  return /^postgres(ql)?:\/\//.test(address);
}

/**
 * Opens a database, by its address (`postgres://…`) or the path of its file, and brings its tables up to date; `to` names
 * the last migration that is run, where that isn't the latest.
 */
export async function openDatabase(address: string, to?: string): Promise<Dialect> {
  const dialect = await (isPostgres(address) ? openPostgres(address) : openSqlite(address));
  try {
    await dialect.whileAlone(() => migrate(dialect.sequelize, to));
  } catch (error) {
    await dialect.close();
    throw error;
  }
  dialect.ready();
  return dialect;
}

/** Runs the migrations that have not run yet, oldest first. Refuses a store that a newer program has written. */
async function migrate(sequelize: Sequelize, to: string | undefined): Promise<void> {
  const migrations = Object.entries(MIGRATIONS).map(([name, { up, down }]) => ({
    name,
    up: ({ context }: { context: QueryInterface }) => up(context),
    down: ({ context }: { context: QueryInterface }) => down(context),
  }));
  const storage = new SequelizeStorage({ sequelize, tableName: 'migrations' });
  const umzug = new Umzug({ migrations, context: sequelize.getQueryInterface(), storage, logger: undefined });
  const newer = (await storage.executed()).find((name) => !(name in MIGRATIONS));
  if (newer) {
    throw new Error(`A newer Plindo has written this store (${newer}). Start that one, or restore a backup.`);
  }
  await umzug.up(to === undefined ? {} : { to });
}
