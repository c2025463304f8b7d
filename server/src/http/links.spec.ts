import type { PageModel } from '@plindo/core/page';
import { listOnPage } from '@plindo/core/testing/list-on-page';
import type { Listing } from '@plindo/core/listings';
import type { KindDefinition } from '@plindo/core/structure';
import type { Sender } from '../../testing/test-api.js';
import { shownPage } from '../../testing/shown-page.js';
import { TestApi } from '../../testing/test-api.js';

const MINUTE = 60_000;

describe('Links', () => {
  let api: TestApi;
  let owner: Sender;
  const made = new Map<string, number>();
  let now: number;

  beforeEach(async () => {
    now = Math.floor(Date.now() / MINUTE) * MINUTE;
    api = await TestApi.start(undefined, () => new Date(now));
    await api.addUser('owner');
    owner = await api.signIn('owner');
    for (const [one, many, slug] of [
      ['Harbour', 'Harbours', 'harbours'],
      ['Berth', 'Berths', 'berths'],
    ]) {
      const kind = { one, many, slug, published: true, startStatus: 'live', fields: [] };
      made.set(slug!, (await owner.send('POST', '/api/kinds', kind)).json.result.id as number);
    }
    const a = { kindId: made.get('berths')!, label: 'Lies in', many: false };
    const b = { kindId: made.get('harbours')!, label: 'Berths', many: true };
    const link = await owner.send('POST', '/api/links', { a, b, hasNotes: true });
    expect(link.status).withContext(JSON.stringify(link.json)).toBe(200);
    for (const title of ['Haven', 'Quay']) await add('harbours', title);
    for (const title of ['B1', 'B2']) await add('berths', title, { lies_in: [idOf('Haven')] });
  });

  afterEach(() => api.stop());

  const idOf = (title: string): number => made.get(title)!;

  async function add(slug: string, title: string, values: Record<string, unknown> = {}): Promise<Listing> {
    const { json, status } = await owner.send('POST', `/api/kinds/${idOf(slug)}/listings`, { title, values });
    expect(status).withContext(JSON.stringify(json)).toBe(200);
    made.set(title, json.result.id as number);
    return json.result as Listing;
  }

  async function change(title: string, values: Record<string, unknown>): Promise<{ changeId: number }> {
    const { json: listing } = await owner.send('GET', `/api/listings/${idOf(title)}`);
    const { json, status } = await owner.send('PATCH', `/api/listings/${listing.id}`, {
      version: listing.version,
      values,
    });
    expect(status).withContext(JSON.stringify(json)).toBe(200);
    return json as { changeId: number };
  }

  /** The titles that a listing is linked with, by either field. */
  const linked = async (title: string): Promise<string[]> => {
    const { json } = await owner.send('GET', `/api/listings/${idOf(title)}`);
    const values = json.values as Record<string, { title: string; note: string }[] | undefined>;
    const list = values['lies_in'] ?? values['berths'] ?? [];
    return list.map((one) => (one.note === '' ? one.title : `${one.title} (${one.note})`));
  };

  it('are seen and edited from both ends, and a taken end is moved', async () => {
    expect(await linked('Haven')).toEqual(['B1', 'B2']);
    await change('Quay', { berths: [{ id: idOf('B2'), note: 'Outside' }] });
    expect([await linked('Haven'), await linked('Quay'), await linked('B2')]).toEqual([
      ['B1'],
      ['B2 (Outside)'],
      ['Quay (Outside)'],
    ]);
    await change('B1', { lies_in: null });
    expect(await linked('Haven')).toEqual([]);
    const page = await owner.send('GET', '/api/page?url=/berths/b2');
    expect(shownPage(page.json).slots[0]?.links).toEqual([{ text: 'Quay', href: '/harbours/quay', note: 'Outside' }]);
  });

  it('show the other end as it is now: renamed, hidden or in the bin', async () => {
    const shown = async (): Promise<unknown> =>
      shownPage((await owner.send('GET', '/api/page?url=/harbours/haven')).json).slots[0]?.text;
    await owner.send('PATCH', `/api/listings/${idOf('B1')}`, { version: 1, title: 'Berth one' });
    expect(await shown()).toBe('Berth one, B2');
    await owner.send('PATCH', `/api/listings/${idOf('B1')}`, { version: 2, status: 'hidden' });
    expect(await shown()).toBe('B2');
    await owner.send('PATCH', `/api/listings/${idOf('B2')}`, { version: 1, status: 'binned' });
    expect(await shown()).toBeUndefined();
    expect(await linked('Haven')).toEqual(['Berth one']);
  });

  describe('whose titles are searched', () => {
    const berthsFor = async (word: string): Promise<number> => (await owner.list(`/berths?q=${word}`)).total;
    const changeKind = async (slug: string, change: (kind: KindDefinition) => object): Promise<void> => {
      const { json } = await owner.send('GET', `/api/kinds/${idOf(slug)}`);
      const { id, ...kind } = json.kind;
      const saved = await owner.send('PUT', `/api/kinds/${id}`, { ...kind, ...change(kind as KindDefinition) });
      expect(saved.status).withContext(JSON.stringify(saved.json)).toBe(200);
    };

    beforeEach(() =>
      changeKind('berths', ({ fields }) => ({ fields: fields.map((field) => ({ ...field, searchWeight: 1 })) })),
    );

    it('let nobody find a hidden listing by the words of its title, and find it again when it is shown', async () => {
      expect(await berthsFor('haven')).toBe(2);
      await owner.send('PATCH', `/api/listings/${idOf('Haven')}`, { version: 1, status: 'hidden' });
      expect(await berthsFor('haven')).toBe(0);
      await owner.send('PATCH', `/api/listings/${idOf('Haven')}`, { version: 2, status: 'live' });
      expect(await berthsFor('haven')).toBe(2);
    });

    it('are found by them from the moment on at which the other one comes, and until it goes', async () => {
      const shownFrom = new Date(now + MINUTE).toISOString();
      const shownUntil = new Date(now + 2 * MINUTE).toISOString();
      await owner.send('PATCH', `/api/listings/${idOf('Haven')}`, { version: 1, shownFrom, shownUntil });
      const found: number[] = [];
      for (const later of [0, MINUTE - 1, 1, MINUTE - 1, 1]) {
        now += later;
        found.push(...(await Promise.all([berthsFor('haven'), berthsFor('haven')])));
      }
      expect(found).toEqual([0, 0, 0, 0, 2, 2, 2, 2, 0, 0]);
    });

    it('are found by them after a start too, though kinds that come later are linked', async () => {
      await changeKind('harbours', ({ fields }) => ({
        fields: fields.map((field) => ({ ...field, searchWeight: 1 })),
      }));
      const found = async (): Promise<number[]> => {
        const { pages } = api.assembly.services;
        const of = [await pages.page('/harbours?q=b2'), await pages.page('/berths?q=haven')];
        return of.map((page) => listOnPage(page).total);
      };
      expect(await found()).toEqual([1, 2]);
      await api.leave();
      api = await TestApi.start(api.folder);
      expect(await found()).toEqual([1, 2]);
    });

    it('are found by them only while their whole kind is on the site', async () => {
      const found: number[] = [];
      for (const change of [{ published: false }, { published: true }, { putAside: true }, { putAside: false }]) {
        await changeKind('harbours', () => change);
        found.push(await berthsFor('haven'));
      }
      expect(found).toEqual([0, 2, 0, 2]);
    });
  });

  it('can be a facet of a page, by the names at the other end', async () => {
    const { json } = await owner.send('GET', `/api/kinds/${idOf('berths')}`);
    const { id, ...definition } = json.kind;
    const facet = {
      key: 'harbour',
      label: 'Harbour',
      field: 'lies_in',
      control: 'ticks',
      join: 'any',
      zero: 'dim',
      valueOrder: 'count',
      shownFirst: 8,
    };
    expect((await owner.send('PUT', `/api/kinds/${id}`, { ...definition, facets: [facet] })).status).toBe(200);
    await change('Quay', { berths: [idOf('B2')] });
    const page = await owner.list('/berths?harbour=quay');
    const [harbours] = page.facets;
    expect([page.total, page.chips[0]?.label]).toEqual([1, 'Harbour: Quay']);
    expect(harbours?.control === 'ticks' && harbours.values.map(({ label, count }) => [label, count])).toEqual([
      ['Haven', 1],
      ['Quay', 1],
    ]);
    // What nobody may see is as unknown as what has never been.
    await owner.send('PATCH', `/api/listings/${idOf('Haven')}`, { version: 1, status: 'hidden' });
    for (const harbour of ['haven', 'never']) {
      const all = (await owner.send('GET', `/api/page?url=${encodeURIComponent(`/berths?harbour=${harbour}`)}`)).json;
      const { total, chips } = listOnPage(all as PageModel);
      expect([total, all.canonical, chips]).toEqual([2, '/berths', []]);
    }
  });

  it('refuse what is no listing of the other kind, and ends that are taken out alone', async () => {
    const path = `/api/kinds/${idOf('berths')}/listings`;
    for (const lies_in of [[idOf('B1')], [9999], 'Haven']) {
      const refused = await owner.send('POST', path, { title: 'X', values: { lies_in } });
      expect([refused.status, refused.json.issues[0].field]).toEqual([422, 'lies_in']);
    }
    const two = await owner.send('POST', path, { title: 'X', values: { lies_in: [idOf('Haven'), idOf('Quay')] } });
    expect(two.json.code).toBe('value.too-many');
    const { json } = await owner.send('GET', `/api/kinds/${idOf('berths')}`);
    const { id, ...definition } = json.kind;
    expect((await owner.send('PUT', `/api/kinds/${id}`, { ...definition, fields: [] })).json.code).toBe('link.ends');
    const limits = await owner.send('PUT', '/api/links/1', { version: 1, aMany: false, bMany: false, hasNotes: true });
    expect(limits.json.title).toContain('1 listings are connected with more than one');
  });

  it('come back exactly when their deletion, or that of a kind, is undone', async () => {
    for (const path of ['/api/links/1', `/api/kinds/${idOf('harbours')}`]) {
      const gone = await owner.send('DELETE', path);
      expect(gone.status).toBe(200);
      expect(await linked('B1')).toEqual([]);
      expect((await owner.send('GET', `/api/kinds/${idOf('berths')}`)).json.kind.fields).toEqual([]);
      await owner.send('POST', `/api/changes/${gone.json.changeId}/undo`);
      expect([await linked('B1'), await linked('Haven')]).toEqual([['Haven'], ['B1', 'B2']]);
    }
    expect((await api.assembly.store.connections()).length).toBe(2);
  });

  it('offer listings by typing, with where each is taken now', async () => {
    const found = await owner.send('GET', `/api/kinds/${idOf('harbours')}/candidates?field=berths&q=B2`);
    expect(found.json).toEqual([
      { id: idOf('B2'), title: 'B2', picture: null, facts: [], heldBy: { id: idOf('Haven'), title: 'Haven' } },
    ]);
  });
});
