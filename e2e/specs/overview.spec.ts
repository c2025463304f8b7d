import type { Page } from 'playwright-core';
import { DemoDesk } from '../harness/demo-desk.js';
import { PHONE, accessibilityFaults, openPage } from '../harness/browser.js';
import { Desk } from '../harness/desk.js';
import { TestServer } from '../harness/server.js';

describe('The Desk as a whole', () => {
  let demo: DemoDesk;
  let server: TestServer;
  let page: Page & { complaints: string[] };

  beforeAll(async () => {
    demo = await DemoDesk.open();
    ({ server, page } = demo);
  }, 120_000);

  afterAll(() => demo.close());

  const open = async (path: string, heading: string): Promise<void> => {
    await page.goto(`${server.address}/desk/${path}`);
    await page.getByRole('heading', { name: heading, level: 1 }).waitFor();
  };

  it('jumps by keys to a listing, a field, a category and a command', async () => {
    for (const [typed, wanted, heading] of [
      ['kessel', /^Kessel Light Harbour$/, 'Kessel Light'],
      ['greatest draught', /^Greatest draught Field of Berths$/, 'Berths'],
      ['osmosis', /^Osmosis treatment Category of Yard services$/, 'Yard services'],
      ['new cour', /^New course Command$/, 'New course'],
    ] as const) {
      await page.keyboard.press('Control+k');
      await page.getByRole('combobox', { name: /^Jump to/ }).fill(typed);
      await page.getByRole('option', { name: wanted }).waitFor();
      while (!(await page.getByRole('option', { name: wanted, selected: true }).isVisible())) {
        await page.keyboard.press('ArrowDown');
      }
      if (typed === 'kessel') expect(await accessibilityFaults(page)).toEqual([]);
      await page.keyboard.press('Enter');
      await page.getByRole('heading', { name: heading, level: 1 }).waitFor();
    }
    await page.goto(`${server.address}/desk/shape/2?openField=draught`);
    await page.getByRole('heading', { name: 'Greatest draught', exact: true }).waitFor();
  }, 60_000);

  it('lists all keys', async () => {
    await open('run', 'Run');
    await page.keyboard.press('?');
    await page.getByRole('dialog').getByText('Jump to a listing').waitFor();
    await page.keyboard.press('Escape');
  }, 30_000);

  it('shows what is wrong, with the way to mend it', async () => {
    await open('fill/problems', 'Problems');
    await page.getByRole('heading', { name: /^Working channel of Harbours holds numbers as text/ }).waitFor();
    expect(await accessibilityFaults(page)).toEqual([]);
    await page.getByRole('link', { name: 'Change its type' }).click();
    await page.getByRole('heading', { name: 'Working channel', exact: true }).waitFor();
    await page.goto(`${server.address}/desk/fill/2?filters=[{"by":"field:price","op":"is-empty"}]`);
    await page.getByText('Price a night is empty').waitFor();
  }, 60_000);

  it('draws the structure as a map in which everything leads to where it is changed', async () => {
    await open('shape/map', 'Map of the structure');
    await page.getByRole('link', { name: 'Harbour (one) · Berths (many)' }).waitFor();
    // Seven kinds and two category sets.
    expect(await page.locator('pl-map-page article').count()).toBe(9);
    expect(await accessibilityFaults(page)).toEqual([]);
    await page.getByRole('button', { name: 'All of it' }).click();
    await page.locator('article').filter({ hasText: 'Courses' }).getByRole('link', { name: 'Level' }).click();
    await page.getByRole('heading', { name: 'Courses', level: 1 }).waitFor();
    await page.getByRole('heading', { name: 'Level', exact: true }).waitFor();
  }, 60_000);

  it('keeps pictures that are dropped many at once, names those it refuses, and deletes those that nothing uses', async () => {
    await open('fill/pictures', 'Pictures');
    const { width, height, png } = await drawn(page);
    await page.locator('pl-picture-drop input').setInputFiles([
      { name: 'first.png', mimeType: 'image/png', buffer: png },
      { name: 'letter.png', mimeType: 'image/png', buffer: Buffer.from('Dear sirs') },
    ]);
    await page.getByText('letter.png: This is not a picture').waitFor();
    const first = page.getByRole('listitem').filter({ hasText: 'first.png' });
    await first.getByText(`${width} × ${height}`).waitFor();
    expect(await accessibilityFaults(page)).toEqual([]);
    await page.getByRole('checkbox', { name: /Only those that nothing uses/ }).check();
    await first.getByRole('button', { name: 'Delete first.png' }).click();
    await page.getByText('No picture fits.').waitFor();
    await page.locator('mat-snack-bar-container').getByRole('button', { name: 'Undo' }).click();
    await first.waitFor();
    await page.goto(`${server.address}/desk/fill/5/new`);
    await page.getByRole('button', { name: 'Use a picture you already have' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'first.png' }).click();
    await page.getByLabel('What it shows, in words').fill('A test');
    expect(page.complaints).toEqual([]);
  }, 60_000);

  it('shows beside the form what a visitor will see, as it is typed, and what is missing', async () => {
    await page.goto(`${server.address}/desk/fill/2/new`);
    await page.getByLabel('Title (required)').fill('Outer wall, berth 1');
    const beside = page.locator('pl-form-companion');
    await beside.getByText('Harbour is required and empty').waitFor();
    await beside.getByRole('button', { name: 'Page' }).click();
    await beside.locator('pl-designed-page h1').filter({ hasText: 'Outer wall, berth 1' }).waitFor();
    await page.getByLabel('Price a night').fill('31');
    await beside.locator('pl-designed-page p').filter({ hasText: '€31' }).waitFor();
    await page.getByLabel('Title (required)').fill('Kessel Light, berth 6');
    await beside.getByRole('link', { name: 'Kessel Light, berth 6' }).waitFor();
    expect(await accessibilityFaults(page)).toEqual([]);
    expect(page.complaints).toEqual([]);
  }, 60_000);

  it('goes to another site as a zip, with its pictures', async () => {
    const zip = await (await page.request.get(`${server.address}/api/blueprint/zip`)).body();
    const other = await TestServer.start();
    const there = await openPage(demo.browser);
    await new Desk(there, other).makeOwner();
    await there.goto(`${other.address}/desk/shape/blueprint`);
    await there
      .locator('input[type=file]')
      .setInputFiles({ name: 'guide.zip', mimeType: 'application/zip', buffer: zip });
    await there.getByText('the kind Boatyards').waitFor();
    await there.getByText('323 listings').waitFor();
    expect(await there.getByText('It lacks').count()).toBe(0);
    await there.getByRole('button', { name: 'Apply guide.zip' }).click();
    await there.getByText('Applied guide.zip').waitFor({ timeout: 60_000 });
    await there.goto(`${other.address}/berths`);
    await there.waitForFunction(() => Array.from(document.images).some(({ naturalWidth }) => naturalWidth > 0));
    expect(there.complaints).toEqual([]);
    await other.stop();
  }, 120_000);

  it('can be used on a phone', async () => {
    await page.setViewportSize(PHONE);
    for (const [path, heading] of [
      ['fill/problems', 'Problems'],
      ['fill/pictures', 'Pictures'],
      ['shape/map', 'Map of the structure'],
      ['fill/2', 'Berths'],
      ['run/expiry/4', 'When Courses leave the site'],
      ['run/calendar', 'Calendar'],
      ['run/notices', 'Notices'],
      ['run/outbox', 'Outbox'],
    ] as const) {
      await open(path, heading);
      const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      expect(overflow).withContext(path).toBeLessThanOrEqual(0);
    }
  }, 60_000);
});

/** A small picture, drawn by the browser. */
async function drawn(page: Page): Promise<{ width: number; height: number; png: Buffer }> {
  const base64 = await page.evaluate(() => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [64, 48];
    canvas.getContext('2d')!.fillRect(8, 8, 20, 20);
    return canvas.toDataURL('image/png').split(',')[1]!;
  });
  return { width: 64, height: 48, png: Buffer.from(base64, 'base64') };
}
