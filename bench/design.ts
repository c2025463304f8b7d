import type { Page } from 'playwright-core';
import { openBrowser, openPage } from '../e2e/harness/browser.js';
import { DEMO_OWNER, Desk } from '../e2e/harness/desk.js';
import { startOnStore } from './edits-store.js';
import type { Benchmark, Measurement } from './measure.js';
import { median, percentile } from './measure.js';

const ROUNDS = 12;
const USABLE_IN_MS = 1500;
const SHOWN_IN_MS = 100;
const DESIGNER = '/desk/arrange/pages/new?serves=index&kind=1';

/** What somebody waits for who designs the page of a list of many listings. */
export const designBench: Benchmark = {
  about: 'the page designer in a browser: until it can be used, and until a setting is seen on the page',
  sizes: [10_000],
  async run(n) {
    const { server } = await startOnStore(n);
    const browser = await openBrowser();
    try {
      const page = await openPage(browser);
      // What tsx calls around functions, in the page as well.
      await page.addInitScript('globalThis.__name = (own) => own;');
      await new Desk(page, server).signIn(DEMO_OWNER);
      const opened = [
        await open(page, server.address),
        await open(page, server.address),
        await open(page, server.address),
      ];
      const [table, asked] = [await settings(page), await answers(page)];
      const reference = {
        reference: 'the answer of the server alone',
        referenceMs: median(asked),
        hold: null,
        equal: true,
      };
      const row = (name: string, oursMs: number, bound: number): Measurement => ({
        ...{ case: name, n, oursMs, bound, ratio: oursMs / reference.referenceMs },
        ...reference,
      });
      return [
        row('the designer of a list of 24 cards until it can be used, median of three', median(opened), USABLE_IN_MS),
        row('a setting until it is seen on the page, median', median(table), SHOWN_IN_MS),
        row('the same, p95', percentile(table, 0.95), SHOWN_IN_MS),
      ];
    } finally {
      await browser.close();
      await server.stop();
    }
  },
};

/** Milliseconds from asking for the designer until the page stands in it and something can be chosen. */
async function open(page: Page, address: string): Promise<number> {
  const startedAt = performance.now();
  await page.goto(address + DESIGNER);
  await page.locator('pl-live-page pl-card').first().waitFor();
  await page.locator('pl-page-outline').getByRole('button', { name: 'Listings', exact: true }).click();
  await page.locator('pl-piece-settings').waitFor();
  return performance.now() - startedAt;
}

/** Changes how the cards of the list stand, to and fro; milliseconds until the page shows it. */
async function settings(page: Page): Promise<number[]> {
  const times: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    times.push(
      await page.evaluate(
        (layout) => {
          const list = Array.from(document.querySelectorAll<HTMLSelectElement>('pl-piece-settings select')).find(
            (one) => Array.from(one.options).some(({ value }) => value === 'ranked'),
          )!;
          return new Promise<number>((resolve) => {
            const startedAt = performance.now();
            const shown = `pl-live-page pl-list-piece > .${layout}`;
            const look = (): void => {
              if (!document.querySelector(shown)) requestAnimationFrame(look);
              else requestAnimationFrame(() => resolve(performance.now() - startedAt));
            };
            list.value = layout;
            list.dispatchEvent(new Event('change'));
            requestAnimationFrame(look);
          });
        },
        round % 2 === 0 ? 'rows' : 'grid',
      ),
    );
  }
  return times;
}

/** Milliseconds that the server alone takes for the same question. */
async function answers(page: Page): Promise<number[]> {
  const request = page.waitForRequest((one) => one.url().endsWith('/api/designs/preview'));
  await page.evaluate(() => {
    const list = Array.from(document.querySelectorAll<HTMLSelectElement>('pl-piece-settings select')).find((one) =>
      Array.from(one.options).some(({ value }) => value === 'ranked'),
    )!;
    list.value = 'rows';
    list.dispatchEvent(new Event('change'));
  });
  const sent = await request;
  const [body, headers] = [sent.postData() ?? '', sent.headers()];
  return page.evaluate(
    async ({ body: text, csrf }) => {
      const times: number[] = [];
      for (let at = 0; at < 5; at++) {
        const startedAt = performance.now();
        const answer = await fetch('/api/designs/preview', {
          method: 'POST',
          headers: { 'Content-Type': 'application/json', 'X-CSRF-Token': csrf },
          body: text,
        });
        await answer.json();
        times.push(performance.now() - startedAt);
      }
      return times;
    },
    { body, csrf: headers['x-csrf-token'] ?? '' },
  );
}
