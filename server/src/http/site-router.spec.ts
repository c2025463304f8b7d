import type { IncomingHttpHeaders, Server } from 'node:http';
import { gunzipSync } from 'node:zlib';
import type { Kind } from '@plindo/core/structure';
import { pino } from 'pino';
import type { RawAnswer } from '../../testing/raw-http.js';
import { askRaw, listening } from '../../testing/raw-http.js';
import { stubSite } from '../../testing/stub-site.js';
import type { Sender } from '../../testing/test-api.js';
import { BERTHS, TestApi } from '../../testing/test-api.js';
import { SiteRenderer } from '../site/renderer.js';
import { SitePages } from '../site/site-pages.js';
import { makeApp } from './app.js';
import { pageHeaders } from './security.js';

describe('Pages of the site over HTTP', () => {
  const site = stubSite();
  let api: TestApi;
  let owner: Sender;
  let server: Server;
  let berths: Kind;
  let now = Date.UTC(2026, 10, 28, 12);

  const get = (path: string, headers: Record<string, string> = {}, method = 'GET'): Promise<RawAnswer> =>
    askRaw(server, path, headers, method);
  /** What the site drew: a title, and the address that it was drawn at. */
  const drawn = async (path: string): Promise<string> => (await get(path)).body.toString().replace(/<.*>/, '');

  beforeAll(async () => {
    api = await TestApi.start(undefined, () => new Date(now));
    await api.addUser('owner');
    owner = await api.signIn('owner');
    berths = (await owner.send('POST', '/api/kinds', BERTHS)).json.result as Kind;
    const add = (title: string, more: object): Promise<unknown> =>
      owner.send('POST', `/api/kinds/${berths.id}/listings`, { title, status: 'live', ...more });
    await add('Quay 1', { values: { type: 'quay', price: '10' } });
    await add('Later', { shownFrom: '2026-11-28 14:00' });
    const { services } = api.assembly;
    const sitePages = new SitePages(new SiteRenderer(site.folder), services.live, services.pages, pageHeaders());
    const web = { folders: { site: site.folder, desk: site.folder }, sitePages };
    const app = await makeApp({ services, log: pino({ level: 'silent' }), web });
    server = await listening(app);
  });

  afterAll(async () => {
    server.closeAllConnections();
    server.close();
    await api.stop();
    site.remove();
  });

  it('are refused with a sentence where an address cannot be read', async () => {
    for (const path of ['/berths/%E0%A4%A', '/%', '/%zz']) {
      const { status, body } = await get(path);
      expect([status, body.toString()])
        .withContext(path)
        .toEqual([400, jasmine.stringMatching(/cannot be read/)]);
    }
  });

  it('are put off with a page, and no document for programs, while the store is away or something fails', async () => {
    const { services } = api.assembly;
    const failing = spyOn(services.pages, 'page').and.rejectWith(
      Object.assign(new Error('no room'), { code: 'ENOSPC' }),
    );
    const away = await get('/berths?type=buoy&sort=price-down');
    expect([away.status, away.headers['content-type'], away.headers['retry-after']]).toEqual([
      ...[503, 'text/html; charset=utf-8', '2'],
    ]);
    expect(away.body.toString()).toContain('Just a moment');
    failing.and.rejectWith(new Error('a fault of ours'));
    const fault = await get('/berths?type=buoy&sort=price-down');
    expect([fault.status, fault.headers['content-type']]).toEqual([500, 'text/html; charset=utf-8']);
    expect(fault.body.toString()).not.toContain('a fault of ours');
    failing.and.callThrough();
    expect((await get('/berths?type=buoy&sort=price-down')).status).toBe(200);
  });

  it('that are new are made so often a minute for one address; kept ones go on', async () => {
    const { services } = api.assembly;
    const sitePages = new SitePages(new SiteRenderer(site.folder), services.live, services.pages, pageHeaders());
    const web = { folders: { site: site.folder, desk: site.folder }, sitePages };
    const budget = { pagesAMinute: 3, isShared: true };
    const limited = await listening(await makeApp({ services, log: pino({ level: 'silent' }), web, budget }));
    const status = async (path: string, headers: Record<string, string> = {}): Promise<number> =>
      (await askRaw(limited, path, headers)).status;
    for (const path of ['/', '/berths', '/berths?type=quay']) expect(await status(path)).toBe(200);
    expect(await status('/berths?type=buoy')).toBe(429);
    expect([await status('/'), await status('/berths')]).toEqual([200, 200]);
    const questions: number[] = [];
    for (let at = 0; at < 13; at++) questions.push(await status(`/api/suggestions?kind=berths&q=${at}`));
    expect(questions.slice(-2)).toEqual([jasmine.any(Number) as unknown as number, 429]);
    expect(questions[11]).not.toBe(429);
    // Behind a proxy that the settings don't name all visitors have one address, so they aren't counted.
    expect(await status('/berths?type=buoy', { 'X-Forwarded-For': '192.0.2.9' })).toBe(200);
    limited.closeAllConnections();
    limited.close();
  });

  it('are one for all addresses that ask the same, without what was made up', async () => {
    const one = await drawn('/berths?type=buoy,quay&sort=price-up');
    for (const same of [
      '/berths?sort=price-up&type=quay&type=buoy',
      '/berths?type=buoy,quay,galleon&sort=price-up&x=1&page=1',
      '/b%65rths?type=quay,buoy&sort=price-up&type=',
    ]) {
      expect(await drawn(same))
        .withContext(same)
        .toBe(one);
    }
    expect(one).toMatch(/^Berths – .* at \/berths\?type=buoy,quay&sort=price-up, 1 (of \d+ )?berths?$/);
    expect(await drawn('/berths?type=quay')).not.toBe(one);
  });

  it('are one for all addresses that lead nowhere, which is no page', async () => {
    const nowhere = await get('/berths/none');
    expect([nowhere.status, nowhere.body.toString()]).toEqual([404, (await get('/ships?x=1')).body.toString()]);
    expect((await get('/%FF/%00')).status).toBe(400);
  });

  it('are none at an address of more than 8,000 characters', async () => {
    expect((await get(`/berths?${'x'.repeat(9000)}`)).status).toBe(414);
  });

  it('come with the same headers and body again, as they were asked to be packed', async () => {
    const first = await get('/berths', { 'Accept-Encoding': 'gzip' });
    const again = await get('/berths', { 'Accept-Encoding': 'gzip' });
    const withoutDate = ({ date: _, ...others }: IncomingHttpHeaders): IncomingHttpHeaders => others;
    expect(withoutDate(again.headers)).toEqual(withoutDate(first.headers));
    expect(again.body).toEqual(first.body);
    expect(again.headers['content-encoding']).toBe('gzip');
    expect(gunzipSync(again.body).toString()).toContain('Berths');
    expect((await get('/berths', { 'Accept-Encoding': 'gzip, deflate, br, zstd' })).headers['content-encoding']).toBe(
      'br',
    );
    const plain = await get('/berths', { 'Accept-Encoding': 'br;q=0, gzip;q=0' });
    expect([plain.headers['content-encoding'], plain.body.toString()]).toEqual([
      undefined,
      gunzipSync(first.body).toString(),
    ]);
  });

  it('tell their whole address by where they were asked for, unless the site says where it stands', async () => {
    const linkOf = async (host: string): Promise<string | undefined> =>
      (await get('/berths?x=1&type=quay', { Host: host })).headers['link'] as string | undefined;
    expect(await linkOf('guide.example:8080')).toBe('<http://guide.example:8080/berths?type=quay>; rel="canonical"');
    expect(await linkOf('a b>')).toBeUndefined();
    expect((await get('/nowhere')).headers['link']).toBeUndefined();
    const settings = api.assembly.services.live.site();
    await api.assembly.services.site.save(null, { ...settings, address: 'https://guide.example' });
    expect(await linkOf('guide.example')).toBeUndefined();
    await api.assembly.services.site.save(null, settings);
  });

  it('allow styles and scripts from files of this server alone, beside the other headers of security', async () => {
    const { headers } = await get('/berths');
    const policy = headers['content-security-policy'];
    for (const part of ["script-src 'self';", "style-src 'self';"]) expect(policy).toContain(part);
    expect([headers['x-content-type-options'], headers['x-frame-options'], headers['vary']]).toEqual([
      'nosniff',
      'SAMEORIGIN',
      'Accept-Encoding',
    ]);
  });

  it('are not sent again to those who have them, nor their body to those who ask for the headers', async () => {
    const { headers, body } = await get('/berths');
    const tag = headers.etag!;
    for (const known of [tag, tag.replace('W/', ''), `"other", ${tag}`, '*']) {
      const { status, body: none } = await get('/berths', { 'If-None-Match': known });
      expect([status, none.length]).withContext(known).toEqual([304, 0]);
    }
    expect((await get('/berths', { 'If-None-Match': '"other"' })).status).toBe(200);
    const head = await get('/berths', {}, 'HEAD');
    expect([head.status, head.headers['content-length'], head.body.length]).toEqual([200, String(body.length), 0]);
  });

  it('are for a second as they were before a listing was changed, for visitors; editors see the change', async () => {
    const add = (title: string): Promise<unknown> =>
      owner.send('POST', `/api/kinds/${berths.id}/listings`, { title, status: 'live' });
    const count = async (headers: Record<string, string> = {}): Promise<string> =>
      /, (.*)$/.exec((await get('/berths', headers)).body.toString())![1]!;
    const before = await count();
    await add('Quay 2');
    expect(await count()).toBe(before);
    let after = before;
    for (let tries = 0; after === before && tries < 100; tries++) {
      await new Promise((resolve) => setTimeout(resolve, 10));
      after = await count();
    }
    expect(after).not.toBe(before);
    await add('Quay 3');
    const asEditor = await count({ Cookie: 'plindo_session=anything' });
    expect(asEditor).not.toBe(after);
    await add('Quay 4');
    now += 1001;
    expect(await count()).not.toBe(asEditor);
  });

  it('are kept while listings change that they are not made of', async () => {
    const huts = { ...BERTHS, one: 'Hut', many: 'Huts', slug: 'huts' };
    const { id } = (await owner.send('POST', '/api/kinds', huts)).json.result as Kind;
    await drawn('/berths/quay-1');
    const tagOf = async (path: string): Promise<string> => (await get(path)).headers.etag!;
    const [list, page, home] = [await tagOf('/berths'), await tagOf('/berths/quay-1'), await tagOf('/')];
    await owner.send('POST', `/api/kinds/${id}/listings`, { title: 'Hut', status: 'live' });
    // What is rendered anew tells another time, and so has another tag.
    expect([await tagOf('/berths'), await tagOf('/berths/quay-1')]).toEqual([list, page]);
    now += 1001;
    expect(await tagOf('/')).not.toBe(home);
    await owner.send('POST', `/api/kinds/${berths.id}/listings`, { title: 'Quay 9', status: 'live' });
    now += 1001;
    expect([(await tagOf('/berths')) === list, await tagOf('/berths/quay-1')]).toEqual([false, page]);
  });

  it('stay as they were after a change of which they say nothing', async () => {
    const tagOf = async (path: string): Promise<string> => (await get(path)).headers.etag!;
    const { json } = await owner.send('GET', `/api/kinds/${berths.id}/listings`);
    const { id, version } = (json.listings as { id: number; version: number; slug: string }[]).find(
      ({ slug }) => slug === 'quay-1',
    )!;
    const change = (at: number, given: object): Promise<unknown> =>
      owner.send('PATCH', `/api/listings/${id}`, { version: at, ...given });
    const before = await tagOf('/berths');
    await change(version, { featuredFrom: '2026-11-01 10:00' });
    now += 1001;
    expect(await tagOf('/berths')).toBe(before);
    await change(version + 1, { values: { price: '11' } });
    now += 1001;
    expect(await tagOf('/berths')).not.toBe(before);
  });

  it('let maps fetch pictures of the ground from where the site says, and from nowhere else', async () => {
    const policy = async (): Promise<string> => String((await get('/berths')).headers['content-security-policy']);
    const settings = { name: 'Guide', tagline: '', locale: 'en-GB', zone: 'UTC' };
    const tiles = (url: string): object => ({ ...settings, mapTiles: { url, credit: '© Surveyors' } });
    const wrong = await owner.send('PUT', '/api/site', tiles('http://tiles.example/{z}/{x}/{y}.png'));
    expect([wrong.status, wrong.json.issues[0].field]).toEqual([422, 'mapTiles']);
    expect(await policy()).toContain("img-src 'self' data: blob:;");
    expect((await owner.send('PUT', '/api/site', tiles('https://tiles.example/{z}/{x}/{y}.png'))).status).toBe(200);
    expect(await policy()).toContain("img-src 'self' https://tiles.example data: blob:;");
    // Settings of which nothing is said stay.
    expect((await owner.send('PUT', '/api/site', settings)).status).toBe(200);
    expect(await policy()).toContain('tiles.example');
    expect((await owner.send('PUT', '/api/site', { mapTiles: null })).status).toBe(200);
    expect(await policy()).not.toContain('tiles.example');
  });

  it('are new at once after a change of the structure', async () => {
    const title = async (): Promise<string> => (await drawn('/berths')).split(' – ')[0]!;
    expect(await title()).toBe('Berths');
    const { id, version } = (await owner.send('GET', `/api/kinds/${berths.id}`)).json.kind as Kind;
    await owner.send('PUT', `/api/kinds/${id}`, { ...BERTHS, many: 'Moorings', version });
    expect(await title()).toBe('Moorings');
    await owner.send('PUT', `/api/kinds/${id}`, { ...BERTHS, version: version + 1 });
    expect(await title()).toBe('Berths');
  });

  it('are new after a change, and when a moment has come at which they look otherwise', async () => {
    expect(await drawn('/berths/later')).toContain('Nothing here');
    expect(await drawn('/berths/quay-1')).toContain('Quay 1');
    now += 3 * 60 * 60_000;
    expect(await drawn('/berths/later')).toContain('Later');
    // A clock that is set back knows nothing of pages of the future.
    now -= 3 * 60 * 60_000;
    expect((await get('/berths/later')).status).toBe(404);
    now += 3 * 60 * 60_000;
    expect(await drawn('/berths/later')).toContain('Later');
    const { json } = await owner.send('GET', `/api/kinds/${berths.id}/listings`);
    const { id, version } = (json.listings as { id: number; version: number; title: string }[]).find(
      ({ title }) => title === 'Quay 1',
    )!;
    await owner.send('PATCH', `/api/listings/${id}`, { version, title: 'Quay One' });
    expect(await drawn('/berths/quay-1')).toContain('Quay One');
  });
});
