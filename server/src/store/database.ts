import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { StoreDriver } from './driver.js';
import * as first from './migrations/0001-first.js';
import * as partsAndFiles from './migrations/0002-parts-and-files.js';
import * as categorySets from './migrations/0003-category-sets.js';
import * as links from './migrations/0004-links.js';
import * as binAndTableViews from './migrations/0005-bin-and-table-views.js';
import * as pictureFiles from './migrations/0006-picture-files.js';
import * as windows from './migrations/0007-windows.js';
import * as selections from './migrations/0008-selections.js';
import * as listingsByKind from './migrations/0009-listings-by-kind.js';

/** A store's database, open. */
export interface Database {
  readonly sequelize: Sequelize;
  close(): Promise<void>;
}

/** Opens the store's database, SQLite in WAL mode with foreign keys on, and brings its tables up to date. */
export async function openDatabase(file: string): Promise<Database> {
  mkdirSync(dirname(file), { recursive: true });
  const driver = new StoreDriver();
  const { dialectModule } = driver;
  const sequelize = new Sequelize({ dialect: 'sqlite', dialectModule, storage: file, logging: false });
  leaveOutStacks(sequelize);
  await sequelize.query('PRAGMA journal_mode = WAL');
  await migrate(sequelize);
  driver.rememberColumns();
  const close = async (): Promise<void> => {
    await sequelize.close();
    await driver.close();
  };
  return { sequelize, close };
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

/** Runs the migrations that have not run yet, oldest first. */
async function migrate(sequelize: Sequelize): Promise<void> {
  const umzug = new Umzug({
    migrations: [
      { name: '0001-first', up: ({ context }) => first.up(context), down: ({ context }) => first.down(context) },
      {
        name: '0002-parts-and-files',
        up: ({ context }) => partsAndFiles.up(context),
        down: ({ context }) => partsAndFiles.down(context),
      },
      {
        name: '0003-category-sets',
        up: ({ context }) => categorySets.up(context),
        down: ({ context }) => categorySets.down(context),
      },
      { name: '0004-links', up: ({ context }) => links.up(context), down: ({ context }) => links.down(context) },
      {
        name: '0005-bin-and-table-views',
        up: ({ context }) => binAndTableViews.up(context),
        down: ({ context }) => binAndTableViews.down(context),
      },
      {
        name: '0006-picture-files',
        up: ({ context }) => pictureFiles.up(context),
        down: ({ context }) => pictureFiles.down(context),
      },
      { name: '0007-windows', up: ({ context }) => windows.up(context), down: ({ context }) => windows.down(context) },
      {
        name: '0008-selections',
        up: ({ context }) => selections.up(context),
        down: ({ context }) => selections.down(context),
      },
      {
        name: '0009-listings-by-kind',
        up: ({ context }) => listingsByKind.up(context),
        down: ({ context }) => listingsByKind.down(context),
      },
    ],
    context: sequelize.getQueryInterface(),
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  });
  await umzug.up();
}
