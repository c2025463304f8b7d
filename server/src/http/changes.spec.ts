import type { Sender } from '../../testing/test-api.js';
import { TestApi } from '../../testing/test-api.js';

describe('The log of changes', () => {
  let api: TestApi;
  let owner: Sender;
  let editor: Sender;
  let now = 0;

  beforeAll(async () => {
    now = Date.UTC(2026, 2, 1, 12);
    api = await TestApi.start(undefined, () => new Date(now));
    await api.addUser('owner');
    await api.addUser('editor');
    owner = await api.signIn('owner');
    const site = await owner.send('PUT', '/api/site', { zone: 'Pacific/Auckland' });
    const kind = { one: 'Boat', many: 'Boats', slug: 'boats', fields: [] };
    const kindId = (await owner.send('POST', '/api/kinds', kind)).json.result.id as number;
    expect(site.status).toBe(200);
    // 30 March 23:30 UTC is 31 March in Auckland.
    now = Date.UTC(2026, 2, 30, 23, 30);
    owner = await api.signIn('owner');
    editor = await api.signIn('editor');
    for (const title of ['Petrel', 'Curlew']) await editor.send('POST', `/api/kinds/${kindId}/listings`, { title });
  });
  afterAll(() => api.stop());

  const ask = async (query: string): Promise<string[]> => {
    const { json } = await editor.send('GET', `/api/changes?${query}`);
    return (json as { sentence: string }[]).map(({ sentence }) => sentence);
  };

  it('is asked for by words, by who made changes, and by day in the site’s zone', async () => {
    expect(await ask('q=pETr')).toEqual(['Added Petrel']);
    expect(await ask('who=edit')).toEqual(['Added Curlew', 'Added Petrel']);
    expect((await ask('who=owner')).length).toBe(2);
    expect(await ask('who=nobody')).toEqual([]);
    expect(await ask('from=2026-03-31&until=2026-03-31')).toEqual(['Added Curlew', 'Added Petrel']);
    expect(await ask('until=2026-03-30&q=added%20p')).toEqual([]);
    expect(await ask('q=%25')).toEqual(await ask(''));
  });

  it('goes on with older ones, and refuses what is no day', async () => {
    const { json } = await owner.send('GET', '/api/changes');
    const [latest] = json as { id: number }[];
    expect((await ask(`before=${latest!.id}`)).length).toBe((json as unknown[]).length - 1);
    const refused = await editor.send('GET', '/api/changes?from=yesterday');
    expect(refused.status).toBe(400);
  });
});
