import type { PageModel } from '@plindo/core/page';
import { listOnPage } from '@plindo/core/testing/list-on-page';
import { readFileSync } from 'node:fs';
import type { Revision } from '@plindo/core/contract';
import type { Listing } from '@plindo/core/listings';
import { BERTHS, TestApi } from '../../testing/test-api.js';
import type { Sender } from '../../testing/test-api.js';
import { errorTable } from './problem.js';
import { allRoutes } from './routes/index.js';

describe('The API', () => {
  let api: TestApi;
  let owner: Sender;
  let kindId: number;

  beforeEach(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    owner = await api.signIn('owner');
    kindId = (await owner.send('POST', '/api/kinds', BERTHS)).json.result.id;
  });
  afterEach(() => api.stop());

  const add = async (given: object): Promise<Listing> =>
    (await owner.send('POST', `/api/kinds/${kindId}/listings`, { status: 'live', ...given })).json.result;
  const pageTitles = async (search = ''): Promise<string[]> => {
    const { featured, cards } = await api.anyone.list(`/berths${search}`);
    return [...featured, ...cards].map(({ title }) => title);
  };

  it('is described by a document made from its routes', async () => {
    const { json: document } = await api.anyone.send('GET', '/api/openapi.json');
    expect(document.openapi).toBe('3.1.0');
    const described = Object.entries<Record<string, unknown>>(document.paths).flatMap(([path, operations]) =>
      Object.keys(operations).map((method) => `${method} ${path}`),
    );
    const routes = allRoutes(api.assembly.services).map(
      ({ method, path }) => `${method} /api${path.replace(/:(\w+)/g, '{$1}')}`,
    );
    expect(described.sort()).toEqual(routes.sort());
    const { KindDto, FieldDto, ListingUpdateDto } = document.components.schemas;
    expect(KindDto.properties.fields).toEqual({
      type: 'array',
      maxItems: 200,
      items: { $ref: '#/components/schemas/FieldDto' },
    });
    expect(FieldDto.properties.type.enum).toContain('several-choices');
    expect(ListingUpdateDto.required).toEqual(['version']);
  });

  it('has one catalogue of errors, which its document and docs/errors.md repeat', async () => {
    const { json: document } = await api.anyone.send('GET', '/api/openapi.json');
    const codes = errorTable().map(({ code }) => code);
    expect(document.components.schemas.Issue.properties.code.enum).toEqual(codes);
    const documented = readFileSync(new URL('../../../../docs/errors.md', import.meta.url), 'utf8');
    const rows = errorTable().map(({ code, status, sentence }) => `| \`${code}\` | ${status} | ${sentence} |`);
    for (const row of rows) expect(documented).toContain(row);
    expect(documented.match(/^\| `/gm)?.length).toBe(codes.length);
  });

  it('publishes the JSON Schema of starters in files, which docs/starter-file.schema.json repeats', async () => {
    const { json: schema } = await api.anyone.send('GET', '/api/starter-file.schema.json');
    const documented = readFileSync(new URL('../../../../docs/starter-file.schema.json', import.meta.url), 'utf8');
    expect(schema).toEqual(JSON.parse(documented));
    expect(schema.$ref).toBe('#/$defs/StarterFileDto');
  });

  it('publishes the JSON Schema of blueprints, which docs/blueprint.schema.json repeats', async () => {
    const { json: schema } = await api.anyone.send('GET', '/api/blueprint.schema.json');
    const documented = readFileSync(new URL('../../../../docs/blueprint.schema.json', import.meta.url), 'utf8');
    expect(schema).toEqual(JSON.parse(documented));
    expect(Object.keys(schema.$defs)).toEqual(
      jasmine.arrayContaining(['BlueprintDto', 'KindDto', 'FieldDto', 'CategoryDto']),
    );
  });

  it('answers bad requests with problem details that name every property', async () => {
    const bad = await owner.send('POST', '/api/kinds', { ...BERTHS, pageSize: 'many', flavour: 'salt' });
    expect(bad.status).toBe(400);
    expect(bad.headers.get('content-type')).toContain('application/problem+json');
    expect(bad.json.issues.map(({ field }: { field?: string }) => field)).toEqual([
      undefined,
      'flavour',
      'pageSize',
      'pageSize',
      'pageSize',
    ]);
    const broken = await fetch(`${api.address}/api/session`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: '{',
    });
    expect([broken.status, (await broken.json()).code]).toEqual([400, 'request.malformed']);
    expect((await owner.send('GET', '/api/nowhere')).status).toBe(404);
    expect((await owner.send('GET', '/api/kinds/1e3')).status).toBe(404);
  });

  it('keeps values typed, refuses those that do not fit, and shows the rest to visitors at once', async () => {
    const quay = await add({ title: 'Quay 1', values: { price: '12.50', type: 'Quay' } });
    expect(quay.values).toEqual({ price: { minor: 1250, currency: 'EUR' }, type: 'quay' });
    const refused = await owner.send('POST', `/api/kinds/${kindId}/listings`, {
      title: '',
      values: { price: '101', type: 'raft' },
    });
    expect(refused.status).toBe(422);
    expect(refused.json.issues.map(({ field }: { field: string }) => field)).toEqual(['title', 'type', 'price']);
    expect(await pageTitles('?type=quay')).toEqual(['Quay 1']);
    await owner.send('PATCH', `/api/listings/${quay.id}`, { version: 1, values: { type: 'buoy' } });
    expect(await pageTitles('?type=quay')).toEqual([]);
  });

  it('gives listings addresses of their own, and keeps an address that was asked for', async () => {
    expect((await add({ title: 'Quay' })).slug).toBe('quay');
    expect((await add({ title: 'Quay' })).slug).toBe('quay-2');
    const taken = await owner.send('POST', `/api/kinds/${kindId}/listings`, { title: 'Other', slug: 'quay' });
    expect([taken.status, taken.json.issues[0].field]).toEqual([409, 'slug']);
  });

  it('tells the second of two editors, and overwrites nothing', async () => {
    const { id } = await add({ title: 'Quay' });
    const first = await owner.send('PATCH', `/api/listings/${id}`, { version: 1, featured: true });
    expect(first.json.result.version).toBe(2);
    const second = await owner.send('PATCH', `/api/listings/${id}`, { version: 1, title: 'Mine' });
    expect([second.status, second.json.title]).toEqual([
      409,
      '“Quay” was changed by somebody else in the meantime. Reload it to see the new values.',
    ]);
  });

  it('shows only live listings of published kinds', async () => {
    const listing = await add({ title: 'Quay' });
    const status = async (): Promise<string> => (await api.anyone.send('GET', '/api/page?url=/berths/quay')).json.type;
    expect(await status()).toBe('designed');
    await owner.send('PATCH', `/api/listings/${listing.id}`, { version: 1, status: 'hidden' });
    expect(await status()).toBe('not-found');
    await owner.send('PATCH', `/api/listings/${listing.id}`, { version: 2, status: 'live' });
    const { json: summary } = await owner.send('GET', `/api/kinds/${kindId}`);
    const { id: _, ...definition } = summary.kind;
    await owner.send('PUT', `/api/kinds/${kindId}`, { ...definition, published: false });
    expect(await status()).toBe('not-found');
    const preview = (await owner.send('GET', `/api/kinds/${kindId}/preview`)).json as PageModel;
    expect(listOnPage(preview).total).toBe(1);
  });

  it('undoes several changes of one listing, last first, and refuses one in between', async () => {
    const { id } = await add({ title: 'Quay' });
    const change = async (version: number, input: object): Promise<number> =>
      (await owner.send('PATCH', `/api/listings/${id}`, { version, ...input })).json.changeId;
    const undo = async (changeId: number): Promise<number> =>
      (await owner.send('POST', `/api/changes/${changeId}/undo`)).status;
    const titled = await change(1, { title: 'Pier' });
    const featured = await change(2, { featured: true });
    expect(await undo(titled)).toBe(409);
    expect([await undo(featured), await undo(titled)]).toEqual([200, 200]);
    expect((await owner.send('GET', `/api/listings/${id}`)).json.title).toBe('Quay');
  });

  it('tells the history of a listing field by field, and restores any state of it', async () => {
    const { id } = await add({ title: 'Quay', values: { price: '12' } });
    await owner.send('PATCH', `/api/listings/${id}`, { version: 1, values: { price: '13', type: 'Buoy' } });
    await owner.send('PATCH', `/api/listings/${id}`, { version: 2, title: 'Pier' });
    const { json: history } = await owner.send('GET', `/api/listings/${id}/history`);
    expect(history.map(({ who, differences }: Revision) => [who, differences])).toEqual([
      ['owner', [{ label: 'Title', before: 'Quay', after: 'Pier' }]],
      [
        'owner',
        [
          { label: 'Type', before: '', after: 'Buoy' },
          { label: 'Price', before: '€12', after: '€13' },
        ],
      ],
      jasmine.anything(),
    ]);
    const first = history[2].id as number;
    const { json: restored } = await owner.send('POST', `/api/listings/${id}/restore`, { changeId: first });
    expect([restored.result.title, restored.result.values]).toEqual([
      'Quay',
      { price: { minor: 1200, currency: 'EUR' } },
    ]);
    await owner.send('POST', `/api/changes/${restored.changeId}/undo`);
    expect((await owner.send('GET', `/api/listings/${id}`)).json.title).toBe('Pier');
    expect((await owner.send('POST', `/api/listings/${id}/restore`, { changeId: 9999 })).status).toBe(404);
  });

  it('undoes any change, and the undoing too', async () => {
    const listing = await add({ title: 'Quay' });
    const { json: changed } = await owner.send('PATCH', `/api/listings/${listing.id}`, { version: 1, title: 'Pier' });
    const { json: removed } = await owner.send('DELETE', `/api/kinds/${kindId}`);
    expect(await pageTitles()).toEqual([]);
    const { json: back } = await owner.send('POST', `/api/changes/${removed.changeId}/undo`);
    expect(await pageTitles()).toEqual(['Pier']);
    expect((await owner.send('POST', `/api/changes/${removed.changeId}/undo`)).json.code).toBe('change.already-undone');
    await owner.send('PATCH', `/api/listings/${listing.id}`, { version: 2, featured: true });
    expect((await owner.send('POST', `/api/changes/${changed.changeId}/undo`)).json.code).toBe('change.not-undoable');
    await owner.send('POST', `/api/changes/${back.changeId}/undo`);
    expect(await pageTitles()).toEqual([]);
    const { json: log } = await owner.send('GET', '/api/changes');
    expect(log.map(({ sentence }: { sentence: string }) => sentence)).toEqual([
      'Undid: Undid: Deleted the kind Berths with its listings',
      'Changed Featured of Pier',
      'Undid: Deleted the kind Berths with its listings',
      'Deleted the kind Berths with its listings',
      'Changed title of Pier',
      'Added Quay',
      'Added the kind Berths',
    ]);
  });

  it('changes the settings of the site, refuses those that make no sense, and takes the change back', async () => {
    const settings = { name: 'Guide', tagline: 'All of it', locale: 'pt-PT', zone: 'Europe/Lisbon' };
    const kept = async (text: string): Promise<object> => {
      const form = new FormData();
      form.set('file', new Blob([text]), 'coast.geojson');
      return (await owner.send('POST', '/api/files', form)).json as object;
    };
    const { json: saved } = await owner.send('PUT', '/api/site', settings);
    expect((await api.anyone.send('GET', '/api/page?url=/')).json.site).toEqual(settings);
    for (const [part, value] of [
      ['name', ' '],
      ['locale', 'no such'],
      ['zone', 'Nowhere/At_all'],
      ['address', 'guide.example'],
      ['address', 'https://guide.example/deep'],
      ['baseMap', await kept('no map')],
      ['baseMap', { ...(await kept('x')), hash: '0'.repeat(32) }],
    ] as const) {
      const refused = await owner.send('PUT', '/api/site', { ...settings, [part]: value });
      expect(refused.json.issues[0].field).toBe(part);
    }
    const baseMap = await kept('{"type":"FeatureCollection","features":[]}');
    const whole = await owner.send('PUT', '/api/site', { ...settings, baseMap, address: 'https://guide.example' });
    expect([whole.status, whole.json.result.baseMap]).toEqual([200, baseMap]);
    await owner.send('POST', `/api/changes/${whole.json.changeId}/undo`);
    await owner.send('POST', `/api/changes/${saved.changeId}/undo`);
    expect((await api.anyone.send('GET', '/api/session')).json.site.name).toBe('My directory');
  });

  it('sorts and cuts the listing table', async () => {
    for (const [title, price] of [
      ['A', '9'],
      ['B', '30'],
      ['C', ''],
    ])
      await add({ title, values: { price } });
    const titles = async (query: string): Promise<string[]> =>
      (await owner.send('GET', `/api/kinds/${kindId}/listings?${query}`)).json.listings.map(
        ({ title }: Listing) => title,
      );
    expect(await titles('sort=field:price&direction=down')).toEqual(['B', 'A', 'C']);
    expect(await titles('sort=@title&direction=down&offset=1&limit=1')).toEqual(['B']);
    expect((await owner.send('GET', `/api/kinds/${kindId}/listings?limit=9999`)).status).toBe(400);
  });
});
