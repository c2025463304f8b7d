import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Store } from '@plindo/server/store/index';
import { TestServer } from '../harness/server.js';
import { randomFrom } from './acts.js';
import { Client } from './client.js';

const DAY_IN_S = 86_400;
const LISTINGS_A_LIFE = 200;
const SOONEST_IN_MS = 250;
const LATEST_IN_MS = 1400;
const DONE_IN_MS = 60_000;

export interface DeparturesReport {
  readonly kills: number;
  readonly listings: number;
  /** How many kills came while something was still to be done. */
  readonly inTheMiddle: number;
  /** What went wrong, in sentences; nothing should. */
  readonly faults: readonly string[];
}

/** One or two servers on one database, whose clocks go by a file. */
class Nodes {
  private servers: TestServer[] = [];

  private constructor(
    private readonly many: number,
    private readonly folders: (string | undefined)[],
    private readonly database: string | undefined,
    private readonly shiftFile: string,
  ) {}

  static async start(many: number, database: string | undefined, shiftFile: string): Promise<Nodes> {
    const nodes = new Nodes(many, [], database, shiftFile);
    await nodes.begin();
    return nodes;
  }

  get first(): TestServer {
    return this.servers[0]!;
  }

  async begin(): Promise<void> {
    const clock = { PLINDO_CLOCK_SHIFT_FILE: this.shiftFile };
    for (let at = 0; at < this.many; at++) {
      const server = await TestServer.start(this.folders[at], this.database, clock);
      this.folders[at] = server.folder;
      this.servers[at] = server;
    }
  }

  async kill(): Promise<void> {
    await Promise.all(this.servers.map((server) => server.kill()));
  }

  async stop(): Promise<void> {
    await this.kill();
    for (const folder of this.folders) if (folder) rmSync(folder, { recursive: true, force: true });
  }
}

/**
 * Kills the real servers with SIGKILL while listings leave, and looks in the end whether each thing was done to each
 * listing once, and each notice lies in the outbox once.
 */
export async function departuresTrial(
  kills: number,
  seed: number,
  { database, nodes: many = 1 }: { readonly database?: string; readonly nodes?: number } = {},
): Promise<DeparturesReport> {
  const random = randomFrom(seed);
  const shiftFile = join(process.env['TMPDIR'] ?? '/tmp', `.plindo-shift-${process.pid}-${seed}`);
  writeFileSync(shiftFile, '0');
  const nodes = await Nodes.start(many, database, shiftFile);
  const faults: string[] = [];
  let [listings, inTheMiddle, shift] = [0, 0, 0];
  try {
    let client = await Client.ofNewOwner(nodes.first.address, nodes.first.setupLink ?? '');
    const kind = await makeKind(client);
    const store = database ?? join(nodes.first.folder, 'plindo.sqlite');
    const stillDue = async (): Promise<number> =>
      (await rowsIn(store, `SELECT "id" FROM due_work WHERE "task" = 'departure' AND "dueAt" IS NOT NULL`)).length;
    for (let kill = 1; kill <= kills; kill++) {
      listings += await addListings(client, kind, kill, shift);
      shift += 2 * DAY_IN_S;
      writeFileSync(shiftFile, String(shift));
      await after(SOONEST_IN_MS + random() * (LATEST_IN_MS - SOONEST_IN_MS));
      await nodes.kill();
      if ((await stillDue()) > 0) inTheMiddle++;
      await nodes.begin();
      client = client.at(nodes.first.address);
    }
    // Whoever was killed with work in hand has its lease for half a minute.
    shift += DAY_IN_S;
    writeFileSync(shiftFile, String(shift));
    for (const end = Date.now() + DONE_IN_MS; (await stillDue()) > 0 && Date.now() < end;) await after(200);
    faults.push(...(await faultsOf(store, listings)));
  } finally {
    await nodes.stop();
    rmSync(shiftFile, { force: true });
  }
  return { kills, listings, inTheMiddle, faults };
}

async function makeKind(client: Client): Promise<number> {
  const tell = (to: string): object => ({ act: 'tell', to: [to], fields: [], manner: 'at-once' });
  const answer = await client.send('POST', '/api/kinds', {
    ...{ one: 'Offer', many: 'Offers', slug: 'offers', published: true, startStatus: 'live' },
    fields: [
      { key: 'ends', label: 'Ends', type: 'date' },
      { key: 'note', label: 'Note', type: 'short-text' },
    ],
    expiry: {
      countedFrom: { by: 'field', field: 'ends', dayEdge: 'start' },
      consequences: [
        { key: 'note', days: 0, deed: { act: 'set-field', field: 'note', value: 'over' } },
        { key: 'told', days: 0, deed: tell('office@example.org') },
        { key: 'hide', days: 0, deed: { act: 'set-status', status: 'hidden' } },
        { key: 'again', days: 1, deed: tell('archive@example.org') },
      ],
    },
  });
  if (answer.status !== 200) throw new Error(`The kind could not be made: ${JSON.stringify(answer.json)}`);
  return answer.json.result.id as number;
}

/** Adds listings that leave a day later, by a clock that is so many seconds ahead; answers how many. */
async function addListings(client: Client, kind: number, life: number, shift: number): Promise<number> {
  const ends = new Date(Date.now() + (shift + DAY_IN_S) * 1000).toISOString().slice(0, 10);
  const sent = Array.from({ length: LISTINGS_A_LIFE }, (_, at) =>
    client.send('POST', `/api/kinds/${kind}/listings`, { title: `Offer ${life}-${at}`, values: { ends } }),
  );
  return (await Promise.all(sent)).filter(({ status }) => status === 200).length;
}

async function faultsOf(store: string, listings: number): Promise<string[]> {
  const faults: string[] = [];
  const due = await rowsIn(store, `SELECT "subject" FROM due_work WHERE "task" = 'departure' AND "dueAt" IS NOT NULL`);
  if (due.length > 0) faults.push(`${due.length} listings have still something to be done.`);
  const entries = await rowsIn<{ id: number; many: number }>(
    store,
    'SELECT e."entityId" AS "id", count(*) AS "many" FROM change_entries e JOIN changes c ON c."id" = e."changeId" ' +
      `WHERE e."entity" = 'listing' AND c."userId" IS NULL GROUP BY e."entityId"`,
  );
  // All that happens at once to a listing is one state of it.
  const wrong = entries.filter(({ many }) => Number(many) !== 1);
  if (wrong.length > 0) faults.push(`${wrong.length} listings were changed more than once.`);
  if (entries.length !== listings) faults.push(`${entries.length} of ${listings} listings were changed.`);
  const states = await rowsIn(store, `SELECT "id" FROM listings WHERE "status" <> 'hidden'`);
  if (states.length > 0) faults.push(`${states.length} listings are not hidden.`);
  for (const to of ['office@example.org', 'archive@example.org']) {
    const mails = await rowsIn<{ text: string }>(store, `SELECT "text" FROM mails WHERE "recipient" = '${to}'`);
    const titles = new Set(mails.map(({ text }) => /“([^”]+)”/.exec(text)?.[1]));
    if (mails.length !== listings || titles.size !== listings) {
      faults.push(`${to} was told ${mails.length} times about ${titles.size} of ${listings} listings.`);
    }
  }
  return faults;
}

/** What a database holds, read past the servers. */
async function rowsIn<T extends object = object>(database: string, select: string): Promise<T[]> {
  const store = await Store.open(database, () => new Date());
  try {
    return await store.ask<T>(select);
  } finally {
    await store.close();
  }
}

function after(waitInMs: number): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, waitInMs));
}
