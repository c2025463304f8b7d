import type { Page } from 'playwright-core';
import { PHONE } from '../harness/browser.js';
import { DemoSite } from '../harness/demo-site.js';

/** The files of the program that steers pages, without the first script, which only waits for it. */
const PROGRAM = /\/chunk-[\w-]+\.js$/;
const SMALL = 4000;

/** Pages work as they come; on phones the program behind them begins when somebody is there. */
describe('A page on a phone', () => {
  let site: DemoSite;

  beforeAll(async () => {
    site = await DemoSite.start();
  }, 120_000);
  afterAll(() => site.stop());

  const hasBegun = async (page: Page): Promise<boolean> =>
    (await page.locator('main').getByLabel('Search berths').getAttribute('role')) === 'combobox';

  it('is read without the program, which comes beside it and begins when the page is touched', async () => {
    const page = await site.open('/berths', { viewport: PHONE, hasTouch: true });
    expect(await hasBegun(page)).toBeFalse();
    const before = await page.evaluate(() => {
      const { loadEventStart } = performance.getEntriesByType('navigation')[0] as PerformanceNavigationTiming;
      const scripts = performance.getEntriesByType('resource') as PerformanceResourceTiming[];
      const early = scripts.filter(({ name, startTime }) => name.endsWith('.js') && startTime < loadEventStart);
      return early.reduce((sum, { decodedBodySize }) => sum + decodedBodySize, 0);
    });
    expect(before).toBeLessThan(2 * SMALL);
    await page.mouse.wheel(0, 200);
    await page.locator('pl-search-box [role=combobox]').waitFor();
    expect(page.complaints).toEqual([]);
    await page.context().close();
  }, 60_000);

  it('does what its visitor did before the program had come', async () => {
    const page = await site.open('/berths', { viewport: PHONE, hasTouch: true });
    await page.route(PROGRAM, async (route) => {
      await new Promise((resolve) => setTimeout(resolve, 1500));
      await route.continue();
    });
    // A page of the browser's cache would have the program already.
    await page.goto('/berths?page=2', { waitUntil: 'domcontentloaded' });
    await page.getByLabel('Sort by').selectOption({ label: 'Title, A to Z' });
    await page.getByRole('button', { name: 'Filters' }).tap();
    await page.getByRole('dialog', { name: 'Filters' }).waitFor();
    await page.waitForURL(/\/berths\?sort=title$/);
    expect(page.complaints).toEqual([]);
    await page.context().close();
  }, 60_000);

  it('goes on without it where it cannot be fetched', async () => {
    const page = await site.open('/', { viewport: PHONE, hasTouch: true });
    await page.route(PROGRAM, async (route) => {
      const { length } = (await (await route.fetch()).body()).toString();
      return length > SMALL ? route.abort() : route.continue();
    });
    await page.goto('/berths', { waitUntil: 'load' });
    await page.mouse.wheel(0, 200);
    await page.getByRole('button', { name: 'Apply' }).waitFor();
    await page.getByLabel('Sort by').selectOption({ label: 'Title, A to Z' });
    await page.getByRole('button', { name: 'Apply' }).click();
    await page.waitForURL(/sort=title/);
    // What the program would do something better for leads on by itself.
    await page.goto('/harbours/greyfin-marina', { waitUntil: 'load' });
    await page.locator('a[data-needs-program]').first().click();
    await page.waitForURL(/\/pictures\//);
    await page.context().close();
  }, 60_000);
});
