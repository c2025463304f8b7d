import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { PageModel } from '@plindo/core/page';
import { listOnPage } from '@plindo/core/testing/list-on-page';
import { Store } from '@plindo/server/store/index';
import type { TestServer } from '../e2e/harness/server.js';
import { startOnStore } from './edits-store.js';
import type { Benchmark, Measurement } from './measure.js';
import { median, percentile, timed } from './measure.js';

const HOUR_IN_MS = 3_600_000;
const BEFORE_IN_MS = 10_000;
const QUERIES_A_SECOND = 5;
const EDITS_A_SECOND = 4;
/** One in so many listings leaves at the one moment. */
const ONE_IN = 10;
const GONE_IN_MS = 1000;
const DONE_IN_MS = 30_000;
const WAIT_IN_MS = 300;
const LONGEST_IN_MS = 180_000;

/** A tenth of all listings leaves at one moment: how soon visitors see it, how long the rest takes, and who waits for it. */
export const clockBench: Benchmark = {
  about: 'a tenth of all listings leaves at one moment, beside queries and edits',
  sizes: [100_000],
  async run(n) {
    const folder = mkdtempSync(join(tmpdir(), 'plindo-clock-'));
    const clock = join(folder, 'shift');
    writeFileSync(clock, '0');
    const leaves = Date.now() + HOUR_IN_MS;
    const { server, token } = await startOnStore(n, undefined, {
      environment: { PLINDO_CLOCK_SHIFT_FILE: clock },
      contentAt: (at) => ({ expiry: 'by-rule', shownUntil: at % ONE_IN === 0 ? leaves : null }),
      expiry: {
        countedFrom: { by: 'moment', at: '2099-01-01T00:00Z' },
        consequences: [
          { key: 'keeper', days: 0, deed: { act: 'set-field', field: 'keeper', value: 'nobody' } },
          { key: 'hide', days: 0, deed: { act: 'set-status', status: 'hidden' } },
          { key: 'told', days: 0, deed: { act: 'tell', to: ['office@example.org'], manner: 'daily' } },
        ],
      },
    });
    try {
      const office = new Office(server, token);
      const all = await office.total();
      const before = await office.during(after(BEFORE_IN_MS));
      writeFileSync(clock, String((leaves - Date.now()) / 1000 + 1));
      const due = performance.now();
      const goneMs = await timed(() => office.until(async () => (await office.total()) === all - n / ONE_IN));
      const database = join(server.folder, 'plindo.sqlite');
      const doing = office.until(async () => (await stillDue(database)) === 0);
      const during = await office.during(doing);
      const doneMs = performance.now() - due;
      const row = (name: string, own: Partial<Measurement> & { oursMs: number; referenceMs: number }): Measurement => ({
        ...{ case: name, n, reference: 'the same before', ratio: own.oursMs / own.referenceMs },
        ...{ hold: null, equal: during.refused === 0, ...own },
      });
      const query = { referenceMs: median(before.queries), reference: 'a query' };
      return [
        row(`${n / ONE_IN} at one moment: gone for visitors`, { oursMs: goneMs, ...query, bound: GONE_IN_MS }),
        row('all that happens to them done', { oursMs: doneMs, ...query, bound: DONE_IN_MS }),
        row('query meanwhile, p95', {
          ...{ oursMs: percentile(during.queries, 0.95), referenceMs: percentile(before.queries, 0.95), hold: 2 },
        }),
        row('edit meanwhile, longest', {
          ...{ oursMs: Math.max(...during.edits), referenceMs: Math.max(...before.edits), bound: WAIT_IN_MS },
        }),
      ];
    } finally {
      await server.stop();
      rmSync(folder, { recursive: true, force: true });
    }
  },
};

/** How many listings have still something to be done by now, of those that leave before the far end. */
async function stillDue(database: string): Promise<number> {
  const store = await Store.open(database, () => new Date());
  const far = Date.UTC(2099, 0, 1);
  const select = `SELECT count(*) AS "many" FROM due_work WHERE "task" = 'departure' AND "dueAt" < ${far}`;
  try {
    return Number((await store.ask<{ many: number }>(select))[0]?.many);
  } finally {
    await store.close();
  }
}

/** Visitors who ask and an editor who edits, at a steady pace. */
class Office {
  private versions = new Map<number, number>();
  private lastPage = 0;

  constructor(
    private readonly server: TestServer,
    private readonly token: string,
  ) {}

  /** Milliseconds of queries and edits until something has ended. */
  async during(end: Promise<unknown>): Promise<{ queries: number[]; edits: number[]; refused: number }> {
    let [isOver, refused] = [false, 0];
    void end.then(() => (isOver = true));
    const [queries, edits]: [number[], number[]] = [[], []];
    const paced = async (aSecond: number, act: (turn: number) => Promise<void>): Promise<void> => {
      const begun = performance.now();
      for (let turn = 0; !isOver; turn++) {
        await after(begun + (turn * 1000) / aSecond - performance.now());
        await act(turn);
      }
    };
    await Promise.all([
      end,
      paced(QUERIES_A_SECOND, async (turn) => {
        const path = `/berths?type=buoy,quay&lit=yes&sort=${turn % 2 ? 'title' : 'newest'}&page=${++this.lastPage}`;
        queries.push(await timed(() => this.get(path)));
      }),
      paced(EDITS_A_SECOND, async (turn) => {
        // None of those that leave.
        const id = 2 + ((turn * 37) % 500) * ONE_IN;
        edits.push(await timed(async () => void ((await this.edit(id, turn)) === 200 || refused++)));
      }),
    ]);
    return { queries, edits, refused };
  }

  /** Asks again and again until something is so. */
  async until(test: () => Promise<boolean>): Promise<void> {
    for (const end = performance.now() + LONGEST_IN_MS; performance.now() < end;) {
      if (await test()) return;
      await after(50);
    }
    throw new Error('It did not happen in time.');
  }

  /** How many listings visitors find. */
  async total(): Promise<number> {
    const response = await fetch(`${this.server.address}/api/page?url=/berths`);
    return listOnPage((await response.json()) as PageModel).total;
  }

  private async edit(id: number, turn: number): Promise<number> {
    const version = this.versions.get(id) ?? 1;
    this.versions.set(id, version + 1);
    const response = await fetch(`${this.server.address}/api/listings/${id}`, {
      method: 'PATCH',
      headers: { Authorization: `Bearer ${this.token}`, 'Content-Type': 'application/json' },
      body: JSON.stringify({ version, values: { price: { minor: 100 + turn, currency: 'EUR' } } }),
    });
    await response.arrayBuffer();
    return response.status;
  }

  private async get(path: string): Promise<void> {
    const response = await fetch(this.server.address + path);
    if (!response.ok) throw new Error(`${path} was answered with ${response.status}.`);
    await response.text();
  }
}

function after(waitInMs: number): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, Math.max(0, waitInMs)));
}
