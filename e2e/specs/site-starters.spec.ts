import { readFileSync } from 'node:fs';
import { accessibilityFaults } from '../harness/browser.js';
import { DemoDesk } from '../harness/demo-desk.js';
import type { TestServer } from '../harness/server.js';

const MINUTES = 2 * 60_000;

describe('Somebody who begins with a whole site', () => {
  let empty: DemoDesk;
  let server: TestServer;
  let page: DemoDesk['page'];
  let saved = '';

  beforeAll(async () => {
    empty = await DemoDesk.empty();
    ({ server, page } = empty);
  }, MINUTES);

  afterAll(() => empty.close());

  const onSite = async (path: string): Promise<string> => (await page.request.get(`${server.address}${path}`)).text();
  const desk = (path: string): Promise<unknown> =>
    page.goto(`${server.address}/desk${path}`, { waitUntil: 'networkidle' });
  const starter = (name: RegExp) => page.getByRole('list', { name: 'Whole sites' }).getByRole('button', { name });

  it(
    'sees its pages before it is there, by keys alone, with their pictures',
    async () => {
      await page.getByRole('link', { name: /^With a whole site/ }).click();
      await page.getByRole('button', { name: 'Home page', exact: true }).waitFor();
      await starter(/^Businesses with their offers/).focus();
      await page.keyboard.press('Enter');
      await page.getByRole('button', { name: 'Offers', exact: true }).waitFor();
      await page.locator('pl-whole-page h1', { hasText: 'Shops and workshops' }).waitFor();
      await page.getByRole('button', { name: 'One of the Businesses' }).click();
      await page.locator('pl-whole-page h1', { hasText: 'Crumb and Crust' }).waitFor();
      const drawn = await page
        .locator('pl-whole-page img')
        .first()
        .evaluate(async (image: HTMLImageElement) => (await image.decode(), image.naturalWidth));
      expect(drawn).toBeGreaterThan(0);
      expect(await accessibilityFaults(page)).toEqual([]);
      expect(await onSite('/businesses')).toContain('Nothing here');
    },
    MINUTES,
  );

  it(
    'takes it, finds it on the site, and throws its examples away but what they have changed',
    async () => {
      await page.getByRole('button', { name: 'Begin with this site' }).click();
      await page.getByText('14 listings are examples that came with the starter.').waitFor();
      expect(await onSite('/')).toContain('Everything within ten minutes on foot.');
      expect(await onSite('/offers/winter-check')).toContain('Second Gear');
      expect(await accessibilityFaults(page)).toEqual([]);

      await page.getByRole('region', { name: 'Businesses' }).getByRole('link', { name: 'Fill' }).click();
      await page.getByRole('link', { name: 'Open Blank Page' }).click();
      await page.getByLabel('Title (required)').fill('Our own bookshop');
      await page.keyboard.press('Control+s');
      await page.getByText('Saved Our own bookshop').waitFor();
      await desk('/shape');
      await page.getByText('One that you have changed stays.').waitFor();
      await page.getByRole('button', { name: 'Throw the examples away' }).click();
      await page.getByText('Threw the examples away').waitFor();
      const list = await onSite('/businesses');
      expect(list).toContain('Our own bookshop');
      expect(list).not.toContain('Second Gear');
      await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
      await page.getByText('13 listings are examples that came with the starter.').waitFor();
      expect(await onSite('/businesses')).toContain('Second Gear');
    },
    MINUTES,
  );

  it(
    'saves a card as a file, and begins another one with it elsewhere',
    async () => {
      await desk('/shape');
      await page.getByRole('region', { name: 'Offers' }).getByRole('link', { name: 'Arrange' }).click();
      await page.locator('pl-cards-panel').getByRole('link').first().click();
      await page.getByRole('button', { name: 'Begin with …' }).click();
      const coming = page.waitForEvent('download');
      await page.getByRole('menuitem', { name: 'Save this one as a file' }).click();
      saved = await (await coming).path();
      const { format, fields } = JSON.parse(readFileSync(saved, 'utf8')) as {
        format: string;
        fields: { key: string }[];
      };
      expect(format).toBe('plindo-starter');
      expect(fields.map(({ key }) => key)).toContain('price');

      await page.locator('input[type=file][aria-label="A starter in a file"]').setInputFiles(saved);
      await page.getByRole('combobox', { name: 'Price' }).selectOption({ label: 'nothing: leave it out' });
      expect(await accessibilityFaults(page)).toEqual([]);
      await page.getByRole('button', { name: 'Begin with it' }).click();
      const live = page.locator('pl-live-cards pl-card').first();
      await live.waitFor();
      await live.getByText(/€\d/).waitFor({ state: 'detached' });
      await page.keyboard.press('Control+z');
      await live.getByText(/€\d/).waitFor();
    },
    MINUTES,
  );

  it(
    'is told in a sentence what is wrong with a file, and loses nothing',
    async () => {
      const input = page.locator('input[type=file][aria-label="A starter in a file"]');
      await input.setInputFiles({
        name: 'notes.json',
        mimeType: 'application/json',
        buffer: Buffer.from('no document'),
      });
      await page.getByText('notes.json is not a JSON document.').waitFor();
      const other = JSON.stringify({ ...(JSON.parse(readFileSync(saved, 'utf8')) as object), format: 'another' });
      await input.setInputFiles({ name: 'other.json', mimeType: 'application/json', buffer: Buffer.from(other) });
      await page.getByText(/other.json cannot be taken. .*format/).waitFor();
      await page.locator('pl-live-cards pl-card').first().getByText(/€\d/).waitFor();
      expect(page.complaints.filter((text) => !/400|422/.test(text))).toEqual([]);
    },
    MINUTES,
  );
});
