import { readFile } from 'node:fs/promises';
import { accessibilityFaults } from '../harness/browser.js';
import { DemoDesk } from '../harness/demo-desk.js';

interface GuidePage {
  readonly name: string;
  readonly title: string;
  readonly explains: readonly string[];
}

describe('The guide', () => {
  let demo: DemoDesk;
  let page: DemoDesk['page'];
  let pages: readonly GuidePage[];
  const desk = (path: string): string => `${demo.server.address}/desk${path}`;

  beforeAll(async () => {
    demo = await DemoDesk.open();
    page = demo.page;
    pages = JSON.parse(await readFile('docs/guide/pages.json', 'utf8')) as GuidePage[];
  }, 120_000);
  afterAll(() => demo.close());

  it('stands beside the work, at the place that it explains', async () => {
    await page.goto(desk('/arrange/2'));
    await page.getByRole('button', { name: 'Explain this place' }).click();
    const guide = page.getByRole('complementary', { name: 'Guide' });
    await guide.getByRole('heading', { name: 'Choose the filters that visitors get' }).waitFor();
    expect(await accessibilityFaults(page)).toEqual([]);
    await page.getByRole('button', { name: 'Explain: headings by date' }).click();
    await guide.getByRole('heading', { name: 'Show only the coming months' }).waitFor();
    await guide.getByRole('button', { name: 'All of the guide' }).click();
    await guide.getByLabel('Find in the guide').fill('excel');
    await guide.getByRole('button', { name: 'Bring in a spreadsheet' }).click();
    await guide.getByRole('heading', { name: 'Bring in a spreadsheet' }).waitFor();
    await guide.getByRole('button', { name: 'Close the guide' }).click();
    await guide.waitFor({ state: 'detached' });
  }, 60_000);

  it('is found from the jump box', async () => {
    await page.goto(desk('/fill'));
    await page.getByRole('button', { name: /^Jump to/ }).click();
    await page.getByRole('dialog').getByRole('combobox').fill('leave by itself');
    await page.keyboard.press('Enter');
    await page
      .getByRole('complementary', { name: 'Guide' })
      .getByRole('heading', { name: 'Let a listing leave by itself' })
      .waitFor();
  }, 60_000);

  it('has every page that it names, each under its title, with its pictures', async () => {
    expect(pages.length).toBeGreaterThanOrEqual(20);
    await page.goto(desk('/shape'));
    await page.getByRole('button', { name: 'Explain this place' }).click();
    const guide = page.getByRole('complementary', { name: 'Guide' });
    for (const { title } of pages) {
      await guide.getByRole('button', { name: 'All of the guide' }).click();
      await guide.getByRole('button', { name: title, exact: true }).click();
      await guide.getByRole('heading', { name: title, exact: true, level: 1 }).waitFor();
      const broken = await guide.locator('img').evaluateAll(async (pictures) => {
        await Promise.all(pictures.map((picture) => (picture as HTMLImageElement).decode().catch(() => undefined)));
        return pictures.filter((picture) => (picture as HTMLImageElement).naturalWidth === 0).length;
      });
      expect(broken).withContext(title).toBe(0);
    }
    expect(page.complaints).toEqual([]);
  }, 120_000);
});
