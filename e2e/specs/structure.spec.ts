import { Buffer } from 'node:buffer';
import { readFile } from 'node:fs/promises';
import type { Page } from 'playwright-core';
import sharp from 'sharp';
import { accessibilityFaults, openPage } from '../harness/browser.js';
import { DemoDesk } from '../harness/demo-desk.js';
import { Desk } from '../harness/desk.js';
import { TestServer } from '../harness/server.js';

const TYPES = [
  'short text',
  'long text',
  'rich text',
  'whole number',
  'decimal',
  'money',
  'measure',
  'range',
  'rating',
  'yes/no',
  'one choice',
  'several choices',
  'colour',
  'date',
  'date and time',
  'time of day',
  'web address',
  'e-mail',
  'phone',
  'place',
  'picture',
  'pictures',
  'file',
  'reference number',
  'group',
  'rows',
  'computed',
] as const;

describe('A kind made by hand', () => {
  let empty: DemoDesk;
  let server: TestServer;
  let page: DemoDesk['page'];
  let desk: Desk;

  beforeAll(async () => {
    empty = await DemoDesk.empty();
    ({ server, page, desk } = empty);
  }, 120_000);

  afterAll(() => empty.close());

  const onSite = async (path: string): Promise<string> => (await page.request.get(`${server.address}${path}`)).text();
  const shape = (): Promise<unknown> => page.goto(`${server.address}/desk/shape/1`);
  const choose = async (label: string, ...options: string[]): Promise<void> => {
    await page.getByRole('combobox', { name: label, exact: true }).click();
    for (const option of options) await page.getByRole('option', { name: option, exact: true }).click();
    if (options.length > 1) await page.keyboard.press('Escape');
  };

  it('has one field of each type', async () => {
    await page.goto(`${server.address}/desk/shape/new`);
    await page.getByLabel('One is called').fill('Yacht');
    await page.getByLabel('Many are called').fill('Yachts');
    for (const type of TYPES) await desk.addField(type, `My ${type}`);
    await page.getByLabel('Worked out as').fill('my_whole_number * 2');
    await desk.openField('My one choice');
    await page.getByLabel('Choices, one a line').fill('Red\nGreen');
    await desk.openField('My several choices');
    await page.getByLabel('Choices, one a line').fill('Sails\nEngine\nOars');
    await page.getByText('Parts, pages and order').click();
    await page.getByRole('checkbox', { name: 'Published' }).check();
    await choose('A new listing starts as', 'Live');
    await page.getByRole('button', { name: 'Make the kind' }).click();
    await page.getByText('Saved Yachts').waitFor();
    await page.waitForURL('**/desk/shape/1');
    await page.waitForTimeout(500);
    expect(await accessibilityFaults(page)).toEqual([]);
  }, 180_000);

  it('takes a value of each type through its form, tells what does not fit, and survives a reload unsaved', async () => {
    await page.goto(`${server.address}/desk/fill/1/new`);
    const fill = (label: string, text: string): Promise<void> => page.getByLabel(label, { exact: true }).fill(text);
    await fill('Title (required)', 'Merganser');
    await fill('My whole number', 'a dozen');
    await page.getByText('“a dozen” is not one').first().waitFor();
    await fill('My whole number', '12');
    await page.getByText('“a dozen” is not one').first().waitFor({ state: 'detached' });
    for (const [label, text] of [
      ['My short text', 'Fast <script>alert(1)</script>'],
      ['My long text', 'First line\nsecond line'],
      ['My decimal', '1,234.5'],
      ['My money', '99.90'],
      ['My measure', '10 ft 6 in'],
      ['From', '3'],
      ['To', '7.5'],
      ['My colour', '#0f6e6a'],
      ['My date', '2026-12-04'],
      ['My date and time, day', '4/12/2026'],
      ['My date and time, time', '18:00'],
      ['My time of day', '07:30'],
      ['My web address', 'www.example.org'],
      ['My e-mail', 'office@example.org'],
      ['My phone', '+00 555 0199'],
      ['Latitude', '47.4'],
      ['Longitude', '-31.2'],
    ] as const) {
      await fill(label, text);
    }
    const surface = page.getByRole('textbox', { name: 'My rich text' });
    await surface.click();
    await page.getByRole('button', { name: 'Bold' }).click();
    // The editor takes the focus back in the next frame; nobody types sooner than that.
    await page.locator('[aria-label=Bold][aria-pressed=true]').waitFor();
    await surface.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn))));
    await page.keyboard.type('Strong');
    await surface.locator('strong').waitFor();
    await choose('My rating', '3.5 of 5');
    await choose('My yes/no', 'Yes');
    await choose('My one choice', 'Green');
    await choose('My several choices', 'Sails', 'Oars');
    await page.getByRole('group', { name: 'My group' }).getByLabel('Name').fill('Inside');
    await page.getByRole('button', { name: 'Add a row to My rows' }).click();
    await page.getByRole('group', { name: 'Row 1' }).getByLabel('Name').fill('One');
    await page.getByRole('button', { name: 'Duplicate row 1' }).click();
    await page.getByRole('group', { name: 'Row 2' }).getByLabel('Name').fill('Two');
    await page.getByRole('button', { name: 'Move row 2 up' }).click();
    await page.waitForTimeout(600);

    await page.reload();
    await page.getByText('This is your work from before').waitFor();
    const teal = { width: 60, height: 40, channels: 3, background: '#0f6e6a' } as const;
    const buffer = await sharp({ create: teal }).png().toBuffer();
    const picture = { name: 'teal.png', mimeType: 'image/png', buffer };
    await page
      .getByRole('group', { name: 'My picture', exact: true })
      .locator('input[type=file]')
      .setInputFiles(picture);
    await page.getByRole('group', { name: 'My picture', exact: true }).locator('img').waitFor();
    await page.getByRole('group', { name: 'My pictures' }).locator('input[type=file]').setInputFiles([picture]);
    await page.getByRole('group', { name: 'My pictures' }).locator('img').waitFor();
    const file = { name: 'tides.txt', mimeType: 'text/plain', buffer: Buffer.from('high at noon') };
    await page.getByRole('group', { name: 'My file' }).locator('input[type=file]').setInputFiles(file);
    await page.getByRole('link', { name: 'tides.txt' }).waitFor();
    await page.keyboard.press('Control+s');
    await page.getByText('Saved Merganser').waitFor();
    expect(await accessibilityFaults(page)).toEqual([]);
  }, 120_000);

  it('shows every value on the public page, and nothing of a script', async () => {
    const html = await onSite('/yachts/merganser');
    for (const text of [
      'Fast &lt;script&gt;alert(1)&lt;/script&gt;',
      'First line\nsecond line',
      '<strong>Strong</strong>',
      ' 12 ',
      '1,234.5',
      '€99.90',
      '3.2004 m',
      '3 – 7.5',
      '3.5 of 5',
      'Yes',
      'Green',
      'Sails, Oars',
      '#0f6e6a',
      '4 December 2026',
      '18:00',
      '7:30',
      'https://www.example.org',
      'mailto:office@example.org',
      'tel:+005550199',
      '47.4000° N 31.2000° W',
      'tides.txt',
      '0001',
      'Inside',
      '24',
    ]) {
      expect(html).withContext(text).toContain(text);
    }
    expect(html.indexOf('Two')).toBeLessThan(html.indexOf('One'));
    expect(html.match(/<img/g)?.length).toBeGreaterThanOrEqual(2);
    await page.goto(`${server.address}/yachts/merganser`);
    expect(await accessibilityFaults(page)).toEqual([]);
  }, 60_000);

  it('changes a text into a number with a dry run, and is as before when that is undone', async () => {
    for (const text of ['42', '007']) {
      await page.goto(`${server.address}/desk/fill/1/new`);
      await page.getByLabel('Title (required)').fill(`Boat ${text}`);
      await page.getByLabel('My short text', { exact: true }).fill(text);
      await page.keyboard.press('Control+s');
      await page.getByText(`Saved Boat ${text}`).waitFor();
    }
    const values = async (): Promise<unknown> => {
      const { listings } = (await (await page.request.get(`${server.address}/api/kinds/1/listings`)).json()) as {
        listings: { values: unknown; aside: unknown }[];
      };
      return listings.map(({ values: own, aside }) => ({ own, aside }));
    };
    const before = await values();
    await shape();
    await desk.openField('My short text');
    await page.getByRole('button', { name: 'Change its type' }).click();
    await choose('New type', 'decimal');
    const dialog = page.getByRole('dialog');
    for (const sentence of [
      '1 convert exactly',
      '1 convert with a loss',
      '1 cannot be converted, and are kept aside',
    ]) {
      await dialog.getByText(sentence).waitFor();
    }
    await dialog.getByText('is not one.').waitFor();
    await dialog.getByRole('button', { name: 'Change the type' }).click();
    await page.getByText('Changed the type of My short text').waitFor();
    expect(await values()).not.toEqual(before);
    await page.goto(`${server.address}/desk/fill/1/1`);
    await page.getByText('Kept aside when the type was changed').waitFor();
    await page.goto(`${server.address}/desk/run`);
    await page
      .getByRole('row', { name: /Changed My short text of Yachts from short text to decimal/ })
      .getByRole('button', { name: 'Undo' })
      .click();
    await page.locator('mat-snack-bar-container').getByText('Undid: Changed My short text').waitFor();
    expect(await values()).toEqual(before);
  }, 90_000);

  it('can be copied, put aside and deleted with a count of what goes, and comes back by undoing', async () => {
    await shape();
    const act = async (name: string): Promise<void> => {
      await page.getByRole('button', { name: /^More for/ }).click();
      await page.getByRole('menuitem', { name }).click();
    };
    await act('Put it aside');
    await page.getByText('Put Yachts aside').waitFor();
    expect((await page.request.get(`${server.address}/yachts`)).status()).toBe(404);
    await act('Take it back up');
    await page.getByText('Took Yachts back up').waitFor();
    await act('Copy the kind');
    await page.getByRole('heading', { name: 'Yachts 2', level: 1 }).waitFor();
    const asked = page.waitForEvent('dialog').then((dialog) => dialog.message());
    await act('Delete the kind');
    expect(await asked).toBe('Delete Yachts 2? 27 fields, 0 facets and 0 listings go with it. It can be undone.');
    await page.getByText('Deleted Yachts 2').waitFor();
    await page.locator('mat-snack-bar-container').getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('heading', { name: 'Yachts 2' }).waitFor();
    expect(page.complaints).toEqual([]);
  }, 60_000);

  it('goes to an empty site as a blueprint, which comes back equal', async () => {
    await page.goto(`${server.address}/desk/shape/blueprint`);
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save it with all listings' }).click();
    const text = (await readFile((await (await download).path())!)).toString();
    const other = await TestServer.start();
    const there = await openPage(empty.browser);
    await new Desk(there, other).makeOwner();
    await there.goto(`${other.address}/desk/shape/blueprint`);
    await there
      .locator('input[type=file]')
      .setInputFiles({ name: 'bad.json', mimeType: 'application/json', buffer: Buffer.from('{') });
    await there.getByText('bad.json is not a JSON document').waitFor();
    await there
      .locator('input[type=file]')
      .setInputFiles({ name: 'mine.json', mimeType: 'application/json', buffer: Buffer.from(text) });
    await there.getByText('the kind Yachts', { exact: true }).waitFor();
    await there.getByText('which will be left out').waitFor();
    await there.getByRole('button', { name: 'Apply mine.json' }).click();
    await there.getByText('Applied mine.json').waitFor();
    const structure = async (from: Page, address: string): Promise<unknown> =>
      (await from.request.get(`${address}/api/blueprint`)).json();
    expect(await structure(there, other.address)).toEqual(await structure(page, server.address));
    expect(await accessibilityFaults(there)).toEqual([]);
    expect(there.complaints).toEqual([]);
    await other.stop();
  }, 90_000);
});
