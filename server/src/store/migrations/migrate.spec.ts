import { existsSync } from 'node:fs';
import { DataTypes } from 'sequelize';
import { DIALECT, emptyDatabaseIn, removeDatabase, storeFolder } from '../../../testing/database.js';
import type { Dialect } from '../dialect.js';
import { openPostgres } from '../postgres/postgres-dialect.js';
import { openSqlite } from '../sqlite/sqlite-dialect.js';
import { ownFolder } from '../sqlite/folder-owner.js';
import { migrate } from './migrate.js';
import type { Migration } from './migrate.js';

const makes = (table: string): Migration => ({
  up: (tables) => tables.create(table, { id: { type: DataTypes.INTEGER, primaryKey: true } }),
});

describe('Migrations', () => {
  let folder: string;
  let address: string;
  let dialect: Dialect;

  beforeEach(async () => {
    folder = storeFolder();
    address = await emptyDatabaseIn(folder);
    dialect = await (DIALECT === 'sqlite' ? openSqlite(address) : openPostgres(address));
  });
  afterEach(async () => {
    await dialect.close();
    await removeDatabase(folder);
  });

  const tables = async (): Promise<string[]> => {
    const own = (await dialect.sequelize.getQueryInterface().showAllTables()) as unknown as string[];
    return own.filter((name) => name !== 'migrations').sort();
  };
  const stopped: Migration = {
    async up(own) {
      await makes('halves').up(own);
      await own.insert('halves', [{ id: 1 }]);
      throw new Error('stopped in the middle');
    },
  };

  it('leave nothing of one that stopped in the middle, so that the next start carries it out', async () => {
    const failing = migrate(dialect, { first: makes('boats'), second: stopped }, { address });
    await expectAsync(failing).toBeRejectedWithError(/stopped in the middle/);
    expect(await tables()).toEqual(['boats']);
    await migrate(dialect, { first: makes('boats'), second: makes('halves'), third: makes('crews') }, { address });
    expect(await tables()).toEqual(['boats', 'crews', 'halves']);
  });

  it('keep a copy of an SQLite store as it was before an upgrade, and none of a new one', async () => {
    if (DIALECT !== 'sqlite') return;
    await migrate(dialect, { first: makes('boats') }, { address });
    expect(existsSync(`${address}.first`)).toBeFalse();
    await dialect.sequelize.query('INSERT INTO boats VALUES (7)');
    const known = { first: makes('boats'), second: makes('crews') };
    await migrate(dialect, known, { address });
    const before = await openSqlite(`${address}.first`);
    const [rows] = await before.sequelize.query('SELECT id FROM boats');
    const names = await before.sequelize.getQueryInterface().showAllTables();
    await before.close();
    expect(rows).toEqual([{ id: 7 }]);
    expect(names as unknown).not.toContain('crews');
    await dialect.sequelize.query('DELETE FROM boats');
    await migrate(dialect, known, { address });
    expect(existsSync(`${address}.second`)).toBeFalse();
  });

  it('commit to the disk before they answer', async () => {
    if (DIALECT !== 'sqlite') return;
    const FULL = 2; // https://www.sqlite.org/pragma.html#pragma_synchronous
    expect((await dialect.sequelize.query('PRAGMA synchronous'))[0]).toEqual([{ synchronous: FULL }]);
  });
});

describe('A folder', () => {
  it('is served by one at a time', async () => {
    const folder = storeFolder();
    const giveUp = await ownFolder(folder);
    await expectAsync(ownFolder(folder)).toBeRejectedWithError(/Another Plindo serves .*PLINDO_DATA/);
    await giveUp();
    const again = await ownFolder(folder);
    await again();
    await removeDatabase(folder);
  });
});
