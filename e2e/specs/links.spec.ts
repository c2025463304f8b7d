import type { PageModel } from '@plindo/core/page';
import { listOnPage } from '@plindo/core/testing/list-on-page';
import type { Page } from 'playwright-core';
import { DemoDesk } from '../harness/demo-desk.js';
import type { Desk } from '../harness/desk.js';
import type { TestServer } from '../harness/server.js';

const HARBOURS = 1;
const BERTHS = 2;

describe('Links and categories', () => {
  let demo: DemoDesk;
  let server: TestServer;
  let page: Page & { complaints: string[] };
  let desk: Desk;

  beforeAll(async () => {
    demo = await DemoDesk.open();
    ({ server, page, desk } = demo);
  }, 120_000);

  afterAll(() => demo.close());

  const onSite = async (path: string): Promise<string> => (await page.request.get(`${server.address}${path}`)).text();

  /** Opens the form of the listing with exactly this title. */
  async function open(kind: number, title: string): Promise<void> {
    const found = await page.request.get(
      `${server.address}/api/kinds/${kind}/listings?q=${encodeURIComponent(title)}&limit=200`,
    );
    const { listings } = (await found.json()) as { listings: { id: number; title: string }[] };
    const id = listings.find((listing) => listing.title === title)?.id;
    await page.goto(`${server.address}/desk/fill/${kind}/${id}`);
    await page.getByRole('heading', { name: title, level: 1 }).waitFor();
  }

  it('link from one end, and are seen, edited and unlinked at the other', async () => {
    await open(BERTHS, 'Kessel Light, berth 2');
    await desk.link('Harbour (required)', 'Sallow Creek');
    await desk.save('Kessel Light, berth 2');
    expect(await onSite('/berths/kessel-light-berth-2')).toContain('/harbours/sallow-creek');

    await open(HARBOURS, 'Sallow Creek');
    const berths = page.getByRole('group', { name: 'Berths', exact: true });
    await berths.getByRole('link', { name: 'Kessel Light, berth 2' }).waitFor();
    await page.getByLabel('Find a listing for Berths').fill('Kessel Light, berth 3');
    await page.getByText('now at Kessel Light; it will be moved').first().waitFor();
    await desk.link('Berths', 'Kessel Light, berth 3');
    await page.getByRole('button', { name: 'Move Kessel Light, berth 3 up' }).click();
    await desk.save('Sallow Creek');
    const harbour = await onSite('/harbours/sallow-creek');
    expect(harbour.indexOf('Kessel Light, berth 3')).toBeLessThan(harbour.indexOf('Kessel Light, berth 2'));
    expect(await onSite('/harbours/kessel-light')).not.toContain('Kessel Light, berth 3');

    await page.getByRole('button', { name: 'Unlink Kessel Light, berth 2' }).click();
    await desk.save('Sallow Creek');
    await open(BERTHS, 'Kessel Light, berth 2');
    expect(await page.getByRole('group', { name: 'Harbour (required)' }).getByRole('link').count()).toBe(0);
    await open(BERTHS, 'Kessel Light, berth 3');
    await page.getByRole('group', { name: 'Harbour (required)' }).getByRole('link', { name: 'Sallow Creek' }).waitFor();
  }, 90_000);

  it('make a listing at the other end on the spot', async () => {
    await open(BERTHS, 'Kessel Light, berth 2');
    await page.getByLabel('Find a listing for Harbour (required)').fill('Newhaven Wharf');
    await page.getByRole('button', { name: 'Add “Newhaven Wharf” to Harbours' }).click();
    await page
      .getByRole('group', { name: 'Harbour (required)' })
      .getByRole('link', { name: 'Newhaven Wharf' })
      .waitFor();
    await desk.save('Kessel Light, berth 2');
    expect(await onSite('/harbours/newhaven-wharf')).toContain('Kessel Light, berth 2');
  }, 60_000);

  it('merge two categories: listings follow, and the old address leads to the new one', async () => {
    const count = async (): Promise<number> => {
      const sent = await page.request.get(
        `${server.address}/api/page?url=${encodeURIComponent('/boatyards?services=timber-repair')}`,
      );
      return listOnPage((await sent.json()) as PageModel).total;
    };
    const before = await count();
    expect(before).toBeGreaterThan(0);
    await page.goto(`${server.address}/desk/shape/categories/1`);
    await page.getByRole('button', { name: 'More for Timber repair' }).click();
    await page.getByRole('menuitem', { name: 'Merge it into' }).click();
    await page.getByText('Choose the category that Timber repair is to be merged into').waitFor();
    await page.getByRole('button', { name: /^Painting/ }).click();
    await page.getByText('Merged Timber repair into Painting').waitFor();
    await page.getByRole('button', { name: 'More for Timber repair' }).waitFor({ state: 'detached' });
    const old = await page.request.get(`${server.address}/boatyards?services=timber-repair`, { maxRedirects: 0 });
    expect([old.status(), old.headers()['location']]).toEqual([301, '/boatyards?services=painting']);
    expect(await count()).toBeGreaterThanOrEqual(before);
    await page.locator('mat-snack-bar-container').getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: 'More for Timber repair' }).waitFor();
    expect(await count()).toBe(before);
    expect(page.complaints).toEqual([]);
  }, 60_000);
});
