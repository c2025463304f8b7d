import { createHash } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { Store } from '../src/store/index.js';

/** The PostgreSQL server on which specs run; without one they run on SQLite. */
const POSTGRES = process.env['PLINDO_TEST_POSTGRES'] ?? null;
export const DIALECT = POSTGRES === null ? 'sqlite' : 'postgres';

/** A new folder for a store. */
export function storeFolder(): string {
  return mkdtempSync(join(tmpdir(), '.plindo-test-'));
}

/** The database that belongs to a folder: always the same one, made when it isn't there. */
export async function databaseIn(folder: string): Promise<string> {
  if (POSTGRES === null) return join(folder, 'plindo.sqlite');
  const name = nameOf(folder);
  await asAdmin(async (admin) => {
    const { rowCount } = await admin.query('SELECT 1 FROM pg_database WHERE datname = $1', [name]);
    if (rowCount === 0) await admin.query(`CREATE DATABASE ${name} TEMPLATE ${await template(admin)}`);
  });
  return addressOf(name);
}

/** The same, with no tables in it. */
export async function emptyDatabaseIn(folder: string): Promise<string> {
  if (POSTGRES === null) return join(folder, 'plindo.sqlite');
  await asAdmin((admin) => admin.query(`CREATE DATABASE ${nameOf(folder)}`));
  return addressOf(nameOf(folder));
}

/** Deletes a folder and the database that belongs to it. */
export async function removeDatabase(folder: string): Promise<void> {
  if (POSTGRES !== null)
    await asAdmin((admin) => admin.query(`DROP DATABASE IF EXISTS ${nameOf(folder)} WITH (FORCE)`));
  rmSync(folder, { recursive: true, force: true });
}

async function asAdmin(work: (admin: pg.Client) => Promise<unknown>): Promise<void> {
  const admin = new pg.Client({ connectionString: POSTGRES! });
  await admin.connect();
  try {
    await work(admin);
  } finally {
    await admin.end();
  }
}

/** A database with all tables and nothing in them, made once a process: to copy it is faster than to migrate. */
async function template(admin: pg.Client): Promise<string> {
  const name = `plindo_template_${process.pid}`;
  const { rowCount } = await admin.query('SELECT 1 FROM pg_database WHERE datname = $1', [name]);
  if (rowCount === 0) {
    await admin.query(`CREATE DATABASE ${name}`);
    const store = await Store.open(addressOf(name), () => new Date());
    await store.close();
  }
  return name;
}

function nameOf(folder: string): string {
  return `plindo_${createHash('sha256').update(folder).digest('hex').slice(0, 16)}`;
}

function addressOf(name: string): string {
  const address = new URL(POSTGRES!);
  address.pathname = `/${name}`;
  return address.href;
}
