import { readFileSync } from 'node:fs';
import { newDatabase } from '../e2e/harness/postgres.js';
import { TestServer } from '../e2e/harness/server.js';
import { bareReading, startOnStore } from './edits-store.js';
import type { Benchmark, Measurement } from './measure.js';
import { median, percentile, timed } from './measure.js';

const EDITS_A_SECOND = 50;
const ALONE_IN_MS = 10_000;
const EDITING_IN_MS = 60_000;
const QUERIES_A_SECOND = 5;
const READY_IN_MS = 5000;
const MEMORY_IN_MB = 400;
const VISIBLE_IN_MS = 1000;
/** Listings before it get other prices, those from it on other titles. */
const FIRST_RENAMED = 1000;
const LONGEST_WAIT_IN_MS = 10_000;

/** A server on n listings of twenty fields: how soon it is ready, what it takes, and whether it keeps up with edits. */
export const editsBench: Benchmark = {
  about: 'start, memory, and fifty edits a second beside queries, with twenty fields a listing',
  sizes: [100_000],
  async run(n) {
    const { server, readyMs, firstReadyMs, token } = await startOnStore(n);
    const readyMb = memoryOf(server.processId);
    const empty = await TestServer.start();
    const emptyMb = memoryOf(empty.processId);
    await empty.stop();
    try {
      const bareMs = await bareReading(server.folder, n);
      const publisher = new Publisher(server, token);
      const before = await publisher.queries(ALONE_IN_MS);
      const [during, edits, pages] = await Promise.all([
        publisher.queries(EDITING_IN_MS),
        publisher.edits(EDITING_IN_MS),
        publisher.visits(EDITING_IN_MS),
      ]);
      const row = (name: string, own: Partial<Measurement> & { oursMs: number; referenceMs: number }): Measurement => ({
        ...{ case: name, n, reference: 'the same without edits', ratio: own.oursMs / own.referenceMs },
        ...{ hold: null, equal: edits.refused === 0, ...own },
      });
      const memory = { referenceMs: emptyMb, unit: 'MB', reference: 'a server without listings' } as const;
      const kept = (edits.sent / EDITING_IN_MS) * 1000;
      return [
        row('first start until ready', { oursMs: firstReadyMs, referenceMs: bareMs, reference: READING }),
        row('start until ready', { oursMs: readyMs, referenceMs: bareMs, reference: READING, bound: READY_IN_MS }),
        row('memory of the server when it is ready', { ...memory, oursMs: readyMb, bound: MEMORY_IN_MB }),
        row('memory of the server after queries and edits', { ...memory, oursMs: memoryOf(server.processId) }),
        row('query, median, beside edits', { oursMs: median(during), referenceMs: median(before) }),
        row('query, p95, beside edits', {
          ...{ oursMs: percentile(during, 0.95), referenceMs: percentile(before, 0.95), hold: 2 },
        }),
        row(`edit until acknowledged, p95, ${kept.toFixed(1)} a second`, {
          ...{ oursMs: percentile(edits.times, 0.95), referenceMs: median(before), reference: 'a query' },
        }),
        row('edit until on the page, p95', {
          ...{ oursMs: percentile(pages, 0.95), referenceMs: median(before), reference: 'a query' },
          bound: VISIBLE_IN_MS,
        }),
        row('edit until on the page, longest', {
          ...{ oursMs: Math.max(...pages), referenceMs: median(before), reference: 'a query', bound: VISIBLE_IN_MS },
        }),
        ...(await onPostgres(n, percentile(edits.times, 0.95))),
      ];
    } finally {
      await server.stop();
    }
  },
};

/** The same edits and queries on PostgreSQL, when there is one to run on; started by `tools/postgres.mjs`, it doesn't wait for a disk. */
async function onPostgres(n: number, referenceMs: number): Promise<Measurement[]> {
  const postgres = process.env['PLINDO_TEST_POSTGRES'];
  if (postgres === undefined) return [];
  const { server, token } = await startOnStore(n, await newDatabase(postgres));
  try {
    const publisher = new Publisher(server, token);
    const [, edits] = await Promise.all([publisher.queries(EDITING_IN_MS), publisher.edits(EDITING_IN_MS)]);
    const oursMs = percentile(edits.times, 0.95);
    const told = { n, oursMs, reference: 'the same on SQLite', referenceMs, ratio: oursMs / referenceMs };
    return [{ ...told, case: 'edit until acknowledged on PostgreSQL, p95', hold: null, equal: edits.refused === 0 }];
  } finally {
    await server.stop();
  }
}

const READING = 'reading and parsing all rows';

/** Somebody who edits, and visitors who ask, at a steady pace; what falls behind is sent as soon as it can be. */
class Publisher {
  /** By listing, the version that its next edit has to name. */
  private readonly versions = new Map<number, number>();
  /** Of the index, so that no page is asked for twice. */
  private lastPage = 0;

  constructor(
    private readonly server: TestServer,
    private readonly token: string,
  ) {}

  /** Asks pages of other states of the filters for a while; milliseconds of each. */
  async queries(forMs: number): Promise<number[]> {
    const times: number[] = [];
    await this.paced(QUERIES_A_SECOND, forMs, async (turn) => {
      const path = `/berths?type=buoy,quay&lit=yes&sort=${turn % 2 ? 'title' : 'newest'}&page=${++this.lastPage}`;
      times.push(await timed(() => this.page(path)));
    });
    return times;
  }

  /** Changes a price of one listing after the other. */
  async edits(forMs: number): Promise<{ sent: number; refused: number; times: number[] }> {
    const times: number[] = [];
    let refused = 0;
    const pending: Promise<void>[] = [];
    await this.paced(EDITS_A_SECOND, forMs, (turn) => {
      const id = 1 + ((turn * 37) % FIRST_RENAMED);
      const edit = async (): Promise<void> => {
        const values = { price: { minor: 100 + turn, currency: 'EUR' } };
        const startedAt = performance.now();
        if ((await this.patch(id, { values })) !== 200) refused++;
        times.push(performance.now() - startedAt);
      };
      pending.push(edit());
      return Promise.resolve();
    });
    await Promise.all(pending);
    return { sent: times.length, refused, times };
  }

  /** Once a second changes a title, and asks its page until it shows; milliseconds from sending the edit. */
  async visits(forMs: number): Promise<number[]> {
    const times: number[] = [];
    await this.paced(1, forMs, async (turn) => {
      const title = `Changed ${turn}`;
      times.push(
        await timed(async () => {
          await this.patch(FIRST_RENAMED + turn, { title });
          const path = `/berths/berth-${FIRST_RENAMED + turn - 1}`;
          for (const until = performance.now() + LONGEST_WAIT_IN_MS; performance.now() < until;) {
            if ((await this.page(path)).includes(title)) return;
          }
          throw new Error(`${path} still has its old title.`);
        }),
      );
    });
    return times;
  }

  private async paced(aSecond: number, forMs: number, act: (turn: number) => Promise<void>): Promise<void> {
    const startedAt = performance.now();
    for (let turn = 0; (turn * 1000) / aSecond < forMs; turn++) {
      const wait = startedAt + (turn * 1000) / aSecond - performance.now();
      if (wait > 0) await new Promise((resolve) => setTimeout(resolve, wait));
      await act(turn);
    }
  }

  private async page(path: string): Promise<string> {
    const response = await fetch(this.server.address + path);
    if (!response.ok) throw new Error(`${path} was answered with ${response.status}.`);
    return response.text();
  }

  private async patch(id: number, body: object): Promise<number> {
    const headers = { Authorization: `Bearer ${this.token}`, 'Content-Type': 'application/json' };
    const address = `${this.server.address}/api/listings/${id}`;
    const version = this.versions.get(id) ?? 1;
    this.versions.set(id, version + 1);
    const response = await fetch(address, { method: 'PATCH', headers, body: JSON.stringify({ version, ...body }) });
    await response.arrayBuffer();
    return response.status;
  }
}

/** Resident megabytes of a process; Linux tells them. */
function memoryOf(processId: number): number {
  const line = /^VmRSS:\s+(\d+) kB/m.exec(readFileSync(`/proc/${processId}/status`, 'utf8'));
  return Number(line?.[1] ?? NaN) / 1024;
}
