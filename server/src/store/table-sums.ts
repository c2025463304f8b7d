import { createHash } from 'node:crypto';
import type { Model, ModelStatic, Transaction, WhereOptions } from 'sequelize';
import { Op } from 'sequelize';
import type { Models, TableName } from './models.js';
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

/** The sum of a table, as one transaction sees it where one is given. */
export async function sumOf(models: Models, name: TableName, transaction?: Transaction): Promise<TableSum> {
  let count = 0;
  let sum = 0n;
  for await (const rows of rowsIn(models, name, transaction)) {
    for (const row of rows) {
      const hash = createHash('sha256').update(JSON.stringify(row)).digest();
      sum = (sum + BigInt(`0x${hash.subarray(0, HASH_BYTES).toString('hex')}`)) % HASHES;
    }
    count += rows.length;
  }
  return { table: String(models[name].tableName), rows: count, hash: sum.toString(16) };
}

/** All rows of a table, alike whichever kind of database they come from. */
export async function* rowsIn(models: Models, name: TableName, transaction?: Transaction): AsyncGenerator<Row[]> {
  const model: ModelStatic<Model> = models[name];
  const keys = model.primaryKeyAttributes;
  const order = keys.map((key): [string, string] => [key, 'ASC']);
  for (let last: Row | null = null; ;) {
    const where = last === null ? {} : behind(last, keys);
    const rows: Row[] = await rowsOf(model, { where, order, limit: ROWS_AT_ONCE, transaction });
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
