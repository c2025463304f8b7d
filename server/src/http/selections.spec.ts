import type { PageModel } from '@plindo/core/page';
import { listOnPage } from '@plindo/core/testing/list-on-page';
import type { Sender } from '../../testing/test-api.js';
import { BERTHS, TestApi } from '../../testing/test-api.js';

describe('Selections', () => {
  let api: TestApi;
  let owner: Sender;
  let kindId: number;

  beforeEach(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    owner = await api.signIn('owner');
    const { services } = api.assembly;
    kindId = (await services.kinds.add(null, BERTHS)).result.id;
    for (const [title, price] of [
      ['Dear', '60'],
      ['Cheap', '10'],
      ['Fair', '30'],
    ] as const) {
      await services.listings.add(null, kindId, { title, status: 'live', values: { price } });
    }
  });
  afterEach(() => api.stop());

  const cheap = (): object => ({
    name: 'Not dear',
    kinds: [kindId],
    where: { join: 'all', of: [{ field: 'price', op: 'at-most', value: '40' }] },
    order: [{ by: 'field:price', direction: 'up' }],
    published: true,
  });
  const page = async (): Promise<PageModel> =>
    (await owner.send('GET', '/api/page?url=/lists/not-dear')).json as PageModel;
  const titles = async (): Promise<string[]> => listOnPage(await page()).cards.map(({ title }) => title);

  it('are kept, shown under their own address, and taken back', async () => {
    const added = await owner.send('POST', '/api/selections', cheap());
    expect([added.status, added.json.result.slug]).toEqual([200, 'not-dear']);
    expect(await titles()).toEqual(['Cheap', 'Fair']);
    await owner.send('POST', `/api/changes/${added.json.changeId}/undo`);
    expect((await page()).type).toBe('not-found');
    expect((await owner.send('GET', '/api/selections')).json).toEqual([]);
  });

  it('tell of each public list why a listing isn’t on it, and what just misses', async () => {
    await owner.send('POST', '/api/selections', cheap());
    const idOf = async (title: string): Promise<number> =>
      (await owner.send('GET', `/api/find?q=${title}`)).json.listings[0].id as number;
    const why = async (url: string, title: string): Promise<{ position: number | null; reasons: string[] }> => {
      const path = `/api/page/explain?url=${encodeURIComponent(url)}&listing=${await idOf(title)}`;
      const { json } = await owner.send('GET', path);
      return {
        position: json.position,
        reasons: json.reasons.map(({ sentence }: { sentence: string }) => sentence),
      };
    };
    expect(await why('/lists/not-dear', 'Fair')).toEqual({ position: 2, reasons: [] });
    expect(await why('/lists/not-dear', 'Dear')).toEqual({
      position: null,
      reasons: ['Price is “€60”; wanted: is at most €40.'],
    });
    expect(await why('/berths?price=..20', 'Fair')).toEqual({
      position: null,
      reasons: ['Price: it has “€30”; chosen: up to €20.'],
    });
    const missed = await owner.send('GET', '/api/page/missed?url=/berths?price=..20');
    expect(missed.json.map(({ total, href }: { total: number; href: string }) => [total, href])).toEqual([
      [2, '/berths'],
    ]);
    expect((await owner.send('GET', '/api/page/explain?url=/nowhere&listing=1')).status).toBe(404);
  });

  it('of several kinds, or picked by hand, are searched, narrowed and explained like any other list', async () => {
    const { kinds, listings } = api.assembly.services;
    const yards = { ...BERTHS, slug: 'yards', one: 'Yard', many: 'Yards' };
    const yardId = (await kinds.add(null, yards)).result.id;
    const yard = (await listings.add(null, yardId, { title: 'Fair yard', status: 'live', values: { price: '50' } }))
      .result;
    const both = { name: 'Both', kinds: [kindId, yardId], where: { join: 'all', of: [] }, published: true };
    const facets = ['kind', 'price'];
    await owner.send('POST', '/api/selections', { ...both, order: [{ by: '@title', direction: 'up' }], facets });
    await owner.send('POST', '/api/selections', { ...both, name: 'Ours', kinds: [], picked: [yard.id, 2, 1], facets });
    const list = async (path: string): Promise<unknown> => {
      const model = (await owner.send('GET', `/api/page?url=${path}`)).json as PageModel;
      const { cards, total, chips } = listOnPage(model);
      return [total, cards.map(({ title }) => title), chips.map(({ label }) => label)];
    };
    expect(await list('/lists/both?q=fair')).toEqual([2, ['Fair', 'Fair yard'], ['“fair”']]);
    expect(await list('/lists/both?kind=yards')).toEqual([1, ['Fair yard'], ['Kind: Yards']]);
    expect(await list('/lists/both?price=40..')).toEqual([2, ['Dear', 'Fair yard'], ['Price: €40 or more']]);
    expect(await list('/lists/ours')).toEqual([3, ['Fair yard', 'Cheap', 'Dear'], []]);
    expect(await list('/lists/ours?price=40..')).toEqual([2, ['Fair yard', 'Dear'], ['Price: €40 or more']]);
    const why = await owner.send(
      'GET',
      `/api/page/explain?url=${encodeURIComponent('/lists/both?kind=berths')}&listing=${yard.id}`,
    );
    expect(why.json.reasons.map(({ sentence }: { sentence: string }) => sentence)).toEqual([
      'Kind: it has “Yards”; chosen: Berths.',
    ]);
    const suggested = await owner.send('GET', '/api/suggestions?path=/lists/both&q=yard');
    expect(suggested.json.map(({ label, about }: { label: string; about: string }) => [label, about])).toEqual([
      ['Yards', 'Kind'],
      ['Fair yard', 'Yard'],
    ]);
    const unknown = await owner.send('POST', '/api/selections', { ...both, name: 'Wrong', facets: ['colour'] });
    expect([unknown.status, unknown.json.issues[0].field]).toEqual([422, 'facets']);
  });

  it('refuse what is wrong, each at its place', async () => {
    const wrong = {
      ...cheap(),
      where: {
        join: 'all',
        of: [
          { field: 'price', op: 'at-most', value: 'dear' },
          {
            join: 'any',
            of: [
              { field: 'colour', op: 'is', value: 'red' },
              { link: 'harbour', where: { join: 'all', of: [] } },
            ],
          },
          { field: 'price', op: 'starts-with', value: '1' },
        ],
      },
    };
    const refused = await owner.send('POST', '/api/selections', wrong);
    const places = (refused.json.issues as { message: string }[]).map(({ message }) => message.split(':')[0]);
    expect([refused.status, places]).toEqual([422, ['Condition 1', 'Condition 2.1', 'Condition 2.2', 'Condition 3']]);
    // One that is being made has no name and no address yet, and is none the worse for it.
    const unnamed = { selection: { ...wrong, name: '' } };
    const preview = (await owner.send('POST', '/api/selections/preview', unnamed)).json;
    const told = (preview.issues as { message: string }[]).map(({ message }) => message.split(':')[0]);
    expect([preview.total, told]).toEqual([0, places]);
    let deep: object = { field: 'price', op: 'is-empty' };
    for (let depth = 0; depth < 12; depth++) deep = { join: 'all', of: [deep] };
    expect((await owner.send('POST', '/api/selections', { ...cheap(), where: deep })).status).toBe(400);
    expect((await owner.send('POST', '/api/selections', { ...cheap(), kinds: [99] })).status).toBe(422);
  });

  it('follow a key that is renamed; a field that is deleted is told, and counts as false for visitors', async () => {
    await owner.send('POST', '/api/selections', cheap());
    const { version } = api.assembly.services.live.kind(kindId)!;
    const renamed = await owner.send('POST', `/api/kinds/${kindId}/rename-key`, { version, from: 'price', to: 'fee' });
    expect(renamed.status).toBe(200);
    expect(listOnPage(await page()).total).toBe(2);
    const { id, ...kind } = api.assembly.services.live.kind(kindId)!;
    const fields = kind.fields.filter(({ key }) => key !== 'fee');
    const facets = kind.facets.filter(({ field }) => field !== 'fee');
    const sortChoices = kind.sortChoices.filter(({ order }) => order.every(({ by }) => by !== 'field:fee'));
    expect((await owner.send('PUT', `/api/kinds/${id}`, { ...kind, fields, facets, sortChoices })).status).toBe(200);
    expect(listOnPage(await page()).total).toBe(0);
    const [summary] = (await owner.send('GET', '/api/selections')).json as {
      faults: { place: string; reason: string }[];
    }[];
    expect(summary?.faults).toEqual([{ place: '1', reason: 'the field “fee” is not there any more.' }]);
  });

  it('explain a listing that is not in them, and name those that fail one condition alone', async () => {
    const { json } = await owner.send('GET', `/api/kinds/${kindId}/listings?q=Dear`);
    const asked = { selection: cheap(), listing: json.listings[0].id };
    const { reasons } = (await owner.send('POST', '/api/selections/explain', asked)).json as {
      reasons: { sentence: string }[];
    };
    expect(reasons.map(({ sentence }) => sentence)).toEqual(['Price is “€60”; wanted: is at most €40.']);
    const missing = await owner.send('POST', '/api/selections/missing', { selection: cheap() });
    expect(missing.json).toEqual([{ at: 0, total: 1, listings: [{ id: asked.listing, kindId, title: 'Dear' }] }]);
  });
});

describe('The moment of reading', () => {
  it('decides what visitors get: lists, counts, search and addresses change when a window opens or closes', async () => {
    let now = Date.UTC(2026, 10, 25, 10);
    const api = await TestApi.start(undefined, () => new Date(now));
    const { kinds, listings, live } = api.assembly.services;
    const { id } = (await kinds.add(null, BERTHS)).result;
    const moments = { shownFrom: '2026-11-25T11:00Z', shownUntil: '2026-11-25T12:00Z' };
    await listings.add(null, id, { title: 'For an hour', status: 'live', values: { price: '5' }, ...moments });
    await listings.add(null, id, { title: 'Always', status: 'live', values: { price: '50' } });
    const visit = (url: string): Promise<PageModel> => api.assembly.services.pages.page(url);
    const seen = async (): Promise<unknown[]> => {
      const [list, found, page] = [
        await visit('/berths'),
        await visit('/berths?q=hour'),
        await visit('/berths/for-an-hour'),
      ];
      return [listOnPage(list).total, listOnPage(found).total, page.type];
    };
    expect(await seen()).toEqual([1, 0, 'not-found']);
    expect(live.holdsUntil(now)).toBe(Date.UTC(2026, 10, 25, 11));
    now = Date.UTC(2026, 10, 25, 11);
    expect(await seen()).toEqual([2, 1, 'designed']);
    expect(live.holdsUntil(now)).toBe(Date.UTC(2026, 10, 25, 12));
    now = Date.UTC(2026, 10, 25, 12);
    expect(await seen()).toEqual([1, 0, 'not-found']);
    // Nothing more changes today; then the day itself does.
    expect(live.holdsUntil(now)).toBe(Date.UTC(2026, 10, 26));
    await api.stop();
  });

  it('refuses a window that ends before it begins', async () => {
    const api = await TestApi.start();
    const owner = await api.addUser('owner').then(() => api.signIn('owner'));
    const { id } = (await api.assembly.services.kinds.add(null, BERTHS)).result;
    const body = { title: 'Odd', shownFrom: '2026-11-25T12:00Z', shownUntil: '2026-11-25T11:00Z' };
    const { status, json } = await owner.send('POST', `/api/kinds/${id}/listings`, body);
    expect([status, json.issues[0].code, json.issues[0].field]).toEqual([422, 'listing.window', 'shownUntil']);
    await api.stop();
  });
});
