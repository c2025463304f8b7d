import pg from 'pg';
import sqlite3 from 'sqlite3';
import { databaseIn } from './database.js';

/** What the database of a store holds, read past the program. */
export async function rowsIn<T>(folder: string, select: string): Promise<T[]> {
  const address = await databaseIn(folder);
  return address.startsWith('postgres') ? inPostgres<T>(address, select) : inSqlite<T>(address, select);
}

async function inPostgres<T>(connectionString: string, select: string): Promise<T[]> {
  const client = new pg.Client({ connectionString });
  await client.connect();
  try {
    return (await client.query(select)).rows as T[];
  } finally {
    await client.end();
  }
}

function inSqlite<T>(file: string, select: string): Promise<T[]> {
  const database = new sqlite3.Database(file, sqlite3.OPEN_READONLY);
  return new Promise((resolve, reject) => {
    database.all<T>(select, (error, rows) => {
      database.close();
      if (error) reject(error);
      else resolve(rows);
    });
  });
}
