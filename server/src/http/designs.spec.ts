import type { DesignSamples, DesignVersion } from '@plindo/core/contract';
import type { Design } from '@plindo/core/design';
import type { PageFrame, PageModel } from '@plindo/core/page';
import type { SentWords } from '@plindo/core/values';
import { listOnPage } from '@plindo/core/testing/list-on-page';
import type { Sender } from '../../testing/test-api.js';
import { BERTHS, TestApi } from '../../testing/test-api.js';

const TITLE = { key: 'title', text: [{ field: '@title' }] };

describe('Designs', () => {
  let api: TestApi;
  let owner: Sender;
  let kindId: number;

  beforeEach(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    owner = await api.signIn('owner');
    const { services } = api.assembly;
    kindId = (await services.kinds.add(null, BERTHS)).result.id;
    await services.listings.add(null, kindId, { title: 'Quay', status: 'live', values: { price: '60' } });
  });
  afterEach(() => api.stop());

  const card = (name: string, words: string): object => ({
    ...{ type: 'card', kindId },
    definition: { name, zones: { heading: [TITLE], foot: [{ key: 'x', text: [{ words }, { field: 'price' }] }] } },
  });
  /** What stands at the foot of the first card of the index page. */
  const foot = async (): Promise<string | undefined> => {
    const page = (await owner.send('GET', '/api/page?url=/berths')).json as PageModel;
    return listOnPage(page).cards[0]?.values['x']?.text;
  };
  const messages = ({ json }: { json: { issues: { message: string }[] } }): string[] =>
    json.issues.map(({ message }) => message);

  it('are kept, seen on the page at once, and taken back', async () => {
    expect(await foot()).toBeUndefined();
    const added = await owner.send('POST', '/api/designs', card('Plain', 'For '));
    expect([added.status, await foot()]).toEqual([200, 'For €60']);
    const { id, version, definition } = added.json.result;
    definition.zones.foot[0].text[0].words = 'Only ';
    const changed = await owner.send('PUT', `/api/designs/${id}`, { type: 'card', version, definition });
    expect([changed.json.result.version, await foot()]).toEqual([2, 'Only €60']);
    const stale = await owner.send('PUT', `/api/designs/${id}`, { type: 'card', version, definition });
    expect([stale.status, stale.json.code]).toEqual([409, 'change.conflict']);
    await owner.send('POST', `/api/changes/${changed.json.changeId}/undo`);
    expect(await foot()).toBe('For €60');
    await owner.send('DELETE', `/api/designs/${id}`);
    expect([await foot(), (await owner.send('GET', '/api/designs')).json]).toEqual([undefined, []]);
  });

  it('can bring CSS of their own, which is served scoped under an address of its own, and refused with its line', async () => {
    const look = (css: string): object => ({ type: 'look', kindId: null, definition: { name: 'Ours', css } });
    const wrong = await owner.send('POST', '/api/designs', look('p { top: 0 }\n@import "x";'));
    expect([wrong.status, messages(wrong).join()]).toEqual([422, jasmine.stringContaining('line 2') as never]);
    await owner.send('POST', '/api/designs', look('h1 { color: teal }'));
    const { ownSheet } = (await owner.send('GET', '/api/page?url=/berths')).json as PageFrame;
    const response = await fetch(api.address + ownSheet);
    expect([response.status, response.headers.get('content-type')]).toEqual([200, 'text/css; charset=utf-8']);
    expect(await response.text()).toContain('pl-site-footer) h1');
    expect((await fetch(`${api.address}/own-sheets/other.css`)).status).toBe(404);
  });

  it('have names of their own in their kind, and one of them is the main one', async () => {
    await owner.send('POST', '/api/designs', card('Plain', 'A '));
    const twice = await owner.send('POST', '/api/designs', card('plain', 'B '));
    expect([twice.status, messages(twice)]).toEqual([
      409,
      ['There is already a card called “plain”. Choose another name.'],
    ]);
    const second = await owner.send('POST', '/api/designs', card('Other', 'B '));
    expect(await foot()).toBe('A €60');
    const made = await owner.send('POST', `/api/designs/${second.json.result.id}/main`);
    expect(await foot()).toBe('B €60');
    await owner.send('POST', `/api/changes/${made.json.changeId}/undo`);
    expect(await foot()).toBe('A €60');
  });

  it('are refused with the place and the reason when they cannot be shown', async () => {
    const definition = { name: 'Card', zones: { heading: [TITLE], body: [{ key: 'x', text: [{ field: 'gone' }] }] } };
    const refused = await owner.send('POST', '/api/designs', { type: 'card', kindId, definition });
    expect([refused.status, messages(refused)]).toEqual([422, ['Values, 1: there is no field “gone” any more.']]);
    const forms = [
      { ...card('A', ''), type: 'poster' },
      { ...card('A', ''), definition: { name: 'A', zones: { heading: [{ key: 'x', text: 'words' }] } } },
      { ...card('A', ''), definition: { name: 'A', zones: { heading: [{ key: 'x', text: [{ field: 7 }] }] } } },
      { ...card('A', ''), definition: { name: 'A', surface: 'glass' } },
      { ...card('A', ''), kindId: 99 },
      { type: 'card', kindId },
    ];
    const statuses = [];
    for (const form of forms) statuses.push((await owner.send('POST', '/api/designs', form)).status);
    expect(statuses).toEqual([400, 400, 400, 400, 404, 400]);
    expect((await owner.send('GET', '/api/designs')).json).toEqual([]);
  });

  it('may be made by editors, and by nobody below them', async () => {
    await api.addUser('editor');
    await api.addUser('contributor');
    const statuses = [];
    for (const role of ['editor', 'contributor'] as const) {
      const sender = await api.signIn(role);
      statuses.push((await sender.send('POST', '/api/designs', card(role, ''))).status);
    }
    expect(statuses).toEqual([200, 403]);
  });

  it('follow a field that gets another key, and keep one that they use from being deleted', async () => {
    await owner.send('POST', '/api/designs', card('Plain', 'For '));
    const { id: _, ...kind } = (await owner.send('GET', `/api/kinds/${kindId}`)).json.kind;
    const fields = kind.fields.filter(({ key }: { key: string }) => key !== 'price');
    const without = { ...kind, fields, facets: [], sortChoices: [] };
    const refused = await owner.send('PUT', `/api/kinds/${kindId}`, without);
    expect([refused.status, messages(refused)]).toEqual([
      422,
      [
        'The card “Plain” uses this and would break. Change it first, under Arrange. Foot, 1: there is no field “price” any more.',
      ],
    ]);
    const sent = { version: kind.version, from: 'price', to: 'fee' };
    const renamed = await owner.send('POST', `/api/kinds/${kindId}/rename-key`, sent);
    expect([renamed.status, await foot()]).toEqual([200, 'For €60']);
    const [design] = (await owner.send('GET', '/api/designs')).json;
    expect(design.definition.zones.foot[0].text[1].field).toBe('fee');
  });

  it('go with their kind, and come back with it', async () => {
    await owner.send('POST', '/api/designs', card('Plain', 'For '));
    const removed = await owner.send('DELETE', `/api/kinds/${kindId}`);
    expect((await owner.send('GET', '/api/designs')).json).toEqual([]);
    await owner.send('POST', `/api/changes/${removed.json.changeId}/undo`);
    expect(await foot()).toBe('For €60');
  });

  it('stand in blueprints; those from before say on fields what stands on cards', async () => {
    await owner.send('POST', '/api/designs', card('Plain', 'For '));
    const blueprint = (await owner.send('GET', '/api/blueprint')).json;
    const other = await TestApi.start();
    try {
      await other.addUser('owner');
      const there = await other.signIn('owner');
      await there.send('POST', '/api/blueprint', blueprint);
      expect((await there.send('GET', '/api/blueprint')).json.designs).toEqual(blueprint.designs);
      const { designs: _, ...former } = blueprint;
      former.kinds[0] = { ...former.kinds[0], slug: 'old', one: 'Old one', many: 'Old ones' };
      for (const field of former.kinds[0].fields) field.onCard = field.key === 'price';
      expect((await there.send('POST', '/api/blueprint', former)).status).toBe(200);
      const all = (await there.send('GET', '/api/designs')).json as {
        definition: { name: string; zones: { body: { key: string }[] } };
      }[];
      const old = all.find(({ definition }) => definition.name === 'Old one card')!;
      expect(old.definition.zones.body.map(({ key }) => key)).toEqual(['price']);
    } finally {
      await other.stop();
    }
  });

  it('can be a look, which all pages wear; the one that was made the main one', async () => {
    const lookOf = async (path = '/'): Promise<string> =>
      (await owner.send('GET', `/api/page?url=${path}`)).json.look as string;
    const look = (definition: object, kind: number | null = null): ReturnType<Sender['send']> =>
      owner.send('POST', '/api/designs', { type: 'look', kindId: kind, definition });
    expect(await lookOf()).toBe('');
    expect((await look({ name: 'Winter', palette: 'slate', corners: 'square' })).status).toBe(200);
    expect(await lookOf('/berths')).toContain('--pl-corner: 0; ');
    expect(await lookOf('/nowhere')).toContain('--pl-paper: light-dark(#');
    const summer = await look({ name: 'Summer', corners: 'round' });
    expect(await lookOf()).toContain('--pl-corner: 0; ');
    await owner.send('POST', `/api/designs/${summer.json.result.id}/main`);
    expect(await lookOf()).toBe('--pl-corner: 14px; --pl-button-corner: 14px');
    const pale = await look({ name: 'Pale', light: { ink: '#dddddd' } });
    expect([pale.status, pale.json.issues[0].code]).toEqual([422, 'look.contrast']);
    expect((await look({ name: 'Of a kind' }, kindId)).status).toBe(404);
    expect((await look({ name: 'summer' })).status).toBe(409);
    const other = await TestApi.start();
    try {
      await other.addUser('owner');
      const there = await other.signIn('owner');
      const sent = (await owner.send('GET', '/api/blueprint')).json;
      expect((await there.send('POST', '/api/blueprint', sent)).status).toBe(200);
      expect((await there.send('GET', '/api/page?url=/')).json.look).toContain('14px');
    } finally {
      await other.stop();
    }
  });

  it('can be the words of the site in a language, in the place of those that ship', async () => {
    const page = async (path = '/nowhere'): Promise<{ title: string; words: SentWords }> =>
      (await owner.send('GET', `/api/page?url=${path}`)).json as { title: string; words: SentWords };
    const words = (definition: object): ReturnType<Sender['send']> =>
      owner.send('POST', '/api/designs', { type: 'words', kindId: null, definition });
    const said = { 'page.gone': 'Lost at sea', 'pager.next': 'Onwards' };
    expect((await words({ name: 'Ours', said })).status).toBe(200);
    expect((await words({ name: 'German ones', language: 'de', said: { 'pager.next': 'Voraus' } })).status).toBe(200);
    const english = await page();
    expect([english.title.split(' – ')[0], english.words.said]).toEqual(['Lost at sea', said]);
    const wrong = await words({ name: 'Wrong', said: { 'list.all': 'All {sum}' } });
    expect([wrong.status, wrong.json.issues[0].code, wrong.json.issues[0].field]).toEqual([
      ...[422, 'words.place', 'said.list.all'],
    ]);
    const { site } = (await owner.send('GET', '/api/page?url=/')).json as { site: object };
    expect((await owner.send('PUT', '/api/site', { ...site, locale: 'de-DE' })).status).toBe(200);
    const german = await page();
    expect(german.title).toContain('Hier ist nichts');
    expect([german.words.said['pager.next'], german.words.said['sort.label']]).toEqual(['Voraus', 'Sortieren nach']);
    await owner.send('PUT', '/api/site', site);
  });

  it('keep the states that they had, with who made each, also through an undo', async () => {
    const added = await owner.send('POST', '/api/designs', card('One', 'first '));
    const { id, version } = added.json.result as { id: number; version: number };
    const { definition } = card('One', 'second ') as { definition: object };
    const changed = await owner.send('PUT', `/api/designs/${id}`, { type: 'card', version, definition });
    await owner.send('POST', `/api/changes/${changed.json.changeId}/undo`);
    const versions = (await owner.send('GET', `/api/designs/${id}/versions`)).json as DesignVersion[];
    const first = ({ definition: own }: DesignVersion): string =>
      JSON.stringify(own).includes('first ') ? 'first' : 'second';
    expect(versions.map(first)).toEqual(['first', 'second', 'first']);
    expect(versions[0]?.sentence).toContain('Undid');
    expect(versions.every(({ who, at }) => who !== '' && !Number.isNaN(Date.parse(at)))).toBeTrue();
    expect((await owner.send('GET', '/api/designs/9999/versions')).status).toBe(404);
  });

  it('can be header and footer of the site, which go along in a blueprint with the kind that they search', async () => {
    const menu = [{ words: 'Stay', address: '/berths', below: [] }];
    const definition = { name: 'Ours', hasOwnMenu: true, menu, searchIn: kindId, line: 'The end' };
    const sent = (more: object = {}): ReturnType<Sender['send']> =>
      owner.send('POST', '/api/designs', { type: 'frame', kindId: null, definition: { ...definition, ...more } });
    expect((await sent({ searchIn: 999 })).status).toBe(422);
    expect((await sent()).status).toBe(200);
    const page = (await owner.send('GET', '/api/page?url=/')).json as PageFrame;
    expect(page.header.menu.map(({ label }) => label)).toEqual(['Stay']);
    expect(page.footer).toEqual({ columns: [], line: 'The end' });
    const blueprint = (await owner.send('GET', '/api/blueprint')).json as object;
    const other = await TestApi.start();
    try {
      await other.addUser('owner');
      const there = await other.signIn('owner');
      expect((await there.send('POST', '/api/blueprint', blueprint)).status).toBe(200);
      const designs = (await there.send('GET', '/api/designs')).json as Design[];
      const [kept] = designs.filter(({ type }) => type === 'frame');
      const [kind] = (await there.send('GET', '/api/kinds')).json as { kind: { id: number } }[];
      expect((kept?.definition as { searchIn: number }).searchIn).toBe(kind!.kind.id);
    } finally {
      await other.stop();
    }
  });

  it('are tried with listings with which they are likely to break', async () => {
    const { listings } = api.assembly.services;
    await listings.add(null, kindId, { title: 'The one with quite a long title', status: 'live', values: {} });
    await listings.add(null, kindId, { title: 'Binned', status: 'binned', values: {} });
    const { samples } = (await owner.send('GET', `/api/kinds/${kindId}/samples`)).json as DesignSamples;
    const why = Object.fromEntries(samples.map((sample) => [sample.listing.title, sample.why]));
    expect(Object.keys(why).sort()).toEqual(['Quay', 'The one with quite a long title']);
    expect(why['The one with quite a long title']).toContain('longest-title');
    expect(why['Quay']).toContain('most-values');
    const one = (await owner.send('GET', `/api/listings/${samples[0]!.listing.id}/sample`)).json as DesignSamples;
    expect(one.samples.map(({ listing }) => listing.id)).toEqual([samples[0]!.listing.id]);
    expect((await owner.send('GET', '/api/kinds/99/samples')).status).toBe(404);
  });
});
