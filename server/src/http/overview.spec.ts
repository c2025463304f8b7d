import { makeField } from '@plindo/core/structure';
import type { Sender } from '../../testing/test-api.js';
import { TestApi } from '../../testing/test-api.js';

describe('What goes across all kinds', () => {
  let api: TestApi;
  let owner: Sender;

  beforeAll(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    owner = await api.signIn('owner');
    const beds = makeField({ key: 'beds', label: 'Beds', type: 'short-text', searchWeight: 1 });
    for (const [one, many, slug] of [
      ['Hut', 'Huts', 'huts'],
      ['Path', 'Paths', 'paths'],
    ]) {
      await owner.send('POST', '/api/kinds', { one, many, slug, fields: [beds] });
    }
    const add = (kind: number, title: string, more: object = {}): Promise<unknown> =>
      owner.send('POST', `/api/kinds/${kind}/listings`, { title, ...more });
    for (const beds of ['1', '2', '10', '11', '3']) await add(1, `Kestrel hut ${beds}`, { values: { beds } });
    await add(2, 'Kestrel');
    await add(2, 'Kestrel old', { status: 'binned' });
    await add(2, 'By the river', { summary: 'Kestrels breed here' });
  });

  afterAll(() => api.stop());

  it('finds listings of all kinds, titles that begin so first and shorter ones before, the bin last', async () => {
    const { json } = await owner.send('GET', '/api/find?q=kestr');
    const titles = (json.listings as { title: string }[]).map(({ title }) => title);
    expect(json.total).toBeGreaterThan(7);
    expect([titles[0], ...titles.slice(-2)]).toEqual(['Kestrel', 'By the river', 'Kestrel old']);
    expect((await owner.send('GET', '/api/find')).status).toBe(400);
    expect((await owner.send('GET', '/api/find?q=.')).json).toEqual({ total: 0, listings: [] });
  });

  it('tells problems, and no longer when they are gone', async () => {
    const codes = async (): Promise<string[]> =>
      ((await owner.send('GET', '/api/problems')).json.problems as { code: string }[]).map(({ code }) => code);
    expect(await codes()).toEqual(['numbers-as-text']);
    const kind = (await owner.send('GET', '/api/kinds/1')).json.kind;
    const field = { ...kind.fields[0], type: 'whole-number' };
    const changed = await owner.send('POST', '/api/kinds/1/type-change', { version: kind.version, field });
    expect(changed.status).withContext(JSON.stringify(changed.json)).toBe(200);
    expect(await codes()).toEqual([]);
    await owner.send('POST', '/api/kinds/2/listings', { title: 'BY THE RIVER' });
    expect(await codes()).toEqual(['same-title']);
  });
});
