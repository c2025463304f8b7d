import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { TestServer } from '../harness/server.js';
import type { Acknowledged, TrialSite } from './acts.js';
import { Actor, makeSite, nothingAcknowledged, randomFrom } from './acts.js';
import { faultsInStore, faultsOnPages } from './checks.js';
import { Client } from './client.js';

const ACTORS = 5;
const SOONEST_IN_MS = 150;
const LATEST_IN_MS = 1500;

export interface CrashReport {
  readonly kills: number;
  readonly acknowledged: number;
  readonly undone: number;
  readonly refused: Readonly<Record<string, number>>;
  /** What went wrong, in sentences; nothing should. */
  readonly faults: readonly string[];
}

/** One life of a server: several people work on it until it is killed in the middle of what they do. */
async function killUnderLoad(
  server: TestServer,
  client: Client,
  site: TrialSite,
  told: Acknowledged,
  random: () => number,
): Promise<void> {
  const actors = Array.from({ length: ACTORS }, (_, at) => {
    const name = `${at}${Math.floor(random() * 1e6)}`;
    return new Actor(name, client, site, told, randomFrom(Math.floor(random() * 1e9)));
  });
  const working = actors.map((actor) => actor.run());
  const afterMs = SOONEST_IN_MS + random() * (LATEST_IN_MS - SOONEST_IN_MS);
  await new Promise((resolve) => setTimeout(resolve, afterMs));
  for (const actor of actors) actor.isStopped = true;
  await server.kill();
  await Promise.all(working);
}

/**
 * Kills the real server with SIGKILL at random moments under edits, links, merges, imports and undo, and looks afterwards
 * whether everything that was acknowledged is there, nothing is half done, and public pages tell what is in the store.
 */
export async function crashTrial(kills: number, seed: number, database?: string): Promise<CrashReport> {
  const random = randomFrom(seed);
  const told = nothingAcknowledged();
  const faults: string[] = [];
  let server = await TestServer.start(undefined, database);
  const { folder } = server;
  let client = await Client.ofNewOwner(server.address, server.setupLink ?? '');
  const site = await makeSite(client);
  try {
    for (let kill = 1; kill <= kills; kill++) {
      await killUnderLoad(server, client, site, told, random);
      const inStore = await faultsInStore(database ?? join(folder, 'plindo.sqlite'), told);
      server = await TestServer.start(folder, database);
      client = client.at(server.address);
      const onPages = await faultsOnPages(client, site);
      faults.push(...[...inStore, ...onPages].map((fault) => `After kill ${kill}: ${fault}`));
    }
    faults.push(...told.wrong.map((answer) => `An answer was ${answer}.`));
  } finally {
    await server.kill();
    rmSync(folder, { recursive: true, force: true });
  }
  const { changes, undone, refused } = told;
  return { kills, acknowledged: changes.size, undone: undone.size, refused: Object.fromEntries(refused), faults };
}
