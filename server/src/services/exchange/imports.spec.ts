import type { ImportStart } from '@plindo/core/contract';
import type { ImportRow } from '@plindo/core/exchange';
import type { CategorySet } from '@plindo/core/structure';
import { makeCategory, makeField } from '@plindo/core/structure';
import { TestApi } from '../../../testing/test-api.js';
import type { Sender } from '../../../testing/test-api.js';

const START: ImportStart = {
  fileName: 'boats.csv',
  rows: 6,
  policy: 'refuse-row',
  kind: {
    one: 'Boat',
    many: 'Boats',
    slug: 'boats',
    fields: [makeField({ key: 'seats', label: 'Seats', type: 'whole-number' })],
  },
};

const row = (line: number, title: string, seats: string): ImportRow => ({
  line,
  input: { title, values: { seats }, status: 'live' },
});

describe('An import', () => {
  let api: TestApi;
  let owner: Sender;

  beforeEach(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    owner = await api.signIn('owner');
  });
  afterEach(() => api.stop());

  const begin = async (rows = START.rows): Promise<number> =>
    (await owner.send('POST', '/api/imports', { ...START, rows })).json.id;
  const send = (id: number, offset: number, rows: ImportRow[]): ReturnType<Sender['send']> =>
    owner.send('POST', `/api/imports/${id}/rows`, { offset, rows });
  const kinds = async (): Promise<string[]> =>
    (await owner.send('GET', '/api/kinds')).json.map(({ kind }: { kind: { many: string } }) => kind.many);

  /** How many rows a table has. */
  const rows = async (table: string): Promise<number> =>
    Number((await api.assembly.store.ask<{ n: number }>(`SELECT count(*) AS n FROM ${table}`))[0]?.n);

  it('keeps what fits, tells what does not, and shows nothing before it is finished', async () => {
    const id = await begin(4);
    await send(id, 0, [row(2, 'Dory', '4'), row(3, 'Skiff', 'two'), row(4, '', '1')]);
    expect(await kinds()).toEqual([]);
    const { json: state } = await send(id, 3, [row(5, 'Dory', '5')]);
    expect([state.seen, state.added, state.refused]).toEqual([4, 2, 2]);
    expect(state.reports.map(({ line }: { line: number }) => line)).toEqual([3, 4]);
    const { json: done } = await owner.send('POST', `/api/imports/${id}/finish`);
    const { json: table } = await owner.send('GET', `/api/kinds/${done.kindId}/listings`);
    expect(table.listings.map(({ slug, values }: { slug: string; values: object }) => [slug, values])).toEqual([
      ['dory', { seats: 4 }],
      ['dory-2', { seats: 5 }],
    ]);
  });

  it('takes each batch once, in its place', async () => {
    const id = await begin();
    await send(id, 0, [row(2, 'Dory', '4')]);
    expect((await send(id, 0, [row(2, 'Dory', '4')])).json.code).toBe('import.order');
    expect((await send(id, 5, [row(9, 'Dory', '4')])).status).toBe(409);
  });

  it('leaves nothing behind when it is cancelled', async () => {
    const id = await begin();
    await send(id, 0, [row(2, 'Dory', '4')]);
    expect((await owner.send('DELETE', `/api/imports/${id}`)).json.state).toBe('cancelled');
    expect(await rows('kinds')).toBe(0);
    expect((await send(id, 1, [])).status).toBe(410);
    expect((await owner.send('GET', '/api/changes')).json).toEqual([]);
  });

  it('is taken back at the next start when the server stops in its middle', async () => {
    const id = await begin();
    await send(id, 0, [row(2, 'Dory', '4')]);
    await api.leave();
    api = await TestApi.start(api.folder);
    expect(api.assembly.repairs).toEqual(['Took back an unfinished import (Bringing in boats.csv).']);
    expect(await rows('kinds')).toBe(0);
  });

  it('is one change that can be undone with all that was done to its listings since, and redone with it', async () => {
    const id = await begin(1);
    await send(id, 0, [row(2, 'Dory', '4')]);
    const { json: done } = await owner.send('POST', `/api/imports/${id}/finish`);
    const { json: table } = await owner.send('GET', `/api/kinds/${done.kindId}/listings`);
    await owner.send('PATCH', `/api/listings/${table.listings[0].id}`, { version: 1, featured: true });
    const { json: undone } = await owner.send('POST', `/api/changes/${id}/undo`);
    expect(await kinds()).toEqual([]);
    await owner.send('POST', `/api/changes/${undone.changeId}/undo`);
    const { json: again } = await owner.send('GET', `/api/kinds/${done.kindId}/listings`);
    expect(again.listings[0].featured).toBeTrue();
  });

  it('refuses a kind that clashes, before anything is written', async () => {
    const id = await begin(1);
    await send(id, 0, [row(2, 'Dory', '4')]);
    await owner.send('POST', `/api/imports/${id}/finish`);
    const again = await owner.send('POST', '/api/imports', START);
    expect([again.status, again.json.issues.map(({ code }: { code: string }) => code)]).toEqual([
      409,
      ['kind.label-taken', 'kind.label-taken', 'kind.slug-taken'],
    ]);
    expect(await rows('kinds')).toBe(1);
  });

  it('is not finished before all of its rows have come, and takes no more than there are', async () => {
    const id = await begin(3);
    await send(id, 0, [row(2, 'Dory', '4')]);
    const early = await owner.send('POST', `/api/imports/${id}/finish`);
    expect([early.status, early.json.code, early.json.title]).toEqual([
      ...[409, 'import.unfinished', jasmine.stringMatching(/1 of 3/)],
    ]);
    expect((await send(id, 1, [row(3, 'A', '1'), row(4, 'B', '1'), row(5, 'C', '1')])).json.code).toBe('import.order');
    const rest = await Promise.all([
      send(id, 1, [row(3, 'A', '1'), row(4, 'B', '1')]),
      owner.send('POST', `/api/imports/${id}/finish`),
    ]);
    if (rest[1].status !== 200) expect((await owner.send('POST', `/api/imports/${id}/finish`)).status).toBe(200);
    expect((await send(id, 3, [row(6, 'Late', '1')])).status).toBe(410);
    expect(await rows('listings')).toBe(3);
  });

  it('of a kind with categories takes them in', async () => {
    const categories = [makeCategory({ key: 'sloop', label: 'Sloop' })];
    const { json: made } = await owner.send('POST', '/api/category-sets', { slug: '', label: 'Rig', categories });
    const set = made.result as CategorySet;
    const rig = makeField({ key: 'rig', label: 'Rig', type: 'categories', settings: { set: set.id } });
    const kind = { ...START.kind, fields: [rig] };
    const { json, status } = await owner.send('POST', '/api/imports', { ...START, rows: 1, kind });
    expect(status).toBe(200);
    const { json: state } = await owner.send('POST', `/api/imports/${json.id}/rows`, {
      offset: 0,
      rows: [{ line: 2, input: { title: 'Dory', values: { rig: 'Sloop' } } }],
    });
    expect([state.added, state.reports]).toEqual([1, []]);
    const { json: done } = await owner.send('POST', `/api/imports/${json.id}/finish`);
    const { json: table } = await owner.send('GET', `/api/kinds/${done.kindId}/listings`);
    expect(table.listings[0].values.rig).toEqual(['sloop']);
  });
});
