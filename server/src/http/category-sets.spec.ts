import type { DesignedPage } from '@plindo/core/page';
import { listOnPage, piecesOn } from '@plindo/core/testing/list-on-page';
import type { CategorySetSummary } from '@plindo/core/contract';
import type { Listing } from '@plindo/core/listings';
import { field } from '../../testing/sketches.js';
import type { Sender } from '../../testing/test-api.js';
import { TestApi } from '../../testing/test-api.js';

describe('Category sets', () => {
  let api: TestApi;
  let owner: Sender;
  let kindId: number;
  let setId: number;

  beforeEach(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    owner = await api.signIn('owner');
    const categories = [
      ['engine', 'Engine', null],
      ['diesel', 'Diesel', 'engine'],
      ['hull', 'Hull', null],
    ].map(([key, label, parent]) => ({ key, label, parent, icon: '', colour: '', text: '', formerKeys: [] }));
    const { json: made } = await owner.send('POST', '/api/category-sets', { slug: '', label: 'Services', categories });
    setId = made.result.id;
    const facet = {
      key: 'services',
      label: 'Services',
      field: 'services',
      control: 'ticks',
      join: 'any',
      zero: 'dim',
      valueOrder: 'defined',
      shownFirst: 8,
    };
    const kind = {
      one: 'Yard',
      many: 'Yards',
      slug: 'yards',
      published: true,
      startStatus: 'live',
      fields: [field('services', 'categories', { settings: { set: setId } })],
      facets: [facet],
    };
    kindId = (await owner.send('POST', '/api/kinds', kind)).json.result.id;
    for (const [title, services] of [
      ['A', ['diesel']],
      ['B', ['hull']],
      ['C', ['Diesel', 'Hull']],
    ]) {
      await owner.send('POST', `/api/kinds/${kindId}/listings`, { title, values: { services } });
    }
  });

  afterEach(() => api.stop());

  const summary = async (): Promise<CategorySetSummary> => (await owner.send('GET', '/api/category-sets')).json[0];
  const services = async (): Promise<unknown[]> =>
    (await owner.send('GET', `/api/kinds/${kindId}/listings`)).json.listings.map(
      ({ values }: Listing) => values['services'],
    );

  it('count a listing once in a category and once in each above it, and offer them as a facet', async () => {
    expect((await summary()).counts).toEqual({ engine: 2, diesel: 2, hull: 2 });
    const page = await owner.list('/yards?services=engine');
    const [facet] = page.facets;
    expect(page.total).toBe(2);
    expect(facet && 'values' in facet && facet.values.map(({ label, count, depth }) => [label, count, depth])).toEqual([
      ['Engine', 2, 0],
      ['Diesel', 2, 1],
      ['Hull', 2, 0],
    ]);
  });

  it('have a page each, of what is in them and below, which a listing of that address goes before', async () => {
    const { pages } = api.assembly.services;
    const engine = await owner.list('/yards/engine');
    expect([engine.total, engine.cards.map(({ title }) => title)]).toEqual([2, ['A', 'C']]);
    expect((await owner.list('/yards/engine?services=hull')).cards.map(({ title }) => title)).toEqual(['C']);
    const page = (await owner.send('GET', '/api/page?url=/yards/diesel')).json as DesignedPage;
    expect([page.serves, page.canonical, page.title]).toEqual(['category', '/yards/diesel', 'Diesel – My directory']);
    expect(piecesOn(page).filter(({ type }) => type === 'breadcrumb')).toEqual([
      jasmine.objectContaining({ words: 'All yards', href: '/yards' }),
    ]);
    const address = (url: string): unknown => {
      const destination = pages.destination(url);
      return destination.kind === 'page' ? destination.address : destination;
    };
    expect(address('/yards/engine?services=hull&x=1')).toBe('/yards/engine?services=hull');
    expect((await owner.send('GET', '/api/page?url=/yards/nothing')).json.type).toBe('not-found');
    await owner.send('POST', `/api/kinds/${kindId}/listings`, { title: 'Engine', slug: 'engine' });
    const listing = (await owner.send('GET', '/api/page?url=/yards/engine')).json as DesignedPage;
    expect(listing.listing?.title).toBe('Engine');
  });

  it('have the page that was designed for those of the kind', async () => {
    const pieces = [
      { key: 'a', type: 'chosen-category', settings: { level: 1 } },
      { key: 'b', type: 'count' },
      { key: 'c', type: 'list', settings: { from: 'page' } },
    ];
    const definition = { name: 'Service', serves: 'category', strips: [{ key: 's', columns: [{ key: 'd', pieces }] }] };
    const added = await owner.send('POST', '/api/designs', { type: 'page', kindId, definition });
    expect(added.status).toBe(200);
    const page = (await owner.send('GET', '/api/page?url=/yards/hull')).json as DesignedPage;
    expect(piecesOn(page).map(({ type }) => type)).toEqual(['chosen-category', 'count', 'list']);
    expect([page.title, listOnPage(page).countSentence]).toEqual(['Hull – My directory', '2 yards']);
  });

  it('merge: listings follow, the old address redirects, and undoing brings all back', async () => {
    const before = await services();
    const { set } = await summary();
    const merged = { ...set, categories: [{ ...set.categories[0], formerKeys: ['diesel'] }, set.categories[2]] };
    const { id: _, ...sent } = merged;
    const done = await owner.send('PUT', `/api/category-sets/${setId}`, sent);
    expect(done.status).withContext(JSON.stringify(done.json)).toBe(200);
    expect(await services()).toEqual([['engine'], ['hull'], ['engine', 'hull']]);
    const { pages } = api.assembly.services;
    const [to, address] = ['/yards?services=engine,hull', '/yards?services=engine'];
    expect(pages.destination('/yards?services=diesel,hull')).toEqual({ kind: 'moved', to });
    expect(pages.destination('/yards/diesel')).toEqual({ kind: 'moved', to: '/yards/engine' });
    expect(pages.destination('/yards?services=engine')).toEqual(jasmine.objectContaining({ kind: 'page', address }));
    await owner.send('POST', `/api/changes/${done.json.changeId}/undo`);
    expect(await services()).toEqual(before);
    expect((await summary()).counts).toEqual({ engine: 2, diesel: 2, hull: 2 });
  });

  it('split: the chosen listings get the new category; deleting takes a category from its listings', async () => {
    const { set } = await summary();
    const { id: _, ...sent } = set;
    const paint = { key: 'paint', label: 'Paint', parent: null, icon: '', colour: '', text: '', formerKeys: [] };
    const move = { from: 'hull', to: 'paint', listings: [2] };
    await owner.send('PUT', `/api/category-sets/${setId}`, { ...sent, categories: [...sent.categories, paint], move });
    expect(await services()).toEqual([['diesel'], ['paint'], ['diesel', 'hull']]);
    const { set: now } = await summary();
    const { id: __, ...later } = now;
    await owner.send('PUT', `/api/category-sets/${setId}`, { ...later, categories: later.categories.slice(2) });
    expect(await services()).toEqual([undefined, ['paint'], ['hull']]);
    expect((await owner.send('DELETE', `/api/category-sets/${setId}`)).json.code).toBe('category.set-used');
  });

  it('take one category more from whoever fills in a listing', async () => {
    const added = await owner.send('POST', `/api/category-sets/${setId}/categories`, {
      label: 'Osmosis',
      parent: 'hull',
    });
    expect(added.json.result.categories.map(({ key }: { key: string }) => key)).toContain('osmosis');
    const listing = { title: 'D', values: { services: ['osmosis'] } };
    expect((await owner.send('POST', `/api/kinds/${kindId}/listings`, listing)).status).toBe(200);
    const twice = await owner.send('POST', `/api/category-sets/${setId}/categories`, {
      label: 'OSMOSIS',
      parent: 'hull',
    });
    expect(twice.json.code).toBe('category.set');
  });
});
