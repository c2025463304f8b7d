import type { CategorySetSummary } from '@plindo/core/contract';
import type { Listing } from '@plindo/core/listings';
import type { FacetValueModel } from '@plindo/core/page';
import type { FieldSketch, Kind } from '@plindo/core/structure';
import type { Sender } from '../../testing/test-api.js';
import { TestApi } from '../../testing/test-api.js';

const field = (key: string, type: FieldSketch['type'], given: Partial<FieldSketch> = {}): FieldSketch => ({
  key,
  label: key,
  type,
  ...given,
});

describe('The structure', () => {
  let api: TestApi;
  let owner: Sender;

  beforeEach(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    owner = await api.signIn('owner');
  });

  afterEach(() => api.stop());

  async function addKind(fields: readonly FieldSketch[]): Promise<Kind> {
    const kind = { one: 'Boat', many: 'Boats', slug: 'boats', published: true, startStatus: 'live', fields };
    const { json, status } = await owner.send('POST', '/api/kinds', kind);
    expect(status).withContext(JSON.stringify(json)).toBe(200);
    return json.result as Kind;
  }

  async function addListing(kind: Kind, title: string, values: Record<string, unknown>): Promise<Listing> {
    const { json, status } = await owner.send('POST', `/api/kinds/${kind.id}/listings`, { title, values });
    expect(status).withContext(JSON.stringify(json)).toBe(200);
    return json.result as Listing;
  }

  const listings = async (kind: Kind): Promise<Listing[]> =>
    (await owner.send('GET', `/api/kinds/${kind.id}/listings?sort=title`)).json.listings as Listing[];
  const valuesOf = async (kind: Kind): Promise<unknown[]> =>
    (await listings(kind)).map(({ title, values, aside }) => ({ title, values, aside }));
  const kindNow = async ({ id }: Kind): Promise<Kind> =>
    (await owner.send('GET', `/api/kinds/${id}`)).json.kind as Kind;

  it('fills in defaults for what is not said of a kind, and refuses what makes no sense with its place', async () => {
    const kind = await addKind([field('name', 'short-text')]);
    expect([kind.parts, kind.startStatus, kind.pageSize]).toEqual([['picture', 'summary'], 'live', 24]);
    const bad = {
      one: 'Car',
      many: 'Cars',
      slug: 'cars',
      colour: 'reddish',
      fields: [field('a', 'group'), field('b', 'computed', { settings: { expression: 'c +' } })],
    };
    const refused = await owner.send('POST', '/api/kinds', bad);
    expect(refused.status).toBe(422);
    const sentences = (refused.json.issues as { message: string }[]).map(({ message }) => message).join('\n');
    for (const part of ['colour', 'a needs at least one field inside', 'the expression of b is not right']) {
      expect(sentences).toContain(part);
    }
    const malformed = { ...bad, fields: [field('a', 'decimal', { settings: { least: [] as never } })] };
    expect((await owner.send('POST', '/api/kinds', malformed)).status).toBe(400);
    const shape = { ...bad, fields: [field('a', 'decimal', { showWhen: { op: 'is' } as never })] };
    expect((await owner.send('POST', '/api/kinds', shape)).status).toBe(400);
    expect(
      (
        await owner.send('POST', '/api/kinds', {
          ...bad,
          one: 'boat',
          many: 'Ships',
          slug: 'ships',
          colour: '',
          fields: [],
        })
      ).json.code,
    ).toBe('kind.label-taken');
  });

  it('works computed fields out anew at every change, and takes none from outside', async () => {
    const kind = await addKind([
      field('price', 'money'),
      field('week', 'computed', { settings: { expression: 'price * 7', result: 'money' } }),
    ]);
    const listing = await addListing(kind, 'Dory', { price: '12.50' });
    expect(listing.values['week']).toEqual({ minor: 8750, currency: 'EUR' });
    const changed = await owner.send('PATCH', `/api/listings/${listing.id}`, { version: 1, values: { price: 10 } });
    expect(changed.json.result.values.week).toEqual({ minor: 7000, currency: 'EUR' });
    const given = await owner.send('PATCH', `/api/listings/${listing.id}`, { version: 2, values: { week: 1 } });
    expect(given.json.code).toBe('value.computed');
    const page = await owner.send('GET', '/api/page?url=/boats/dory');
    expect(page.json.slots.map(({ text }: { text: string }) => text)).toEqual(['€10', '€70']);
  });

  it('gives out reference numbers, never twice, and keeps unique values apart', async () => {
    const kind = await addKind([
      field('number', 'reference', { settings: { pattern: 'B-###' } }),
      field('sail', 'short-text', { unique: true }),
    ]);
    const first = await addListing(kind, 'Dory', { sail: 'Red 1' });
    expect(first.values['number']).toBe('B-001');
    await addListing(kind, 'Skiff', { number: 'B-041' });
    const third = await addListing(kind, 'Punt', {});
    expect(third.values['number']).toBe('B-042');
    const taken = await owner.send('POST', `/api/kinds/${kind.id}/listings`, { title: 'X', values: { sail: 'rED 1' } });
    expect([taken.status, taken.json.issues[0].message]).toEqual([
      409,
      'sail must be different in every listing; “rED 1” is taken by “Dory”.',
    ]);
    const own = await owner.send('PATCH', `/api/listings/${first.id}`, { version: 1, values: { sail: 'RED 1' } });
    expect(own.status).toBe(200);
  });

  it('asks for and shows a field only when its condition holds', async () => {
    const kind = await addKind([
      field('sails', 'yes-no'),
      field('area', 'decimal', { required: true, showWhen: { field: 'sails', op: 'is', value: 'yes' } }),
    ]);
    const path = `/api/kinds/${kind.id}/listings`;
    expect((await owner.send('POST', path, { title: 'Punt', values: { sails: false } })).status).toBe(200);
    const refused = await owner.send('POST', path, { title: 'Dory', values: { sails: true } });
    expect(refused.json.issues[0].field).toBe('area');
    const dory = await addListing(kind, 'Dory', { sails: true, area: 12 });
    await owner.send('PATCH', `/api/listings/${dory.id}`, { version: 1, values: { sails: false } });
    const page = await owner.send('GET', '/api/page?url=/boats/dory');
    expect(page.json.slots.map(({ key }: { key: string }) => key)).toEqual(['sails']);
  });

  it('changes many listings as one, all or none, and copies them', async () => {
    const kind = await addKind([
      field('size', 'decimal'),
      field('sail', 'short-text', { unique: true }),
      field('number', 'reference'),
    ]);
    const made: Listing[] = [];
    for (const title of ['A', 'B', 'C']) made.push(await addListing(kind, title, { sail: title }));
    const part = (at: number, values: Record<string, unknown>): object => ({
      id: made[at]!.id,
      version: 1,
      input: { values },
    });
    const batch = (...parts: object[]): ReturnType<Sender['send']> =>
      owner.send('POST', `/api/kinds/${kind.id}/batch`, { parts });
    const before = await valuesOf(kind);
    for (const [parts, message] of [
      [[part(0, { size: '4' }), part(1, { size: 'big' })], 'B: size must be a number'],
      [[part(0, { sail: 'X' }), part(1, { sail: 'x' })], 'is taken by “A”'],
      [[part(0, { sail: 'C' })], 'is taken by “C”'],
      [[{ ...part(0, {}), version: 7 }], 'was changed by somebody else'],
    ] as const) {
      const refused = await batch(...parts);
      expect(refused.json.issues[0].message).toContain(message);
      expect(await valuesOf(kind)).toEqual(before);
    }
    const done = await batch(part(0, { size: '4' }), part(2, { size: 2, sail: 'D' }));
    expect((await listings(kind)).map(({ values }) => values['size'])).toEqual([4, undefined, 2]);
    await owner.send('POST', `/api/changes/${done.json.changeId}/undo`);
    expect(await valuesOf(kind)).toEqual(before);
    await owner.send('POST', `/api/kinds/${kind.id}/duplicate`, { ids: [made[0]!.id, made[1]!.id] });
    const copies = (await listings(kind)).filter(({ status }) => status === 'draft');
    expect(copies.map(({ title, values, slug }) => [title, values['number'], slug])).toEqual([
      ['A', '0004', 'a-2'],
      ['B', '0005', 'b-2'],
    ]);
  });

  it('changes a type with a dry run, keeps aside what cannot be converted, and undoes it exactly', async () => {
    const kind = await addKind([field('size', 'short-text')]);
    await addListing(kind, 'A', { size: '12' });
    await addListing(kind, 'B', { size: '007' });
    await addListing(kind, 'C', { size: 'large' });
    await addListing(kind, 'D', {});
    const before = await valuesOf(kind);
    const to = field('size', 'decimal');
    const plan = await owner.send('POST', `/api/kinds/${kind.id}/type-change/plan`, { field: to });
    const { exact, lossy, impossible, empty } = plan.json.report;
    expect({ exact, lossy, impossible, empty }).toEqual({ exact: 1, lossy: 1, impossible: 1, empty: 1 });
    expect(plan.json.report.examples.impossible[0]).toEqual({
      title: 'C',
      before: 'large',
      after: 'size must be a number, such as 12.5; “large” is not one.',
    });
    expect(await valuesOf(kind)).toEqual(before);
    const done = await owner.send('POST', `/api/kinds/${kind.id}/type-change`, { version: 1, field: to });
    expect((await listings(kind)).map(({ values }) => values['size'])).toEqual([12, 7, undefined, undefined]);
    expect((await listings(kind))[2]?.aside).toEqual({ size: { type: 'short-text', text: 'large' } });
    const sorted = await owner.send('GET', `/api/kinds/${kind.id}/listings?sort=field:size`);
    expect(sorted.json.listings.map(({ title }: Listing) => title)).toEqual(['B', 'A', 'C', 'D']);
    const late = await owner.send('POST', `/api/kinds/${kind.id}/type-change`, { version: 1, field: to });
    expect(late.json.code).toBe('change.conflict');
    await owner.send('POST', `/api/changes/${done.json.changeId}/undo`);
    expect(await valuesOf(kind)).toEqual(before);
    expect((await kindNow(kind)).fields).toEqual(kind.fields);
  });

  it('gives a field another key with everything that uses it, and undoes that', async () => {
    const kind = await addKind([
      field('price', 'money'),
      field('week', 'computed', { settings: { expression: 'price * 7', result: 'money' } }),
    ]);
    await addListing(kind, 'Dory', { price: '12.50' });
    const before = await valuesOf(kind);
    const renamed = await owner.send('POST', `/api/kinds/${kind.id}/rename-key`, {
      version: 1,
      from: 'price',
      to: 'nightly',
    });
    expect((await listings(kind))[0]?.values).toEqual({
      nightly: { minor: 1250, currency: 'EUR' },
      week: { minor: 8750, currency: 'EUR' },
    });
    await owner.send('POST', `/api/changes/${renamed.json.changeId}/undo`);
    expect(await valuesOf(kind)).toEqual(before);
    const clash = await owner.send('POST', `/api/kinds/${kind.id}/rename-key`, {
      version: 3,
      from: 'price',
      to: 'week',
    });
    expect(clash.status).toBe(422);
  });

  it('keeps files by their content and only ever sends them as attachments', async () => {
    const kind = await addKind([field('chart', 'file')]);
    const send = async (bytes: string, name: string): ReturnType<Sender['send']> => {
      const form = new FormData();
      form.append('file', new Blob([bytes]), name);
      return owner.send('POST', '/api/files', form);
    };
    const { json: file } = await send('<script>alert(1)</script>', '../../Côte "x".html');
    expect([file.type, file.name]).toEqual(['text/plain', 'Côte x .html']);
    expect((await send('MZ\u0000\u0001', 'x.pdf')).json.code).toBe('file.type');
    const sent = await fetch(`${api.address}/files/${file.hash}/x.html`);
    expect(sent.headers.get('content-type')).toContain('text/plain');
    expect(sent.headers.get('content-disposition')).toContain('attachment');
    expect(await sent.text()).toBe('<script>alert(1)</script>');
    for (const path of ['/files/..%2f..%2fplindo.sqlite/x', `/files/${'0'.repeat(32)}/x`]) {
      expect((await fetch(api.address + path)).status).toBe(404);
    }
    const unknown = { ...file, hash: 'b'.repeat(32) };
    const refused = await owner.send('POST', `/api/kinds/${kind.id}/listings`, {
      title: 'A',
      values: { chart: unknown },
    });
    expect(refused.json.code).toBe('value.not-a-file');
    expect((await addListing(kind, 'A', { chart: file })).values['chart']).toEqual(file);
  });

  it('shows the parts that a kind uses and no others, and has pages only where it says so', async () => {
    const kind = await addKind([]);
    const given = {
      title: 'Dory',
      summary: 'Short',
      body: 'Long<script>x</script>',
      place: '38.7, -9.1',
      author: 'Ana',
    };
    await owner.send('POST', `/api/kinds/${kind.id}/listings`, given);
    const page = async (path = '/boats/dory'): Promise<Record<string, unknown>> =>
      (await owner.send('GET', `/api/page?url=${path}`)).json as Record<string, unknown>;
    expect(await page()).toEqual(jasmine.objectContaining({ body: '', byline: '', slots: [] }));
    const { id, ...definition } = kind;
    const parts = ['body', 'place', 'author', 'dates'];
    await owner.send('PUT', `/api/kinds/${id}`, { ...definition, parts });
    const full = await page();
    expect([full['body'], (full['slots'] as unknown[]).length]).toEqual(['<p>Long</p>', 1]);
    expect(String(full['byline'])).toMatch(/^By Ana, \d+ \w+ \d{4}$/);
    await owner.send('PUT', `/api/kinds/${id}`, { ...definition, version: 2, hasListingPages: false });
    expect((await page())['type']).toBe('not-found');
    expect(((await page('/boats'))['cards'] as { href: null }[])[0]?.href).toBeNull();
    await owner.send('PUT', `/api/kinds/${id}`, { ...definition, version: 3, putAside: true });
    expect((await page('/boats'))['type']).toBe('not-found');
  });
});

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
    const page = await owner.send('GET', '/api/page?url=/yards?services=engine');
    expect(page.json.total).toBe(2);
    expect(page.json.facets[0].values.map(({ label, count, depth }: FacetValueModel) => [label, count, depth])).toEqual(
      [
        ['Engine', 2, 0],
        ['Diesel', 2, 1],
        ['Hull', 2, 0],
      ],
    );
  });

  it('merge: listings follow, the old address redirects, and undoing brings all back', async () => {
    const before = await services();
    const { set } = await summary();
    const merged = { ...set, categories: [{ ...set.categories[0], formerKeys: ['diesel'] }, set.categories[2]] };
    const { id: _, ...sent } = merged;
    const done = await owner.send('PUT', `/api/category-sets/${setId}`, sent);
    expect(done.status).withContext(JSON.stringify(done.json)).toBe(200);
    expect(await services()).toEqual([['engine'], ['hull'], ['engine', 'hull']]);
    expect(api.assembly.services.pages.movedTo('/yards', 'services=diesel,hull')).toBe('/yards?services=engine,hull');
    expect(api.assembly.services.pages.movedTo('/yards', 'services=engine')).toBeNull();
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

describe('Links', () => {
  let api: TestApi;
  let owner: Sender;
  const made = new Map<string, number>();

  beforeEach(async () => {
    api = await TestApi.start();
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
    expect(page.json.slots[0].links).toEqual([{ text: 'Quay', href: '/harbours/quay', note: 'Outside' }]);
  });

  it('show the other end as it is now: renamed, hidden or in the bin', async () => {
    const shown = async (): Promise<unknown> =>
      (await owner.send('GET', '/api/page?url=/harbours/haven')).json.slots[0]?.text;
    await owner.send('PATCH', `/api/listings/${idOf('B1')}`, { version: 1, title: 'Berth one' });
    expect(await shown()).toBe('Berth one, B2');
    await owner.send('PATCH', `/api/listings/${idOf('B1')}`, { version: 2, status: 'hidden' });
    expect(await shown()).toBe('B2');
    await owner.send('PATCH', `/api/listings/${idOf('B2')}`, { version: 1, status: 'binned' });
    expect(await shown()).toBeUndefined();
    expect(await linked('Haven')).toEqual(['Berth one']);
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
    const page = await owner.send('GET', '/api/page?url=/berths?harbour=quay');
    expect([page.json.total, page.json.chips[0].label]).toEqual([1, 'Harbour: Quay']);
    expect(
      page.json.facets[0].values.map(({ label, count }: { label: string; count: number }) => [label, count]),
    ).toEqual([
      ['Haven', 1],
      ['Quay', 1],
    ]);
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
    await api.assembly.services.live.start();
    expect(await linked('Haven')).toEqual(['B1', 'B2']);
  });

  it('offer listings by typing, with where each is taken now', async () => {
    const found = await owner.send('GET', `/api/kinds/${idOf('harbours')}/candidates?field=berths&q=B2`);
    expect(found.json).toEqual([
      { id: idOf('B2'), title: 'B2', picture: null, facts: [], heldBy: { id: idOf('Haven'), title: 'Haven' } },
    ]);
  });
});
