import type { LearnReport, LearnedTable } from '@plindo/core/learn';
import { makeKindDefinition } from '@plindo/core/structure';
import { TestApi } from '../../testing/test-api.js';
import type { Answer, Sender } from '../../testing/test-api.js';

const DAY_IN_MS = 86_400_000;
const MINUTE_IN_MS = 60_000;

describe('Learn', () => {
  let api: TestApi;
  let owner: Sender;
  let kindId: number;
  let now: number;

  beforeEach(async () => {
    now = Date.UTC(2026, 10, 30, 9);
    api = await TestApi.start(undefined, () => new Date(now));
    await api.addUser('owner');
    owner = await api.signIn('owner');
    const choices = [
      { key: 'stone', label: 'Stone' },
      { key: 'wood', label: 'Wood' },
    ];
    const day = { key: 'day', label: 'For a day', parent: null, icon: '', colour: '', text: '', formerKeys: [] };
    const uses = await owner.send('POST', '/api/category-sets', { slug: '', label: 'Uses', categories: [day] });
    const body = makeKindDefinition({
      ...{ one: 'Hut', many: 'Huts', slug: 'huts', published: true },
      fields: [
        { key: 'type', label: 'Type', type: 'one-choice', settings: { choices } },
        { key: 'use', label: 'Use', type: 'categories', settings: { set: uses.json.result.id } },
      ],
      facets: [
        { key: 'type', label: 'Type', field: 'type' },
        { key: 'letter', label: 'Letter', field: '@title', control: 'letters' },
      ],
      sortChoices: [{ key: 'z-a', label: 'Z to A', order: [{ by: '@title', direction: 'down' }] }],
    });
    kindId = (await owner.send('POST', '/api/kinds', body)).json.result.id as number;
    for (const title of ['Gull', 'Heron']) {
      const input = { title, status: 'live', values: { type: 'wood' } };
      await owner.send('POST', `/api/kinds/${kindId}/listings`, input);
    }
  });
  afterEach(() => api.stop());

  /** Opens a page with a browser; each name is another visitor. */
  const open = async (url: string, visitor: string, more: Record<string, string> = {}): Promise<void> => {
    const browser = api.anyone.withBrowser(visitor).with(more);
    await browser.send('GET', `/api/page?url=${encodeURIComponent(url)}`);
  };
  const asked = (more = ''): Promise<Answer> => owner.send('GET', `/api/learn?from=2026-11-24&to=2026-11-30${more}`);
  const report = async (more = ''): Promise<LearnReport> => {
    await api.assembly.services.views.write();
    return (await asked(more)).json as LearnReport;
  };
  const cells = async (key: string, more = ''): Promise<unknown[]> =>
    (await report(more)).tables.find((table) => table.key === key)!.rows.map((row) => row.cells);
  /** What the database has, in words. */
  const kept = async (what: string): Promise<string[]> => {
    await api.assembly.services.views.write();
    const rows = (await api.assembly.store.ask(
      `SELECT "about", "detail", "times" FROM visit_counts WHERE "what" = '${what}' ORDER BY "about", "detail"`,
    )) as { about: string; detail: string; times: number }[];
    return rows.map(({ about, detail, times }) => `${about} ${detail} ${times}`);
  };

  it('counts a facet, a value, an order and a page once in half an hour for each visitor', async () => {
    await open('/huts?type=wood', 'a');
    await open('/huts?type=wood&sort=z-a', 'a');
    await open('/huts?type=wood,stone', 'b');
    now += 30 * MINUTE_IN_MS;
    await open('/huts?type=wood', 'a');
    const list = `kind:${kindId}`;
    expect(await kept('facet')).toEqual([`${list} type 3`, `${list} type=stone 1`, `${list} type=wood 3`]);
    expect(await kept('sort')).toEqual([`${list} z-a 1`]);
    expect(await kept('list')).toEqual([`${list}  3`]);
    expect(await kept('page')).toEqual(['/huts  3']);
    expect(await cells('facets')).toEqual([
      ['Type', 'Huts', 3, 1, 0],
      ['Letter', 'Huts', 0, 0, 0],
    ]);
    expect(await cells('sorts')).toEqual([['Z to A', 'Huts', 1, 1 / 3, 0]]);
  });

  it('counts nothing of robots, of who objects, of who has signed in, and where counting is off', async () => {
    await open('/huts?q=boat', '', { 'User-Agent': 'curl/8.5.0' });
    await open('/huts?q=boat', 'a', { DNT: '1' });
    await open('/huts?q=boat', 'a', { 'Sec-GPC': '1' });
    await owner.withBrowser().send('GET', '/api/page?url=/huts?q=boat');
    await owner.send('PUT', '/api/site', { countsViews: false });
    await open('/huts?q=boat', 'b');
    for (const what of ['search', 'missed', 'list', 'page']) expect(await kept(what)).toEqual([]);
    expect((await report()).firstDay).toBeNull();
  });

  it('counts a search when the typing has come to its end, and that nothing was found', async () => {
    for (const [at, text] of ['gu', 'gul', 'gull'].entries()) {
      now += at === 0 ? 0 : 400;
      await open(`/huts?q=${text}`, 'a');
    }
    await open('/huts?q=Barn', 'b');
    now += 3000;
    await open('/huts?q=barn', 'c');
    await open('/huts?q=gull', 'a');
    const list = `kind:${kindId}`;
    expect(await kept('search')).toEqual([`${list} barn 2`, `${list} gull 1`]);
    expect(await kept('missed')).toEqual([`${list} barn 2`]);
    expect(await cells('missed')).toEqual([['barn', 'Huts', 2, 0]]);
  });

  it('leaves alone what somebody may still be typing, until it has stood for a moment', async () => {
    await open('/huts?q=bar', 'a');
    expect((await asked()).status).toBe(200);
    now += 1000;
    await open('/huts?q=barn', 'a');
    now += 2400;
    const { views } = api.assembly.services;
    await views.writeSettled();
    expect(await api.assembly.store.views.timesIn({ from: 0, to: 99_999 }, { from: 0, to: 0 })).not.toContain(
      jasmine.objectContaining({ what: 'search' }),
    );
    now += 200;
    await views.writeSettled();
    expect(await kept('search')).toEqual([`kind:${kindId} barn 1`]);
  });

  it('tells where filters leave nothing, and never keeps what may tell of a person', async () => {
    await open('/huts?type=stone', 'a');
    await open('/huts?type=stone&page=2', 'b');
    await open('/huts?type=stone&q=ana@example.org', 'c');
    await open('/huts?q=0151+234+5678', 'c');
    const list = `kind:${kindId}`;
    expect(await kept('dead-end')).toEqual([`${list} type=stone 2`]);
    expect(await kept('search')).toEqual([]);
    expect(await kept('missed')).toEqual([]);
    const all = JSON.stringify(await api.assembly.store.ask('SELECT * FROM visit_counts'));
    expect(all).not.toMatch(/ana|0151/);
  });

  it('tells where the page of a category leaves nothing, and says nothing of the whole list by it', async () => {
    const own = await owner.send('POST', '/api/selections', {
      name: 'Day',
      slug: 'day',
      kinds: [kindId],
      published: true,
    });
    expect(own.status).toBe(200);
    await open('/huts/day?q=gull', 'a');
    await open('/huts/day?type=wood', 'b');
    now += 3000;
    const list = `kind:${kindId}`;
    expect(await kept('list')).toEqual([`${list}  2`]);
    expect(await kept('missed')).toEqual([]);
    expect(await kept('dead-end')).toEqual([`${list} /day?q=gull 1`, `${list} /day?type=wood 1`]);
    expect(await cells('dead-ends')).toEqual([
      ['For a day; “gull”', 'Huts', 1, 0],
      ['For a day; Type: Wood', 'Huts', 1, 0],
    ]);
  });

  it('gives one table by itself', async () => {
    await open('/huts?type=wood', 'a');
    await report();
    const days = 'from=2026-11-24&to=2026-11-30';
    const table = async (key: string): Promise<Answer> => owner.send('GET', `/api/learn/${key}?${days}`);
    const { rows, total } = (await table('facets')).json as LearnedTable;
    expect([total, rows.map(({ cells: told }) => told)]).toEqual([2, (await cells('facets')) as never]);
    expect((await table('nothing')).status).toBe(404);
  });

  it('tells the views of one kind or one listing over time, beside a year before', async () => {
    await open('/huts/gull', 'a');
    await open('/huts/heron', 'a');
    await open('/huts/heron', 'b');
    const day = Math.floor(now / DAY_IN_MS);
    await api.assembly.store.views.add([{ day: day - 365, kindId, listingId: 2, views: 7 }]);
    expect((await cells('views-over-time', '&against=year')).at(-1)).toEqual([day, 3, 7]);
    expect((await cells('views-over-time', '&listing=1&against=year')).at(-1)).toEqual([day, 1, 0]);
    expect(await cells('most-viewed', `&kind=${kindId}`)).toEqual([
      ['Heron', 'Hut', 2, 0],
      ['Gull', 'Hut', 1, 0],
    ]);
    expect((await report()).totals[0]).toEqual({ label: 'Views of listings', now: 3, before: 0 });
  });

  it('tells a search of a selection by the selection', async () => {
    const selection = { slug: 'wooden', name: 'Wooden huts', kinds: [kindId], published: true, facets: ['type'] };
    const { id } = (await owner.send('POST', '/api/selections', selection)).json.result as { id: number };
    await open('/lists/wooden?q=barn', 'a');
    expect(await kept('missed')).toEqual([`selection:${id} barn 1`]);
    expect(await cells('missed')).toEqual([['barn', 'Wooden huts', 1, 0]]);
  });

  it('refuses days that are none, a time that goes back or never ends, and what is not there', async () => {
    const status = async (query: string): Promise<number> => (await owner.send('GET', `/api/learn?${query}`)).status;
    expect(await status('from=2026-02-30&to=2026-03-01')).toBe(400);
    expect(await status('from=2026-03-02&to=2026-03-01')).toBe(400);
    expect(await status('from=1999-01-01&to=2026-03-01')).toBe(400);
    expect(await status('from=yesterday&to=2026-03-01')).toBe(400);
    expect(await status('from=2026-03-01&to=2026-03-02&against=ever')).toBe(400);
    expect((await asked('&kind=99')).status).toBe(404);
    expect((await asked('&listing=99')).status).toBe(404);
    const refused = (await owner.send('GET', '/api/learn?from=2026-03-02&to=2026-03-01')).json as {
      issues: { field: string; message: string }[];
    };
    expect(refused.issues[0]?.field).toBe('to');
    expect(refused.issues[0]?.message).toContain('the last day lies before the first');
  });

  it('is kept by month after a year, and forgotten for good', async () => {
    await open('/huts?type=wood', 'a');
    now += DAY_IN_MS;
    await open('/huts?type=wood', 'a');
    await api.assembly.services.views.write();
    now = Date.UTC(2028, 0, 5, 9);
    await api.assembly.services.views.look();
    owner = await api.signIn('owner');
    const rows = (await api.assembly.store.ask(
      `SELECT "day", "times" FROM visit_counts WHERE "detail" = 'type' ORDER BY "day"`,
    )) as { day: number; times: number }[];
    const dayOf = (month: number): number => Date.UTC(2026, month, 1) / DAY_IN_MS;
    expect(rows.map(({ day, times }) => [Number(day), Number(times)])).toEqual([
      [dayOf(10), 1],
      [dayOf(11), 1],
    ]);
    const late = await owner.send('GET', '/api/learn?from=2028-01-01&to=2028-01-05');
    expect((late.json as LearnReport).isByMonth).toBeFalse();
    expect(
      ((await owner.send('GET', '/api/learn?from=2026-11-01&to=2026-12-31')).json as LearnReport).isByMonth,
    ).toBeTrue();
    expect((await owner.send('DELETE', '/api/views')).status).toBe(204);
    expect(await kept('facet')).toEqual([]);
  });
});
