import { newDatabase } from '../harness/postgres.js';
import type { TestPostgres } from '../harness/postgres.js';
import { TestServer } from '../harness/server.js';
import type { TrialSite } from './acts.js';
import { makeSite } from './acts.js';
import { faultsOnPages } from './checks.js';
import { Client } from './client.js';
import { Gate } from './gate.js';

const BACK_IN_MS = 20_000;

/** Waits until something holds; answers the milliseconds that it took, or Infinity when it took too long. */
export async function until(work: () => Promise<boolean>, longestInMs: number): Promise<number> {
  const startedAt = performance.now();
  for (;;) {
    if (await work()) return performance.now() - startedAt;
    if (performance.now() - startedAt > longestInMs) return Infinity;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}

async function readiness(server: TestServer): Promise<number> {
  return (await fetch(`${server.address}/readyz`)).status;
}

async function addBerth(
  client: Client,
  { berths }: TrialSite,
  title: string,
): Promise<{ status: number; code: string }> {
  const { status, json } = await client.send('POST', `/api/kinds/${berths}/listings`, {
    title,
    values: { services: ['fuel'] },
  });
  return { status, code: String(json?.code ?? '') };
}

export interface OutageReport {
  /** What the server said while its database was away: of itself, and to somebody who edits. */
  readonly whileAway: {
    readonly ready: number;
    readonly edit: number;
    readonly code: string;
    readonly page: number;
    readonly newPage: number;
  };
  /** Milliseconds from the database's return to the next acknowledged edit. */
  readonly backAfterMs: number;
  readonly faults: readonly string[];
}

/** Stops the database under a running server, and starts it again. */
export async function outageTrial(postgres: TestPostgres): Promise<OutageReport> {
  const server = await TestServer.start(undefined, await newDatabase(postgres.address));
  try {
    const client = await Client.ofNewOwner(server.address, server.setupLink ?? '');
    const site = await makeSite(client);
    await addBerth(client, site, 'Before');
    const page = async (path = '/berths'): Promise<number> => (await fetch(`${server.address}${path}`)).status;
    await page();
    await postgres.end();
    const ready = await readiness(server);
    const { status: edit, code } = await addBerth(client, site, 'Meanwhile');
    const whileAway = { ready, edit, code, page: await page(), newPage: await page('/berths/before') };
    await postgres.begin();
    const backAfterMs = await until(async () => (await addBerth(client, site, 'After')).status === 200, BACK_IN_MS);
    const faults = await faultsOnPages(client, site);
    if ((await readiness(server)) !== 200) faults.push('The server does not say that it is ready again.');
    return { whileAway, backAfterMs, faults };
  } finally {
    await server.stop();
  }
}

export interface CutReport {
  /** Edits that the other node acknowledged meanwhile, and the longest one, in milliseconds. */
  readonly edits: number;
  readonly longestMs: number;
  /** Milliseconds from the line's return until both nodes tell the same. */
  readonly caughtUpAfterMs: number;
  readonly faults: readonly string[];
}

/** Cuts one of two nodes off from the database for a while, in the middle of its edits; the other one goes on. */
export async function cutTrial(postgres: TestPostgres, cutInMs: number): Promise<CutReport> {
  const database = await newDatabase(postgres.address);
  const gate = await Gate.before(postgres.port);
  const first = await TestServer.start(undefined, database);
  const second = await TestServer.start(undefined, gate.through(database));
  try {
    const client = await Client.ofNewOwner(first.address, first.setupLink ?? '');
    const site = await makeSite(client);
    const other = client.at(second.address);
    const isSame = async (): Promise<boolean> => (await faultsOnPages(other, site).catch(() => ['away'])).length === 0;
    await until(isSame, BACK_IN_MS);
    const cutOff = Array.from({ length: 5 }, (_, at) => addBerth(other, site, `Cut off ${at}`));
    gate.shut();
    let [edits, longestMs] = [0, 0];
    for (const end = performance.now() + cutInMs; performance.now() < end; edits++) {
      const startedAt = performance.now();
      const { status } = await addBerth(client, site, `Went on ${edits}`);
      if (status !== 200) throw new Error(`The other node answered with ${status}.`);
      longestMs = Math.max(longestMs, performance.now() - startedAt);
    }
    gate.open();
    const caughtUpAfterMs = await until(isSame, BACK_IN_MS);
    await Promise.all(cutOff);
    const faults = [...(await faultsOnPages(client, site)), ...(await faultsOnPages(other, site))];
    return { edits, longestMs, caughtUpAfterMs, faults };
  } finally {
    await Promise.all([first.stop(), second.stop()]);
    await gate.close();
  }
}
