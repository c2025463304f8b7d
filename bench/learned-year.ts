import { join } from 'node:path';
import { Store } from '@plindo/server/store/index';
import { Dice } from '@plindo/core/values';
import type { Page } from 'playwright-core';
import { openBrowser, openPage } from '../e2e/harness/browser.js';
import { DEMO_OWNER, Desk } from '../e2e/harness/desk.js';
import { TestServer } from '../e2e/harness/server.js';
import type { Measurement } from './measure.js';
import { median, timed } from './measure.js';

const VIEWS = 1_000_000;
const DAYS = 365;
const DAY_IN_MS = 86_400_000;
/** So many listings share them; the demo has fewer, so most are of listings that are gone. */
const LISTINGS = 20_000;
const ROWS_A_TIME = 50_000;
const ROUNDS = 5;
const MOST_IN_MS = 500;

const SUMS =
  'SELECT "listingId", SUM("views") AS "views" FROM listing_views WHERE "day" BETWEEN :from AND :to ' +
  'GROUP BY "listingId" ORDER BY "views" DESC LIMIT 1000';

/** Which listing somebody looks at: few are looked at often, most now and then; or each as often as any other. */
const SPREADS = {
  'as people look': (lot: number): number => Math.ceil(LISTINGS ** lot),
  'each as often as any other': (lot: number): number => 1 + Math.floor(lot * LISTINGS),
} as const;

/** How long Learn takes to tell and draw a year of a million views, beside a plain sum of the same rows in SQL. */
export async function yearRows(): Promise<Measurement[]> {
  return [...(await yearOf('as people look', MOST_IN_MS)), ...(await yearOf('each as often as any other'))];
}

async function yearOf(spread: keyof typeof SPREADS, bound?: number): Promise<Measurement[]> {
  const first = await TestServer.startDemo();
  await first.end();
  const { rows, reference } = await fill(first.folder, SPREADS[spread]);
  const server = await TestServer.start(first.folder);
  const browser = await openBrowser();
  try {
    const page = await openPage(browser);
    await new Desk(page, server).signIn(DEMO_OWNER);
    await page.goto(`${server.address}/desk/learn/views?span=own&from=${DAY.from}&to=${DAY.to}`);
    await drawn(page);
    const answers: number[] = [];
    const drawings: number[] = [];
    for (let round = 0; round < ROUNDS; round++) {
      answers.push(await timed(() => page.evaluate(ask, `/api/learn?from=${DAY.from}&to=${DAY.to}`)));
      await choose(page, 'Last 7 days');
      drawings.push(await timed(() => choose(page, 'Last 12 months')));
    }
    const told = { n: rows, reference: 'a sum of the same rows in SQL', referenceMs: reference, hold: null };
    const row = (name: string, oursMs: number): Measurement => ({
      ...{ ...told, case: `a year of a million views, ${spread}, ${name}`, oursMs, ratio: oursMs / reference },
      equal: true,
      ...(name === 'drawn' && bound !== undefined && { bound }),
    });
    return [row('told', median(answers)), row('drawn', median(drawings))];
  } finally {
    await browser.close();
    await server.stop();
  }
}

const today = Math.floor(Date.now() / DAY_IN_MS);
const dateOf = (day: number): string => new Date(day * DAY_IN_MS).toISOString().slice(0, 10);
const DAY = { from: dateOf(today - DAYS), to: dateOf(today - 1) };

/** Adds a million views of a year, and tells how long a sum of them takes. */
async function fill(folder: string, listingOf: (lot: number) => number): Promise<{ rows: number; reference: number }> {
  const store = await Store.open(join(folder, 'plindo.sqlite'), () => new Date());
  const dice = new Dice(1851);
  try {
    for (let at = 0; at < VIEWS; at += ROWS_A_TIME) {
      const views = Array.from({ length: ROWS_A_TIME }, () => ({
        ...{ day: today - dice.whole(1, DAYS), kindId: dice.whole(1, 5), listingId: listingOf(dice.next()), views: 1 },
      }));
      await store.views.add(together(views));
    }
    const [row] = (await store.ask('SELECT COUNT(*) AS "rows" FROM listing_views')) as { rows: number }[];
    const times: number[] = [];
    const sums = SUMS.replace(':from', String(today - DAYS)).replace(':to', String(today - 1));
    for (let round = 0; round < ROUNDS; round++) times.push(await timed(() => store.ask(sums)));
    return { rows: Number(row!.rows), reference: median(times) };
  } finally {
    await store.close();
  }
}

/** No row twice in one statement. */
function together<One extends { day: number; listingId: number; views: number }>(all: readonly One[]): One[] {
  const byKey = new Map<string, One>();
  for (const one of all) {
    const key = `${one.day} ${one.listingId}`;
    byKey.set(key, { ...one, views: one.views + (byKey.get(key)?.views ?? 0) });
  }
  return [...byKey.values()];
}

/** Chooses a time in Learn, and waits until what is told of it is drawn. */
async function choose(page: Page, time: string): Promise<void> {
  const before = await page.locator('p.time').textContent();
  await page.locator('form.asked select').first().selectOption({ label: time });
  await page.waitForFunction((told) => document.querySelector('p.time')?.textContent !== told, before);
  await drawn(page);
}

async function drawn(page: Page): Promise<void> {
  await page.locator('pl-learn-chart canvas').first().waitFor();
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
}

async function ask(path: string): Promise<number> {
  return (await (await fetch(path)).text()).length;
}
