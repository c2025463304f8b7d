import { DemoSite } from '../harness/demo-site.js';
import { DEMO_OWNER } from '../harness/desk.js';
import { Client } from '../trials/client.js';

const piece = (type: string, settings: object = {}): object => ({
  key: `${type}-${JSON.stringify(settings)}`,
  type,
  settings,
});
const steered = (of: number, name: string): object[] => [
  piece('search', { area: name }),
  piece('count', { area: name }),
  piece('facets', { area: name }),
  piece('list', { from: 'kind', of, steered: true, name, most: 4 }),
  piece('pager', { area: name }),
];

describe('A page with two lists', () => {
  let site: DemoSite;

  beforeAll(async () => {
    site = await DemoSite.start();
    const client = await Client.signedIn(site.server.address, DEMO_OWNER);
    const kinds = (await client.send('GET', '/api/kinds')).json as { kind: { id: number; slug: string } }[];
    const idOf = (slug: string): number => kinds.find(({ kind }) => kind.slug === slug)!.kind.id;
    const columns = [
      { key: 'left', pieces: steered(idOf('harbours'), '') },
      { key: 'right', pieces: steered(idOf('courses'), 'courses') },
    ];
    const definition = { name: 'Both', serves: 'free', address: 'both', strips: [{ key: 'strip', columns }] };
    const added = await client.send('POST', '/api/designs', { type: 'page', kindId: null, definition });
    expect(added.status).withContext(JSON.stringify(added.json)).toBe(200);
  }, 120_000);
  afterAll(() => site.stop());

  for (const javaScriptEnabled of [true, false]) {
    it(`keeps the state of each in one address, ${javaScriptEnabled ? 'with' : 'without'} JavaScript`, async () => {
      const page = await site.open('/both', { javaScriptEnabled });
      const counts = page.locator('pl-count-piece');
      const search = page.getByLabel('Search Courses');
      await search.fill('radio');
      await search.press('Enter');
      await page.waitForURL(/courses\.q=radio/);
      await page
        .getByRole('group', { name: 'Level' })
        .getByRole('checkbox', { name: /^Beginner/ })
        .check();
      if (!javaScriptEnabled) await search.press('Enter');
      await page.waitForURL(/courses\.level=beginner/);
      const courses = await counts.nth(1).innerText();
      expect(courses).toMatch(/^\d+ of \d+ courses$/);
      await page.locator('.column').first().getByRole('link', { name: 'Next' }).click();
      await page.waitForURL(/page=2/);
      expect(new URL(page.url()).search).toMatch(/courses\.q=radio/);
      expect([await counts.first().innerText(), await counts.nth(1).innerText()]).toEqual(['12 harbours', courses]);
      await page.context().close();
    }, 60_000);
  }
});
