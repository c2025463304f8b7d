import { resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { randomUUID } from 'node:crypto';
import { Sequelize } from 'sequelize';

/** A PostgreSQL server of a test's own; `tools/postgres.mjs` has more of it. */
export interface TestPostgres {
  /** Of the database that is always there. */
  readonly address: string;
  readonly port: number;
  begin(): Promise<void>;
  end(signal?: string): Promise<void>;
  stop(): Promise<void>;
}

export async function startPostgres(): Promise<TestPostgres> {
  const tool = (await import(pathToFileURL(resolve('tools/postgres.mjs')).href)) as {
    needPostgres(): boolean;
    TestPostgres: { start(): Promise<TestPostgres> };
  };
  if (!tool.needPostgres()) throw new Error('PostgreSQL is not there.');
  return tool.TestPostgres.start();
}

/** Makes an empty database beside the one at an address; answers the address of the new one. */
export async function newDatabase(beside: string): Promise<string> {
  const name = `plindo_trial_${randomUUID().slice(0, 8)}`;
  const admin = new Sequelize(beside, { dialect: 'postgres', logging: false });
  await admin.query(`CREATE DATABASE ${name}`);
  await admin.close();
  const address = new URL(beside);
  address.pathname = `/${name}`;
  return address.href;
}
