import { accessibilityFaults } from '../harness/browser.js';
import { DemoDesk } from '../harness/demo-desk.js';
import type { TestServer } from '../harness/server.js';

describe('The card designer', () => {
  let demo: DemoDesk;
  let server: TestServer;
  let page: DemoDesk['page'];

  beforeAll(async () => {
    demo = await DemoDesk.open();
    ({ server, page } = demo);
  }, 120_000);

  afterAll(() => demo.close());

  const outline = (): Promise<string[]> =>
    page
      .locator('pl-card-outline li button:first-of-type')
      .evaluateAll((rows) => rows.map((row) => row.textContent!.trim()));
  const add = (place: string, value: string): Promise<unknown> =>
    page.getByLabel(`Add to: ${place}`).selectOption({ label: value });
  const row = (name: string) => page.locator('pl-card-outline').getByRole('button', { name, exact: true });

  it('makes a card from nothing, by mouse and by keys, which is live on three pages once it is saved', async () => {
    await page.goto(`${server.address}/desk/arrange`);
    await page
      .getByRole('navigation', { name: 'Kinds' })
      .getByRole('link', { name: /Berths/ })
      .click();
    await page.getByRole('link', { name: 'Add a card' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Berth at a glance');
    // All that the copy of the main card brings goes, but the title.
    for (const name of [
      'Featured',
      'Type Region',
      'Distance',
      'Length',
      'Draught',
      'Price a night',
      'Services nearby',
    ]) {
      await page
        .locator('pl-card-outline')
        .getByRole('button', { name: `Remove ${name}`, exact: true })
        .click();
    }
    expect(await outline()).toEqual(['Title']);
    await add('On the picture, top left', 'Featured');
    await add('Foot', 'Price a night');
    await page.getByLabel('Words before it').fill('from ');
    await page.getByLabel('Words after it').fill(' a night');
    await add('Foot', 'Harbour → Region');
    await add('Values', 'Greatest length');
    await page.getByRole('combobox', { name: 'Unit' }).selectOption('ft');
    await page.getByRole('combobox', { name: 'Decimals' }).selectOption('0');
    const first = page.locator('pl-live-cards pl-card').first();
    await first
      .locator('.foot')
      .getByText(/from €[\d.]+ a night/)
      .waitFor();
    expect(await first.locator('dd').innerText()).toMatch(/^\d+ ft$/);
    // By keys: the region goes up from the foot, over the values, into the heading; and one step comes back.
    await row('Region').focus();
    for (let at = 0; at < 3; at++) await page.keyboard.press('Alt+ArrowUp');
    expect(await outline()).toEqual(['Featured', 'Title', 'Region', 'Greatest length', 'Price a night']);
    await page.keyboard.press('Control+z');
    await page.locator('pl-card-outline ul[aria-label=Values] li:last-child', { hasText: 'Region' }).waitFor();
    expect(await outline()).toEqual(['Featured', 'Title', 'Greatest length', 'Region', 'Price a night']);
    await page.keyboard.press('Control+s');
    await page.getByText('Saved the card Berth at a glance').waitFor();
    await page.getByRole('link', { name: 'Berths', exact: true }).first().click();
    await page.getByRole('button', { name: 'Make it the main card' }).click();
    await page.getByText('Made Berth at a glance the main card').waitFor();
    for (const path of ['/berths', '/', '/lists/refuel-and-stay']) {
      await page.goto(server.address + path);
      await page
        .locator('pl-card .foot')
        .getByText(/from €[\d.]+ a night/)
        .first()
        .waitFor();
    }
    await page.goto(`${server.address}/berths`);
    await page.locator('pl-card .frame .corner').getByText('Featured').first().waitFor();
  }, 120_000);

  it('is dragged in: from one place on the card into another', async () => {
    await page.goto(`${server.address}/desk/arrange`);
    await page
      .getByRole('navigation', { name: 'Kinds' })
      .getByRole('link', { name: /Courses/ })
      .click();
    await page.getByRole('link', { name: 'Course card' }).click();
    await row('Level').waitFor();
    // Nothing moves under the pointer once all has come.
    await page.locator('pl-live-cards pl-card').first().waitFor();
    await page.waitForLoadState('networkidle');
    const grip = page.locator('pl-card-outline li', { hasText: 'Level' }).locator('.grip');
    const target = row('Title');
    await grip.scrollIntoViewIfNeeded();
    const [from, to] = [(await grip.boundingBox())!, (await target.boundingBox())!];
    await page.mouse.move(from.x + 6, from.y + 6);
    await page.mouse.down();
    for (let at = 1; at <= 10; at++) {
      await page.mouse.move(from.x + 6, from.y + 6 + ((to.y + 4 - from.y) * at) / 10, { steps: 2 });
    }
    await page.mouse.up();
    await page.locator('.cdk-drag-preview').waitFor({ state: 'detached' });
    await page.locator('pl-card-outline ul[aria-label=Heading] li', { hasText: 'Level' }).waitFor();
    const names = await outline();
    expect(names.indexOf('Level')).toBeLessThan(names.indexOf('Summary'));
    await page.keyboard.press('Control+z');
    await page.locator('pl-card-outline ul[aria-label=Values] li', { hasText: 'Level' }).waitFor();
  }, 60_000);

  it('brings back work that a reload would have lost', async () => {
    await page.getByLabel('Add to: Foot').selectOption({ label: 'Days' });
    await page.reload();
    await page.getByText('Work that was not saved was brought back.').waitFor();
    expect((await outline()).at(-1)).toBe('Days');
    await page.getByRole('button', { name: 'Throw it away' }).click();
    await page.locator('pl-card-outline ul[aria-label=Foot] li', { hasText: 'Days' }).waitFor({ state: 'detached' });
  }, 60_000);

  it('reads well to those who do not see it, in both schemes', async () => {
    for (const name of ['Dark', 'Light']) {
      await page.getByRole('button', { name }).click();
      expect(await accessibilityFaults(page)).toEqual([]);
    }
  }, 60_000);
});
