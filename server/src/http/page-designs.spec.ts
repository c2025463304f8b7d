import type { ServingTable } from '@plindo/core/contract';
import type { DesignedPage } from '@plindo/core/page';
import type { Answer, Sender } from '../../testing/test-api.js';
import { BERTHS, TestApi } from '../../testing/test-api.js';

describe('Designed pages', () => {
  let api: TestApi;
  let owner: Sender;
  let kindId: number;
  let listingId: number;

  beforeEach(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    owner = await api.signIn('owner');
    const { services } = api.assembly;
    kindId = (await services.kinds.add(null, BERTHS)).result.id;
    const added = await services.listings.add(null, kindId, { title: 'Quay', status: 'live', values: { price: '60' } });
    listingId = added.result.id;
  });
  afterEach(() => api.stop());

  const words = (text: string): object[] => [{ words: text }];
  const heading = (text: object[]): object => ({ key: 'h', type: 'heading', settings: { text, level: 1 } });
  const page = (name: string, pieces: object[], more: object = {}): object => ({
    ...{ name, serves: 'listing', ...more },
    strips: [{ key: 's', columns: [{ key: 'c', pieces }] }],
  });
  const add = (definition: object, kind: number | null = kindId): Promise<Answer> =>
    owner.send('POST', '/api/designs', { type: 'page', kindId: kind, definition });
  /** The first heading on a page; its type where it isn't a designed one. */
  const headingAt = async (url: string): Promise<string | undefined> => {
    const model = (await owner.send('GET', `/api/page?url=${url}`)).json as DesignedPage;
    if (model.type !== 'designed') return model.type;
    const pieces = model.strips.flatMap(({ columns }) => columns.flatMap((column) => column.pieces));
    const found = pieces.find(({ type }) => type === 'heading');
    return found?.type === 'heading' ? found.text : undefined;
  };
  const messages = ({ json }: Answer): string[] => json.issues.map(({ message }: { message: string }) => message);

  it('serve the home page, addresses of their own, and listings; taken back, the standard ones do', async () => {
    expect([await headingAt('/'), await headingAt('/about/us'), await headingAt('/berths/quay')]).toEqual([
      ...['My directory', 'not-found', 'Quay'],
    ]);
    const list = { key: 'l', type: 'list', settings: { from: 'kind', of: kindId, heading: words('Ours') } };
    await add(page('Front', [heading(words('Welcome')), list], { serves: 'home' }), null);
    await add(page('About', [heading(words('About us'))], { serves: 'free', address: 'about/us' }), null);
    const added = await add(page('Berth', [heading([{ words: 'At ' }, { field: '@title' }])]));
    expect([await headingAt('/'), await headingAt('/about/us'), await headingAt('/berths/quay')]).toEqual([
      ...['Welcome', 'About us', 'At Quay'],
    ]);
    await owner.send('POST', `/api/changes/${added.json.changeId}/undo`);
    expect(await headingAt('/berths/quay')).toBe('Quay');
  });

  it('serve the listings for which their conditions hold, and it can be asked which does', async () => {
    const dear = { join: 'all', of: [{ field: 'price', op: 'above', value: '50' }] };
    const any = await add(page('Any', [heading(words('Any'))]));
    const special = await add(page('Dear', [heading(words('Dear'))], { when: dear }));
    expect(await headingAt('/berths/quay')).toBe('Dear');
    const serving = async (): Promise<object> => (await owner.send('GET', `/api/listings/${listingId}/page`)).json;
    const ids = { any: any.json.result.id as number, dear: special.json.result.id as number };
    const tried = [
      { id: ids.dear, name: 'Dear', asks: 1, holds: true },
      { id: ids.any, name: 'Any', asks: 0, holds: true },
    ];
    expect(await serving()).toEqual({ id: ids.dear, name: 'Dear', when: dear, tried });
    const { version } = (await owner.send('GET', `/api/listings/${listingId}`)).json;
    await owner.send('PATCH', `/api/listings/${listingId}`, { version, values: { price: '10' } });
    expect([await headingAt('/berths/quay'), await serving()]).toEqual([
      'Any',
      jasmine.objectContaining({ name: 'Any', when: null }),
    ]);
    expect((await owner.send('GET', '/api/listings/99/page')).status).toBe(404);
  });

  it('serve as many listings as a table tells, and stand in the order that was chosen', async () => {
    const dear = { join: 'all', of: [{ field: 'price', op: 'above', value: '50' }] };
    const [first, second] = [
      (await add(page('First', [heading(words('First'))], { when: dear }))).json.result.id as number,
      (await add(page('Second', [heading(words('Second'))], { when: dear }))).json.result.id as number,
    ];
    await api.assembly.services.listings.add(null, kindId, { title: 'Cheap', status: 'live', values: { price: '5' } });
    const table = async (): Promise<unknown> => {
      const { pages } = (await owner.send('GET', `/api/kinds/${kindId}/serving`)).json as ServingTable;
      return pages.map(({ id, count, listings }) => [id, count, listings.map(({ title }) => title)]);
    };
    expect(await table()).toEqual([
      [first, 1, ['Quay']],
      [second, 0, []],
      [null, 1, ['Cheap']],
    ]);
    await owner.send('POST', '/api/designs/order', { ids: [second, first] });
    expect(await headingAt('/berths/quay')).toBe('Second');
    expect(await api.assembly.store.ask('SELECT id FROM designs ORDER BY position')).toEqual([
      { id: second },
      { id: first },
    ]);
    expect((await owner.send('POST', '/api/designs/order', { ids: [second, 99] })).status).toBe(404);
  });

  it('are refused with their place, whether they cannot be read or cannot be shown', async () => {
    const unread = await add(page('A', [{ key: 'x', type: 'clock' }]));
    expect([unread.status, messages(unread)]).toEqual([
      422,
      ['The design cannot be read: page.strips.1.columns.1.pieces.1.type must be the name of a sort of piece.'],
    ]);
    const wrong = await add(page('A', [{ key: 'x', type: 'rich-text', settings: { field: 'gone' } }]));
    expect([wrong.status, messages(wrong)]).toEqual([
      422,
      ['Strip 1, Rich text: there is no field of longer texts “gone” any more.'],
    ]);
    expect((await add(page('A', []), null)).status).toBe(404);
    expect((await add(page('A', [], { serves: 'home' }))).status).toBe(404);
    expect((await owner.send('GET', '/api/designs')).json).toEqual([]);
  });

  it('hold their addresses against other pages and against kinds, and kinds hold theirs', async () => {
    const free = (name: string, address: string): Promise<Answer> =>
      add(page(name, [heading(words(name))], { serves: 'free', address }), null);
    expect((await free('One', 'about')).status).toBe(200);
    expect([(await free('Two', 'about')).status, (await free('Three', 'berths/x')).status]).toEqual([409, 409]);
    const kind = { one: 'About', many: 'Abouts', slug: 'about', fields: [] };
    const refused = await owner.send('POST', '/api/kinds', kind);
    expect([refused.status, refused.json.code]).toEqual([409, 'kind.slug-taken']);
  });

  it('keep a selection, and a kind, that they list from being deleted unnoticed', async () => {
    const list = { key: 'l', type: 'list', settings: { from: 'kind', of: kindId } };
    await add(page('Front', [list], { serves: 'home' }), null);
    const refused = await owner.send('DELETE', `/api/kinds/${kindId}`);
    expect([refused.status, messages(refused)[0]]).toEqual([
      422,
      'The page “Front” uses this and would break. Change it first, under Arrange. Strip 1, Listings: the kind that it lists is not there any more.',
    ]);
    const selection = await owner.send('POST', '/api/selections', { name: 'Some', kinds: [kindId] });
    const ofSelection = { ...list, settings: { from: 'selection', of: selection.json.result.id } };
    await add(page('Berth', [ofSelection]));
    const used = await owner.send('DELETE', `/api/selections/${selection.json.result.id}`);
    expect([used.status, used.json.code]).toEqual([422, 'design.broken']);
  });

  it('serve a selection, and embed parts that are designed once; neither goes unnoticed', async () => {
    const selection = { name: 'Some', slug: 'some', kinds: [kindId], published: true };
    const { id } = (await owner.send('POST', '/api/selections', selection)).json.result;
    const office = await add(page('Office', [heading(words('Call us'))], { serves: 'part' }), null);
    const embedded = { key: 'p', type: 'part', settings: { of: office.json.result.id } };
    const own = page('Some', [embedded, { key: 'l', type: 'list', settings: { from: 'page' } }]);
    expect((await add({ ...own, serves: 'index', selection: 99 }, null)).status).toBe(422);
    expect((await add({ ...own, serves: 'index', selection: id }, null)).status).toBe(200);
    expect([await headingAt('/lists/some'), await headingAt('/berths')]).toEqual(['Call us', 'Berths']);
    const nested = await add(page('Twice', [embedded], { serves: 'part' }), null);
    expect(messages(nested)).toEqual(['Strip 1, Part: a part cannot hold another one.']);
    const changed = page('Office', [heading(words('Write to us'))], { serves: 'part' });
    const { version } = office.json.result;
    await owner.send('PUT', `/api/designs/${office.json.result.id}`, { type: 'page', version, definition: changed });
    expect(await headingAt('/lists/some')).toBe('Write to us');
    const gone = await owner.send('DELETE', `/api/designs/${office.json.result.id}`);
    expect(messages(gone)).toEqual([
      'The page “Some” uses this and would break. Change it first, under Arrange. Strip 1, Part: the part is not there any more.',
    ]);
    expect((await owner.send('DELETE', `/api/selections/${id}`)).status).toBe(422);
    // On another site, where numbers are others, the page finds its part and its selection again.
    const other = await TestApi.start();
    try {
      await other.addUser('owner');
      const there = await other.signIn('owner');
      await there.send('POST', '/api/kinds', { slug: 'x', one: 'X', many: 'Xs', fields: [] });
      const sent = (await owner.send('GET', '/api/blueprint')).json;
      expect((await there.send('POST', '/api/blueprint', sent)).status).toBe(200);
      const model = (await there.send('GET', '/api/page?url=/lists/some')).json as DesignedPage;
      expect(JSON.stringify(model.strips)).toContain('Write to us');
    } finally {
      await other.stop();
    }
  });

  it('show people who have signed in what visitors don’t see', async () => {
    const secret = { ...heading(words('For the office')), viewer: 'signed-in' };
    await add(page('Front', [secret, { ...heading(words('Welcome')), key: 'i' }], { serves: 'home' }), null);
    const seenBy = async (sender: Sender): Promise<[string, boolean]> => {
      const { json } = await sender.send('GET', '/api/page?url=/');
      return [JSON.stringify(json.strips), json.dependsOnViewer as boolean];
    };
    const [office, visitor] = [await seenBy(owner), await seenBy(api.anyone)];
    expect([office[0].includes('For the office'), visitor[0].includes('For the office')]).toEqual([true, false]);
    expect([office[1], visitor[1]]).toEqual([true, true]);
  });

  it('go to another site in a blueprint, with the kinds and selections that they list', async () => {
    const selection = await owner.send('POST', '/api/selections', { name: 'Some', kinds: [kindId] });
    const lists = [
      { key: 'a', type: 'list', settings: { from: 'kind', of: kindId } },
      { key: 'b', type: 'list', settings: { from: 'selection', of: selection.json.result.id } },
    ];
    await add(page('Front', lists, { serves: 'home' }), null);
    const blueprint = (await owner.send('GET', '/api/blueprint')).json;
    const other = await TestApi.start();
    try {
      await other.addUser('owner');
      const there = await other.signIn('owner');
      // So that numbers are others there.
      await there.send('POST', '/api/kinds', { one: 'Crew', many: 'Crews', slug: 'crews', fields: [] });
      await there.send('POST', '/api/selections', { name: 'Other', kinds: [1] });
      expect((await there.send('POST', '/api/blueprint', blueprint)).status).toBe(200);
      const [design] = (await there.send('GET', '/api/designs')).json;
      const of = design.definition.strips[0].columns[0].pieces.map(
        ({ settings }: { settings: { of: number } }) => settings.of,
      );
      expect(of).toEqual([2, 2]);
    } finally {
      await other.stop();
    }
  });

  it('are rendered anew when what they list changes, and kept when something else does', async () => {
    const list = { key: 'l', type: 'list', settings: { from: 'linked', fields: [] } };
    expect((await add(page('Berth', [list]))).status).toBe(422);
    const related = { key: 'l', type: 'list', settings: { from: 'related', fields: ['price'] } };
    await add(page('Berth', [related]));
    const { pages, live } = api.assembly.services;
    const found = pages.destination('/berths/quay');
    const reads = found.kind === 'page' ? found.reads : null;
    expect(reads).toEqual({ kinds: [kindId], listings: [listingId], views: false });
    const { current } = live.revisions;
    const crews = (await api.assembly.services.kinds.add(null, { ...BERTHS, slug: 'c', one: 'C', many: 'Cs' })).result;
    const structural = live.revisions.current;
    await api.assembly.services.listings.add(null, crews.id, { title: 'X', status: 'live', values: {} });
    expect([live.revisions.isSame(reads!, current), live.revisions.isSame(reads!, structural)]).toEqual([false, true]);
    await api.assembly.services.listings.add(null, kindId, { title: 'Y', status: 'live', values: {} });
    expect(live.revisions.isSame(reads!, structural)).toBeFalse();
  });

  it('are shown before they are saved, whatever is wrong with them, and nothing is kept', async () => {
    const definition = page('Draft', [
      heading([{ words: 'Soon: ' }, { field: '@title' }]),
      { key: 'x', type: 'gallery' },
    ]);
    const preview = (more: object): Promise<Answer> =>
      owner.send('POST', '/api/designs/preview', { kindId, definition, ...more });
    const shown = await preview({ listingId });
    expect(shown.status).toBe(200);
    expect(JSON.stringify(shown.json)).toContain('Soon: Quay');
    expect((await owner.send('GET', '/api/designs')).json).toEqual([]);
    expect((await preview({})).status).toBe(404);
    expect((await preview({ listingId, definition: { name: 'x', strips: [{ key: 's', tone: 'loud' }] } })).status).toBe(
      422,
    );
  });

  it('of lists are shown before they are saved in a state of their list, also of kinds that nobody sees', async () => {
    const list = { key: 'l', type: 'list', settings: { from: 'page' } };
    const definition = page('List', [list, { key: 'n', type: 'count' }], { serves: 'index' });
    const shown = await owner.send('POST', '/api/designs/preview', { kindId, definition, search: 'q=nothing-like-it' });
    expect(shown.status).toBe(200);
    expect((shown.json as DesignedPage).canonical).toBe('/berths?q=nothing-like-it');
  });

  it('can be asked for by the address of a page, with what it was shown with', async () => {
    const at = async (url: string): Promise<object> => (await owner.send('GET', `/api/page/design?url=${url}`)).json;
    const standard = { id: null, kindId: null, selection: 0, listingId: null, category: null };
    expect(await at('/')).toEqual({ ...standard, serves: 'home' });
    expect(await at('/berths')).toEqual({ ...standard, serves: 'index', kindId });
    expect(await at('/berths/quay')).toEqual({ ...standard, serves: 'listing', kindId, listingId });
    const { id } = (await add(page('Berth', [heading(words('A berth'))]))).json.result as { id: number };
    expect(await at('/berths/quay')).toEqual({ ...standard, id, serves: 'listing', kindId, listingId });
    expect((await owner.send('GET', '/api/page/design?url=/nowhere')).status).toBe(404);
  });

  it('that are not there lead on to those whose names are near, and to a search', async () => {
    const near = async (url: string): Promise<object> => (await owner.send('GET', `/api/page/near?url=${url}`)).json;
    expect(await near('/berths/the-qauy')).toEqual([{ label: 'Quay', href: '/berths/quay' }]);
    expect(await near('/anything/at/all')).toEqual([]);
    const { search } = (await owner.send('GET', '/api/page?url=/nowhere')).json as { search: object };
    expect(search).toEqual({ label: 'Search berths', href: '/berths' });
  });
});
