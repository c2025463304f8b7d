import type { Kind } from '@plindo/core/structure';
import { BERTHS, TestApi } from '../../testing/test-api.js';
import { Sitemaps } from './sitemaps.js';

const ORIGIN = 'https://guide.example';

/** All of a file; null where there is none. Addresses are read by the pattern of the protocol's own examples. */
async function read(sitemaps: Sitemaps, path: string): Promise<string | null> {
  const file = sitemaps.at(path, ORIGIN);
  if (!file) return null;
  let text = '';
  for await (const piece of file) text += piece;
  return text;
}

function locs(xml: string | null): string[] {
  return [...(xml ?? '').matchAll(/<loc>([^<]*)<\/loc>/g)].map(([, loc = '']) => loc);
}

describe('Sitemaps', () => {
  let api: TestApi;
  let kind: Kind;

  beforeEach(async () => {
    api = await TestApi.start();
    const { kinds, listings } = api.assembly.services;
    kind = (await kinds.add(null, BERTHS)).result;
    for (const title of ['Quay 1', 'Quay 2', 'Rock & Co', 'Draft']) {
      await listings.add(null, kind.id, { title, status: title === 'Draft' ? 'draft' : 'live', values: {} });
    }
  });
  afterEach(() => api.stop());

  it('name every page that visitors see, and no other', async () => {
    const sitemaps = new Sitemaps(api.assembly.services.live);
    expect(locs(await read(sitemaps, '/sitemap.xml'))).toEqual([
      `${ORIGIN}/sitemap-pages.xml`,
      `${ORIGIN}/sitemap-berths-1.xml`,
    ]);
    expect(locs(await read(sitemaps, '/sitemap-pages.xml'))).toEqual([`${ORIGIN}/`, `${ORIGIN}/berths`]);
    const listings = await read(sitemaps, '/sitemap-berths-1.xml');
    expect(locs(listings)).toEqual(['quay-1', 'quay-2', 'rock-co'].map((slug) => `${ORIGIN}/berths/${slug}`));
    expect(listings).toMatch(/<lastmod>\d{4}-\d\d-\d\dT[\d:.]+Z<\/lastmod>/);
    expect(await read(sitemaps, '/robots.txt')).toContain(`Sitemap: ${ORIGIN}/sitemap.xml`);
  });

  it('are split at their greatest size, each address in one of them', async () => {
    const sitemaps = new Sitemaps(api.assembly.services.live, 2);
    const parts = locs(await read(sitemaps, '/sitemap.xml')).filter((loc) => loc.includes('berths'));
    expect(parts.length).toBe(2);
    const all = await Promise.all(parts.map(async (part) => locs(await read(sitemaps, part.slice(ORIGIN.length)))));
    expect(all.map(({ length }) => length)).toEqual([2, 1]);
    expect(new Set(all.flat()).size).toBe(3);
    for (const path of ['/sitemap-berths-3.xml', '/sitemap-berths-0.xml', '/sitemap-nothing-1.xml', '/other.xml']) {
      expect(await read(sitemaps, path))
        .withContext(path)
        .toBeNull();
    }
  });

  it('leave out what is hidden, and kinds that visitors do not see', async () => {
    const { kinds, live } = api.assembly.services;
    const { id, version, ...definition } = kind;
    await kinds.update(null, id, version, { ...definition, published: false });
    const sitemaps = new Sitemaps(live);
    expect(locs(await read(sitemaps, '/sitemap-pages.xml'))).toEqual([`${ORIGIN}/`]);
    expect(await read(sitemaps, '/sitemap-berths-1.xml')).toBeNull();
  });
});
