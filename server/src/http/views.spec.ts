import { TestApi } from '../../testing/test-api.js';
import type { Sender } from '../../testing/test-api.js';
import { titlesOn } from '@plindo/core/testing/list-on-page';

const DAY_IN_MS = 86_400_000;

describe('Views of listings', () => {
  let api: TestApi;
  let owner: Sender;
  let kindId: number;
  let now: number;

  beforeEach(async () => {
    now = Date.UTC(2026, 10, 30, 9);
    api = await TestApi.start(undefined, () => new Date(now));
    await api.addUser('owner');
    owner = await api.signIn('owner');
    const body = {
      one: 'Hut',
      many: 'Huts',
      slug: 'huts',
      fields: [],
      published: true,
      defaultOrder: [{ by: '@views', direction: 'down' }],
    };
    kindId = (await owner.send('POST', '/api/kinds', body)).json.result.id as number;
    for (const title of ['Gull', 'Heron', 'Ibis']) {
      await owner.send('POST', `/api/kinds/${kindId}/listings`, { title, status: 'live' });
    }
  });
  afterEach(() => api.stop());

  /** Looks at the page of a listing with a browser; each name is another visitor. */
  const look = async (slug: string, visitor: string, more: Record<string, string> = {}): Promise<void> => {
    const browser = api.anyone.withBrowser(visitor).with(more);
    await browser.send('GET', `/api/page?url=/huts/${slug}`);
  };
  const written = async (): Promise<Record<string, number>> => {
    await api.assembly.services.views.write();
    const rows = (await api.assembly.store.ask(
      'SELECT "title", SUM("views") AS "views" FROM listing_views JOIN listings ON "id" = "listingId" GROUP BY "title"',
    )) as { title: string; views: number | string }[];
    return Object.fromEntries(rows.map(({ title, views }) => [title, Number(views)]));
  };
  const onSite = async (): Promise<readonly string[]> => titlesOn(await api.anyone.list('/huts'));

  it('are counted once in half an hour for each visitor, and kept by day', async () => {
    await look('heron', 'a');
    await look('heron', 'a');
    await look('heron', 'b');
    await look('ibis', 'a');
    expect(await written()).toEqual({ Heron: 2, Ibis: 1 });
    now += 29 * 60_000;
    await look('heron', 'a');
    now += 60_000;
    await look('heron', 'a');
    expect(await written()).toEqual({ Heron: 3, Ibis: 1 });
  });

  it('are not those of robots, of who fetches ahead, of who objects, of who has signed in, nor of what is not on the site', async () => {
    await look('gull', '', {
      'User-Agent': 'Mozilla/5.0 (compatible; Googlebot/2.1; +http://www.google.com/bot.html)',
    });
    await look('gull', '', { 'User-Agent': 'curl/8.5.0' });
    await look('gull', 'a', { 'Sec-Purpose': 'prefetch;prerender' });
    await look('gull', 'b', { DNT: '1' });
    await look('gull', 'c', { 'Sec-GPC': '1' });
    await owner.withBrowser().send('GET', '/api/page?url=/huts/gull');
    await look('nobody', 'd');
    await owner.send('PATCH', '/api/listings/1', { version: 1, status: 'draft' });
    await look('gull', 'd');
    expect(await written()).toEqual({});
    await owner.send('PUT', '/api/site', { countsViews: false });
    await look('heron', 'e');
    expect(await written()).toEqual({});
  });

  it('put listings in order and are told of each, without a new revision of what pages are kept by', async () => {
    expect(await onSite()).toEqual(['Gull', 'Heron', 'Ibis']);
    const { revision } = api.assembly.services.live;
    await look('ibis', 'a');
    await look('ibis', 'b');
    await look('heron', 'a');
    await written();
    expect(await onSite()).toEqual(['Ibis', 'Heron', 'Gull']);
    expect(api.assembly.services.live.revision).toBe(revision);
    const where = encodeURIComponent(JSON.stringify([{ by: '@views', op: 'at-least', value: '2' }]));
    const path = `/api/kinds/${kindId}/listings?where=${where}&sort=@views&direction=down`;
    const found = (await owner.send('GET', path)).json as { listings: { title: string; views: number }[] };
    expect(found.listings.map(({ title, views }) => [title, views])).toEqual([['Ibis', 2]]);
  });

  it('are of 30 days: older ones count no more, and after a year they are kept by month', async () => {
    await look('ibis', 'a');
    await written();
    now += 29 * DAY_IN_MS;
    await look('heron', 'a');
    await look('heron', 'b');
    await written();
    expect(await onSite()).toEqual(['Heron', 'Ibis', 'Gull']);
    now += DAY_IN_MS;
    await api.assembly.services.views.look();
    const [first] = await api.assembly.services.live.listings([3]);
    expect(first?.views).toBe(0);
    now = Date.UTC(2028, 0, 5, 9);
    await api.assembly.services.views.look();
    const rows = (await api.assembly.store.ask('SELECT "day", "views" FROM listing_views ORDER BY "day"')) as {
      day: number;
      views: number;
    }[];
    const dayOf = (year: number, month: number): number => Date.UTC(year, month, 1) / DAY_IN_MS;
    expect(rows.map(({ day, views }) => [Number(day), Number(views)])).toEqual([
      [dayOf(2026, 10), 1],
      [dayOf(2026, 11), 2],
    ]);
  });

  it('survive a stop and a start, add up over nodes, and are forgotten for good', async () => {
    await look('ibis', 'a');
    await api.leave();
    api = await TestApi.start(api.folder, () => new Date(now));
    owner = await api.signIn('owner');
    expect(await written()).toEqual({ Ibis: 1 });
    expect(await onSite()).toEqual(['Ibis', 'Gull', 'Heron']);
    const day = Math.floor(now / DAY_IN_MS);
    await api.assembly.store.views.add([{ day, kindId, listingId: 3, views: 4 }]);
    expect(await written()).toEqual({ Ibis: 5 });
    expect((await owner.send('DELETE', '/api/views')).status).toBe(204);
    expect(await written()).toEqual({});
    expect(await onSite()).toEqual(['Gull', 'Heron', 'Ibis']);
  });
});
