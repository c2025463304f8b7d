import type { Page } from 'playwright-core';
import { openBrowser, openPage } from '../e2e/harness/browser.js';
import { startOnStore } from './edits-store.js';
import { askRaw } from './hammer.js';
import type { Benchmark, Measurement } from './measure.js';
import { median, percentile, timed } from './measure.js';

const LIST = '/berths';
const FACETS = ['type', 'bottom', 'services', 'season'];
const ROUNDS = 4;
const TYPED = 'harbour of the north';
const SHOWN_IN_MS = 100;
const LONGEST_TASK_IN_MS = 50;

/** What a visitor waits for on a list of many listings: after a click on a facet, and while typing. */
export const clicksBench: Benchmark = {
  about: 'a click on a facet until it is on the screen, and typing in the search, in a browser',
  sizes: [100_000],
  async run(n) {
    const { server } = await startOnStore(n);
    const browser = await openBrowser();
    try {
      const page = await openPage(browser);
      // What tsx calls around functions, in the page as well.
      await page.addInitScript('globalThis.__name = (own) => own;');
      await page.goto(server.address + LIST, { waitUntil: 'networkidle' });
      const clicks = await clicked(page);
      const asked = await Promise.all([...Array(5)].map((_, at) => answered(server.address, at)));
      const tasks = await whileTyping(page);
      const reference = {
        reference: 'the answer of the API alone',
        referenceMs: median(asked),
        hold: null,
        equal: true,
      };
      const row = (name: string, oursMs: number, bound: number): Measurement => ({
        ...{ case: name, n, oursMs, bound, ratio: oursMs / reference.referenceMs },
        ...reference,
      });
      return [
        row('a click on a facet until it is on the screen, median', median(clicks), SHOWN_IN_MS),
        row('the same, p95', percentile(clicks, 0.95), SHOWN_IN_MS),
        row('the longest task while typing in the search', Math.max(0, ...tasks), LONGEST_TASK_IN_MS),
      ];
    } finally {
      await browser.close();
      await server.stop();
    }
  },
};

/** Clicks values of facets, one after the other, each in another state; milliseconds until the chip of it is drawn. */
async function clicked(page: Page): Promise<number[]> {
  const times: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    for (const facet of FACETS) {
      const ms = await page.evaluate(
        ([name, at]) => {
          const boxes = Array.from(document.querySelectorAll<HTMLInputElement>(`input[type=checkbox][name="${name}"]`));
          const chips = (): number => document.querySelectorAll('pl-chips-piece li').length;
          const before = chips();
          return new Promise<number>((resolve) => {
            const startedAt = performance.now();
            // Each click adds a chip or takes one back; the frame after that it is drawn.
            const look = (): void => {
              if (chips() === before) requestAnimationFrame(look);
              else requestAnimationFrame(() => resolve(performance.now() - startedAt));
            };
            boxes[at % boxes.length]!.click();
            requestAnimationFrame(look);
          });
        },
        [facet, round] as const,
      );
      times.push(ms);
    }
  }
  return times;
}

/** Milliseconds of an answer for a state that nobody has asked for. */
function answered(address: string, at: number): Promise<number> {
  return timed(() => askRaw(address, `/api/page?url=${encodeURIComponent(`${LIST}?price=${at}..800`)}`, {}));
}

/** The tasks of more than 50 ms while somebody types, in milliseconds. */
async function whileTyping(page: Page): Promise<number[]> {
  await page.evaluate(() => {
    const tasks: number[] = [];
    Object.assign(globalThis, { tasks });
    new PerformanceObserver((list) => tasks.push(...list.getEntries().map(({ duration }) => duration))).observe({
      entryTypes: ['longtask'],
    });
  });
  await page
    .getByRole('searchbox')
    .or(page.getByRole('combobox', { name: /Search/ }))
    .first()
    .pressSequentially(TYPED, { delay: 120 });
  await page.waitForTimeout(1500);
  return page.evaluate(() => (globalThis as unknown as { tasks: number[] }).tasks);
}
