import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { makeField, makeKindDefinition } from '@plindo/core/structure';
import { BLANK_CONTENT } from '@plindo/core/listings';
import { Store } from '@plindo/server/store/index';
import type { Browser, Page } from 'playwright-core';
import { openBrowser, openPage } from '../e2e/harness/browser.js';
import { addOwner } from './owner.js';
import { DEMO_OWNER, Desk } from '../e2e/harness/desk.js';
import { TestServer } from '../e2e/harness/server.js';
import type { Benchmark, Measurement } from './measure.js';
import { median, percentile } from './measure.js';

const EDITS = 30;
const SCROLLS = 60;
const MEGABYTE = 1024 * 1024;
const TYPES = ['Quay', 'Pontoon', 'Buoy'];

const FIELDS = [
  makeField({
    key: 'type',
    label: 'Type',
    type: 'one-choice',
    settings: { choices: TYPES.map((label) => ({ key: label.toLowerCase(), label })) },
  }),
  makeField({ key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } }),
  makeField({ key: 'length', label: 'Length', type: 'measure', settings: { unit: 'm' } }),
  makeField({ key: 'note', label: 'Note', type: 'short-text', searchWeight: 1 }),
  makeField({ key: 'since', label: 'Since', type: 'date' }),
  makeField({ key: 'open', label: 'Open', type: 'yes-no' }),
];

/** The table of n listings in the browser, beside a plain HTML table of the same values, all rows at once. */
export const workbenchBench: Benchmark = {
  about: 'the listing table in the browser beside a plain HTML table',
  sizes: [20_000],
  async run(n) {
    const folder = mkdtempSync(join(tmpdir(), 'plindo-bench-'));
    await fill(folder, n);
    const server = await TestServer.start(folder);
    const browser = await openBrowser();
    try {
      return await measure(browser, server, n);
    } finally {
      await browser.close();
      await server.stop();
    }
  },
};

async function fill(folder: string, n: number): Promise<void> {
  const clock = (): Date => new Date();
  const store = await Store.open(join(folder, 'plindo.sqlite'), clock);
  await addOwner(store, clock);
  const definition = makeKindDefinition({ slug: 'berths', one: 'Berth', many: 'Berths', fields: FIELDS });
  await store.change(null, async (unit) => {
    const kind = await unit.insertKind(definition);
    const listings = Array.from({ length: n }, (_, at) => listingAt(at));
    await unit.insertListings(kind.id, listings);
    return { sentence: 'Filled', result: null };
  });
  await store.close();
}

function listingAt(at: number): typeof BLANK_CONTENT {
  const values = {
    type: TYPES[at % TYPES.length]!.toLowerCase(),
    price: { minor: 1000 + ((at * 37) % 9000), currency: 'EUR' },
    length: { value: 5 + ((at * 13) % 200) / 10, unit: 'm' },
    note: `By the ${at % 2 ? 'north' : 'south'} wall, place ${at}`,
    since: `20${String(10 + (at % 16))}-0${1 + (at % 9)}-1${at % 10}`,
    open: at % 3 !== 0,
  };
  return {
    ...BLANK_CONTENT,
    slug: `berth-${at}`,
    title: `Berth ${String(at).padStart(6, '0')}`,
    status: 'live',
    values,
  };
}

/** A page in which functions of this file can run: what builds it marks their names with a helper of its own. */
async function benchPage(browser: Browser): ReturnType<typeof openPage> {
  const page = await openPage(browser);
  await page.addInitScript('globalThis.__name = (made) => made');
  return page;
}

interface Seen {
  readonly firstRowsMs: number;
  readonly edits: readonly number[];
  readonly gaps: readonly number[];
  readonly heapMb: number;
  readonly processMb: number;
}

async function measure(browser: Browser, server: TestServer, n: number): Promise<Measurement[]> {
  const plain = await plainTable(browser, n);
  const page = await benchPage(browser);
  await new Desk(page, server).signIn(DEMO_OWNER);
  const firstRowsMs = await timeInPage(page, `${server.address}/desk/fill/1`, '[role=gridcell].title button');
  const total = await page.getByRole('grid').getAttribute('aria-rowcount');
  const equal = Number(total) === n + 1;
  const edits = await editCells(page);
  const gaps = await scrollThrough(page, 'cdk-virtual-scroll-viewport');
  const { heapMb, processMb } = await memoryOf(browser, page);
  const row = (name: string, oursMs: number, referenceMs: number, extra: Partial<Measurement> = {}): Measurement => ({
    ...{ case: name, n, oursMs, reference: 'plain table', referenceMs, ratio: oursMs / referenceMs, hold: null, equal },
    ...extra,
  });
  return [
    row('first rows, from the address', firstRowsMs, plain.firstRowsMs, { bound: 1000 }),
    row('cell edit until acknowledged, median', median(edits), median(plain.edits), { bound: 150 }),
    row('cell edit until acknowledged, p95', percentile(edits, 0.95), percentile(plain.edits, 0.95), { bound: 150 }),
    row('a frame while scrolling, p95', percentile(gaps, 0.95), percentile(plain.gaps, 0.95)),
    row('JavaScript heap after scrolling through', heapMb, plain.heapMb, { bound: 300, unit: 'MB' }),
    row('memory of the page’s process', processMb, plain.processMb, { bound: 300, unit: 'MB' }),
  ];
}

/** Milliseconds from the navigation until an element is painted. */
async function timeInPage(page: Page, address: string, selector: string): Promise<number> {
  await page.goto(address, { waitUntil: 'commit' });
  await page.waitForSelector(selector);
  return page.evaluate(() => new Promise<number>((done) => requestAnimationFrame(() => done(performance.now()))));
}

/** Milliseconds from the Enter that keeps a value until its cell shows it, as the store answered it. */
async function editCells(page: Page): Promise<number[]> {
  const times: number[] = [];
  for (let at = 0; at < EDITS; at++) {
    await page
      .getByRole('button', { name: /^Price: / })
      .nth(at % 10)
      .click();
    const editor = page.getByRole('textbox', { name: 'Price' });
    const price = `${100 + at}.50`;
    await editor.fill(price);
    const shown = page.evaluate(untilShown, `Price: €${price}`);
    await editor.press('Enter');
    times.push(await shown);
  }
  return times;
}

/** Runs in the page: from the next Enter until something carries the label. */
function untilShown(label: string): Promise<number> {
  return new Promise((done) => {
    let startedAt = 0;
    document.addEventListener('keydown', () => (startedAt = performance.now()), { once: true, capture: true });
    const look = (): void => {
      if (startedAt > 0 && document.querySelector(`[aria-label="${label}"]`)) done(performance.now() - startedAt);
      else requestAnimationFrame(look);
    };
    look();
  });
}

/** Scrolls from the top to the end; the milliseconds between frames meanwhile. */
function scrollThrough(page: Page, selector: string): Promise<number[]> {
  return page.evaluate(runScroll, { selector, steps: SCROLLS });
}

/** Runs in the page: ten rows a frame for a while, then in long jumps to the end. */
async function runScroll({ selector, steps }: { selector: string; steps: number }): Promise<number[]> {
  const viewport = document.querySelector(selector)!;
  const gaps: number[] = [];
  for (let step = 1; step <= steps; step++) {
    const startedAt = performance.now();
    viewport.scrollTop += 400;
    await new Promise((done) => requestAnimationFrame(done));
    gaps.push(performance.now() - startedAt);
  }
  for (let step = 1; step <= steps; step++) {
    viewport.scrollTop = (viewport.scrollHeight * step) / steps;
    await new Promise((done) => setTimeout(done, 50));
  }
  return gaps;
}

async function memoryOf(browser: Browser, page: Page): Promise<{ heapMb: number; processMb: number }> {
  const session = await page.context().newCDPSession(page);
  await session.send('HeapProfiler.collectGarbage');
  await session.send('Performance.enable');
  const { metrics } = await session.send('Performance.getMetrics');
  const heap = metrics.find(({ name }) => name === 'JSHeapUsedSize')?.value ?? NaN;
  const whole = await browser.newBrowserCDPSession();
  const { processInfo } = await whole.send('SystemInfo.getProcessInfo');
  const renderers = processInfo.filter(({ type }) => type === 'renderer').map(({ id }) => shareOfMemory(id));
  return { heapMb: heap / MEGABYTE, processMb: Math.max(...renderers) };
}

/** The proportional share of memory of a process, in megabytes; Linux tells it. */
function shareOfMemory(pid: number): number {
  const line = /^Pss:\s+(\d+) kB/m.exec(readFileSync(`/proc/${pid}/smaps_rollup`, 'utf8'));
  return Number(line?.[1] ?? NaN) / 1024;
}

/** The reference: the same texts in a table of plain HTML, in a page of its own, closed before ours is opened. */
async function plainTable(browser: Browser, n: number): Promise<Seen> {
  const rows = Array.from({ length: n }, (_, at) => {
    const { title, values } = listingAt(at);
    const texts = Object.values(values).map((value) =>
      typeof value === 'object' ? Object.values(value as object).join(' ') : value,
    );
    return `<tr><td class="title">${[title, ...texts].join('</td><td>')}</td></tr>`;
  });
  const page = await benchPage(browser);
  const body = `<table>${rows.join('')}</table>`;
  await page.route('**/plain', (route) => route.fulfill({ contentType: 'text/html', body }));
  const firstRowsMs = await timeInPage(page, 'http://localhost/plain', 'td.title');
  await page.waitForLoadState();
  const edits = await page.evaluate(editPlainCells, EDITS);
  const gaps = await scrollThrough(page, 'html');
  const memory = await memoryOf(browser, page);
  await page.context().close();
  return { firstRowsMs, edits, gaps, ...memory };
}

/** Runs in the page: writes a text into a cell and waits for it to be painted; nothing is kept anywhere. */
async function editPlainCells(edits: number): Promise<number[]> {
  const times: number[] = [];
  for (let at = 0; at < edits; at++) {
    const startedAt = performance.now();
    document.querySelectorAll('td.title')[at % 10]!.nextElementSibling!.textContent = `${100 + at}.50`;
    await new Promise((done) => requestAnimationFrame(done));
    times.push(performance.now() - startedAt);
  }
  return times;
}
