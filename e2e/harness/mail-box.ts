import { createRequire } from 'node:module';
import { join } from 'node:path';
import type sqlite3 from 'sqlite3';

const { Database } = createRequire(new URL('../../server/package.json', import.meta.url))('sqlite3') as typeof sqlite3;

export interface KeptMail {
  readonly about: string;
  readonly recipient: string;
  readonly text: string;
}

/** The mails in the store of a server's folder, the latest first, with their links: the Desk shows them without. */
export function mailsIn(folder: string): Promise<KeptMail[]> {
  const database = new Database(join(folder, 'plindo.sqlite'));
  return new Promise((resolve, reject) => {
    database.all(
      'SELECT about, recipient, text FROM mails ORDER BY id DESC',
      (error: Error | null, rows: KeptMail[]) => {
        database.close();
        if (error) reject(error);
        else resolve(rows);
      },
    );
  });
}
