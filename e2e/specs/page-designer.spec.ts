import { accessibilityFaults } from '../harness/browser.js';
import { DemoDesk } from '../harness/demo-desk.js';

describe('The page designer', () => {
  let demo: DemoDesk;
  let page: DemoDesk['page'];

  beforeAll(async () => {
    demo = await DemoDesk.open();
    ({ page } = demo);
  }, 120_000);

  afterAll(() => demo.close());

  const live = () => page.locator('pl-live-page');
  const outline = (): Promise<string[]> =>
    page.locator('pl-page-outline .name').evaluateAll((rows) => rows.map((row) => row.textContent!.trim()));
  const row = (name: string) => page.locator('pl-page-outline').getByRole('button', { name, exact: true });
  const add = async (strip: string, piece: RegExp): Promise<void> => {
    await page
      .getByRole('button', { name: `Add a piece to ${strip}` })
      .first()
      .click();
    await page.getByRole('dialog').getByRole('button', { name: piece }).click();
  };
  const openDesk = (path: string): Promise<unknown> =>
    page.goto(`${demo.server.address}/desk/arrange${path}`, { waitUntil: 'networkidle' });

  it('makes a page from nothing by mouse, by dragging on the page and by keys, which is there once it is saved', async () => {
    await openDesk('/pages');
    await page.getByRole('link', { name: 'Add a page', exact: true }).click();
    await page.getByLabel('Name, which only you see').fill('Quiet nights');
    await page.getByLabel('Address, behind the first slash').fill('quiet-nights');
    await add('Strip 1', /^Listings/);
    await page.getByRole('combobox', { name: 'Which', exact: true }).selectOption({ label: 'Berths' });
    await page.getByLabel('Stand as').selectOption({ label: 'a table' });
    await live().locator('table').waitFor();
    await page.getByLabel('So many at most').fill('7');
    await page.getByLabel('So many at most').press('Enter');
    await page.waitForFunction(() => document.querySelectorAll('pl-live-page tbody tr').length === 7);
    // What is dragged on the page goes where it is dropped, and by keys it comes back.
    await live()
      .locator('pl-heading-piece')
      .first()
      .dragTo(live().locator('table'), { targetPosition: { x: 80, y: 70 } });
    await page.waitForFunction(() =>
      document.querySelector('pl-page-outline li li')?.textContent?.includes('Rich text'),
    );
    await row('Heading: Heading').focus();
    for (let at = 0; at < 2; at++) await page.keyboard.press('Alt+ArrowUp');
    expect(await outline()).toEqual(['Strip 1', 'Heading: Heading', 'Rich text', 'Listings: Harbours']);
    await page.keyboard.press('Control+s');
    await page.getByText('Saved the page Quiet nights').waitFor();
    await page.goto(`${demo.server.address}/quiet-nights`);
    expect(await page.locator('main tbody tr').count()).toBe(7);
    await page.getByRole('heading', { level: 1, name: 'Heading' }).waitFor();
  }, 120_000);

  it('is reached from the page itself, at the piece that is pointed at, with its listing', async () => {
    await page.goto(`${demo.server.address}/berths/kessel-light-berth-6`);
    await page.getByRole('button', { name: 'Change this page' }).click();
    await page.getByText('Point at what you want to change').waitFor();
    await page.locator('main pl-heading-piece').first().click();
    await page.waitForURL(/desk\/arrange\/pages\/\d+\?.*part=/);
    await live().getByRole('heading', { name: 'Kessel Light, berth 6', level: 1 }).waitFor();
    expect(await page.locator('pl-page-outline [aria-pressed=true]').innerText()).toContain('Heading');
  }, 60_000);

  it('shows a strip for some listings only, says for how many, and walks through the awkward ones', async () => {
    await row('Does the boat fit').click();
    await page.locator('pl-strip-settings summary').click();
    await page.getByRole('button', { name: 'Condition' }).click();
    await page.getByText(/^Shown for \d+ of 153 that visitors see\.$/).waitFor();
    await page.keyboard.press('Control+z');
    const title = () => live().locator('h1').innerText();
    const before = await title();
    await page.getByRole('button', { name: 'Next listing' }).click();
    await page.waitForFunction((was) => document.querySelector('pl-live-page h1')?.textContent?.trim() !== was, before);
    await page.getByRole('button', { name: 'Phone' }).click();
    expect((await live().boundingBox())!.width).toBeLessThan(400);
  }, 60_000);

  it('does for visitors what a click does while it is being tried, and leads nowhere', async () => {
    await openDesk('/pages/new?serves=index&kind=2');
    await page.getByRole('button', { name: 'Try', exact: true }).click();
    const count = live().getByRole('status').first();
    const before = await count.innerText();
    await live()
      .getByRole('checkbox', { name: /^Quay wall/ })
      .check();
    await page.waitForFunction(
      (was) => document.querySelector('pl-live-page [role=status]')?.textContent !== was,
      before,
    );
    await live().locator('pl-card a').first().click();
    expect(page.url()).toContain('/desk/arrange/pages/new');
  }, 60_000);

  it('reads well to those who do not see it, in both schemes, also the list of pages and the pieces to add', async () => {
    await openDesk('/pages/new?serves=listing&kind=2');
    await live().waitFor();
    for (const name of ['Dark', 'Light']) {
      await page.getByRole('button', { name, exact: true }).click();
      expect(await accessibilityFaults(page)).toEqual([]);
    }
    await page
      .getByRole('button', { name: /^Add a piece/ })
      .first()
      .click();
    await page.getByRole('dialog').locator('pl-designed-page').first().waitFor();
    expect(await accessibilityFaults(page)).toEqual([]);
    await page.keyboard.press('Escape');
    await openDesk('/pages');
    expect(await accessibilityFaults(page)).toEqual([]);
  }, 90_000);
});
