import { createHash } from 'node:crypto';
import type { Model, ModelStatic, Transaction, WhereOptions } from 'sequelize';
import { Op } from 'sequelize';
import { openDatabase } from './database.js';
import type { Dialect } from './dialect.js';
import type { Models, TableName } from './models.js';
import { ALL_TABLES, defineModels } from './models.js';
import { parsed } from './records.js';
import type { Row } from './rows.js';
import { rowsOf } from './rows.js';

const ROWS_AT_ONCE = 1000;
const HASH_BYTES = 16;
const HASHES = 1n << BigInt(HASH_BYTES * 8);

/** What a table holds, told so that two can be compared: how many rows, and a hash of them in any order. */
export interface TableSum {
  readonly table: string;
  readonly rows: number;
  readonly hash: string;
}

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

async function sumOf(models: Models, name: TableName): Promise<TableSum> {
  let count = 0;
  let sum = 0n;
  for await (const rows of rowsIn(models, name)) {
    for (const row of rows) {
      const hash = createHash('sha256').update(JSON.stringify(row)).digest();
      sum = (sum + BigInt(`0x${hash.subarray(0, HASH_BYTES).toString('hex')}`)) % HASHES;
    }
    count += rows.length;
  }
  return { table: String(models[name].tableName), rows: count, hash: sum.toString(16) };
}

/** All rows of a table, alike whichever kind of database they come from. */
async function* rowsIn(models: Models, name: TableName): AsyncGenerator<Row[]> {
  const model: ModelStatic<Model> = models[name];
  const keys = model.primaryKeyAttributes;
  const order = keys.map((key): [string, string] => [key, 'ASC']);
  for (let last: Row | null = null; ;) {
    const where = last === null ? {} : behind(last, keys);
    const rows: Row[] = await rowsOf(model, { where, order, limit: ROWS_AT_ONCE });
    if (rows.length > 0) yield rows.map((row) => plainRow(row, model));
    if (rows.length < ROWS_AT_ONCE) return;
    last = rows.at(-1)!;
  }
}

/** What stands behind a row in the order of its keys. */
function behind(row: Row, keys: readonly string[]): WhereOptions {
  return {
    [Op.or]: keys.map((key, at) => ({
      ...Object.fromEntries(keys.slice(0, at).map((before) => [before, row[before]])),
      [key]: { [Op.gt]: row[key] },
    })),
  };
}

/** A row with its columns in the order of the table and in the types that they have for us. */
function plainRow(row: Row, model: ModelStatic<Model>): Row {
  const columns = Object.entries(model.getAttributes()).map(([name, { type }]) => {
    const value = row[name] ?? null;
    const kind = (type as unknown as { readonly key: string }).key;
    if (value === null) return [name, null];
    if (kind === 'JSON') return [name, parsed(value)];
    return [name, kind === 'BOOLEAN' ? Boolean(value) : kind === 'BIGINT' ? Number(value) : value];
  });
  return Object.fromEntries(columns) as Row;
}
