import { accessibilityFaults } from '../harness/browser.js';
import { DemoDesk } from '../harness/demo-desk.js';
import type { TestServer } from '../harness/server.js';

describe('Addresses of listings', () => {
  let demo: DemoDesk;
  let server: TestServer;
  let page: DemoDesk['page'];

  beforeAll(async () => {
    demo = await DemoDesk.open();
    ({ server, page } = demo);
  }, 120_000);

  afterAll(() => demo.close());

  const takeOut = (part: string): Promise<void> => page.getByRole('button', { name: `Remove ${part}` }).click();
  const add = async (value: string): Promise<void> => {
    await page.getByRole('button', { name: /Make them of values|Add$/ }).click();
    await page.getByRole('menuitem', { name: value, exact: true }).click();
  };
  const addressesOnSite = async (): Promise<string[]> => {
    await page.goto(`${server.address}/courses?q=radio`);
    return page.locator('pl-card h3 a').evaluateAll((links) => links.map((link) => link.getAttribute('href') ?? ''));
  };

  it('are made of values by the publisher, who sees what clashes first; former ones lead on', async () => {
    const [before] = await addressesOnSite();
    expect(before).toMatch(/^\/courses\/20\d\d\/radio-for-small-craft-at-/);
    await page.goto(`${server.address}/desk/shape`);
    await page
      .getByRole('link', { name: /Courses/ })
      .first()
      .click();
    await page.getByText('Parts, pages and order').click();
    await takeOut('Title');
    await page.getByText('nothing before or after a slash').waitFor();
    await takeOut('/');
    await page.getByText('80 listings would share an address').waitFor();
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await page.getByRole('alert').getByText('would have the same address as another one').waitFor();
    await add('A slash');
    await add('Starts, day');
    await page.getByLabel('A word to add').fill('On');
    await page.getByLabel('A word to add').press('Enter');
    await add('A slash');
    await add('Title');
    // The word goes before the day, by keys.
    await page.getByRole('row', { name: /^on/ }).getByRole('gridcell').first().press('Alt+ArrowLeft');
    await page.getByText('80 of 80 listings get another address when you save').waitFor();
    expect(await accessibilityFaults(page)).toEqual([]);
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await page.getByText('Saved', { exact: true }).waitFor();
    const [after] = await addressesOnSite();
    expect(after).toMatch(/^\/courses\/20\d\d\/on-20\d\d-\d\d-\d\d\/radio-for-small-craft-at-/);
    await page.goto(`${server.address}${before!}`);
    expect(page.url()).toBe(`${server.address}${after!}`);
    expect(page.complaints).toEqual([]);
  }, 60_000);
});
