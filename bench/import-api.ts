import { join } from 'node:path';
import type { ImportRow } from '@plindo/core/exchange';
import { RowReader, proposePlan, readCsv, sendInBatches } from '@plindo/core/exchange';
import sqlite3 from 'sqlite3';
import { TestServer } from '../e2e/harness/server.js';
import { Client } from '../e2e/trials/client.js';
import { CONTEXT } from './airports.js';
import { Editor } from './editor.js';
import type { Measurement } from './measure.js';
import { percentile, timed } from './measure.js';

const ROWS_ALONE = 500;
const IMPORT_IN_MS = 30_000;
const WAIT_IN_MS = 300;

/** A file brought in through the API while somebody else edits, beside SQLite alone taking in the same rows. */
export async function importThroughApi(text: string, n: number): Promise<Measurement[]> {
  const read = readCsv(text);
  if (!read.ok) throw new Error(read.issue.message);
  const table = read.value;
  const plan = proposePlan(table, CONTEXT);
  const reader = new RowReader(table, plan, CONTEXT);
  const rows = Array.from({ length: n }, (_, at) => reader.row(at, 'live'));
  const server = await TestServer.start();
  try {
    const client = await Client.ofNewOwner(server.address, server.setupLink ?? '');
    const editor = await Editor.on(client);
    const kind = { one: 'Airport', many: 'Airports', slug: 'airports', fields: plan.fields };
    let added = 0;
    const editing = editor.run();
    const oursMs = await timed(async () => (added = await send(client, kind, rows)));
    editor.isStopped = true;
    await editing;
    const referenceMs = await timed(() => insertAlone(join(server.folder, 'alone.sqlite'), rows));
    const row = { n, reference: 'SQLite alone, the rows as JSON', referenceMs, hold: null, equal: added === n };
    const longest = Math.max(...editor.times);
    return [
      { ...row, case: 'through the API, beside edits', oursMs, ratio: oursMs / referenceMs, bound: IMPORT_IN_MS },
      {
        ...row,
        case: 'an edit meanwhile, p95',
        oursMs: percentile(editor.times, 0.95),
        ...beside(editor.aloneMs, editor.times),
      },
      {
        ...row,
        case: 'an edit meanwhile, longest',
        oursMs: longest,
        ...beside(editor.aloneMs, [longest]),
        bound: WAIT_IN_MS,
      },
    ];
  } finally {
    await server.stop();
  }
}

function beside(
  referenceMs: number,
  times: readonly number[],
): Pick<Measurement, 'reference' | 'referenceMs' | 'ratio'> {
  return { reference: 'an edit with no import', referenceMs, ratio: percentile(times, 0.95) / referenceMs };
}

async function send(client: Client, kind: object, rows: readonly ImportRow[]): Promise<number> {
  const start = { fileName: 'airports.csv', rows: rows.length, policy: 'leave-empty', kind };
  const begun = await client.send('POST', '/api/imports', start);
  if (begun.status !== 200) throw new Error(JSON.stringify(begun.json));
  const path = `/api/imports/${begun.json.id as number}`;
  await sendInBatches(rows.length, {
    read: (offset, most) => rows.slice(offset, offset + most),
    send: async (offset, batch) => {
      const { status, json } = await client.send('POST', `${path}/rows`, { offset, rows: batch });
      if (status !== 200) throw new Error(JSON.stringify(json));
    },
    isStopped: () => false,
    now: () => performance.now(),
  });
  return (await client.send('POST', `${path}/finish`)).json.added as number;
}

async function insertAlone(file: string, rows: readonly ImportRow[]): Promise<void> {
  const database = new sqlite3.Database(file);
  const run = (sql: string, values: unknown[] = []): Promise<void> =>
    new Promise((resolve, reject) => database.run(sql, values, (error) => (error ? reject(error) : resolve())));
  await run('CREATE TABLE listings (id INTEGER PRIMARY KEY, title TEXT, content TEXT)');
  for (let start = 0; start < rows.length; start += ROWS_ALONE) {
    const part = rows.slice(start, start + ROWS_ALONE);
    await run('BEGIN IMMEDIATE');
    const values = part.flatMap(({ input }) => [String(input.title), JSON.stringify(input)]);
    await run(`INSERT INTO listings (title, content) VALUES ${part.map(() => '(?, ?)').join(', ')}`, values);
    await run('COMMIT');
  }
  await new Promise((resolve) => database.close(resolve));
}
