import type { Listing } from '@plindo/core/listings';
import type { FieldSketch, Kind } from '@plindo/core/structure';
import type { DesignedPage } from '@plindo/core/page';
import type { ShownPage } from '../../testing/shown-page.js';
import { shownPage } from '../../testing/shown-page.js';
import { field } from '../../testing/sketches.js';
import type { Sender } from '../../testing/test-api.js';
import { TestApi } from '../../testing/test-api.js';

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
    (await owner.send('GET', `/api/kinds/${kind.id}/listings?sort=@title`)).json.listings as Listing[];
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
    expect(shownPage(page.json).slots.map(({ text }) => text)).toEqual(['€10', '€70']);
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
    expect(shownPage(page.json).slots.map(({ key }) => key)).toEqual(['sails']);
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
    // Under the name that it was kept with, whatever the address says that it is.
    expect(sent.headers.get('content-disposition')).toContain(`filename*=UTF-8''C%C3%B4te%20x%20.html`);
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
    const shown = async (): Promise<ShownPage> => shownPage((await page()) as unknown as DesignedPage);
    expect(await shown()).toEqual({ body: '', byline: '', slots: [] });
    const { id, ...definition } = kind;
    const parts = ['body', 'place', 'author', 'dates'];
    await owner.send('PUT', `/api/kinds/${id}`, { ...definition, parts });
    const full = await shown();
    expect([full.body, full.slots.length]).toEqual(['<p>Long</p>', 1]);
    expect(full.byline).toMatch(/^By Ana, \d+ \w+ \d{4}$/);
    await owner.send('PUT', `/api/kinds/${id}`, { ...definition, version: 2, hasListingPages: false });
    expect((await page())['type']).toBe('not-found');
    expect((await owner.list('/boats')).cards[0]?.href).toBeNull();
    await owner.send('PUT', `/api/kinds/${id}`, { ...definition, version: 3, putAside: true });
    expect((await page('/boats'))['type']).toBe('not-found');
  });
});
