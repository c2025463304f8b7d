import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Sequelize, Transaction } from 'sequelize';
import { StoreDriver } from './driver.js';

describe('The driver of a store', () => {
  let folder: string;
  let driver: StoreDriver;
  let sequelize: Sequelize;

  beforeEach(async () => {
    folder = mkdtempSync(join(tmpdir(), 'plindo-driver-'));
    driver = new StoreDriver();
    const { dialectModule } = driver;
    sequelize = new Sequelize({ dialect: 'sqlite', dialectModule, storage: join(folder, 'a.sqlite'), logging: false });
    await sequelize.query('CREATE TABLE kinds (id INTEGER PRIMARY KEY)');
    await sequelize.query('CREATE TABLE listings (id INTEGER PRIMARY KEY, kindId INTEGER REFERENCES kinds (id))');
    await sequelize.query('INSERT INTO kinds VALUES (1)');
  });
  afterEach(async () => {
    await sequelize.close();
    await driver.close();
    rmSync(folder, { recursive: true, force: true });
  });

  const insert = (id: number, kindId: number): Promise<void> =>
    sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, async (transaction) => {
      await sequelize.query(`INSERT INTO listings VALUES (${id}, ${kindId})`, { transaction });
    });
  const ids = async (): Promise<number[]> => {
    const [rows] = await sequelize.query('SELECT id FROM listings ORDER BY id');
    return (rows as { id: number }[]).map(({ id }) => id);
  };

  it('checks foreign keys in every transaction, the first and those on a connection that was kept', async () => {
    await expectAsync(insert(1, 99)).toBeRejected();
    await insert(2, 1);
    await expectAsync(insert(3, 99)).toBeRejected();
    await insert(4, 1);
    expect(await ids()).toEqual([2, 4]);
  });

  it('leaves nothing open for the next transaction, however the one before it ended', async () => {
    const failing = sequelize.transaction(async (transaction) => {
      await sequelize.query('INSERT INTO listings VALUES (5, 1)', { transaction });
      throw new Error('stopped');
    });
    await expectAsync(failing).toBeRejectedWithError('stopped');
    // A commit that the database refuses: what is deferred until then fails there.
    const refused = sequelize.transaction(async (transaction) => {
      await sequelize.query('PRAGMA defer_foreign_keys = ON', { transaction });
      await sequelize.query('INSERT INTO listings VALUES (6, 99)', { transaction });
    });
    await expectAsync(refused).toBeRejected();
    for (let id = 7; id < 12; id++) await insert(id, 1);
    expect(await ids()).toEqual([7, 8, 9, 10, 11]);
  });

  it('gives each of several transactions at the same time a connection of its own', async () => {
    const read = (): Promise<unknown> =>
      sequelize.transaction({ type: Transaction.TYPES.DEFERRED }, async (transaction) => {
        const [rows] = await sequelize.query('SELECT count(*) AS n FROM kinds', { transaction });
        await new Promise((resolve) => setTimeout(resolve, 5));
        return (rows as { n: number }[])[0]?.n;
      });
    expect(await Promise.all([read(), read(), read()])).toEqual([1, 1, 1]);
  });
});
