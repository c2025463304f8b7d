import { makeField } from '@plindo/core/structure';
import type { Sender } from '../../testing/test-api.js';
import { TestApi } from '../../testing/test-api.js';

const FIELDS = [
  makeField({ key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } }),
  makeField({ key: 'notes', label: 'Notes', type: 'rich-text' }),
];

describe('The workbench', () => {
  let api: TestApi;
  let owner: Sender;
  let editor: Sender;

  const add = async (title: string, more: object = {}): Promise<number> =>
    (await owner.send('POST', '/api/kinds/1/listings', { title, ...more })).json.result.id as number;
  const titlesWhere = async (where: unknown, more = ''): Promise<string[]> => {
    const query = `where=${encodeURIComponent(JSON.stringify(where))}${more}`;
    const { json } = await owner.send('GET', `/api/kinds/1/listings?${query}`);
    return (json.listings as { title: string }[]).map(({ title }) => title);
  };

  beforeAll(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    await api.addUser('editor');
    owner = await api.signIn('owner');
    editor = await api.signIn('editor');
    await owner.send('POST', '/api/kinds', { one: 'Berth', many: 'Berths', slug: 'berths', fields: FIELDS });
    await owner.send('POST', '/api/kinds', { one: 'Harbour', many: 'Harbours', slug: 'harbours', fields: [] });
    const a = { kindId: 1, label: 'Harbour', many: false };
    await owner.send('POST', '/api/links', { a, b: { kindId: 2, label: 'Berths', many: true }, hasNotes: true });
    const made = await owner.send('POST', '/api/kinds/2/listings', { title: 'Ostrey Quay' });
    const harbour = [{ id: made.json.result.id, note: 'north side' }];
    await add('First', { values: { price: '12.50', harbour } });
    await add('Second', { values: { price: '40', notes: '<p>Deep</p>' } });
    await add('Third', { values: { harbour } });
  });

  afterAll(() => api.stop());

  it('is narrowed by conditions on its columns, linked listings too', async () => {
    expect(await titlesWhere([{ by: 'field:price', op: 'at-most', value: '20' }])).toEqual(['First']);
    expect(await titlesWhere([{ by: 'field:notes', op: 'is-not-empty' }])).toEqual(['Second']);
    expect(await titlesWhere([{ by: 'field:harbour', op: 'contains', value: 'ostrey' }])).toEqual(['First', 'Third']);
    const both = [
      { by: 'field:harbour', op: 'is-not-empty' },
      { by: 'field:price', op: 'is-empty' },
    ];
    expect(await titlesWhere(both)).toEqual(['Third']);
    const wrong = await owner.send('GET', '/api/kinds/1/listings?where=%7B%7D');
    expect([wrong.status, wrong.json.issues[0].field]).toEqual([400, 'where']);
  });

  it('puts listings in order by hand, and that is undone as one change', async () => {
    const order = '&sort=@handOrder&direction=up';
    const third = (await owner.send('GET', '/api/kinds/1/listings?q=Third')).json.listings[0].id as number;
    const first = (await owner.send('GET', '/api/kinds/1/listings?q=First')).json.listings[0].id as number;
    const moved = await editor.send('POST', '/api/kinds/1/hand-order', { id: third, after: first });
    expect(moved.json.result.listings).toBe(2);
    expect(await titlesWhere([], order)).toEqual(['First', 'Third', 'Second']);
    await editor.send('POST', '/api/kinds/1/hand-order', { id: third });
    expect(await titlesWhere([], order)).toEqual(['Third', 'First', 'Second']);
    await owner.send('POST', `/api/changes/${moved.json.changeId}/undo`, {});
    expect((await owner.send('POST', '/api/kinds/1/hand-order', { id: third, after: 999 })).status).toBe(404);
  });

  it('sets a link of many listings at once, but none that only one can hold', async () => {
    const { json } = await owner.send('GET', '/api/kinds/1/listings');
    const ids = (json.listings as { id: number }[]).map(({ id }) => id);
    const harbour = (await owner.send('GET', '/api/kinds/2/listings')).json.listings[0].id as number;
    const parts = ids.map((id) => ({ id, input: { values: { harbour: [harbour] } } }));
    const set = await owner.send('POST', '/api/kinds/1/batch', { parts });
    expect(set.status).withContext(JSON.stringify(set.json)).toBe(200);
    expect((await owner.send('GET', `/api/listings/${harbour}`)).json.values.berths.length).toBe(3);
    expect(await titlesWhere([{ by: 'field:harbour', op: 'is-empty' }])).toEqual([]);
    await owner.send('POST', `/api/changes/${set.json.changeId}/undo`, {});
    expect(await titlesWhere([{ by: 'field:harbour', op: 'is-empty' }])).toEqual(['Second']);
    const more = await owner.send('POST', '/api/kinds/2/listings', { title: 'Wick' });
    const both = [harbour, more.json.result.id].map((id) => ({ id, input: { values: { berths: [ids[0]] } } }));
    const refused = await owner.send('POST', '/api/kinds/2/batch', { parts: both });
    expect(refused.json.issues[0].message).toContain(
      'Each listing that Berths leads to can belong to one listing only',
    );
  });

  it('tells the connections of a listing in its history, with notes', async () => {
    const first = (await owner.send('GET', '/api/kinds/1/listings?q=First')).json.listings[0];
    const harbour = first.values.harbour[0].id as number;
    await owner.send('PATCH', `/api/listings/${harbour}`, {
      version: (await owner.send('GET', `/api/listings/${harbour}`)).json.version,
      values: { berths: { was: [first.id], now: [] } },
    });
    const [latest, ...earlier] = (await owner.send('GET', `/api/listings/${first.id}/history`)).json;
    expect(latest.differences).toEqual([{ label: 'Harbour', before: 'Ostrey Quay, north side', after: '' }]);
    expect(latest.isState).toBeFalse();
    expect(earlier.at(-1).differences).toContain({ label: 'Harbour', before: '', after: 'Ostrey Quay, north side' });
    expect(earlier.at(-1).isState).toBeTrue();
    await owner.send('POST', `/api/changes/${latest.id}/undo`, {});
  });

  it('says since when a listing lies in the bin, and deletes for good only from there, with a way back', async () => {
    const { id, version } = (await owner.send('GET', '/api/kinds/1/listings?q=First')).json.listings[0];
    expect((await owner.send('DELETE', `/api/listings/${id}`)).json.issues[0].code).toBe('listing.not-binned');
    const binned = await owner.send('PATCH', `/api/listings/${id}`, { version, status: 'binned' });
    expect(binned.json.result.binnedAt).toBeGreaterThan(Date.now() - 60_000);
    expect((await owner.send('GET', '/api/kinds/1/bin')).json).toEqual({ listings: 1, connections: 1 });
    const gone = await owner.send('DELETE', '/api/kinds/1/bin');
    expect(gone.json.result).toEqual({ listings: 1, connections: 1 });
    expect((await owner.send('GET', `/api/listings/${id}`)).status).toBe(404);
    await owner.send('POST', `/api/changes/${gone.json.changeId}/undo`, {});
    const back = (await owner.send('GET', `/api/listings/${id}`)).json;
    expect([back.status, back.values.harbour[0].note]).toEqual(['binned', 'north side']);
    await owner.send('POST', `/api/changes/${binned.json.changeId}/undo`, {});
    expect((await owner.send('GET', `/api/listings/${id}`)).json.binnedAt).toBeNull();
  });

  it('keeps columns and named views for each person', async () => {
    const ask = { text: '', status: null, filters: [], sort: '@title', direction: 'up' };
    const kept = {
      columns: ['price'],
      frozen: [],
      views: [{ name: 'Dear', columns: ['price'], frozen: ['price'], ask }],
    };
    expect((await owner.send('PUT', '/api/kinds/1/table', kept)).status).toBe(200);
    expect((await owner.send('GET', '/api/kinds/1/table')).json).toEqual(kept);
    expect((await editor.send('GET', '/api/kinds/1/table')).json).toEqual({ columns: null, frozen: [], views: [] });
    expect((await owner.send('PUT', '/api/kinds/1/table', { ...kept, views: [{ name: 'x' }] })).status).toBe(400);
  });
});
