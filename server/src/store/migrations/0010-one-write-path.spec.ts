import { makeField, makeKindDefinition } from '@plindo/core/structure';
import { emptyDatabaseIn, removeDatabase, storeFolder } from '../../../testing/database.js';
import { insertion } from '../../../testing/insertion.js';
import { openDatabase } from '../database.js';
import { Store } from '../store.js';

const CODE = makeField({ key: 'code', label: 'Code', type: 'reference', settings: { pattern: 'B-##' } });
const FIELDS = [CODE, makeField({ key: 'sail', label: 'Sail', type: 'short-text', unique: true })];
const { slug: _, ...DEFINITION } = makeKindDefinition({ slug: 'boats', one: 'Boat', many: 'Boats', fields: FIELDS });

describe('A store from before the store decided', () => {
  let folder: string;
  let store: Store;

  beforeEach(async () => {
    folder = storeFolder();
    const address = await emptyDatabaseIn(folder);
    const before = await openDatabase(address, '0009-listings-by-kind');
    const stamp = { version: 1, createdAt: 1, changedAt: 1, summary: '', status: 'live', featured: false, kindId: 1 };
    const listing = (id: number, values: object): object => ({
      ...stamp,
      id,
      slug: `l-${id}`,
      title: `L ${id}`,
      values,
    });
    const change = { userId: null, at: 1, state: 'done', undoneBy: null };
    const deleted = { changeId: 2, entity: 'listing', entityId: 9, after: null };
    const rows: readonly (readonly [string, object])[] = [
      ['kinds', { id: 1, slug: 'boats', version: 1, definition: DEFINITION }],
      ['listings', listing(1, { code: 'B-01', sail: 'Red' })],
      ['listings', listing(2, { code: 'B-02', sail: 'rED' })],
      ['changes', { ...change, sentence: 'Added' }],
      ['changes', { ...change, sentence: 'Deleted L 9 for good' }],
      ['changes', { ...change, sentence: 'Bringing in', state: 'open' }],
      ['change_entries', { ...deleted, before: listing(9, { code: 'B-41' }) }],
    ];
    for (const [table, row] of rows) await before.sequelize.query(insertion(table, row as Record<string, unknown>));
    await before.close();
    store = await Store.open(address, () => new Date(1000));
  });
  afterEach(async () => {
    await store.close();
    await removeDatabase(folder);
  });

  it('keeps apart what has to differ: of two that have the same, the older one holds it', async () => {
    expect(
      await store.ask('SELECT "field", "value", "listingId" FROM unique_values ORDER BY "field", "value"'),
    ).toEqual([
      { field: 'code', value: 'b-01', listingId: 1 },
      { field: 'code', value: 'b-02', listingId: 2 },
      { field: 'sail', value: 'red', listingId: 1 },
    ]);
    const names = await store.ask<{ name: string }>(
      'SELECT "name" FROM taken_names WHERE "scope" = \'kind\' ORDER BY "name"',
    );
    expect(names.map(({ name }) => name)).toEqual(['boat', 'boats']);
  });

  it('goes on counting behind every number that it ever gave out, those of deleted listings too', async () => {
    const given = await store.change(null, async (unit) => {
      return { sentence: 'Tried', result: await unit.references(1, CODE, 1) };
    });
    expect(given.result).toEqual(['B-42']);
  });

  it('has the complete changes in its feed, and the next one behind them', async () => {
    const numbers = await store.ask('SELECT "id", "number" FROM changes ORDER BY "id"');
    expect(numbers).toEqual([
      { id: 1, number: 1 },
      { id: 2, number: 2 },
      { id: 3, number: null },
    ]);
    const next = await store.change(null, async (unit) => {
      const before = (await unit.listing(1))!;
      return { sentence: 'Tried', result: await unit.updateListing(before, { ...before, title: 'Renamed' }) };
    });
    expect(next.number).toBe(3);
  });
});

describe('A store that a newer program has written', () => {
  it('is refused, and told why', async () => {
    const folder = storeFolder();
    const address = await emptyDatabaseIn(folder);
    const database = await openDatabase(address);
    await database.sequelize.query(insertion('migrations', { name: '9999-of-tomorrow' }));
    await database.close();
    await expectAsync(Store.open(address, () => new Date())).toBeRejectedWithError(/newer Plindo.*9999-of-tomorrow/);
    await removeDatabase(folder);
  });
});
