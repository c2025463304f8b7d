import type { Page } from 'playwright-core';
import { PHONE, accessibilityFaults } from '../harness/browser.js';
import { DemoSite } from '../harness/demo-site.js';

/** Every facet control, pager and heading of the demo site, by mouse and by keyboard, with and without scripts. */
describe('The controls of a list', () => {
  let site: DemoSite;

  beforeAll(async () => {
    site = await DemoSite.start();
  }, 120_000);

  afterAll(() => site.stop());

  const total = async (page: Page): Promise<number> =>
    Number.parseInt((await page.locator('pl-count-piece').innerText()).replace(',', ''), 10);
  const counted = async (page: Page, words: RegExp): Promise<number> => {
    await page.locator('pl-count-piece').filter({ hasText: words }).waitFor();
    return total(page);
  };

  it('chip, drop-down and a facet through a link promise what they give', async () => {
    const page = await site.open('/berths');
    const chip = page.getByRole('group', { name: 'Region' }).locator('label', { hasText: 'Outer banks' });
    const promised = Number.parseInt(await chip.locator('.count').innerText(), 10);
    await chip.click();
    await page.waitForURL('**region=outer-banks');
    expect(await counted(page, /of 153/)).toBe(promised);
    await page
      .getByRole('group', { name: 'Region' })
      .getByRole('checkbox', { name: /Outer banks/ })
      .focus();
    await page.keyboard.press('Space');
    await page.waitForURL('**/berths');
    const option = page.getByRole('combobox', { name: 'Harbour' }).locator('option').nth(2);
    const ofOption = Number(/\((\d+)\)/.exec((await option.textContent()) ?? '')?.[1]);
    await page.getByRole('combobox', { name: 'Harbour' }).selectOption({ index: 2 });
    await page.waitForURL('**harbour=**');
    expect(await counted(page, /of 153/)).toBe(ofOption);
    await page.getByRole('link', { name: /^Take back Harbour/ }).click();
    await page.waitForURL('**/berths');
    await page.locator('pl-count-piece').filter({ hasText: /^153/ }).waitFor();
    const fuel = page.getByRole('group', { name: 'At the harbour' }).locator('li').first();
    const ofFuel = Number.parseInt(await fuel.locator('.count').innerText(), 10);
    await fuel.getByRole('checkbox').check();
    await page.waitForURL('**ashore=**');
    expect(await counted(page, new RegExp(`^${ofFuel} `))).toBe(ofFuel);
    await page.context().close();
  }, 60_000);

  it('a range is narrowed by its handles with the keyboard, and by typing', async () => {
    const page = await site.open('/berths');
    const handle = page.getByRole('slider', { name: 'Price a night, from' });
    await handle.focus();
    for (let step = 0; step < 30; step++) await page.keyboard.press('ArrowRight');
    await page.waitForURL(/price=\d+(\.\d+)?\.\./);
    const least = Number(/price=([\d.]+?)\.\./.exec(page.url())![1]);
    expect(least).toBeGreaterThan(15);
    await page.getByLabel('Price a night to EUR').fill('30');
    await page.getByLabel('Price a night to EUR').press('Enter');
    await page.waitForURL(/price=[\d.]+\.\.30/);
    const prices = await page.locator('pl-card .foot p', { hasText: 'a night' }).allInnerTexts();
    const numbers = prices.map((price) => Number.parseFloat(price.replace('€', '')));
    expect(numbers.length).toBeGreaterThan(0);
    expect(numbers.every((price) => price >= least && price <= 30)).toBeTrue();
    await page.context().close();
  }, 60_000);

  it('courses stand under months; the strip narrows to one, together with a search; more are shown in place', async () => {
    const page = await site.open('/courses');
    const headings = page.locator('pl-date-groups section:not(details section) h2');
    expect(await headings.first().innerText()).toMatch(/^[A-Z][a-z]+ \d{4}/);
    const before = await page.locator('pl-card').count();
    const more = page.getByRole('link', { name: /^Show \d+ more$/ });
    await more.scrollIntoViewIfNeeded();
    const at = await page.evaluate(() => window.scrollY);
    await more.click();
    await page.waitForURL('**shown=36');
    await page.waitForFunction((count) => document.querySelectorAll('pl-card').length > count, before);
    expect(Math.abs((await page.evaluate(() => window.scrollY)) - at)).toBeLessThan(200);
    await page.goBack();
    await page.waitForFunction((count) => document.querySelectorAll('pl-card').length === count, before);
    const month = page.getByRole('group', { name: 'When' }).getByRole('link').nth(2);
    const promised = Number.parseInt(await month.locator('.count').innerText(), 10);
    await month.click();
    await page.waitForURL(/start=\d{4}-\d{2}$/);
    expect(await counted(page, /of/)).toBe(promised);
    expect(await headings.count()).toBe(1);
    await page.getByRole('combobox', { name: 'Search Courses' }).fill('a');
    await page.waitForURL('**q=a&start=**');
    expect(await total(page)).toBeLessThanOrEqual(promised);
    await page.context().close();
  }, 60_000);

  it('harbours are found by distance from one of them, and from the visitor’s position', async () => {
    const page = await site.open('/harbours', {
      geolocation: { latitude: 49.5, longitude: -30 },
      permissions: ['geolocation'],
    });
    await page.getByLabel('Around').fill('Kessel');
    await page.locator('datalist option').first().waitFor({ state: 'attached' });
    await page.getByLabel('Around').fill('Kessel Light');
    await page.getByLabel('Around').press('Enter');
    await page.waitForURL(/near=Kessel(\+|%20)Light/);
    const away = (await page.locator('pl-card p', { hasText: /\d nmi/ }).allInnerTexts()).map((text) =>
      Number.parseFloat(text),
    );
    expect(away[0]).toBe(0);
    expect(away).toEqual([...away].sort((a, b) => a - b));
    const option = page.getByLabel('At most').locator('option[value="5"]');
    const promised = Number(/\((\d+)\)/.exec((await option.textContent()) ?? '')?.[1]);
    await page.getByLabel('At most').selectOption('5');
    await page.waitForURL('**near-within=5');
    expect(await counted(page, /of 12/)).toBe(promised);
    await page.getByRole('button', { name: 'Use my position' }).click();
    await page.waitForURL('**near=49.5**');
    await page.getByText('Around your position').waitFor();
    await page.context().close();
  }, 60_000);

  it('boatyards want all services of the tree, stars at least, and a letter; they go on by themselves', async () => {
    const page = await site.open('/boatyards');
    await page.getByRole('button', { name: 'What lies under Hull' }).click();
    const tree = page.getByRole('group', { name: 'Does all of' });
    const leaf = tree.locator('li').filter({ hasText: 'Osmosis treatment' });
    const promised = Number.parseInt(await leaf.locator('.count').innerText(), 10);
    await leaf.getByRole('checkbox').check();
    await page.waitForURL('**services=osmosis-treatment');
    expect(await counted(page, /of 30/)).toBe(promised);
    const hull = tree.locator('li').filter({ hasText: 'Hull' }).first();
    expect(Number.parseInt(await hull.locator('.count').innerText(), 10)).toBe(promised);
    await page.getByRole('link', { name: 'Clear all' }).last().click();
    await page.getByRole('radio', { name: /^4 stars or more/ }).check();
    await page.waitForURL('**rating=4..**');
    const shown = await page.locator('pl-list-table .rating').allInnerTexts();
    expect(shown.length).toBeGreaterThan(0);
    expect(shown.every((text) => Number.parseFloat(text) >= 4)).toBeTrue();
    await page.goto('/boatyards?letter=b', { waitUntil: 'networkidle' });
    const titles = await page.locator('pl-list-table td:first-child').allInnerTexts();
    expect(titles.length).toBeGreaterThan(0);
    expect(titles.every((title) => title.startsWith('B'))).toBeTrue();
    await page.goto('/boatyards', { waitUntil: 'networkidle' });
    for (let step = 0; step < 12; step++) await page.mouse.wheel(0, 3000);
    await page.waitForFunction(() => document.querySelectorAll('pl-list-table tbody tr').length === 30);
    await page.waitForURL('**shown=36');
    await page.context().close();
  }, 60_000);

  it('suggests while words are typed, takes one by keyboard, marks what was met, and says what to drop', async () => {
    const page = await site.open('/berths');
    const search = page.getByRole('combobox', { name: 'Search Berths' });
    await search.fill('pont');
    await page.getByRole('option', { name: /Finger pontoon/ }).waitFor();
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await page.waitForURL('**/berths?type=finger-pontoon');
    await page.goto('/berths?q=electricity', { waitUntil: 'networkidle' });
    expect(await total(page)).toBeGreaterThan(10);
    await page.goto('/berths?q=finger+pontoon', { waitUntil: 'networkidle' });
    expect(await page.locator('pl-card mark').count()).toBeGreaterThan(0);
    await page.goto('/berths?q=zzzzzz&type=quay-wall', { waitUntil: 'networkidle' });
    await page.getByRole('link', { name: 'Without “zzzzzz”' }).click();
    await page.waitForURL('**/berths?type=quay-wall');
    await page.context().close();
  }, 60_000);

  it('works without scripts: months, distance, drop-down, stars, letters, headings and pages are links and a form', async () => {
    const page = await site.open('/courses', { javaScriptEnabled: false });
    await page.getByRole('group', { name: 'When' }).getByRole('link').nth(1).click();
    expect(page.url()).toMatch(/start=\d{4}-\d{2}$/);
    await page.goto('/courses');
    await page.getByRole('link', { name: /^Show \d+ more$/ }).click();
    expect(page.url()).toContain('shown=36');
    await page.goto('/harbours');
    await page.getByLabel('Around').fill('kessel');
    await page.getByLabel('At most').selectOption('5');
    await page.getByRole('button', { name: 'Apply' }).click();
    expect(await page.getByRole('list', { name: 'Chosen' }).innerText()).toContain('within 5 nmi of Kessel Light');
    await page.goto('/boatyards');
    await page.getByRole('radio', { name: /^4 stars or more/ }).check();
    await page.getByRole('checkbox', { name: /^B \d+ listings/ }).check({ force: true });
    await page.getByRole('button', { name: 'Apply' }).click();
    expect((await page.locator('pl-card h3').allInnerTexts()).every((title) => title.startsWith('B'))).toBeTrue();
    await page.context().close();
  }, 60_000);

  it('a selection has a page of its own, with the facets that were chosen for it', async () => {
    const page = await site.open('/lists/refuel-and-stay');
    expect(await page.getByRole('heading', { level: 1 }).innerText()).toBe('Refuel and stay');
    const all = await total(page);
    await page.getByRole('checkbox', { name: /^Quay wall / }).check();
    await page.waitForURL('**/lists/refuel-and-stay?type=quay-wall');
    await page
      .locator('pl-count-piece')
      .filter({ hasText: `of ${all}` })
      .waitFor();
    await page.context().close();
  }, 60_000);

  for (const path of ['/courses', '/boatyards?services=hull', '/harbours?near=Kessel+Light']) {
    it(`has no faults that axe-core finds by WCAG 2.2 AA: ${path}`, async () => {
      for (const viewport of [PHONE, { width: 1280, height: 800 }]) {
        const page = await site.open(path, { viewport });
        expect(await accessibilityFaults(page)).toEqual([]);
        expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(viewport.width);
        await page.context().close();
      }
    }, 60_000);
  }
});
