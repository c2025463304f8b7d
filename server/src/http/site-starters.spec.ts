import type { Changed, ExamplesSummary, PreviewedPage, SiteStarterSummary } from '@plindo/core/contract';
import type { Listing } from '@plindo/core/listings';
import type { PieceModel } from '@plindo/core/page';
import { TestApi } from '../../testing/test-api.js';
import type { Sender } from '../../testing/test-api.js';

/** Written down by hand: what each starter is to bring. */
const BROUGHT: Readonly<Record<string, readonly (readonly [many: string, examples: number])[]>> = {
  'places-to-stay': [['Places', 9]],
  'people-and-practices': [
    ['People', 8],
    ['Practices', 3],
  ],
  'courses-and-dates': [
    ['Courses', 9],
    ['Venues', 3],
  ],
  'businesses-and-offers': [
    ['Businesses', 8],
    ['Offers', 6],
  ],
};

describe('Whole sites to begin with', () => {
  let api: TestApi;
  let owner: Sender;

  beforeEach(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    owner = await api.signIn('owner');
  });
  afterEach(() => api.stop());

  const get = async <T>(path: string): Promise<T> => (await owner.send('GET', `/api${path}`)).json as T;
  const namesOf = async (): Promise<string[]> => {
    return (await get<{ kind: { many: string } }[]>('/kinds')).map(({ kind }) => kind.many);
  };

  it('tell what they bring', async () => {
    const all = await get<SiteStarterSummary[]>('/site-starters');
    expect(
      Object.fromEntries(all.map(({ name, kinds }) => [name, kinds.map((one) => [one.many, one.examples])])),
    ).toEqual(BROUGHT as unknown as Record<string, (string | number)[][]>);
  });

  for (const [name, kinds] of Object.entries(BROUGHT)) {
    it(`are shown before they are taken, and come with all that was shown: ${name}`, async () => {
      const pages = await get<PreviewedPage[]>(`/site-starters/${name}/preview`);
      expect(pages.map(({ label }) => label)).toEqual([
        'Home page',
        ...kinds.flatMap(([many]) => [many, `One of the ${many}`]),
      ]);
      expect(pages.map(({ model }) => model.type)).toEqual(pages.map(() => 'designed'));
      // Nothing is here yet, neither kinds nor pictures.
      expect(await namesOf()).toEqual([]);
      expect(await api.assembly.store.pictures.all()).toEqual([]);
      // What is shown has its pictures as long as it is shown.
      const all = JSON.stringify(pages);
      const [, picture = ''] = /"picture":\{"hash":"([0-9a-f]{32})"/.exec(all) ?? [];
      expect((await fetch(`${api.address}/pictures/${picture}-400.webp`)).status).toBe(200);
      for (const [ground] of all.matchAll(/\/files\/[0-9a-f]{32}\/valley.geojson/g))
        expect((await fetch(api.address + ground)).status).toBe(200);

      expect((await owner.send('POST', `/api/site-starters/${name}`, {})).status).toBe(200);
      expect(await namesOf()).toEqual(kinds.map(([many]) => many));
      for (const { path, model } of pages) {
        const made = await api.assembly.services.pages.page(path);
        expect(piecesIn(made)).withContext(path).toEqual(piecesIn(model));
        // No shell: each area of listings has some, and each kind has a picture on its cards.
        expect(JSON.stringify(made))
          .withContext(path)
          .toMatch(/[0-9a-f]{32}/);
      }
    }, 60_000);
  }

  it('give up their examples by one act, but those that somebody has made their own; and it is undone', async () => {
    await owner.send('POST', '/api/site-starters/businesses-and-offers', {});
    const all = Object.values(BROUGHT['businesses-and-offers']!).reduce((sum, [, count]) => sum + count, 0);
    expect(await get<ExamplesSummary>('/examples')).toEqual({ untouched: all, changed: 0 });
    const [kind] = await get<{ kind: { id: number } }[]>('/kinds');
    const listings = await get<{ listings: Listing[] }>(`/kinds/${kind!.kind.id}/listings`);
    const [own] = listings.listings;
    await owner.send('PATCH', `/api/listings/${own!.id}`, { version: own!.version, title: 'Our own shop' });
    expect(await get<ExamplesSummary>('/examples')).toEqual({ untouched: all - 1, changed: 1 });

    const { status, json } = await owner.send('DELETE', '/api/examples');
    expect(status).toBe(200);
    expect((json as Changed<ExamplesSummary>).result).toEqual({ untouched: 0, changed: 1 });
    expect(await get<ExamplesSummary>('/examples')).toEqual({ untouched: 0, changed: 1 });
    const kept = await api.assembly.store.listing(own!.id);
    expect([kept?.title, kept?.status]).toEqual(['Our own shop', 'live']);
    expect((await owner.send('DELETE', '/api/examples')).status).toBe(404);

    await owner.send('POST', `/api/changes/${(json as Changed<unknown>).changeId}/undo`, {});
    // They come back at another version than the one with which they came, and are untouched all the same.
    expect(await get<ExamplesSummary>('/examples')).toEqual({ untouched: all - 1, changed: 1 });
  });

  it('are one change, which is undone as one', async () => {
    const { json } = await owner.send('POST', '/api/site-starters/courses-and-dates', {});
    expect((await owner.send('POST', `/api/changes/${(json as Changed<unknown>).changeId}/undo`, {})).status).toBe(200);
    expect(await namesOf()).toEqual([]);
    expect(await get<ExamplesSummary>('/examples')).toEqual({ untouched: 0, changed: 0 });
  });

  it('are refused where their kinds are already, with a sentence, and change nothing', async () => {
    await owner.send('POST', '/api/site-starters/places-to-stay', {});
    const pictures = await api.assembly.store.pictures.all();
    const { status, json } = await owner.send('POST', '/api/site-starters/places-to-stay', {});
    expect(status).toBe(422);
    expect(JSON.stringify(json)).toContain('There is already a kind at /places here.');
    expect(await namesOf()).toEqual(['Places']);
    expect(await api.assembly.store.pictures.all()).toEqual(pictures);
    expect((await owner.send('POST', '/api/site-starters/nothing', {})).status).toBe(404);
  });

  it('leave the name, the home page and the look of a site that has kinds already', async () => {
    await owner.send('POST', '/api/site-starters/places-to-stay', {});
    const before = await get<{ type: string; kindId: number | null }[]>('/designs');
    await owner.send('POST', '/api/site-starters/courses-and-dates', {});
    const after = await get<{ type: string; kindId: number | null }[]>('/designs');
    const around = (all: typeof before): unknown[] => all.filter(({ kindId }) => kindId === null);
    expect(around(after)).toEqual(around(before));
    expect(api.assembly.services.live.site().name).toBe('Places to stay');
  });
});

/** The types of the pieces on a page, in their order, with how many listings each shows. */
function piecesIn(model: PreviewedPage['model']): unknown[] {
  if (model.type !== 'designed') return [];
  const pieces = model.strips.flatMap(({ columns }) => columns.flatMap((column) => column.pieces));
  return pieces.map((piece: PieceModel) => [piece.type, JSON.stringify(piece).match(/"title":/g)?.length ?? 0]);
}
