import type { Listing, ListingContent } from '@plindo/core/listings';
import { BLANK_CONTENT } from '@plindo/core/listings';
import type { ChangeEntry } from '@plindo/core/plans';
import { QueryTypes } from 'sequelize';
import { databaseIn, removeDatabase, storeFolder } from '../../testing/database.js';
import { BERTHS } from '../../testing/test-api.js';
import { openDatabase } from './database.js';
import type { Committed } from './store.js';
import { Store } from './store.js';
import type { Unit } from './units/unit.js';

const content = (title: string): ListingContent => ({
  ...BLANK_CONTENT,
  title,
  slug: title.toLowerCase(),
  status: 'live',
});

describe('The store', () => {
  let folder: string;
  let store: Store;
  let kindId: number;
  const change = <T>(work: (unit: Unit) => Promise<T>): Promise<Committed<T>> =>
    store.change(null, async (unit) => ({ sentence: 'Tried', result: await work(unit) }));

  beforeEach(async () => {
    folder = storeFolder();
    store = await Store.open(await databaseIn(folder), () => new Date(1000));
    kindId = (await change((unit) => unit.insertKind(BERTHS))).result.id;
  });
  afterEach(async () => {
    await store.close();
    await removeDatabase(folder);
  });

  const titles = async (): Promise<string[]> => {
    const all: string[] = [];
    for await (const stretch of store.listingsOf(kindId)) all.push(...stretch.map(({ title }) => title));
    return all;
  };

  it('gives back what was put in, in every column', async () => {
    const full: ListingContent = {
      ...content('Full'),
      summary: 'Œuvre “quoted”',
      picture: { hash: 'a'.repeat(32), width: 3, height: 2, alt: 'x' },
      values: { price: { minor: 5, currency: 'EUR' }, list: ['a'], yes: true, text: "it's" },
      featured: true,
      handOrder: -1.5,
    };
    const { result } = await change((unit) => unit.insertListings(kindId, [full]));
    const [listing] = result;
    expect(listing).toEqual({
      ...full,
      id: 1,
      kindId,
      address: full.slug,
      version: 1,
      createdAt: 1000,
      changedAt: 1000,
      publishedAt: 1000,
      binnedAt: null,
    });
    expect(await store.listing(1)).toEqual(listing!);
    expect((await store.structure()).kinds[0]).toEqual({ ...BERTHS, id: kindId, version: 1 });
  });

  it('keeps nothing of a change that fails, and goes on with the next', async () => {
    const failing = change(async (unit) => {
      await unit.insertListings(kindId, [content('Half')]);
      throw new Error('stop');
    });
    const next = change((unit) => unit.insertListings(kindId, [content('Whole')]));
    await expectAsync(failing).toBeRejectedWithError('stop');
    await next;
    expect(await titles()).toEqual(['Whole']);
    const any = { words: '', users: null, before: null, from: null, until: null, most: 10 };
    expect((await store.log.latest(any)).length).toBe(2);
  });

  it('runs changes one after the other, and tells of each in that order', async () => {
    await Promise.all(
      Array.from({ length: 30 }, (_, at) => change((unit) => unit.insertListings(kindId, [content(`Listing ${at}`)]))),
    );
    const told = (await store.log.feedAfter(1, 100)).map(({ number, entries }) => [number, entries[0]?.id]);
    expect(told).toEqual(Array.from({ length: 30 }, (_, at) => [at + 2, at + 1]));
    expect(await titles()).toEqual(Array.from({ length: 30 }, (_, at) => `Listing ${at}`));
  });

  it('refuses two listings of a kind with one address, and listings of no kind', async () => {
    await change((unit) => unit.insertListings(kindId, [content('Same')]));
    await expectAsync(change((unit) => unit.insertListings(kindId, [content('Same')]))).toBeRejected();
    await expectAsync(change((unit) => unit.insertListings(99, [content('Lost')]))).toBeRejected();
  });

  it('writes to the log what each record was before and after', async () => {
    const { result } = await change((unit) => unit.insertListings(kindId, [content('Before')]));
    const { changeId } = await change((unit) => unit.updateListing(result[0]!, content('After')));
    const [entry] = await store.log.entriesOf(changeId);
    expect([entry?.entity, entry?.id]).toEqual(['listing', 1]);
    expect([entry?.before, entry?.after].map((side) => side && 'title' in side && [side.title, side.version])).toEqual([
      ['Before', 1],
      ['After', 2],
    ]);
  });

  it('keeps in the log of a listing that was changed only what was different before', async () => {
    const { result } = await change((unit) => unit.insertListings(kindId, [content('Before')]));
    const [before] = result;
    await change((unit) => unit.updateListings([{ before: before!, content: content('After') }]));
    const database = await openDatabase(await databaseIn(folder));
    const select = `SELECT "before" FROM change_entries WHERE "before" IS NOT NULL`;
    const [row] = await database.sequelize.query<{ before: unknown }>(select, { type: QueryTypes.SELECT });
    await database.close();
    const kept = typeof row!.before === 'string' ? (JSON.parse(row!.before) as object) : row!.before;
    expect(kept).toEqual({ title: 'Before', slug: 'before', address: 'before', version: 1 });
    const [, { entries }] = (await store.log.historyOf(before!.id)).reverse() as [unknown, { entries: ChangeEntry[] }];
    expect(entries[0]!.before).toEqual(before!);
    expect((entries[0]!.after as Listing).title).toBe('After');
  });

  it('is the same when it is opened again', async () => {
    await change((unit) => unit.insertListings(kindId, [content('Kept')]));
    await store.close();
    store = await Store.open(await databaseIn(folder), () => new Date(2000));
    expect(await titles()).toEqual(['Kept']);
  });

  it('gives catalogs what they read of listings, in stretches, as the rows have it', async () => {
    const moments = { shownFrom: 5, shownUntil: 7, featuredFrom: null, featuredUntil: 9, featured: true };
    const place = { latitude: 1.5, longitude: -2, address: 'Quay' };
    const many = Array.from({ length: 2003 }, (_, at) => content(`Berth ${at}`));
    const full = { ...content('Full'), ...moments, place, handOrder: 2.5, values: { text: "it's “1”", list: ['a'] } };
    await change((unit) => unit.insertListings(kindId, [full, ...many]));
    expect(await store.catalogRows.count(kindId)).toBe(2004);
    const read: unknown[] = [];
    for await (const stretch of store.catalogRows.ofKind(kindId)) read.push(...stretch);
    expect(read).toEqual(await store.listings(read.map((listing) => (listing as { id: number }).id)));
    expect(read.length).toBe(2004);
    const some = [7, 2004, 1, 9999];
    const picked: unknown[] = [];
    for await (const stretch of store.catalogRows.some(some)) picked.push(...stretch);
    expect(picked).toEqual(await store.listings([1, 7, 2004]));
  });

  it('tells the state of every listing of a kind, which each change of it makes another', async () => {
    const { result } = await change((unit) => unit.insertListings(kindId, [content('A'), content('B')]));
    await change((unit) => unit.updateListing(result[1]!, content('C')));
    const states = await store.catalogRows.states(kindId);
    expect(states.sort((a, b) => a.id - b.id)).toEqual([
      { id: 1, version: 1, changedAt: 1000 },
      { id: 2, version: 2, changedAt: 1000 },
    ]);
    expect(await store.catalogRows.states(99)).toEqual([]);
  });
});
