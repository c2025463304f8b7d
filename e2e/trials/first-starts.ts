import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { newDatabase } from '../harness/postgres.js';
import { TestServer } from '../harness/server.js';
import { randomFrom } from './acts.js';

const LATEST_IN_MS = 1500;

export interface FirstStartsReport {
  readonly kills: number;
  /** How many kills came while the tables were being made. */
  readonly inTheMiddle: number;
  readonly faults: readonly string[];
}

/** Kills the real server with SIGKILL during its first start on an empty store, and looks whether the second one succeeds. */
export async function firstStartsTrial(kills: number, seed: number, beside?: string): Promise<FirstStartsReport> {
  const random = randomFrom(seed);
  const faults: string[] = [];
  let inTheMiddle = 0;
  for (let kill = 0; kill < kills; kill++) {
    const folder = mkdtempSync(join(tmpdir(), '.plindo-first-'));
    const database = beside === undefined ? undefined : await newDatabase(beside);
    try {
      const inMs = Math.round(random() * LATEST_IN_MS);
      if (!(await isReadyAfter(inMs, folder, database))) inTheMiddle++;
      const again = await TestServer.start(folder, database);
      if (again.setupLink === null)
        faults.push(`Killed after ${inMs} ms, the second start made no link for the owner.`);
      await again.kill();
    } catch (error) {
      faults.push((error as Error).message);
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  }
  return { kills, inTheMiddle, faults };
}

/** Starts a server and kills it after a while; answers whether it was ready by then. */
async function isReadyAfter(inMs: number, folder: string, database: string | undefined): Promise<boolean> {
  const more = database === undefined ? {} : { PLINDO_DATABASE: database };
  const env = { ...process.env, PORT: '0', PLINDO_DATA: folder, NODE_ENV: 'production', ...more };
  const child = spawn(process.execPath, ['server/dist/start/plindo.js'], { env });
  let isReady = false;
  child.stdout.on('data', (part: Buffer) => (isReady ||= part.toString().includes('Site')));
  const ended = new Promise((resolve) => child.once('exit', resolve));
  await new Promise((resolve) => setTimeout(resolve, inMs));
  child.kill('SIGKILL');
  await ended;
  return isReady;
}
