import { openFile } from '@plindo/core/exchange';
import { readFile } from 'node:fs/promises';
import type { Page } from 'playwright-core';
import { DemoDesk } from '../harness/demo-desk.js';
import { accessibilityFaults } from '../harness/browser.js';
import type { Desk } from '../harness/desk.js';
import type { TestServer } from '../harness/server.js';

describe('The workbench', () => {
  let demo: DemoDesk;
  let server: TestServer;
  let page: Page & { complaints: string[] };
  let desk: Desk;

  beforeAll(async () => {
    demo = await DemoDesk.open();
    ({ server, page, desk } = demo);
  }, 120_000);

  afterAll(() => demo.close());

  const cell = (title: string, column: string) =>
    page
      .getByRole('row')
      .filter({ has: page.getByRole('button', { name: title, exact: true }) })
      .getByRole('button', { name: new RegExp(`^${column}: `) });

  /** Pastes a text as the clipboard of a spreadsheet has it, where the focus is. */
  const paste = (text: string): Promise<void> =>
    page.evaluate((block) => {
      const data = new DataTransfer();
      data.setData('text/plain', block);
      const event = new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true });
      document.activeElement?.dispatchEvent(event);
    }, text);

  it('is walked by the arrow keys, and takes a block after showing which cells are refused', async () => {
    await desk.openTable('Berths');
    await desk.find('Kessel Light, berth 1');
    await cell('Kessel Light, berth 6', 'Price a night').waitFor();
    await page.getByRole('button', { name: 'Kessel Light, berth 1', exact: true }).focus();
    for (const key of ['ArrowRight', 'ArrowRight', 'ArrowRight', 'ArrowRight']) await page.keyboard.press(key);
    expect(await page.evaluate(() => document.activeElement?.getAttribute('aria-label'))).toMatch(/^Price a night: /);
    await paste('11.50\t12\ndear\t13 m');
    const dialog = page.getByRole('dialog');
    await dialog.getByText('3 cells change.').waitFor();
    await dialog.getByRole('row', { name: /Kessel Light, berth 6 Price a night .*“dear” is not one/ }).waitFor();
    await dialog.getByRole('button', { name: 'Change 3 cells' }).click();
    await page.getByText('Pasted 3 cells').waitFor();
    await cell('Kessel Light, berth 1', 'Price a night').filter({ hasText: '€11.50' }).waitFor();
    await cell('Kessel Light, berth 6', 'Greatest length').filter({ hasText: '13 m' }).waitFor();
    await desk.undo(page.locator('mat-snack-bar-container').getByRole('button', { name: 'Undo' }));
    await cell('Kessel Light, berth 1', 'Price a night').filter({ hasNotText: '€11.50' }).waitFor();
  }, 60_000);

  it('opens the form of a listing beside itself, and goes from one to the next', async () => {
    await desk.openTable('Boatyards');
    const titles = await page.locator('.title .value').allInnerTexts();
    const [first = '', second = ''] = titles.filter((title) => title.trim() !== '');
    await page.getByRole('link', { name: `Open ${first}`, exact: true }).click();
    const form = page.getByRole('complementary', { name: 'Form beside the table' });
    await form.getByRole('heading', { name: first, level: 1 }).waitFor();
    expect(await accessibilityFaults(page)).toEqual([]);
    await form.getByRole('button', { name: 'Next' }).click();
    await form.getByRole('heading', { name: second, level: 1 }).waitFor();
    await form.getByLabel('Title (required)').fill('Renamed beside the table');
    await desk.save('Renamed beside the table');
    // What was saved stands in the table, which was never left.
    await page.getByRole('button', { name: 'Renamed beside the table', exact: true }).waitFor();
    await desk.undo(page.locator('mat-snack-bar-container').getByRole('button', { name: 'Undo' }));
    await form.getByRole('heading', { name: second, level: 1 }).waitFor();
    await page.keyboard.press('Escape');
    await form.waitFor({ state: 'detached' });
    await page.getByRole('button', { name: first, exact: true }).focus();
    await page.keyboard.press('Enter');
    await form.getByRole('heading', { name: first, level: 1 }).waitFor();
    await form.getByRole('button', { name: 'Close the form' }).click();
  }, 60_000);

  it('adds up its columns, over all that it shows or over what was chosen', async () => {
    await desk.openTable('Berths');
    const { listings } = (await page.evaluate(async () =>
      (await fetch('/api/kinds/2/listings?limit=500&q=Brannock')).json(),
    )) as { listings: { id: number; title: string; values: { price?: { minor: number } } }[] };
    const prices = listings.flatMap(({ values }) => values.price?.minor ?? []);
    expect(prices.length).toBeGreaterThan(3);
    await desk.find('Brannock Island, berth 1');
    await page.getByLabel('Find in the table').fill('Brannock');
    await page.getByRole('button', { name: 'Totals' }).click();
    const foot = page.locator('pl-totals-row');
    const euros = (minor: number): RegExp => new RegExp(`€${(minor / 100).toLocaleString('en-GB')}`);
    await foot.getByText(euros(prices.reduce((sum, price) => sum + price, 0))).waitFor();
    await foot.getByLabel('What the last row tells').selectOption('Least');
    await foot.getByText(euros(Math.min(...prices))).waitFor();
    const [first, second] = listings;
    for (const { title } of [first!, second!]) await page.getByLabel(`Choose ${title}`, { exact: true }).click();
    await foot.getByText('of the chosen').waitFor();
    await foot.getByLabel('What the last row tells').selectOption('Sum');
    await foot.getByText(euros(prices[0]! + prices[1]!)).waitFor();
    expect(await accessibilityFaults(page)).toEqual([]);
  }, 60_000);

  it('finds and replaces, after showing what that changes', async () => {
    await desk.openTable('Berths');
    await page.getByRole('button', { name: 'Replace', exact: true }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('Find', { exact: true }).fill('brannock island');
    await dialog.getByLabel('Replace it by').fill('Brannock Isle');
    await dialog.getByRole('cell', { name: 'Brannock Isle, berth 1', exact: true }).waitFor();
    const button = dialog.getByRole('button', { name: /^Replace in \d+ cells$/ });
    const count = Number(/\d+/.exec(await button.innerText())![0]);
    expect(count).toBeGreaterThan(3);
    await button.click();
    await page.getByText(`Replaced “brannock island” in ${count} cells`).waitFor();
    await page.getByRole('button', { name: 'Brannock Isle, berth 1', exact: true }).waitFor();
    await desk.undo(page.locator('mat-snack-bar-container').getByRole('button', { name: 'Undo' }));
    await page.getByRole('button', { name: 'Brannock Island, berth 1', exact: true }).waitFor();
  }, 60_000);

  it('copies a range that the keyboard has chosen', async () => {
    await desk.openTable('Berths');
    const first = page.getByRole('button', { name: 'Brannock Island, berth 1', exact: true });
    await first.focus();
    for (const key of ['ArrowRight', 'ArrowRight', 'ArrowDown']) await page.keyboard.press(`Shift+${key}`);
    await page.locator('.cell.ranged').nth(5).waitFor();
    expect(await page.locator('.cell.ranged').count()).toBe(6);
    const copied = await page.evaluate(() => {
      const clipboardData = new DataTransfer();
      document.activeElement!.dispatchEvent(
        new ClipboardEvent('copy', { clipboardData, bubbles: true, cancelable: true }),
      );
      return clipboardData.getData('text/plain');
    });
    const lines = copied.split('\n').map((line) => line.split('\t'));
    expect(lines.map(([title, , harbour]) => [title, harbour])).toEqual([
      ['Brannock Island, berth 1', 'Brannock Island'],
      ['Brannock Island, berth 2', 'Brannock Island'],
    ]);
    await page.keyboard.press('Escape');
    await page.locator('.cell.ranged').first().waitFor({ state: 'detached' });
  }, 60_000);

  it('saves what it shows as a file, which comes back the same', async () => {
    await desk.openTable('Berths');
    const found = page.waitForResponse((response) => /\/listings\?.*q=/.test(response.url()));
    await page.getByLabel('Find in the table').fill('Brannock');
    await found;
    await page.getByText('9 listings').waitFor();
    for (const [name, file] of [
      ['Text with columns (CSV)', 'berths.csv'],
      ['Workbook (XLSX)', 'berths.xlsx'],
    ] as const) {
      await page.getByRole('button', { name: 'File', exact: true }).click();
      const [download] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('menuitem', { name }).click(),
      ]);
      expect(download.suggestedFilename()).toBe(file);
      const opened = await openFile(await readFile(await download.path()));
      if (!opened.ok) throw new Error(opened.issue.message);
      const [{ table }] = opened.value.tables;
      if (!table.ok) throw new Error(table.issue.message);
      const { headers, rows } = table.value;
      expect(rows.length).toBe(9);
      expect(headers.slice(0, 2)).toEqual(['Title', 'Hand order']);
      const price = headers.indexOf('Price a night');
      expect(rows.find(([title]) => title === 'Brannock Island, berth 3')?.[price]).toMatch(/^55\.50? EUR$/);
    }
  }, 60_000);

  it('acts on many listings at once, as one change', async () => {
    await desk.openTable('Boatyards');
    await page.getByLabel('Choose Brackwater Boatworks').check();
    await page.getByLabel('Choose Brackwater Yard').click({ modifiers: ['Shift'] });
    await page.getByText('3 chosen').waitFor();
    await page.getByRole('button', { name: 'Categories' }).click();
    await page.getByRole('menuitem', { name: 'Add to Services' }).click();
    await page.getByRole('dialog').getByRole('checkbox', { name: 'Covers' }).check();
    await page.getByRole('dialog').getByRole('button', { name: 'Change it' }).click();
    await page.getByText('Added Covers to 3 listings').waitFor();
    await cell('Brackwater Slip', 'Services').filter({ hasText: 'Covers' }).waitFor();
    await page.getByLabel('Choose all').click();
    await page.getByText('30 chosen').waitFor();
    await page.getByRole('button', { name: 'Set a field' }).click();
    await page.getByRole('menuitem', { name: 'Our rating' }).click();
    await page.getByRole('textbox', { name: 'Our rating' }).fill('9');
    await page.keyboard.press('Enter');
    await page.getByText('from 0 to 5 in halves').waitFor();
    await page.getByRole('textbox', { name: 'Our rating' }).fill('3.5');
    await page.keyboard.press('Enter');
    await page.getByText('Set Our rating of 30 listings').waitFor();
    await cell('Brackwater Slip', 'Our rating').filter({ hasText: '3.5 of 5' }).waitFor();
    await desk.undo(page.locator('mat-snack-bar-container').getByRole('button', { name: 'Undo' }));
    await page.getByLabel('Choose Brackwater Slip').check();
    await page.getByRole('button', { name: 'Duplicate' }).click();
    await page.getByText('Duplicated 1 listings as drafts').waitFor();
    await page.getByText('31 listings').waitFor();
  }, 90_000);

  it('shows the columns that are chosen, in their order, and keeps them as a named view', async () => {
    await desk.openTable('Courses');
    const headers = async (): Promise<string[]> =>
      (await page.getByRole('columnheader').allInnerTexts()).map((text) => text.trim()).filter((text) => text !== '');
    await page.getByRole('button', { name: 'Columns' }).click();
    await page.getByRole('checkbox', { name: 'Hand order' }).uncheck();
    await page.getByRole('checkbox', { name: 'First meeting' }).check();
    await page.getByRole('button', { name: 'Move Level left' }).click();
    const shown = await headers();
    expect(shown).toContain('First meeting');
    expect(shown).not.toContain('Hand order');
    await page.getByRole('button', { name: 'Keep this view' }).click();
    await page.getByLabel('Name of the view').fill('For the season');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await page.getByRole('button', { name: 'For the season', exact: true }).waitFor();
    expect(await accessibilityFaults(page)).toEqual([]);
    const isKept = page.waitForResponse(
      (answer) => answer.request().method() === 'PUT' && answer.url().endsWith('/table'),
    );
    await page.getByRole('checkbox', { name: 'First meeting' }).uncheck();
    await isKept;
    await page.reload();
    await page.getByRole('gridcell').first().waitFor();
    expect(await headers()).not.toContain('First meeting');
    await page.getByRole('button', { name: 'For the season', exact: true }).click();
    await page.getByRole('columnheader', { name: 'First meeting' }).waitFor();
    expect(await headers()).toEqual(shown);
    expect(page.complaints).toEqual([]);
  }, 60_000);

  it('tells the history of a listing field by field, and restores a state of it', async () => {
    await page.goto(`${server.address}/desk/fill/1/2`);
    await page.getByRole('heading', { name: 'Ostrey Quay', level: 1 }).waitFor();
    await page.getByLabel('Working channel').fill('16');
    await desk.save('Ostrey Quay');
    await page.getByRole('heading', { name: 'History' }).click();
    const changed = page.locator('pl-history-panel li').filter({ hasText: 'Working channel' });
    await changed.locator('del').filter({ hasText: '11' }).first().waitFor();
    await changed.locator('ins').filter({ hasText: '16' }).first().waitFor();
    await page.getByRole('button', { name: 'Restore this state' }).last().click();
    await page.getByText('Restored an earlier state of Ostrey Quay').waitFor();
    expect(await page.getByLabel('Working channel').inputValue()).toBe('11');
    expect(await accessibilityFaults(page)).toEqual([]);
    expect(page.complaints).toEqual([]);
  }, 60_000);
});
