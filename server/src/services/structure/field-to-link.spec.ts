import type { Kind } from '@plindo/core/structure';
import { makeField } from '@plindo/core/structure';
import type { Sender } from '../../../testing/test-api.js';
import { TestApi } from '../../../testing/test-api.js';

describe('A field that names listings of another kind', () => {
  let api: TestApi;
  let owner: Sender;
  let towns: Kind;
  let clinics: Kind;

  beforeEach(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    owner = await api.signIn('owner');
    const base = { published: true, startStatus: 'live' };
    const code = makeField({ key: 'code', label: 'Code', type: 'short-text', unique: true });
    const town = makeField({ key: 'town', label: 'Town', type: 'short-text' });
    towns = await kind({ ...base, one: 'Town', many: 'Towns', slug: 'towns', fields: [code] });
    clinics = await kind({ ...base, one: 'Clinic', many: 'Clinics', slug: 'clinics', fields: [town] });
    for (const [title, value] of Object.entries({ Ostrey: 'OS', Sallow: 'SA' }))
      await add(towns, title, { code: value });
    for (const [title, value] of Object.entries({ A: 'Ostrey', B: 'ostrey', C: 'Sallow', D: 'Lost', E: '' })) {
      await add(clinics, title, { town: value });
    }
  });

  afterEach(() => api.stop());

  async function kind(body: object): Promise<Kind> {
    const { json, status } = await owner.send('POST', '/api/kinds', body);
    expect(status).withContext(JSON.stringify(json)).toBe(200);
    return json.result as Kind;
  }

  async function add({ id }: Kind, title: string, values: object): Promise<void> {
    const { status, json } = await owner.send('POST', `/api/kinds/${id}/listings`, { title, values });
    expect(status).withContext(JSON.stringify(json)).toBe(200);
  }

  const sketch = (namedBy = '@title'): object => {
    return { field: 'town', otherKindId: towns.id, namedBy, otherLabel: 'Clinics' };
  };

  /** What the database has: the values and what is kept aside of clinics, and the pairs of titles that are connected. */
  async function kept(): Promise<unknown> {
    const ask = <Row extends object>(sql: string): Promise<Row[]> => api.assembly.store.ask<Row>(sql);
    const listings = await ask<{ title: string; values: unknown; aside: unknown }>(
      `SELECT "title", "values", "aside" FROM listings WHERE "kindId" = ${clinics.id} ORDER BY "id"`,
    );
    const pairs = await ask<{ a: string; b: string }>(
      'SELECT x."title" AS a, y."title" AS b FROM connections c JOIN listings x ON x."id" = c."a" JOIN listings y ON y."id" = c."b" ORDER BY c."id"',
    );
    const json = (value: unknown): unknown => (typeof value === 'string' ? (JSON.parse(value) as unknown) : value);
    return {
      listings: listings.map(({ title, values, aside }) => [title, json(values), json(aside)]),
      pairs: pairs.map(({ a, b }) => `${a} ${b}`),
    };
  }

  it('becomes a link by their titles, with what names none kept aside, and all of it can be undone', async () => {
    const before = await kept();
    const planned = await owner.send('POST', `/api/kinds/${clinics.id}/field-to-link/plan`, sketch());
    const report = { connected: 3, incomplete: 1, empty: 1, connections: 3 };
    expect(planned.json).toEqual({ ...report, unmatched: [{ text: 'Lost', listings: 1, why: 'none' }] });
    expect(await kept()).toEqual(before);

    const order = { ...sketch(), version: clinics.version };
    const made = await owner.send('POST', `/api/kinds/${clinics.id}/field-to-link`, order);
    expect(made.status).withContext(JSON.stringify(made.json)).toBe(200);
    const aside = { town: { type: 'short-text', text: 'Lost' } };
    expect(await kept()).toEqual({
      listings: [...['A', 'B', 'C'].map((title) => [title, {}, {}]), ['D', {}, aside], ['E', {}, {}]],
      pairs: ['A Ostrey', 'B Ostrey', 'C Sallow'],
    });
    const { kind: now } = (await owner.send('GET', `/api/kinds/${clinics.id}`)).json;
    expect(now.fields.map(({ key, type, label }: Kind['fields'][0]) => [key, type, label])).toEqual([
      ['town', 'link', 'Town'],
    ]);
    expect(now.facets.length).toBe(1);
    expect((await owner.list('/clinics?town=ostrey')).total).toBe(2);

    const undone = await owner.send('POST', `/api/changes/${made.json.changeId}/undo`);
    expect(undone.status).withContext(JSON.stringify(undone.json)).toBe(200);
    expect(await kept()).toEqual(before);
  });

  it('is found to do so, from either side', async () => {
    const idea = { kindId: clinics.id, field: 'town', otherKindId: towns.id, namedBy: '@title', texts: 4, found: 3 };
    for (const { id } of [clinics, towns]) {
      expect((await owner.send('GET', `/api/kinds/${id}/link-ideas`)).json).toEqual([idea]);
    }
  });

  it('can go by a field that names them', async () => {
    await owner.send('POST', `/api/kinds/${clinics.id}/listings`, { title: 'F', values: { town: 'sa' } });
    const { json } = await owner.send('POST', `/api/kinds/${clinics.id}/field-to-link/plan`, sketch('code'));
    expect([json.connections, json.incomplete]).toEqual([1, 4]);
  });

  it('is refused where there is nothing that could name a listing, and when the kind has changed meanwhile', async () => {
    const plan = (given: object): ReturnType<Sender['send']> =>
      owner.send('POST', `/api/kinds/${clinics.id}/field-to-link/plan`, { ...sketch(), ...given });
    expect((await plan({ namedBy: '@place' })).json.code).toBe('kind.fields');
    expect((await plan({ namedBy: 'none' })).json.code).toBe('kind.fields');
    expect((await plan({ field: 'none' })).status).toBe(404);
    expect((await plan({ otherKindId: 99 })).status).toBe(404);
    const late = { ...sketch(), version: clinics.version + 1 };
    const { json } = await owner.send('POST', `/api/kinds/${clinics.id}/field-to-link`, late);
    expect(json.code).toBe('change.conflict');
  });
});
