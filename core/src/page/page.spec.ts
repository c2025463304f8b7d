import { BERTH_FIELDS, contextIn, makeKind, makeListing } from '../../testing/builders.js';
import type { ListOnPage } from '../../testing/list-on-page.js';
import { listOnPage } from '../../testing/list-on-page.js';
import { buildCatalog } from '../catalog/index.js';
import type { Listing } from '../listings/index.js';
import { BLANK_QUERY, listOfKind, runQuery, sceneOf } from '../query/index.js';
import type { PageScene } from './index.js';
import { indexPage, listNamedByKind, slotsOf } from './index.js';
import type { Pager } from '../structure/index.js';
import type { PagerModel } from './areas/area-models.js';
import { pagerModel } from './areas/pager.js';

const kind = makeKind(BERTH_FIELDS);
const scene: PageScene = {
  site: { name: 'Guide', tagline: '', locale: 'en-GB', zone: 'Europe/Lisbon' },
  now: new Date('2026-11-23T12:00:00Z'),
  context: contextIn(),
  kinds: [],
  kindById: () => kind,
  designs: [],
};
const listings: Listing[] = Array.from({ length: 12 }, (_, at) =>
  makeListing({
    id: at + 1,
    title: `Berth ${at + 1}`,
    featured: at === 6,
    values: {
      type: at % 2 ? 'quay' : 'buoy',
      facilities: ['water'],
      services: at < 3,
      price: { minor: 100 * at, currency: 'EUR' },
    },
  }),
);

const catalog = buildCatalog(kind, listings, 'en-GB');
const queries = sceneOf(catalog, scene.context);

async function page(search: string): Promise<ListOnPage> {
  const source = { queries, selections: [], listings: () => Promise.resolve(listings) };
  return listOnPage(await indexPage(scene, listNamedByKind(catalog), search, source));
}

describe('An index page', () => {
  it('splits the featured listings that lead its first page from the rest', async () => {
    const first = await page('');
    expect(first.featured.map(({ title }) => title)).toEqual(['Berth 7']);
    expect(first.cards.map(({ title }) => title)).toEqual(['Berth 1', 'Berth 2', 'Berth 3', 'Berth 4']);
    expect((await page('sort=title')).featured).toEqual([]);
    expect((await page('page=2')).featured).toEqual([]);
  });

  it('counts in a sentence, and gives each value the page that choosing it leads to', async () => {
    const chosen = await page('type=quay&page=2');
    expect(chosen.countSentence).toBe('6 of 12 berths');
    const type = chosen.facets.find(({ key }) => key === 'type');
    expect(type?.control === 'ticks' && type.values.map(({ label, count, href }) => [label, count, href])).toEqual([
      ['Buoy', 6, '/berths?type=quay,buoy'],
      ['Quay', 6, '/berths'],
      ['Pontoon', 0, '/berths?type=quay,pontoon'],
    ]);
  });

  it('names what is chosen, with the page that comes of taking it back', async () => {
    const { chips, clearHref } = await page('q=berth&type=quay&price=1..5&sort=title');
    expect(chips.map(({ label }) => label)).toEqual(['“berth”', 'Type: Quay', 'Price: €1 to €5']);
    expect(chips[1]?.href).toBe('/berths?q=berth&price=1..5&sort=title');
    expect(clearHref).toBe('/berths?sort=title');
  });

  it('keeps a chosen value that nothing has, so that it can be taken back', async () => {
    const type = (await page('type=pontoon')).facets[0];
    expect(type?.control === 'ticks' && type.values.find(({ value }) => value === 'pontoon')?.chosen).toBeTrue();
  });

  it('names the order it stands in, best match first when there are search words', async () => {
    const current = async (search: string): Promise<string | undefined> =>
      (await page(search)).sorts.find((sort) => sort.current)?.label;
    expect(await Promise.all(['', 'q=berth', 'q=berth&sort=title', 'sort=price-up'].map(current))).toEqual([
      'Featured first',
      'Best match',
      'Title, A to Z',
      'Price, lowest first',
    ]);
  });

  it('shows a value on a card with its label, and a range with its unit', async () => {
    const range = (await page('')).facets.find(({ key }) => key === 'price');
    expect(range?.control === 'range' && [range.unit, range.bounds?.sentence]).toEqual(['EUR', '€0 to €11']);
    const [slot] = slotsOf(listings[1]!, kind, scene.context);
    expect([slot?.label, slot?.text]).toEqual(['Type', 'Quay']);
  });
});

describe('A listing whose values are older than its fields', () => {
  it('is shown without what its fields cannot read, and breaks no query', () => {
    const old = makeListing({
      id: 1,
      values: { price: 'dear', type: 7, length: { value: 3, unit: 'kg' }, since: 'soon' },
    });
    expect(slotsOf(old, kind, scene.context).map(({ text }) => text)).toEqual(['3 kg']);
    const own = buildCatalog(kind, [old], 'en');
    expect(runQuery(listOfKind(own), BLANK_QUERY, sceneOf(own, scene.context)).total).toBe(1);
  });
});

describe('The pager', () => {
  const pager = (mode: Pager, entries: number, page: number, fromFirst = false): PagerModel =>
    pagerModel({ mode, entries, pageSize: 10, query: { ...BLANK_QUERY, page, fromFirst } }, (query) =>
      query.fromFirst ? `shown=${query.page * 10}` : `page=${query.page}`,
    );
  const shown = (entries: number, at: number): string =>
    pager('numbered', entries, at)
      .links.map((link) => link?.page ?? '…')
      .join(' ');

  it('shows the first, the last and two on each side', () => {
    expect(shown(300, 15)).toBe('1 … 13 14 15 16 17 … 30');
    expect(shown(300, 1)).toBe('1 2 3 … 30');
    expect(shown(300, 5)).toBe('1 2 3 4 5 6 7 … 30');
    expect(shown(0, 1)).toBe('1');
  });

  it('leads back from a page beyond the last', () => {
    expect(pager('numbered', 20, 9).previous).toBe('page=2');
  });

  it('shows more below what is shown, and says how many', () => {
    expect(pager('more', 34, 1).more).toEqual({ href: 'shown=20', count: 10 });
    expect(pager('more', 34, 3, true).more).toEqual({ href: 'shown=40', count: 4 });
    expect(pager('endless', 34, 4, true).more).toBeNull();
    expect(pager('numbered', 34, 1).more).toBeNull();
  });
});
