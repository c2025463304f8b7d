import { LEAST_CONTRAST, contrastRatio } from '@plindo/core/values';
import { PHONE, accessibilityFaults } from '../harness/browser.js';
import { DemoSite } from '../harness/demo-site.js';

/** The contrast (WCAG 2.2) of two computed colours, as rgb(…). */
function contrastOf(one: string, other: string): number {
  const hex = (colour: string): string =>
    `#${(colour.match(/\d+/g) ?? [])
      .slice(0, 3)
      .map((part) => Number(part).toString(16).padStart(2, '0'))
      .join('')}`;
  return contrastRatio(hex(one), hex(other));
}

describe('The demo site', () => {
  let site: DemoSite;

  beforeAll(async () => {
    site = await DemoSite.start();
  }, 120_000);

  afterAll(() => site.stop());

  it('works with JavaScript off: search, facets, range, sort, pages and a listing', async () => {
    const page = await site.open('/berths', { javaScriptEnabled: false });
    expect(await page.getByRole('status').innerText()).toBe('153 berths');
    await page.getByRole('combobox', { name: 'Harbour' }).selectOption({ value: 'greyfin-marina' });
    await page.getByRole('checkbox', { name: /^Quay wall / }).check();
    await page.getByRole('checkbox', { name: /^Finger pontoon / }).check();
    await page.getByLabel('Price a night to EUR').fill('40');
    await page.getByLabel('Sort by').selectOption({ label: 'Price a night, lowest first' });
    await page.getByRole('button', { name: 'Apply' }).click();
    const total = Number.parseInt(await page.getByRole('status').innerText(), 10);
    expect(total).toBeGreaterThan(2);
    const links = await page.locator('pl-chips-piece a').all();
    const chips = await Promise.all(
      links.map(async (link) => (await link.getAttribute('aria-label')) ?? link.innerText()),
    );
    expect(chips).toEqual([
      'Take back Harbour: Greyfin Marina',
      'Take back Type: Finger pontoon',
      'Take back Type: Quay wall',
      'Take back Price a night: up to €40',
      'Clear all',
    ]);
    const prices = await page.locator('pl-card .foot p', { hasText: 'a night' }).allInnerTexts();
    expect(prices.length).toBeGreaterThan(0);
    const numbers = prices.map((price) => Number.parseFloat(price.replace('€', '')));
    expect(numbers).toEqual([...numbers].sort((a, b) => a - b));
    expect(numbers.every((price) => price <= 40)).toBeTrue();
    await page.getByRole('link', { name: 'Take back Type: Quay wall' }).click();
    expect(Number.parseInt(await page.getByRole('status').innerText(), 10)).toBeLessThan(total);
    await page.goto('/berths');
    await page.getByRole('link', { name: 'Next' }).click();
    expect(page.url()).toBe(`${site.server.address}/berths?page=2`);
    await page.locator('pl-card h3 a').first().click();
    expect(await page.getByRole('heading', { level: 1 }).innerText()).toContain('berth');
    await page.getByRole('link', { name: 'All berths' }).click();
    expect(page.url()).toBe(`${site.server.address}/berths`);
    await page.context().close();
  }, 60_000);

  it('follows each choice without reloading, and back and forward lead through the states', async () => {
    const page = await site.open('/berths');
    await page.evaluate(() => Object.assign(window, { notReloaded: true }));
    await page.getByRole('checkbox', { name: /^Quay wall / }).check();
    await page.waitForURL('**/berths?type=quay-wall');
    const first = await page.getByRole('status').innerText();
    await page.getByRole('checkbox', { name: /^Hammerhead / }).check();
    await page.waitForURL(/type=(quay-wall,hammerhead|hammerhead,quay-wall)/);
    await page.goBack();
    await page.waitForURL('**/berths?type=quay-wall');
    await page.getByRole('status').filter({ hasText: first }).waitFor();
    expect(await page.getByRole('checkbox', { name: /^Hammerhead / }).isChecked()).toBeFalse();
    expect(await page.getByRole('checkbox', { name: /^Quay wall / }).isChecked()).toBeTrue();
    await page.goForward();
    await page.waitForURL(/hammerhead/);
    await page.getByRole('link', { name: 'Clear all' }).last().click();
    await page
      .getByRole('status')
      .filter({ hasText: /^153 berths$/ })
      .waitFor();
    expect(await page.evaluate(() => 'notReloaded' in window)).toBeTrue();
    expect(page.complaints).toEqual([]);
    await page.context().close();
  }, 60_000);

  it('asks for all of what is ticked where the facet says so', async () => {
    const page = await site.open('/berths');
    const water = page.getByRole('checkbox', { name: /^Water / });
    await water.check();
    await page.waitForURL('**facility=water');
    const lighting = page.locator('li').filter({ has: page.getByRole('checkbox', { name: /^Lighting / }) });
    const promised = Number.parseInt(await lighting.locator('.count').innerText(), 10);
    await lighting.getByRole('checkbox').check();
    await page.waitForURL(/water,lighting/);
    await page
      .getByRole('status')
      .filter({ hasText: `${promised} of 153 berths` })
      .waitFor();
    await page.context().close();
    expect(promised).toBeGreaterThan(0);
  }, 60_000);

  it('opens its facets as a sheet on a phone, with the number that they lead to', async () => {
    const page = await site.open('/harbours', { viewport: PHONE, hasTouch: true, isMobile: true });
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(PHONE.width);
    expect(await page.getByRole('checkbox', { name: /^Laundry / }).isVisible()).toBeFalse();
    await page.getByRole('button', { name: 'Filters' }).click();
    await page.getByRole('checkbox', { name: /^Laundry / }).check();
    await page
      .getByRole('button', { name: /^Show \d+$/ })
      .filter({ hasText: 'Show 4' })
      .click();
    await page.getByRole('checkbox', { name: /^Laundry / }).waitFor({ state: 'hidden' });
    expect(await page.getByRole('status').innerText()).toBe('4 of 12 harbours');
    await page.getByRole('button', { name: 'Filters 1' }).click();
    await page.keyboard.press('Escape');
    expect(
      await page.getByRole('button', { name: 'Filters 1' }).evaluate((button) => button === document.activeElement),
    ).toBeTrue();
    await page.context().close();
  }, 60_000);

  it('can be used by keyboard alone', async () => {
    const page = await site.open('/harbours');
    await page.keyboard.press('Tab');
    expect(await page.evaluate(() => document.activeElement?.textContent)).toBe('To the content');
    await page.keyboard.press('Enter');
    await page.keyboard.press('Tab');
    await page.keyboard.type('lighthouse');
    await page.getByRole('status').filter({ hasText: '1 of 12 harbours' }).waitFor();
    expect(await page.evaluate(() => (document.activeElement as HTMLInputElement).value)).toBe('lighthouse');
    await page.context().close();
  }, 60_000);

  for (const path of [
    '/',
    '/berths',
    '/berths?type=quay-wall&q=quay',
    '/harbours/kessel-light',
    '/instructors',
    '/nowhere',
  ]) {
    it(`has no faults that axe-core finds by WCAG 2.2 AA: ${path}`, async () => {
      for (const viewport of [PHONE, { width: 1280, height: 800 }]) {
        const page = await site.open(path, { viewport });
        expect(await accessibilityFaults(page)).toEqual([]);
        await page.context().close();
      }
    }, 60_000);
  }

  it('says what is not there, and leads back', async () => {
    const page = await site.open('/');
    expect((await page.goto('/berths/nowhere'))?.status()).toBe(404);
    await page.goto('/berths/kesel-light-berth-6');
    await page.getByRole('link', { name: 'Kessel Light, berth 6' }).click();
    await page.waitForURL('**/berths/kessel-light-berth-6');
    await page.goto('/berths/nowhere');
    await page.getByRole('main').getByRole('searchbox', { name: 'Search berths' }).fill('Greyfin');
    await page.getByRole('main').getByRole('button', { name: 'Search' }).click();
    await page.waitForURL('**/berths?q=Greyfin');
    await page.goto('/berths/nowhere');
    await page.getByRole('link', { name: 'Go to the home page' }).click();
    await page.getByRole('heading', { name: 'Merrow Sound Waterside Guide', level: 1 }).waitFor();
    await page.goto('/berths?q=zzzzzz');
    await page.getByText('Nothing matches all of that.').waitFor();
    await page.goto('/berths?page=99');
    await page.getByRole('link', { name: 'Go to the last one' }).click();
    await page.waitForURL('**page=7');
    await page.context().close();
  }, 60_000);

  it('leads on by the buttons of its home page, with and without scripts', async () => {
    for (const javaScriptEnabled of [true, false]) {
      const page = await site.open('/', { javaScriptEnabled });
      const course = page.getByRole('link', { name: 'Join a course' });
      expect(await course.isVisible()).toBeTrue();
      // They stand on a picture, where axe does not say whether words can be read.
      const { color, backgroundColor } = await course.evaluate((link) => {
        const { color: ink, backgroundColor: ground } = getComputedStyle(link);
        return { color: ink, backgroundColor: ground };
      });
      expect(contrastOf(color, backgroundColor)).toBeGreaterThan(LEAST_CONTRAST);
      await page.getByRole('link', { name: 'Find a berth' }).click();
      await page.waitForURL('**/berths');
      await page.context().close();
    }
  }, 60_000);

  it('tells machines what a page is about, in the page as it comes', async () => {
    const page = await site.open('/harbours/kessel-light', { javaScriptEnabled: false });
    const data = JSON.parse((await page.locator('#for-machines').textContent())!) as {
      '@graph': { '@type': string }[];
    };
    expect(data['@graph'].map((node) => node['@type'])).toEqual(['Place', 'BreadcrumbList']);
    expect(await page.locator('meta[property="og:title"]').getAttribute('content')).toContain('Kessel Light');
    await page.context().close();
  }, 60_000);

  it('keeps a resting connection for longer than proxies commonly do, so that none is closed under a request', async () => {
    const answer = await fetch(site.server.address);
    const seconds = Number(/timeout=(\d+)/.exec(answer.headers.get('keep-alive') ?? '')?.[1]);
    expect(seconds).toBeGreaterThan(60);
    await answer.text();
  }, 60_000);
});
