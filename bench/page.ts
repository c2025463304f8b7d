import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { cardLinks } from '../e2e/harness/card-links.js';
import { TestServer } from '../e2e/harness/server.js';
import { DEMO_OWNER } from '../e2e/harness/desk.js';
import { Client } from '../e2e/trials/client.js';
import { askRaw, hammer } from './hammer.js';
import type { Benchmark, Measurement } from './measure.js';
import { median, percentile, timed } from './measure.js';

const HAMMER_IN_MS = 5000;
const TURNS = 10;
/** A program runs at its speed after some hundred pages. */
const WARMING = 60;
const BLOCKS = 4;
const AT_ONCE = 10;
const LEFT = 50;
const LIST = '/berths';
const AS_BROWSERS = { 'Accept-Encoding': 'gzip, deflate, br, zstd' };
const VISITS_A_SECOND = 20;
const VISITING_IN_MS = 30_000;
const ADDRESSES = 60;
const KEPT_IN_MS = 30;
const DIFFERENT_IN_MS = 250;
const MODEL_IN_MS = 2.5;
const HTML_BYTES = 95_000;

/** Pages of the demo as visitors get them: kept ones, new ones, many at once, and beside edits. */
export const pageBench: Benchmark = {
  about: 'pages of the demo: kept ones beside Express alone, new ones, many at once, and beside edits',
  sizes: [1],
  async run(n) {
    const server = await TestServer.startDemo();
    try {
      const visitors = new Visitors(server.address);
      const client = await Client.signedIn(server.address, DEMO_OWNER);
      return [
        ...(await hits(server.address, n)),
        ...(await newPages(visitors, n)),
        ...(await besideThePlainWay(visitors, n)),
        ...(await besideEdits(visitors, client, n)),
      ];
    } finally {
      await server.stop();
    }
  },
};

/** A kept page, and the answer to somebody who has it, beside Express sending the same bytes. */
async function hits(address: string, n: number): Promise<Measurement[]> {
  await askRaw(address, LIST, AS_BROWSERS);
  await askRaw(address, LIST, AS_BROWSERS);
  // The one that was made while the second one was sent.
  await new Promise((resolve) => setTimeout(resolve, 500));
  const kept = await askRaw(address, LIST, AS_BROWSERS);
  const tag = kept.headers[kept.headers.findIndex((name) => /^etag$/i.test(name)) + 1] ?? '';
  const plain = await PlainExpress.start(kept);
  try {
    const same = await askRaw(plain.address, LIST, AS_BROWSERS);
    const equal = kept.body.equals(same.body);
    const hasIt = { ...AS_BROWSERS, 'If-None-Match': tag };
    const [ours, theirs, known, theirKnown]: [number[], number[], number[], number[]] = [[], [], [], []];
    for (let turn = 0; turn < 3; turn++) {
      ours.push(await hammer(address, LIST, AS_BROWSERS, HAMMER_IN_MS));
      theirs.push(await hammer(plain.address, LIST, AS_BROWSERS, HAMMER_IN_MS));
      known.push(await hammer(address, LIST, hasIt, HAMMER_IN_MS));
      theirKnown.push(await hammer(plain.address, LIST, hasIt, HAMMER_IN_MS));
    }
    const [oursMs, referenceMs] = [median(ours), median(theirs)];
    return [
      row('a kept page', n, { oursMs, reference: 'Express, the same bytes', referenceMs, hold: 1 / 0.9, equal }),
      row('a kept page that the visitor has', n, {
        oursMs: median(known),
        reference: 'sent',
        referenceMs: oursMs,
        hold: 0.3,
      }),
      row('the same', n, {
        ...{
          oursMs: median(known),
          reference: 'Express, an empty 304',
          referenceMs: median(theirKnown),
          hold: 1 / 0.9,
        },
      }),
    ];
  } finally {
    plain.stop();
  }
}

/** Pages that nobody has asked for: alone, the same for many at once, different ones at once, and after visitors who left. */
async function newPages(visitors: Visitors, n: number): Promise<Measurement[]> {
  const [alone, same, different, left]: [number[], number[], number[], number[]] = [[], [], [], []];
  const models: number[] = [];
  await visitors.warm();
  for (let turn = 0; turn < TURNS; turn++) {
    alone.push(await visitors.visit(visitors.newAddress()));
    models.push(await visitors.modelOf(visitors.newAddress()));
    const one = visitors.newAddress();
    same.push(await timed(() => Promise.all(Array.from({ length: AT_ONCE }, () => visitors.visit(one)))));
    const others = Array.from({ length: AT_ONCE }, () => visitors.visit(visitors.newAddress()));
    different.push(...(await Promise.all(others)));
    await Promise.all(Array.from({ length: LEFT }, () => visitors.leaveAtOnce(visitors.newAddress())));
    left.push(await visitors.visit(visitors.newAddress()));
  }
  const reference = { reference: 'one alone', referenceMs: median(alone), hold: null };
  return [
    row(`${AT_ONCE} of one new page at once, until all have it`, n, { oursMs: median(same), ...reference, hold: 1.5 }),
    row(`${AT_ONCE} different new pages at once, p95`, n, {
      ...{ oursMs: percentile(different, 0.95), ...reference, bound: DIFFERENT_IN_MS },
    }),
    row('the model of a new page, in the server', n, { oursMs: median(models), ...reference, bound: MODEL_IN_MS }),
    row(`a new page after ${LEFT} visitors who left at once`, n, { oursMs: median(left), ...reference }),
  ];
}

/** New pages of a list beside the plain way of rendering, on a server of its own, in turn; and how many bytes one has. */
async function besideThePlainWay(visitors: Visitors, n: number): Promise<Measurement[]> {
  const server = await TestServer.startDemo({ PLINDO_PLAIN_RENDERING: 'yes' });
  try {
    const plain = new Visitors(server.address);
    const [ours, theirs]: [number[], number[]] = [[], []];
    await visitors.warm();
    await plain.warm();
    // Each in a row of its own, so that neither waits beside what the other one still has to tidy up.
    for (let block = 0; block < BLOCKS; block++) {
      for (let turn = 0; turn < TURNS; turn++) ours.push(await visitors.visit(visitors.newAddress()));
      for (let turn = 0; turn < TURNS; turn++) theirs.push(await plain.visit(plain.newAddress()));
    }
    const [own, other] = [await visitors.bytesOf(LIST), await plain.bytesOf(LIST)];
    const reference = 'rendered the plain way';
    return [
      row('a new page', n, { oursMs: median(ours), reference, referenceMs: median(theirs), hold: 0.3 }),
      row('its HTML', n, { oursMs: own, reference, referenceMs: other, hold: null, unit: 'bytes', bound: HTML_BYTES }),
    ];
  } finally {
    await server.stop();
  }
}

/** Visits beside edits of a berth: of some pages of the demo, a few of them often; and each of another list of berths. */
async function besideEdits(visitors: Visitors, client: Client, n: number): Promise<Measurement[]> {
  const alone = await visitors.visit(visitors.newAddress());
  const addresses = await visitors.someAddresses();
  for (const address of addresses) await visitors.visit(address);
  const again = await visitors.visits(() => addresses[zipf(ADDRESSES)]!, editor(client, 1));
  const kept = again.filter(({ isKept }) => isKept).length / again.length;
  const ever = await visitors.visits(() => visitors.newAddress(), editor(client, 2));
  const reference = { reference: 'one new page alone', referenceMs: alone, hold: null };
  const visiting = `${VISITS_A_SECOND} visits a second`;
  const p95 = (visits: readonly Visit[]): number =>
    percentile(
      visits.map(({ ms }) => ms),
      0.95,
    );
  return [
    row(`${visiting} of ${ADDRESSES} pages, an edit a second, p95`, n, {
      ...{ oursMs: p95(again), ...reference, bound: KEPT_IN_MS },
    }),
    row('of these pages not kept', n, {
      ...{ oursMs: 100 * (1 - kept), unit: '%', reference: 'all', referenceMs: 100, hold: null, bound: 20 },
    }),
    row(`${visiting}, each of another page, two edits a second, p95`, n, {
      ...{ oursMs: p95(ever), ...reference, bound: DIFFERENT_IN_MS },
    }),
  ];
}

function row(
  name: string,
  n: number,
  own: Pick<Measurement, 'oursMs' | 'reference' | 'referenceMs' | 'hold'> & Partial<Measurement>,
): Measurement {
  return { case: name, n, ratio: own.oursMs / own.referenceMs, equal: true, ...own };
}

/** Edits a berth of the demo so many times a second until it is stopped. */
function editor(client: Client, aSecond: number): () => () => void {
  const kindId = client.send('GET', '/api/kinds').then(({ json }) => {
    const kinds = json as { kind: { id: number; slug: string } }[];
    return kinds.find(({ kind }) => `/${kind.slug}` === LIST)!.kind.id;
  });
  return () => {
    const edit = async (): Promise<void> => {
      const { json } = await client.send('GET', `/api/kinds/${await kindId}/listings`);
      // The last one may come when the server is stopped already.
      if (!json) return;
      const [{ id, version }] = json.listings as [{ id: number; version: number }];
      await client.send('PATCH', `/api/listings/${id}`, { version, summary: `Edited at ${performance.now()}` });
    };
    const timer = setInterval(() => void edit(), 1000 / aSecond);
    return () => clearInterval(timer);
  };
}

/** A number below n, small ones often: the k-th in proportion to 1/k. */
function zipf(n: number): number {
  const total = Array.from({ length: n }, (_, at) => 1 / (at + 1)).reduce((sum, share) => sum + share, 0);
  let left = Math.random() * total;
  for (let at = 0; at < n; at++) if ((left -= 1 / (at + 1)) <= 0) return at;
  return n - 1;
}

interface Visit {
  readonly ms: number;
  /** Whether the page was the very one that was sent for the same address before. */
  readonly isKept: boolean;
}

class Visitors {
  private last = 0;
  private readonly tags = new Map<string, string>();

  constructor(private readonly address: string) {}

  /** Of a list of all berths up to a price that nobody has asked about. */
  newAddress(): string {
    return `${LIST}?price=0..${100_000 + ++this.last}`;
  }

  /** Lists of all kinds of the demo and pages of their first listings, in turn. */
  async someAddresses(): Promise<string[]> {
    const lists = ['/berths', '/courses', '/harbours', '/boatyards', '/instructors', '/courses?sort=title'];
    const found = await Promise.all(
      lists.map(async (list) => {
        const html = await (await fetch(this.address + list)).text();
        return [list, ...cardLinks(html)];
      }),
    );
    const inTurn = Array.from({ length: ADDRESSES }, (_, at) => found.map((own) => own[at] ?? []).flat()).flat();
    return ['/', ...new Set(inTurn)].slice(0, ADDRESSES);
  }

  /** Of its HTML, as it is before it is packed. */
  async bytesOf(path: string): Promise<number> {
    return (await askRaw(this.address, path, {})).body.length;
  }

  /** Two at once, as there are two threads that render. */
  async warm(): Promise<void> {
    for (let turn = 0; turn < WARMING; turn++)
      await Promise.all([this.visit(this.newAddress()), this.visit(this.newAddress())]);
  }

  /** Milliseconds that the server took for the model of a page, without the way there and back. */
  async modelOf(path: string): Promise<number> {
    const { headers } = await askRaw(this.address, `/api/page?url=${encodeURIComponent(path)}`, AS_BROWSERS);
    const told = headers[headers.findIndex((name) => /^server-timing$/i.test(name)) + 1] ?? '';
    return Number(/dur=([\d.]+)/.exec(told)?.[1]);
  }

  async visit(path: string): Promise<number> {
    return (await this.visited(path)).ms;
  }

  private async visited(path: string): Promise<Visit> {
    let tag = '';
    const ms = await timed(async () => {
      const { status, headers } = await askRaw(this.address, path, AS_BROWSERS);
      if (status !== 200) throw new Error(`${path} was answered with ${status}.`);
      tag = headers[headers.indexOf('ETag') + 1] ?? '';
    });
    const isKept = this.tags.get(path) === tag;
    this.tags.set(path, tag);
    return { ms, isKept };
  }

  async leaveAtOnce(path: string): Promise<void> {
    const leaving = new AbortController();
    const asked = fetch(this.address + path, { signal: leaving.signal }).catch(() => undefined);
    setTimeout(() => leaving.abort(), 5);
    await asked;
  }

  /** Visits, so many a second, beside something that goes on meanwhile. */
  async visits(addressOf: () => string, begin: () => () => void): Promise<Visit[]> {
    const end = begin();
    const under: Promise<Visit>[] = [];
    for (const until = performance.now() + VISITING_IN_MS; performance.now() < until;) {
      under.push(this.visited(addressOf()));
      await new Promise((resolve) => setTimeout(resolve, 1000 / VISITS_A_SECOND));
    }
    end();
    return Promise.all(under);
  }
}

/** Express in a process of its own, sending an answer that was given before. */
class PlainExpress {
  private constructor(
    readonly address: string,
    private readonly end: () => void,
  ) {}

  static async start({ headers, body }: { headers: readonly string[]; body: Buffer }): Promise<PlainExpress> {
    const folder = mkdtempSync(join(tmpdir(), 'plindo-bench-'));
    const file = join(folder, 'answer.json');
    const own = headers.flatMap((part, at) =>
      at % 2 === 0 && !/^(date|connection)$/i.test(part) ? [part, headers[at + 1]!] : [],
    );
    writeFileSync(file, JSON.stringify({ headers: own, body: body.toString('base64') }));
    const child = spawn(process.execPath, ['--import', 'tsx', join(import.meta.dirname, 'plain-express.ts'), file]);
    const port = await new Promise<string>((resolve) => {
      child.stdout.once('data', (part: Buffer) => resolve(part.toString().trim()));
    });
    return new PlainExpress(`http://localhost:${port}`, () => {
      child.kill();
      rmSync(folder, { recursive: true, force: true });
    });
  }

  stop(): void {
    this.end();
  }
}
