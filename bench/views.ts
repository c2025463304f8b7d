import { Agent, get } from 'node:http';
import { cardLinks } from '../e2e/harness/card-links.js';
import { TestServer } from '../e2e/harness/server.js';
import { DEMO_OWNER } from '../e2e/harness/desk.js';
import { Client } from '../e2e/trials/client.js';
import { yearRows } from './learned-year.js';
import type { Benchmark, Measurement } from './measure.js';
import { median, percentile } from './measure.js';

const LIST = '/berths';
const PAIRS = 12;
const BLOCK_IN_MS = 5000;
/** What else a machine does slows some stretches of a block; the middle of many short ones tells what pages take. */
const STRETCHES_A_SECOND = 4;
const EVERY_IN_MS = 5;
/** What was counted is written every two seconds. */
const WRITTEN_AFTER_IN_MS = 4000;
const HOLD = 1.1;

/** Pages of listings of the demo, asked for so many times a second by visitors who count, and by robots, who don't. */
export const viewsBench: Benchmark = {
  about:
    'pages of listings asked for n times a second, each counted, beside the same by robots; a year of a million views drawn',
  sizes: [2000],
  async run(n) {
    const server = await TestServer.startDemo();
    try {
      const list = await (await fetch(server.address + LIST)).text();
      const crowd = new Crowd(server.address, cardLinks(list));
      const client = await Client.signedIn(server.address, DEMO_OWNER);
      // Code that has run often enough is compiled, for both.
      for (const agentOf of [robot, person]) await crowd.ask(n, BLOCK_IN_MS, agentOf);
      await new Promise((resolve) => setTimeout(resolve, WRITTEN_AFTER_IN_MS));
      const before = await viewsOf(client);
      const pairs: Pair[] = [];
      for (let pair = 0; pair < PAIRS; pair++) pairs.push(await crowd.pair(n, pair % 2 === 0));
      const counted = (await viewsOf(client)) - before;
      crowd.close();
      const sent = pairs.reduce((sum, { people }) => sum + people.asked, 0);
      return [
        row('a page that is counted, p95', n, {
          oursMs: median(pairs.flatMap(({ people }) => people.p95s)),
          referenceMs: median(pairs.flatMap(({ robots }) => robots.p95s)),
          hold: HOLD,
          equal: counted === sent,
        }),
        row('views that were counted', n, {
          oursMs: counted,
          referenceMs: sent,
          hold: null,
          equal: counted === sent,
          unit: '',
        }),
        row('asked for in a second', n, {
          ...{ oursMs: sent / ((PAIRS * BLOCK_IN_MS) / 1000), referenceMs: n, hold: null, equal: true, unit: '' },
        }),
        ...(await yearRows()),
      ];
    } finally {
      await server.stop();
    }
  },
};

type Figures = Pick<Measurement, 'oursMs' | 'referenceMs' | 'hold' | 'equal' | 'unit'>;

function row(name: string, n: number, figures: Figures): Measurement {
  const reference = figures.unit === '' ? 'sent' : 'the same for robots';
  return { case: name, n, reference, ratio: figures.oursMs / figures.referenceMs, ...figures };
}

const person = (number: number): string =>
  `Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.${number}`;
const robot = (number: number): string => `Mozilla/5.0 (compatible; Somebot/140.${number})`;

/** All views of the listings on the first page of the list. */
async function viewsOf(client: Client): Promise<number> {
  const kinds = (await client.send('GET', '/api/kinds')).json as { kind: { id: number; slug: string } }[];
  const { id } = kinds.find(({ kind }) => `/${kind.slug}` === LIST)!.kind;
  let total = 0;
  for (let offset = 0; ; offset += 100) {
    const path = `/api/kinds/${id}/listings?limit=100&offset=${offset}`;
    const { listings } = (await client.send('GET', path)).json as { listings: { views: number }[] };
    if (listings.length === 0) return total;
    total += listings.reduce((sum, { views }) => sum + views, 0);
  }
}

/** Pages that were asked for without a pause. */
interface Block {
  readonly asked: number;
  /** The p95 of each stretch of it, in milliseconds. */
  readonly p95s: readonly number[];
}

/** One block that counts and one that doesn't, one right after the other. */
interface Pair {
  readonly people: Block;
  readonly robots: Block;
}

/** Visitors of whom each asks for one page, at moments that don't wait for answers. */
class Crowd {
  private readonly agent = new Agent({ keepAlive: true, maxSockets: 64 });
  private number = 0;

  constructor(
    private readonly address: string,
    private readonly paths: readonly string[],
  ) {}

  /** Asks so many times a second; answers the milliseconds that each waited. */
  async ask(aSecond: number, forMs: number, agentOf: (number: number) => string): Promise<number[]> {
    const answers: Promise<number>[] = [];
    const startedAt = performance.now();
    for (;;) {
      const elapsed = performance.now() - startedAt;
      const due = Math.floor((Math.min(elapsed, forMs) * aSecond) / 1000);
      while (answers.length < due) answers.push(this.one(agentOf(this.number++)));
      if (elapsed >= forMs) return Promise.all(answers);
      await new Promise((resolve) => setTimeout(resolve, EVERY_IN_MS));
    }
  }

  /** After each block what was counted is written, so that none has the work of the one before. */
  async pair(aSecond: number, isPeopleFirst: boolean): Promise<Pair> {
    const block = async (agentOf: (number: number) => string): Promise<Block> => {
      const times = await this.ask(aSecond, BLOCK_IN_MS, agentOf);
      await new Promise((resolve) => setTimeout(resolve, WRITTEN_AFTER_IN_MS));
      const stretch = Math.ceil(aSecond / STRETCHES_A_SECOND);
      const starts = Array.from({ length: Math.floor(times.length / stretch) }, (_, at) => at * stretch);
      const p95s = starts.map((from) => percentile(times.slice(from, from + stretch), 0.95));
      return { asked: times.length, p95s };
    };
    const early = await block(isPeopleFirst ? person : robot);
    const late = await block(isPeopleFirst ? robot : person);
    return isPeopleFirst ? { people: early, robots: late } : { people: late, robots: early };
  }

  close(): void {
    this.agent.destroy();
  }

  private one(userAgent: string): Promise<number> {
    const { agent } = this;
    const path = this.paths[this.number % this.paths.length]!;
    const startedAt = performance.now();
    return new Promise((resolve, reject) => {
      const headers = { 'User-Agent': userAgent, 'Accept-Encoding': 'gzip, deflate, br, zstd' };
      const request = get(this.address + path, { agent, headers }, (response) => {
        response.resume().on('end', () => resolve(performance.now() - startedAt));
      });
      request.on('error', reject);
    });
  }
}
