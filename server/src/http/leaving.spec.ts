import type { CalendarView } from '@plindo/core/contract';
import type { ExpiryEffects, Listing } from '@plindo/core/listings';
import type { CategorySet, ExpirySketch, Kind } from '@plindo/core/structure';
import ICAL from 'ical.js';
import { field } from '../../testing/sketches.js';
import type { Sender } from '../../testing/test-api.js';
import { TestApi } from '../../testing/test-api.js';

const NOW = Date.UTC(2026, 10, 20, 12);
const RULE: ExpirySketch = {
  countedFrom: { by: 'field', field: 'ends' },
  consequences: [
    { key: 'past', days: 0, deed: { act: 'categorise', field: 'topics', add: ['past'] } },
    { key: 'soon', days: -7, deed: { act: 'tell', to: ['office@example.org'] } },
  ],
};

describe('Listings that leave, in the API', () => {
  let api: TestApi;
  let owner: Sender;
  let set: CategorySet;
  let kind: Kind;

  beforeEach(async () => {
    api = await TestApi.start(undefined, () => new Date(NOW));
    await api.addUser('owner');
    owner = await api.signIn('owner');
    const category = (key: string): object => {
      return { key, label: key, parent: null, icon: '', colour: '', text: '', formerKeys: [] };
    };
    const sent = { slug: 'topics', label: 'Topics', categories: ['past', 'old', 'new'].map(category) };
    set = (await owner.send('POST', '/api/category-sets', sent)).json.result as CategorySet;
    const fields = [field('ends', 'date'), { ...field('topics', 'categories'), settings: { set: set.id } }];
    const offers = { slug: 'offers', one: 'Offer', many: 'Offers', published: true, startStatus: 'live', fields };
    kind = (await owner.send('POST', '/api/kinds', offers)).json.result as Kind;
    for (const ends of ['2026-11-10', '2026-11-19', '2026-11-30', '2027-03-01', null]) {
      await owner.send('POST', `/api/kinds/${kind.id}/listings`, { title: `Until ${ends}`, values: { ends } });
    }
  });
  afterEach(() => api.stop());

  const plan = async (expiry: ExpirySketch | null): Promise<ExpiryEffects> =>
    (await owner.send('POST', `/api/kinds/${kind.id}/expiry/plan`, { expiry })).json as ExpiryEffects;
  const save = async (expiry: ExpirySketch | null): Promise<number> => {
    const { version, ...definition } = (await owner.send('GET', `/api/kinds/${kind.id}`)).json.kind as Kind;
    const body = { ...definition, id: undefined, version, expiry };
    const { status, json } = await owner.send('PUT', `/api/kinds/${kind.id}`, body);
    expect(status).withContext(JSON.stringify(json)).toBe(200);
    return json.changeId as number;
  };
  const onSite = async (): Promise<number> => (await owner.list('/offers')).total;

  it('are counted before a rule is kept, leave with it at once, and come back when it is undone', async () => {
    const { listings, following, undated, turns, consequences, examples } = await plan(RULE);
    expect([listings, following, undated]).toEqual([5, 5, 1]);
    expect(turns).toEqual({ 'leaves-now': 2, 'comes-back': 0, 'leaves-soon': 1, moves: 1 });
    expect(consequences).toEqual({ past: { now: 2, soon: 1 }, soon: { now: 0, soon: 1 } });
    expect(examples.map(({ title }) => title).slice(0, 2)).toEqual(['Until 2026-11-10', 'Until 2026-11-19']);
    expect(await onSite()).toBe(5);
    const change = await save(RULE);
    expect(await onSite()).toBe(3);
    expect((await owner.send('POST', `/api/changes/${change}/undo`)).status).toBe(200);
    expect(await onSite()).toBe(5);
  });

  it('keep what their rule names from being deleted, and follow it when it is merged or renamed', async () => {
    await save(RULE);
    const without = (keys: readonly string[]): object => {
      return { ...set, id: undefined, categories: set.categories.filter(({ key }) => !keys.includes(key)) };
    };
    const refused = await owner.send('PUT', `/api/category-sets/${set.id}`, without(['past']));
    expect([refused.status, refused.json.code]).toEqual([422, 'category.in-rule']);
    expect(refused.json.title).toContain('the expiry rule of Offers');
    const merged = {
      ...without(['past']),
      categories: [{ ...set.categories[1], formerKeys: ['past'] }, set.categories[2]],
    };
    expect((await owner.send('PUT', `/api/category-sets/${set.id}`, merged)).status).toBe(200);
    const { kind: after } = (await owner.send('GET', `/api/kinds/${kind.id}`)).json as { kind: Kind };
    expect(after.expiry?.consequences[0]?.deed).toEqual(jasmine.objectContaining({ add: ['old'] }));

    const renaming = { from: 'ends', to: 'until', version: after.version };
    const renamed = (await owner.send('POST', `/api/kinds/${kind.id}/rename-key`, renaming)).json.result as Kind;
    expect(renamed.expiry?.countedFrom).toEqual(jasmine.objectContaining({ field: 'until' }));
    const { version, id: _, ...definition } = renamed;
    const fields = definition.fields.filter(({ key }) => key !== 'until');
    const gone = await owner.send('PUT', `/api/kinds/${kind.id}`, { ...definition, version, fields });
    expect([gone.status, gone.json.code]).toEqual([422, 'kind.expiry']);
  });

  it('are told of when the zone is about to change', async () => {
    await save(RULE);
    const { status, json } = await owner.send('POST', '/api/site/zone/plan', { zone: 'Pacific/Kiritimati' });
    expect([status, json[0].many, json[0].effects.turns.moves]).toEqual([200, 'Offers', 3]);
    expect((await owner.send('POST', '/api/site/zone/plan', { zone: 'Merrow/Sound' })).status).toBe(422);
  });

  it('stand in the calendar, and in its feed for whoever knows its address', async () => {
    await save(RULE);
    await api.assembly.clock.doDue();
    const until = NOW + 90 * 86_400_000;
    const { coming, done } = (await owner.send('GET', `/api/calendar?from=${NOW}&until=${until}`)).json as CalendarView;
    expect(coming.map(({ day, what, count }) => [day, what, count])).toEqual([
      ['2026-11-24', 'then:soon', 1],
      ['2026-11-30', 'leaves', 1],
      ['2026-11-30', 'then:past', 1],
    ]);
    expect(done.map(({ by }) => by)).toEqual(['the rule of Offers']);

    const { path } = (await owner.send('POST', '/api/calendar/feed')).json as { path: string };
    const response = await fetch(api.address + path);
    expect(response.headers.get('content-type')).toContain('text/calendar');
    const text = await response.text();
    // RFC 5545, 3.1: lines end in CRLF and are at most 75 octets long.
    expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75 && !line.includes('\n'))).toBeTrue();
    const events = new ICAL.Component(ICAL.parse(text) as never).getAllSubcomponents('vevent');
    const read = events.map((event) => new ICAL.Event(event));
    expect(read.map(({ startDate, summary }) => [startDate.toString(), summary])).toEqual([
      ['2026-11-24', '1 Offer: tell office@example.org'],
      ['2026-11-30', '1 Offer: leave the site'],
      ['2026-11-30', '1 Offer: add past to topics'],
    ]);
    expect(new Set(read.map(({ uid }) => uid)).size).toBe(3);
    expect((await fetch(`${api.address}/api/calendar/${'x'.repeat(32)}.ics`)).status).toBe(404);
    await owner.send('POST', '/api/calendar/feed');
    expect((await fetch(api.address + path)).status).toBe(404);
  });

  it('are explained where they are not, and listed among what has left', async () => {
    await save({ ...RULE, saysOver: true });
    const { listings } = (await owner.send('GET', `/api/kinds/${kind.id}/listings?limit=9&offset=0`)).json as {
      listings: Listing[];
    };
    const past = listings.find(({ title }) => title === 'Until 2026-11-10')!;
    const selection = { slug: 'over', name: 'Over', kinds: [kind.id], shows: 'past', published: true };
    expect((await owner.send('POST', '/api/selections', selection)).status).toBe(200);
    expect((await owner.list('/lists/over')).total).toBe(2);
    const why = await owner.send('GET', `/api/page/explain?url=/offers&listing=${past.id}`);
    expect(why.json.reasons[0].sentence).toContain('It left the site on');
  });

  it('tell what the site tells of itself to whom it says, and refuse an address that is none', async () => {
    const target = { to: ['nobody'], manner: 'at-once' };
    const refused = await owner.send('PUT', '/api/site', { notices: { hour: 8, told: { 'signed-in': target } } });
    expect([refused.status, refused.json.title]).toEqual([422, jasmine.stringContaining('“nobody”')]);
    const told = { 'signed-in': { ...target, to: ['office@example.org'] } };
    expect((await owner.send('PUT', '/api/site', { notices: { hour: 8, told } })).status).toBe(200);
    const headers = { 'Content-Type': 'application/json', 'User-Agent': 'another browser' };
    const body = JSON.stringify({ email: 'owner@example.org', password: 'a long password' });
    for (let time = 0; time < 2; time++) await fetch(`${api.address}/api/session`, { method: 'POST', headers, body });
    const { mails } = (await owner.send('GET', '/api/mails')).json as { mails: { recipient: string; id: number }[] };
    expect(mails.map(({ recipient }) => recipient).sort()).toEqual(['office@example.org', 'owner@example.org']);
    const mail = await owner.download(`/api/mails/${mails[0]!.id}/eml`);
    expect(mail.toString()).toContain('owner signed in from a new place');
  });
});
