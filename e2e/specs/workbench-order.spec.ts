import type { Page } from 'playwright-core';
import { DemoDesk } from '../harness/demo-desk.js';
import { accessibilityFaults } from '../harness/browser.js';
import type { Desk } from '../harness/desk.js';

describe('The table of the workbench', () => {
  let demo: DemoDesk;
  let page: Page & { complaints: string[] };
  let desk: Desk;

  beforeAll(async () => {
    demo = await DemoDesk.open();
    ({ page, desk } = demo);
  }, 120_000);

  afterAll(() => demo.close());

  const titles = async (): Promise<string[]> =>
    (await page.locator('cdk-virtual-scroll-viewport .title').allInnerTexts()).map((text) => text.trim());
  const undo = async (): Promise<void> => {
    await desk.undo(page.locator('header').getByRole('button', { name: 'Undo', exact: true }));
  };

  it('is narrowed by its columns, refuses a value that does not fit, and says what it shows', async () => {
    await desk.openTable('Berths');
    await page.getByRole('button', { name: 'Filter by Price a night' }).click();
    const panel = page.locator('pl-filter-panel');
    await panel.getByLabel('How Price a night compares').selectOption('at-most');
    await panel.getByRole('textbox', { name: 'Value' }).fill('dear');
    await panel.getByRole('button', { name: 'Show these' }).click();
    await panel.getByText('“dear” is not one').waitFor();
    await panel.getByRole('textbox', { name: 'Value' }).fill('12');
    await panel.getByRole('button', { name: 'Show these' }).click();
    await page.getByRole('button', { name: 'Take off: Price a night is at most 12' }).waitFor();
    await page.getByRole('button', { name: 'Filter by Harbour' }).click();
    await panel.getByRole('textbox', { name: 'Value' }).fill('kessel');
    expect(await accessibilityFaults(page)).toEqual([]);
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Take off: Harbour contains kessel' }).waitFor();
    await page.waitForFunction(() => document.querySelectorAll('cdk-virtual-scroll-viewport .row').length < 10);
    for (const title of await titles()) expect(title).toMatch(/^Kessel Light/);
    await page.getByRole('button', { name: /^Take off: Harbour/ }).click();
    await page.getByRole('button', { name: /^Take off: Price/ }).click();
    await page.getByText('160 listings').waitFor();
  }, 60_000);

  it('keeps a column in view beside the title, also after a reload', async () => {
    await page.getByRole('button', { name: 'Columns' }).click();
    await page.getByRole('button', { name: 'Keep Type in view' }).click();
    await page.reload();
    await page.getByRole('gridcell').first().waitFor();
    await page.evaluate(() => (document.querySelector('cdk-virtual-scroll-viewport')!.scrollLeft = 2000));
    const left = async (name: string): Promise<number> =>
      (await page.getByRole('columnheader', { name }).boundingBox())?.x ?? NaN;
    await page.waitForFunction(() => document.querySelector('pl-table-head')!.scrollLeft > 500);
    expect(await left('Type')).toBeGreaterThan(await left('Title'));
    expect(await left('Type')).toBeLessThan(700);
    await page.getByRole('button', { name: 'Columns' }).click();
    await page.getByRole('button', { name: 'Keep Type in view' }).click();
    await page.getByRole('button', { name: 'Columns' }).click();
  }, 60_000);

  it('has its rows put in order by dragging and by keys, as plain numbers, and takes that back', async () => {
    await desk.openTable('Boatyards');
    const sorted = page.waitForResponse((response) => /sort=(%40|@)handOrder/.test(response.url()));
    await page.getByRole('button', { name: 'Hand order', exact: true }).click();
    const { listings } = (await (await sorted).json()) as { listings: { title: string }[] };
    await page.waitForFunction(
      (title) => document.querySelector('cdk-virtual-scroll-viewport .title')?.textContent?.trim() === title,
      listings[0]?.title,
    );
    await page.locator('.grip').first().waitFor();
    const before = await titles();
    const grip = (await page.locator('.grip').nth(3).boundingBox())!;
    await page.mouse.move(grip.x + 6, grip.y + 12);
    await page.mouse.down();
    await page.mouse.move(grip.x + 12, grip.y - 30, { steps: 5 });
    await page.mouse.move(grip.x + 12, grip.y - 46, { steps: 5 });
    await page.mouse.up();
    await page.getByText(`Moved ${before[3]} in the hand order`).waitFor();
    const moved = [before[0], before[1], before[3], before[2]].map(String);
    await page.waitForFunction(
      (title) => document.querySelectorAll('cdk-virtual-scroll-viewport .title')[2]?.textContent?.trim() === title,
      moved[2],
    );
    expect((await titles()).slice(0, 4)).toEqual(moved);
    await page.getByRole('button', { name: 'Hand order: 30' }).waitFor();
    await page.getByRole('button', { name: moved[2]!, exact: true }).focus();
    await page.keyboard.press('Alt+ArrowUp');
    await page.waitForFunction(
      (title) => document.querySelectorAll('cdk-virtual-scroll-viewport .title')[1]?.textContent?.trim() === title,
      moved[2],
    );
    await page.getByRole('button', { name: 'Hand order: 15' }).waitFor();
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    await page.keyboard.press('Control+z');
    await page.getByRole('button', { name: 'Hand order: 30' }).waitFor();
    await page.keyboard.press('Control+Shift+z');
    await page.getByRole('button', { name: 'Hand order: 15' }).waitFor();
    for (let times = 0; times < 2; times++) await undo();
    await page.waitForFunction(
      (title) => document.querySelectorAll('cdk-virtual-scroll-viewport .title')[3]?.textContent?.trim() === title,
      before[3],
    );
    expect((await titles()).slice(0, 4)).toEqual(before.slice(0, 4));
  }, 60_000);

  it('begins to type with a letter, empties with Delete, and asks for long values with their own control', async () => {
    await desk.openTable('Berths');
    await desk.find('Corrin Steps, berth 1');
    const row = page
      .getByRole('row')
      .filter({ has: page.getByRole('button', { name: 'Corrin Steps, berth 1', exact: true }) });
    await row.getByRole('button', { name: /^Hand order: / }).focus();
    await page.keyboard.type('7');
    await page.keyboard.press('Enter');
    await row.getByRole('button', { name: 'Hand order: 7' }).waitFor();
    await page.keyboard.press('Delete');
    await row.getByRole('button', { name: 'Hand order: empty' }).waitFor();
    await row.getByRole('button', { name: 'Harbour: Corrin Steps' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('Find a listing for Harbour').fill('Brannock');
    await dialog.getByRole('button', { name: /^Brannock Island/ }).click();
    await dialog.getByRole('button', { name: 'Change it' }).click();
    await row.getByRole('button', { name: 'Harbour: Brannock Island' }).waitFor();
    await undo();
    await row.getByRole('button', { name: 'Harbour: Corrin Steps' }).waitFor();
    expect(page.complaints).toEqual([]);
  }, 60_000);

  it('says since when a listing lies in the bin, and deletes it for good with a way back', async () => {
    await desk.openTable('Instructors');
    const [title] = await titles();
    await page.getByRole('button', { name: `Bin ${title}` }).click();
    await page.getByText(`Put ${title} into the bin`).waitFor();
    await page.getByLabel('Show by status').selectOption('binned');
    await page.getByRole('columnheader', { name: 'In the bin since' }).waitFor();
    await page.getByRole('button', { name: `Delete ${title} for good` }).click();
    await page.getByText('The bin is empty.').waitFor();
    await undo();
    await page.getByRole('button', { name: `Restore ${title}` }).click();
    await page.getByText(`Restored ${title} as a draft`).waitFor();
    expect(page.complaints).toEqual([]);
  }, 60_000);
});
