import type { FileUpdate } from '@plindo/core/contract';
import type { RowComparison } from '@plindo/core/exchange';
import type { Kind } from '@plindo/core/structure';
import { makeField } from '@plindo/core/structure';
import type { Answer, Sender } from '../../../testing/test-api.js';
import { TestApi } from '../../../testing/test-api.js';

describe('A file that is brought in again', () => {
  let api: TestApi;
  let owner: Sender;
  let kind: Kind;

  beforeEach(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    owner = await api.signIn('owner');
    const fields = [
      makeField({ key: 'number', label: 'No.', type: 'short-text', unique: true }),
      makeField({ key: 'beds', label: 'Beds', type: 'whole-number' }),
    ];
    const body = { one: 'Clinic', many: 'Clinics', slug: 'clinics', published: true, startStatus: 'live', fields };
    kind = (await owner.send('POST', '/api/kinds', body)).json.result as Kind;
    for (const [title, number, beds] of [
      ['A', 'n1', 1],
      ['B', 'n2', 2],
      ['C', 'n3', 3],
    ]) {
      await owner.send('POST', `/api/kinds/${kind.id}/listings`, { title, values: { number, beds } });
    }
  });

  afterEach(() => api.stop());

  /** What the database has, not what memory says. */
  async function kept(): Promise<unknown[]> {
    const rows = await api.assembly.store.ask<{ title: string; status: string; values: unknown }>(
      'SELECT "title", "status", "values" FROM listings ORDER BY "id"',
    );
    const json = (value: unknown): unknown => (typeof value === 'string' ? (JSON.parse(value) as unknown) : value);
    return rows.map(({ title, status, values }) => [title, status, json(values)]);
  }

  const compare = (rows: readonly object[]): Promise<Answer> =>
    owner.send('POST', `/api/kinds/${kind.id}/compare`, { policy: 'refuse-row', rows });
  const carryOut = (update: Partial<FileUpdate>): Promise<Answer> =>
    owner.send('POST', `/api/kinds/${kind.id}/update-from-file`, {
      ...{ fileName: 'clinics.csv', policy: 'refuse-row', changes: [], additions: [] },
      ...{ missing: { act: 'leave', listings: [] } },
      ...update,
    });

  it('is matched, compared, carried out as one change, and undone', async () => {
    const before = await kept();
    const { json: names } = await owner.send('GET', `/api/kinds/${kind.id}/names?by=number`);
    expect(names.map(({ name, version }: { name: string; version: number }) => [name, version])).toEqual([
      ['n1', 1],
      ['n2', 1],
      ['n3', 1],
    ]);
    const [a, b, c] = names.map(({ id }: { id: number }) => id);
    const row = (line: number, values: object, title?: string): object => ({ line, input: { title, values } });
    const { json: found } = await compare([
      { id: a, row: row(2, { number: 'n1', beds: 1 }) },
      { id: b, row: row(3, { number: 'n2', beds: 20 }) },
      { id: null, row: row(4, { number: 'n4', beds: 4 }, 'D') },
      { id: null, row: row(5, { number: 'n5', beds: 'many' }, 'E') },
    ]);
    expect(found.map(({ outcome }: RowComparison) => outcome)).toEqual(['same', 'changed', 'new', 'refused']);
    expect(found[1].differences).toEqual([{ label: 'Beds', before: '2', after: '20' }]);
    expect(await kept()).toEqual(before);

    const { id, version, input } = found[1] as RowComparison;
    const done = await carryOut({
      changes: [{ id: id!, version: version!, input }],
      additions: [{ line: 4, input: found[2].input }],
      missing: { act: 'hide', listings: [{ id: c, version: 1 }] },
    });
    expect(done.status).withContext(JSON.stringify(done.json)).toBe(200);
    expect(done.json.result).toEqual({ added: 1, changed: 1, missing: 1 });
    expect(await kept()).toEqual([
      ['A', 'live', { number: 'n1', beds: 1 }],
      ['B', 'live', { number: 'n2', beds: 20 }],
      ['C', 'hidden', { number: 'n3', beds: 3 }],
      ['D', 'live', { number: 'n4', beds: 4 }],
    ]);
    const [latest] = (await owner.send('GET', '/api/changes')).json;
    expect(latest.sentence).toBe('Brought in clinics.csv again: added 1 and changed 1 Clinics, hid 1');
    expect((await owner.send('POST', `/api/changes/${done.json.changeId}/undo`)).status).toBe(200);
    expect(await kept()).toEqual(before);
  });

  it('changes nothing where a listing has changed since it was compared', async () => {
    const [{ id }] = (await owner.send('GET', `/api/kinds/${kind.id}/names?by=@title`)).json;
    await owner.send('PATCH', `/api/listings/${id}`, { version: 1, values: { beds: 9 } });
    const before = await kept();
    const late = await carryOut({
      changes: [{ id, version: 1, input: { values: { beds: 5 } } }],
      additions: [{ line: 4, input: { title: 'D', values: { number: 'n4' } } }],
    });
    expect(late.json.code).toBe('change.conflict');
    expect(await kept()).toEqual(before);
  });

  it('adds nothing where a value belongs to another listing', async () => {
    const before = await kept();
    const taken = await carryOut({ additions: [{ line: 4, input: { title: 'D', values: { number: 'n1' } } }] });
    expect(taken.json.code).toBe('value.taken');
    expect(await kept()).toEqual(before);
  });

  it('refuses what no listing is named by, and rows of another form', async () => {
    expect((await owner.send('GET', `/api/kinds/${kind.id}/names?by=@place`)).json.code).toBe('kind.fields');
    expect((await owner.send('GET', '/api/kinds/99/names?by=@title')).status).toBe(404);
    for (const rows of [[null], [{ id: 'a', row: { line: 1, input: {} } }], [{ id: 1 }], [{ id: 1, row: [] }]]) {
      const { status } = await owner.send('POST', `/api/kinds/${kind.id}/compare`, { policy: 'refuse-row', rows });
      expect(status).withContext(JSON.stringify(rows)).toBe(400);
    }
  });
});
