import type { Page } from 'playwright-core';
import { PHONE, accessibilityFaults } from '../harness/browser.js';
import { DemoSite } from '../harness/demo-site.js';

describe('What visitors keep', () => {
  let site: DemoSite;

  beforeAll(async () => {
    site = await DemoSite.start();
  }, 120_000);

  afterAll(() => site.stop());

  const keepSome = async (page: Page, places: readonly number[]): Promise<void> => {
    for (const at of places) await page.locator('pl-card [data-keep]').nth(at).click();
  };

  it('is kept in the browser, stands side by side, and can be handed to somebody else', async () => {
    const page = await site.open('/berths');
    await page.locator('[data-keep]').first().waitFor();
    await keepSome(page, [0, 1, 2]);
    await page.locator('pl-site-header .kept', { hasText: '3' }).waitFor();
    await page.getByRole('link', { name: 'Shortlist' }).click();
    await page.waitForURL(/\/shortlist\?of=\d+,\d+,\d+$/);
    const titles = await page.locator('pl-visitors-list h3').allInnerTexts();
    expect(titles.length).toBe(3);
    for (const box of await page.getByRole('checkbox', { name: /Compare/ }).all()) await box.check();
    await page.getByRole('button', { name: 'Compare what is ticked' }).click();
    await page.waitForURL(/compare=/);
    const heads = await page.locator('pl-comparison-piece thead').first().getByRole('columnheader').allInnerTexts();
    expect(heads.slice(1)).toEqual(titles);
    // In every row that differs, something does.
    for (const row of await page.locator('pl-comparison-piece .table').first().locator('tbody tr').all()) {
      expect(new Set(await row.locator('td').allInnerTexts()).size).toBeGreaterThan(1);
    }
    expect(await accessibilityFaults(page)).toEqual([]);
    const address = page.url();
    // Whoever takes one away sees it go, and the address says what is left.
    await page.goto('/shortlist');
    await page.waitForURL(/of=/);
    await page.locator('pl-visitors-list [data-keep]').first().click();
    await page.waitForURL(/\/shortlist\?of=\d+,\d+$/);
    expect(await page.locator('pl-visitors-list h3').allInnerTexts()).toEqual(titles.slice(1));
    expect(page.complaints).toEqual([]);
    await page.context().close();

    const other = await site.open(address.replace(site.server.address, ''), { viewport: PHONE });
    expect(await other.locator('pl-visitors-list h3').allInnerTexts()).toEqual(titles);
    await other.getByRole('button', { name: 'Keep all of these' }).click();
    await other.getByText('somebody handed to you').waitFor({ state: 'detached' });
    expect(await other.evaluate(() => document.documentElement.scrollWidth)).toBe(PHONE.width);
    expect(await accessibilityFaults(other)).toEqual([]);
    await other.context().close();
  }, 120_000);

  it('says what was looked at before, and works from an address without scripts', async () => {
    const page = await site.open('/berths');
    const hrefs = await page
      .locator('pl-card a.title')
      .evaluateAll((links) => links.map((link) => link.getAttribute('href')!));
    await page.goto(hrefs[0]!);
    await page.waitForFunction(() => localStorage.getItem('plindo-recently-seen') !== null);
    await page.goto(hrefs[1]!);
    const seen = page.locator('pl-visitors-list a.title');
    await seen.first().scrollIntoViewIfNeeded();
    expect(await seen.evaluateAll((links) => links.map((link) => link.getAttribute('href')))).toEqual([hrefs[0]!]);
    await page.context().close();

    const plain = await site.open('/shortlist?of=1,2', { javaScriptEnabled: false });
    for (const box of await plain.getByRole('checkbox').all()) await box.check();
    await plain.getByRole('button', { name: 'Compare what is ticked' }).click();
    expect(await plain.locator('pl-comparison-piece th[scope=col] a').count()).toBe(2);
    await plain.goto('/shortlist');
    expect(await plain.getByText('does not run scripts').isVisible()).toBeTrue();
    await plain.context().close();
  }, 60_000);
});
