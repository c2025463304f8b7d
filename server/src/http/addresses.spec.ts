import type { Server } from 'node:http';
import type { FormerAddresses } from '@plindo/core/contract';
import type { Kind } from '@plindo/core/structure';
import { pino } from 'pino';
import { askRaw, listening } from '../../testing/raw-http.js';
import { field } from '../../testing/sketches.js';
import { stubSite } from '../../testing/stub-site.js';
import type { Sender } from '../../testing/test-api.js';
import { TestApi } from '../../testing/test-api.js';
import { SiteRenderer } from '../site/renderer.js';
import { SitePages } from '../site/site-pages.js';
import { makeApp } from './app.js';
import { pageHeaders } from './security.js';

const BY_YEAR = [{ field: 'start', as: 'year' }, { text: '/' }, { field: '@title' }];

describe('Addresses', () => {
  const site = stubSite();
  let api: TestApi;
  let owner: Sender;
  let server: Server;
  let courses: Kind;

  beforeEach(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    owner = await api.signIn('owner');
    const kind = { slug: 'courses', one: 'Course', many: 'Courses', published: true, fields: [field('start', 'date')] };
    courses = (await owner.send('POST', '/api/kinds', kind)).json.result as Kind;
    const { services } = api.assembly;
    const sitePages = new SitePages(new SiteRenderer(site.folder), services.live, services.pages, pageHeaders());
    const web = { folders: { site: site.folder, desk: site.folder }, sitePages };
    server = await listening(await makeApp({ services, log: pino({ level: 'silent' }), web }));
  });
  afterEach(async () => {
    server.closeAllConnections();
    server.close();
    await api.stop();
  });
  afterAll(() => site.remove());

  const add = async (title: string, start: string, more: object = {}): Promise<number> => {
    const sent = { title, status: 'live', values: { start }, ...more };
    return (await owner.send('POST', `/api/kinds/${courses.id}/listings`, sent)).json.result.id as number;
  };
  const change = async (id: number, given: object): Promise<number> => {
    const { version } = (await owner.send('GET', `/api/listings/${id}`)).json;
    const answer = await owner.send('PATCH', `/api/listings/${id}`, { version, ...given });
    return answer.json.changeId as number;
  };
  const redefine = async (given: object): Promise<Awaited<ReturnType<Sender['send']>>> => {
    const { id: _, version, ...definition } = (await owner.send('GET', `/api/kinds/${courses.id}`)).json.kind as Kind;
    return owner.send('PUT', `/api/kinds/${courses.id}`, { ...definition, version, ...given });
  };
  /** Where an address leads: a status, and for what has moved where to. */
  const get = async (path: string): Promise<string> => {
    const { status, headers } = await askRaw(server, path);
    return headers.location ? `${status} ${headers.location}` : String(status);
  };

  it('of an older site lead where the publisher says, for good; what stands there now stays', async () => {
    await add('Knots', '2026-03-01');
    const entries = [
      { from: 'https://old.example/kurse/knoten.php?id=4', to: '/courses/knots' },
      { from: '/kurse/', to: '/courses' },
      { from: '/shop', to: 'https://shop.example/' },
      { from: '/courses', to: '/elsewhere' },
    ];
    const sent = { type: 'redirects', kindId: null, definition: { name: 'Older site', entries } };
    const added = await owner.send('POST', '/api/designs', sent);
    const paths = ['/kurse/knoten.php?id=4', '/kurse/knoten.php?id=5', '/kurse', '/kurse?page=2', '/shop', '/courses'];
    expect(await Promise.all(paths.map(get))).toEqual([
      ...['301 /courses/knots', '404', '301 /courses', '301 /courses', '301 https://shop.example/', '200'],
    ]);
    const looked = await owner.send('POST', '/api/addresses/look', {
      addresses: ['/courses/knots', '/kurse', '/nowhere'],
    });
    expect(looked.json).toEqual([
      { address: '/courses/knots', isThere: true, leadsTo: null },
      { address: '/kurse', isThere: false, leadsTo: '/courses' },
      { address: '/nowhere', isThere: false, leadsTo: null },
    ]);
    await owner.send('POST', `/api/changes/${added.json.changeId}/undo`);
    expect(await get('/kurse')).toBe('404');
    const twice = { ...sent, definition: { name: 'Older site', entries: [entries[1], entries[1]] } };
    expect((await owner.send('POST', '/api/designs', twice)).status).toBe(422);
  });

  it('that Plindo remembers are told with where they lead now', async () => {
    const id = await add('Knots', '2026-03-01');
    await change(id, { slug: 'all-knots' });
    await add('Ropes', '2026-03-02');
    const told = (await owner.send('GET', '/api/addresses/former?q=knot')).json as FormerAddresses;
    expect(told).toEqual({ total: 1, rows: [{ from: '/courses/knots', to: '/courses/all-knots' }] });
    expect((await owner.send('GET', '/api/addresses/former?q=rope')).json.total).toBe(0);
  });

  it('are made of values by a pattern; what listings had before leads to them', async () => {
    const id = await add('Radio', '2026-12-04');
    expect(await get('/courses/radio')).toBe('200');
    const { status, json } = await redefine({ addressPattern: BY_YEAR });
    expect(status).toBe(200);
    expect(await get('/courses/2026/radio')).toBe('200');
    expect(await get('/courses/radio?x=1')).toBe('301 /courses/2026/radio?x=1');
    // The next one gets its address at once, the one that is moved to another year follows, and nothing leads through two.
    await add('Knots', '2027-01-09');
    expect(await get('/courses/2027/knots')).toBe('200');
    const moved = await change(id, { values: { start: '2027-02-01' } });
    expect(await get('/courses/2027/radio')).toBe('200');
    expect(await get('/courses/2026/radio')).toBe('301 /courses/2027/radio');
    expect(await get('/courses/radio')).toBe('301 /courses/2027/radio');
    // A change that is taken back leaves an address behind as well.
    await owner.send('POST', `/api/changes/${moved}/undo`);
    expect(await get('/courses/2027/radio')).toBe('301 /courses/2026/radio');
    await owner.send('POST', `/api/changes/${json.changeId}/undo`);
    expect([await get('/courses/radio'), await get('/courses/2026/radio')]).toEqual(['200', '301 /courses/radio']);
  });

  it('that clash are told before anything is written, and refused', async () => {
    await add('Radio', '2026-01-04');
    await add('Radio', '2026-12-04');
    // Programs send null for what they leave out.
    const blank = { addressPattern: [{ field: '@title', as: null, text: null }] };
    expect((await owner.send('POST', `/api/kinds/${courses.id}/addresses/plan`, blank)).status).toBe(200);
    const plan = await owner.send('POST', `/api/kinds/${courses.id}/addresses/plan`, { addressPattern: BY_YEAR });
    expect([plan.status, plan.json.total, plan.json.clashing]).toEqual([200, 2, 2]);
    expect(plan.json.clashes[0].address).toBe('2026/radio');
    const { status, json } = await redefine({ addressPattern: BY_YEAR });
    expect([status, json.issues.map(({ code }: { code: string }) => code)]).toEqual([422, ['kind.address-clash']]);
    expect([await get('/courses/radio'), await get('/courses/radio-2')]).toEqual(['200', '200']);
    // By the day they don't clash, and a third one of the same day gets a number.
    await redefine({ addressPattern: [{ field: '@title' }, { text: '/' }, { field: 'start', as: 'day' }] });
    await add('Radio', '2026-12-04');
    expect([await get('/courses/radio/2026-12-04'), await get('/courses/radio/2026-12-04-2')]).toEqual(['200', '200']);
  });

  it('can be swapped by one change', async () => {
    await add('2026', '2027-01-04', { slug: '2027' });
    await add('2027', '2026-01-04', { slug: '2026' });
    const { status } = await redefine({ addressPattern: [{ field: '@title' }] });
    expect(status).toBe(200);
    const titleAt = async (path: string): Promise<string> =>
      (await owner.send('GET', `/api/page?url=${path}`)).json.title as string;
    expect([await titleAt('/courses/2026'), await titleAt('/courses/2027')]).toEqual([
      jasmine.stringContaining('2026') as unknown as string,
      jasmine.stringContaining('2027') as unknown as string,
    ]);
  });

  it('of kinds, selections and pages lead on too, with all that is under them', async () => {
    await add('Radio', '2026-12-04');
    await redefine({ addressPattern: BY_YEAR });
    await redefine({ slug: 'training' });
    await redefine({ slug: 'lessons' });
    expect(await get('/courses')).toBe('301 /lessons');
    expect(await get('/training?page=2')).toBe('301 /lessons?page=2');
    expect(await get('/courses/radio')).toBe('301 /lessons/2026/radio');
    expect(await get('/training/2026/radio')).toBe('301 /lessons/2026/radio');
    const selection = {
      name: 'All',
      kinds: [courses.id],
      where: { join: 'all', of: [] },
      published: true,
      slug: 'all',
    };
    const { result } = (await owner.send('POST', '/api/selections', selection)).json;
    await owner.send('PUT', `/api/selections/${result.id}`, { ...selection, slug: 'every', version: result.version });
    expect([await get('/lists/every'), await get('/lists/all')]).toEqual(['200', '301 /lists/every']);
    const page = { name: 'About', serves: 'free', address: 'about', strips: [] };
    const design = { type: 'page', kindId: null, definition: page };
    const kept = (await owner.send('POST', '/api/designs', design)).json.result;
    const renamed = { type: 'page', version: kept.version, definition: { ...page, address: 'us/about' } };
    await owner.send('PUT', `/api/designs/${kept.id}`, renamed);
    expect([await get('/us/about'), await get('/about')]).toEqual(['200', '301 /us/about']);
  });

  it('lead nowhere while visitors don’t see what stood there', async () => {
    const id = await add('Radio', '2026-12-04');
    await redefine({ addressPattern: BY_YEAR });
    await change(id, { status: 'hidden' });
    expect([await get('/courses/radio'), await get('/courses/2026/radio'), await get('/made/up')]).toEqual([
      '404',
      '404',
      '404',
    ]);
  });

  it('follow the key of a field, and go on without one that is deleted', async () => {
    await add('Radio', '2026-12-04');
    await redefine({ addressPattern: BY_YEAR });
    const { version } = (await owner.send('GET', `/api/kinds/${courses.id}`)).json.kind as Kind;
    const renaming = { version, from: 'start', to: 'begins' };
    const { json } = await owner.send('POST', `/api/kinds/${courses.id}/rename-key`, renaming);
    expect(json.result.addressPattern[0].field).toBe('begins');
    expect(await get('/courses/2026/radio')).toBe('200');
  });
});
