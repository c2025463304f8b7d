import { spawn } from 'node:child_process';

/**
 * Runs one of PostgreSQL's own programs on a database; its password goes by the environment, where no list of processes
 * shows it. Throws what the program says when it fails, and where it isn't there.
 */
export function runPostgresTool(name: 'pg_dump' | 'pg_restore', address: string, options: string[]): Promise<void> {
  const url = new URL(address);
  const password = decodeURIComponent(url.password);
  url.password = '';
  const env = { ...process.env, ...(password !== '' && { PGPASSWORD: password }) };
  const child = spawn(name, [...options, `--dbname=${url.href}`], { env, stdio: ['ignore', 'ignore', 'pipe'] });
  let said = '';
  child.stderr.on('data', (part: Buffer) => (said += part.toString()));
  return new Promise((resolve, reject) => {
    child.once('error', () =>
      reject(new Error(`${name} could not be started. Install PostgreSQL’s client programs (postgresql-client).`)),
    );
    child.once('exit', (code) => (code === 0 ? resolve() : reject(new Error(`${name} failed: ${said.trim()}`))));
  });
}
