import type { Transaction } from 'sequelize';
import { openDatabase } from './database.js';
import type { Dialect } from './dialect.js';
import type { Models } from './models.js';
import { ALL_TABLES, defineModels } from './models.js';
import type { TableSum } from './table-sums.js';
import { rowsIn, sumOf } from './table-sums.js';

/** What copying a store came to: each table on both sides. */
export interface CopyReport {
  readonly tables: readonly { readonly from: TableSum; readonly to: TableSum }[];
  readonly isSame: boolean;
}

interface Side {
  readonly dialect: Dialect;
  readonly models: Models;
}

/**
 * Copies a whole store into an empty database, which may be of another kind, in one transaction, and compares both sides
 * row by row by counting and hashing. Throws when the target isn't empty; nobody may write to the source meanwhile.
 */
export async function copyStore(from: string, to: string): Promise<CopyReport> {
  const source = await opened(from);
  try {
    const target = await opened(to);
    try {
      await mustBeEmpty(target);
      await target.dialect.write((transaction) => copyAll(source, target, transaction));
      return await compared(source, target);
    } finally {
      await target.dialect.close();
    }
  } finally {
    await source.dialect.close();
  }
}

async function opened(address: string): Promise<Side> {
  const dialect = await openDatabase(address);
  return { dialect, models: defineModels(dialect.sequelize) };
}

async function mustBeEmpty({ models }: Side): Promise<void> {
  for (const name of ALL_TABLES) {
    if ((await models[name].count()) === 0) continue;
    throw new Error(`The database is not empty: there are rows in ${models[name].tableName}. Name an empty one.`);
  }
}

async function copyAll(source: Side, target: Side, transaction: Transaction): Promise<void> {
  for (const name of ALL_TABLES) {
    const model = target.models[name];
    for await (const rows of rowsIn(source.models, name)) {
      await model.bulkCreate(rows, { transaction, validate: false, hooks: false });
    }
    if (!model.rawAttributes['id']?.autoIncrement) continue;
    const table = String(model.tableName);
    await target.dialect.countOn(table, await source.dialect.lastNumber(table), transaction);
  }
}

async function compared(source: Side, target: Side): Promise<CopyReport> {
  const tables: CopyReport['tables'][number][] = [];
  for (const name of ALL_TABLES) {
    tables.push({ from: await sumOf(source.models, name), to: await sumOf(target.models, name) });
  }
  const isSame = tables.every(({ from, to }) => from.rows === to.rows && from.hash === to.hash);
  return { tables, isSame };
}
