import { join } from 'node:path';
import sqlite3 from 'sqlite3';

/**
 * Makes this process the only one that serves a folder, by a lock of the operating system, which ends with the process
 * however that ends. SQLite's own locks are those; the file that is locked holds nothing. Answers how to give it up.
 * Throws when another process serves the folder.
 */
export function ownFolder(folder: string): Promise<() => Promise<void>> {
  return new Promise((resolve, reject) => {
    const lock = new sqlite3.Database(join(folder, 'served.lock'));
    const close = (): Promise<void> => new Promise((closed) => lock.close(() => closed()));
    lock.configure('busyTimeout', 0);
    lock.exec('BEGIN EXCLUSIVE', (error) => {
      if (!error) return resolve(close);
      const isServed = error.message.includes('SQLITE_BUSY');
      const sentence = `Another Plindo serves ${folder}. Stop that one first, or set PLINDO_DATA to another folder.`;
      void close().then(() => reject(isServed ? new Error(sentence) : error));
    });
  });
}
