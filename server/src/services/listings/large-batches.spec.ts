import type { ListingContent } from '@plindo/core/listings';
import { BLANK_CONTENT } from '@plindo/core/listings';
import type { Sender } from '../../../testing/test-api.js';
import { BERTHS, TestApi } from '../../../testing/test-api.js';
import type { StagedListings } from '../../store/index.js';
import { entriesAhead } from '../../store/index.js';
import { Editing, kindIn } from '../editing.js';
import type { BatchPart } from './batch-parts.js';
import { BatchReader, changeParts } from './batch-parts.js';

const MANY = 1200;
const HOUR_IN_MS = 3_600_000;

describe('A batch over more than a thousand listings', () => {
  let api: TestApi;
  let owner: Sender;
  let kindId: number;
  let ids: readonly number[];

  beforeEach(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    owner = await api.signIn('owner');
    const contents = Array.from({ length: MANY }, (_, at): ListingContent => {
      return { ...BLANK_CONTENT, title: `Berth ${at}`, slug: `berth-${at}`, status: 'live' };
    });
    const { result } = await api.assembly.store.change(null, async (unit) => {
      const { id } = await unit.insertKind(BERTHS);
      return { sentence: 'Added', result: { id, listings: await unit.insertListings(id, contents) } };
    });
    kindId = result.id;
    ids = result.listings.map(({ id }) => id);
  });
  afterEach(() => api.stop());

  const ask = <T extends object>(select: string): Promise<T[]> => api.assembly.store.ask<T>(select);
  /** What the database has, by how it is asked for. */
  const numberOf = async (select: string): Promise<number> => Number((await ask<{ n: number }>(select))[0]!.n);
  const staged = (): Promise<number> => numberOf(`SELECT count(*) AS n FROM changes WHERE "state" <> 'done'`);
  const entriesOf = (change: number): Promise<number> =>
    numberOf(`SELECT count(*) AS n FROM change_entries WHERE "changeId" = ${change}`);
  const saying = (summary: string): Promise<number> =>
    numberOf(`SELECT count(*) AS n FROM listings WHERE "summary" = '${summary}'`);
  const partsOf = (input: object): BatchPart[] => ids.map((id) => ({ id, version: null, input }));
  const batch = async (parts: readonly object[]): Promise<{ status: number; changeId: number }> => {
    const { status, json } = await owner.send('POST', `/api/kinds/${kindId}/batch`, { parts });
    return { status, changeId: json.changeId as number };
  };
  const undo = async (change: number): Promise<number> => {
    const { status, json } = await owner.send('POST', `/api/changes/${change}/undo`);
    expect(status).toBe(200);
    return json.changeId as number;
  };

  it('is one change of the log, which is undone and done again as one', async () => {
    const { changeId } = await batch(ids.map((id) => ({ id, input: { summary: 'Wet' } })));
    expect([await saying('Wet'), await entriesOf(changeId), await staged()]).toEqual([MANY, MANY, 0]);
    const undone = await undo(changeId);
    expect([await saying('Wet'), await entriesOf(undone), await staged()]).toEqual([0, MANY, 0]);
    const again = await undo(undone);
    expect([await saying('Wet'), await entriesOf(again), await staged()]).toEqual([MANY, MANY, 0]);
    const feed = await ask<{ number: number }>('SELECT "number" FROM changes ORDER BY "number"');
    expect(feed.map(({ number }) => Number(number))).toEqual([1, 2, 3, 4]);
  });

  it('changes what somebody else has changed since it was read, as it is by now', async () => {
    const { store, live } = { ...api.assembly, live: api.assembly.services.live };
    const reader = new BatchReader(store, () => new Date());
    const parts = partsOf({ summary: 'Wet' });
    const early = await reader.read(kindId, parts);
    let isStaged = false;
    const { changeId } = await reader.withStaged(parts, early, async (ahead) => {
      isStaged = ahead !== null;
      await owner.send('PATCH', `/api/listings/${ids[7]!}`, { version: 1, title: 'Old berth' });
      return new Editing(store, live).change(
        null,
        async (unit) => {
          await changeParts(unit, kindIn(unit, kindId), parts, early, ahead);
          return { sentence: 'Changed all', result: null };
        },
        { staged: ahead },
      );
    });
    expect(isStaged).toBeTrue();
    const listing = (await store.listing(ids[7]!))!;
    expect([listing.title, listing.summary, listing.version]).toEqual(['Old berth', 'Wet', 3]);
    expect([await saying('Wet'), await entriesOf(changeId), await staged()]).toEqual([MANY, MANY, 0]);
    await undo(changeId);
    expect((await store.listing(ids[7]!))!.title).toBe('Old berth');
    expect(await saying('Wet')).toBe(0);
  });

  it('that is refused leaves nothing behind', async () => {
    const parts = ids.map((id) => ({ id, version: id === ids[9] ? 8 : 1, input: { summary: 'Wet' } }));
    const entries = await numberOf('SELECT count(*) AS n FROM change_entries');
    expect((await batch(parts)).status).toBe(409);
    expect([await saying('Wet'), await staged()]).toEqual([0, 0]);
    expect(await numberOf('SELECT count(*) AS n FROM change_entries')).toBe(entries);
  });

  it('that a stop of the server cut off before it was carried out is forgotten at a later start, and seen by nobody', async () => {
    const { store } = api.assembly;
    const kind = (await store.structure()).kind(kindId)!;
    const entries = await numberOf('SELECT count(*) AS n FROM change_entries');
    const all = (await store.listings(ids)).map((before) => ({ before, content: { ...before, summary: 'Wet' } }));
    // Nothing is forgotten after it, as nothing is when the power is cut.
    const cut = new Promise<StagedListings | null>((resolve) => {
      void store.staging.carryOut(
        (at) => entriesAhead(all, kind, 'UTC', at),
        (ahead) => {
          resolve(ahead);
          return new Promise<void>(() => undefined);
        },
      );
    });
    const { changeId } = (await cut)!;
    expect(await entriesOf(changeId)).toBe(MANY);
    const { json } = await owner.send('GET', `/api/listings/${ids[0]!}/history`);
    expect((json as object[]).length).toBe(1);
    await store.staging.forget();
    expect(await staged()).toBe(1);
    await store.writing((transaction) => store.log.dropStaged({ before: Date.now() + HOUR_IN_MS }, transaction));
    expect([await staged(), await entriesOf(changeId)]).toEqual([0, 0]);
    expect(await numberOf('SELECT count(*) AS n FROM change_entries')).toBe(entries);
  });
});
