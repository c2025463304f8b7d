import { PHONE, accessibilityFaults } from '../harness/browser.js';
import { DemoSite } from '../harness/demo-site.js';

/** Maps beside lists, and lists that are tables, as visitors use them. */
describe('A list that stands beside a map', () => {
  let site: DemoSite;

  beforeAll(async () => {
    site = await DemoSite.start();
  }, 120_000);
  afterAll(() => site.stop());

  it('goes along with it: what is pointed at in one is marked in the other', async () => {
    const page = await site.open('/harbours');
    const points = page.locator('.map-point');
    await points.first().waitFor();
    const cards = page.locator('pl-list-piece li[data-listing]');
    expect(await points.count()).toBe(await cards.count());
    await cards.nth(1).getByRole('link').first().focus();
    await page.locator('.map-point.in-step').waitFor();
    await points.nth(2).click();
    const chosen = page.locator('pl-map-piece .chosen');
    const title = await chosen.innerText();
    expect(await page.locator('li.in-step h3').innerText()).toBe(title);
    expect(await chosen.getByRole('link').getAttribute('href')).toMatch(/^\/harbours\//);
    expect(page.complaints).toEqual([]);
    await page.context().close();
  }, 60_000);

  it('is narrowed to the part that is seen, in its address, and let go again by a chip', async () => {
    const page = await site.open('/harbours?region=inner-sound');
    await page.locator('.map-point').first().waitFor();
    const before = Number.parseInt(await page.locator('pl-count-piece').innerText(), 10);
    for (let step = 0; step < 2; step++) await page.getByRole('button', { name: 'Look closer' }).click();
    await page.getByRole('button', { name: 'Search in this part of the map' }).click();
    await page.waitForURL(/region=inner-sound&map=[\d.,-]+$/);
    await page.locator('pl-chips-piece').getByText('In a part of the map').waitFor();
    expect(Number.parseInt(await page.locator('pl-count-piece').innerText(), 10)).toBeLessThan(before);
    // The address alone brings it back, without scripts too.
    const plain = await site.open(new URL(page.url()).pathname + new URL(page.url()).search, {
      javaScriptEnabled: false,
    });
    expect(await plain.locator('pl-count-piece').innerText()).toBe(await page.locator('pl-count-piece').innerText());
    await plain.context().close();
    await page.getByRole('link', { name: /^Take back In a part of the map/ }).click();
    await page.waitForURL(/\?region=inner-sound$/);
    await page.context().close();
  }, 60_000);

  it('tells in words what it shows, with nothing wrong for those who cannot see it', async () => {
    for (const options of [{}, { viewport: PHONE }, { colorScheme: 'dark' } as const]) {
      const page = await site.open('/harbours', options);
      if ('viewport' in options) {
        expect(await accessibilityFaults(page)).toEqual([]);
        await page.getByRole('button', { name: 'Show the map' }).click();
      }
      await page.locator('.map-point').first().waitFor();
      expect(await accessibilityFaults(page)).toEqual([]);
      await page.getByText('Map of 12 harbours, as a list').click();
      expect(await page.locator('pl-map-piece details a').count()).toBe(12);
      await page.context().close();
    }
  }, 90_000);
});

describe('A list that is a table', () => {
  let site: DemoSite;

  beforeAll(async () => {
    site = await DemoSite.start();
  }, 120_000);
  afterAll(() => site.stop());

  it('is put in order by its heads, both ways', async () => {
    const page = await site.open('/boatyards');
    const head = page.getByRole('columnheader', { name: /^Lifts up to/ });
    await head.getByRole('link').click();
    await page.waitForURL(/sort=lift/);
    const first = await head.getAttribute('aria-sort');
    await head.getByRole('link').click();
    await page.waitForFunction(
      (was) => document.querySelector('th[aria-sort]')?.getAttribute('aria-sort') !== was,
      first,
    );
    expect([first, await head.getAttribute('aria-sort')].sort()).toEqual(['ascending', 'descending']);
    // Whoever orders it by keys stays at the head.
    const title = page.getByRole('columnheader', { name: /^Boatyard/ }).getByRole('link');
    await title.press('Enter');
    await page.waitForURL(/sort=title/);
    expect(await title.evaluate((link) => link === document.activeElement)).toBeTrue();
    expect(await accessibilityFaults(page)).toEqual([]);
    await page.context().close();
  }, 60_000);

  it('is a reference to look things up in, folded on phones', async () => {
    const page = await site.open('/channels-and-lights', { viewport: PHONE });
    await page.getByLabel('Search Radio channels and lights').fill('fog horn');
    await page.waitForURL(/q=fog/);
    await page.locator('pl-list-table mark').first().waitFor();
    expect(await page.locator('pl-list-table tbody tr').count()).toBe(1);
    expect(
      await page
        .locator('pl-list-table td')
        .first()
        .evaluate((cell) => getComputedStyle(cell).display),
    ).toBe('grid');
    expect(await accessibilityFaults(page)).toEqual([]);
    await page.context().close();
  }, 60_000);
});
