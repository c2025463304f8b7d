import { rename, rm } from 'node:fs/promises';
import { SequelizeStorage, Umzug } from 'umzug';
import type { Dialect } from '../dialect.js';
import { Tables } from './tables.js';

/** A step by which the tables get a newer form. There is no way back but the copy that was kept before. */
export interface Migration {
  up(tables: Tables): Promise<void>;
}

/** The table of what has run. */
const RECORDS = 'migrations';
const DONE = Promise.resolve();

/** Runs the migrations that have not run yet, oldest first. Refuses a store that a newer program has written. */
export async function migrate(
  dialect: Dialect,
  known: Readonly<Record<string, Migration>>,
  { address, to }: { readonly address: string; readonly to?: string },
): Promise<void> {
  const { sequelize } = dialect;
  const query = sequelize.getQueryInterface();
  const records = new SequelizeStorage({ sequelize, tableName: RECORDS });
  const executed = await records.executed();
  const newer = executed.find((name) => !(name in known));
  if (newer) {
    throw new Error(`A newer Plindo has written this store (${newer}). Start that one, or restore a backup.`);
  }
  const migrations = Object.entries(known).map(([name, migration]) => ({
    name,
    // What it changes and the record of it are one transaction, so that a stop in the middle leaves nothing half done.
    up: () =>
      dialect.brief(async (transaction) => {
        await migration.up(new Tables(query, transaction));
        await query.bulkInsert(RECORDS, [{ name }], { transaction });
      }),
  }));
  const storage = { executed: () => records.executed(), logMigration: () => DONE, unlogMigration: () => DONE };
  const umzug = new Umzug({ migrations, storage, logger: undefined });
  const last = executed.at(-1);
  if (last !== undefined && (await umzug.pending()).length > 0) await keepAsItWas(dialect, `${address}.${last}`);
  await umzug.up(to === undefined ? {} : { to });
}

/** Keeps the store as it was before an upgrade, as `plindo.sqlite.0015-due-work`; of PostgreSQL its owner keeps one. */
async function keepAsItWas({ copyTo }: Dialect, path: string): Promise<void> {
  if (!copyTo) return;
  const part = `${path}.part`;
  await rm(part, { force: true });
  await copyTo(part);
  await rename(part, path);
}
