import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { serialize } from 'node:v8';
import { crc32 } from 'node:zlib';
import { Catalog } from '@plindo/core/catalog';
import type { ImportRow } from '@plindo/core/exchange';
import type { Listing } from '@plindo/core/listings';
import type { FieldSketch, Kind } from '@plindo/core/structure';
import { makeField } from '@plindo/core/structure';
import { field } from '../../testing/sketches.js';
import type { Answer, Sender } from '../../testing/test-api.js';
import { PASSWORD, TestApi } from '../../testing/test-api.js';

/** What the store has, asked of the database itself and never of what is in memory. */
async function rowsOf<T extends object>(api: TestApi, select: string): Promise<T[]> {
  return api.assembly.store.ask<T>(select);
}

async function count(api: TestApi, table: string): Promise<number> {
  return Number((await rowsOf<{ n: number }>(api, `SELECT count(*) AS n FROM ${table}`))[0]?.n);
}

/** How often each status was answered. */
function statuses(answers: readonly Answer[]): Record<number, number> {
  const counts: Record<number, number> = {};
  for (const { status } of answers) counts[status] = (counts[status] ?? 0) + 1;
  return counts;
}

describe('The store decides', () => {
  let api: TestApi;
  let owner: Sender;

  beforeEach(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    owner = await api.signIn('owner');
  });
  afterEach(() => api.stop());

  /** Ends the server and starts it again on the same store. */
  const restart = async (): Promise<void> => {
    await api.leave();
    api = await TestApi.start(api.folder);
    owner = await api.signIn('owner');
  };
  const addKind = async (fields: readonly FieldSketch[], many = 'Boats'): Promise<Kind> => {
    const kind = {
      one: many.slice(0, -1),
      many,
      slug: many.toLowerCase(),
      published: true,
      startStatus: 'live',
      fields,
    };
    const { status, json } = await owner.send('POST', '/api/kinds', kind);
    expect(status).withContext(JSON.stringify(json)).toBe(200);
    return json.result as Kind;
  };
  const add = async ({ id }: Kind, title: string, values: object = {}): Promise<Listing> => {
    const { status, json } = await owner.send('POST', `/api/kinds/${id}/listings`, { title, values });
    expect(status).withContext(JSON.stringify(json)).toBe(200);
    return json.result as Listing;
  };
  const deleteForGood = async ({ id, version }: Listing): Promise<void> => {
    await owner.send('PATCH', `/api/listings/${id}`, { version, status: 'binned' });
    expect((await owner.send('DELETE', `/api/listings/${id}`)).status).toBe(200);
  };
  const titlesOnPage = async (path: string): Promise<string[]> => {
    const { featured, cards } = await api.anyone.list(path);
    return [...featured, ...cards].map(({ title }) => title);
  };

  describe('about reference numbers:', () => {
    const number = field('number', 'reference', { settings: { pattern: 'B-##' } });

    it('one that was given out never comes again: not after deleting for good and a restart', async () => {
      const kind = await addKind([number]);
      await add(kind, 'A');
      await deleteForGood(await add(kind, 'B'));
      await restart();
      expect((await add(kind, 'C')).values['number']).toBe('B-03');
    });

    it('nor after a field was added', async () => {
      const kind = await addKind([number]);
      await add(kind, 'A');
      await deleteForGood(await add(kind, 'B'));
      const { id, ...definition } = kind;
      const fields = [...kind.fields, makeField(field('more', 'short-text'))];
      expect((await owner.send('PUT', `/api/kinds/${id}`, { ...definition, fields })).status).toBe(200);
      expect((await add(kind, 'C')).values['number']).toBe('B-03');
    });

    it('nor after its field got another key, and that was undone', async () => {
      const kind = await addKind([number]);
      await add(kind, 'A');
      await deleteForGood(await add(kind, 'B'));
      const rename = { version: 1, from: 'number', to: 'code' };
      const renamed = await owner.send('POST', `/api/kinds/${kind.id}/rename-key`, rename);
      expect((await add(kind, 'C')).values['code']).toBe('B-03');
      await deleteForGood((await owner.send('GET', `/api/kinds/${kind.id}/listings?q=C`)).json.listings[0] as Listing);
      expect((await owner.send('POST', `/api/changes/${renamed.json.changeId}/undo`)).status).toBe(200);
      expect((await add(kind, 'D')).values['number']).toBe('B-04');
    });

    it('and twenty listings that are added at once have twenty', async () => {
      const kind = await addKind([number]);
      const made = await Promise.all(Array.from({ length: 20 }, (_, at) => add(kind, `Boat ${at}`)));
      expect(new Set(made.map(({ values }) => values['number'])).size).toBe(20);
    });
  });

  describe('about values that only one listing may have:', () => {
    it('of ten who give the same at once, one gets it', async () => {
      const kind = await addKind([field('sail', 'short-text', { unique: true })]);
      const sent = Array.from({ length: 10 }, (_, at) =>
        owner.send('POST', `/api/kinds/${kind.id}/listings`, { title: `Boat ${at}`, values: { sail: 'Red' } }),
      );
      expect(statuses(await Promise.all(sent))).toEqual({ 200: 1, 409: 9 });
      expect(await count(api, 'unique_values')).toBe(1);
    });

    it('two that swap theirs in one change are no clash, in undoing neither', async () => {
      const kind = await addKind([field('sail', 'short-text', { unique: true })]);
      const [a, b] = [await add(kind, 'A', { sail: 'Red' }), await add(kind, 'B', { sail: 'Blue' })];
      const part = ({ id }: Listing, sail: string): object => ({ id, version: 1, input: { values: { sail } } });
      const swapped = await owner.send('POST', `/api/kinds/${kind.id}/batch`, {
        parts: [part(a, 'Blue'), part(b, 'Red')],
      });
      expect(swapped.status).toBe(200);
      expect((await owner.send('POST', `/api/changes/${swapped.json.changeId}/undo`)).status).toBe(200);
      const held = await rowsOf(api, 'SELECT "listingId", "value" FROM unique_values ORDER BY "listingId"');
      expect(held).toEqual([
        { listingId: a.id, value: 'red' },
        { listingId: b.id, value: 'blue' },
      ]);
    });

    it('a field that two listings have the same value of cannot be made unique before one of them has another', async () => {
      const kind = await addKind([field('sail', 'short-text')]);
      for (const title of ['A', 'B']) await add(kind, title, { sail: 'Red' });
      const { id, ...definition } = kind;
      const fields = kind.fields.map((one) => ({ ...one, unique: true }));
      const refused = await owner.send('PUT', `/api/kinds/${id}`, { ...definition, fields });
      expect([refused.status, refused.json.code]).toEqual([409, 'value.taken']);
      expect(refused.json.title).toContain('“red”');
      await owner.send('PATCH', '/api/listings/2', { version: 1, values: { sail: 'Blue' } });
      expect((await owner.send('PUT', `/api/kinds/${id}`, { ...definition, fields })).status).toBe(200);
    });
  });

  it('edits that are sent while a field changes its type are read by the new type or refused', async () => {
    const kind = await addKind([field('size', 'short-text')]);
    const listings: Listing[] = [];
    for (let at = 0; at < 20; at++) listings.push(await add(kind, `Boat ${at}`, { size: '1' }));
    const inLine = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 200));
    let release = (): void => undefined;
    // Somebody else is writing for so long that all that is sent now waits, the change of the type first.
    const busy = api.assembly.store.writing(() => new Promise<void>((resolve) => (release = resolve)));
    const type = { version: 1, field: field('size', 'decimal') };
    const change = owner.send('POST', `/api/kinds/${kind.id}/type-change`, type);
    await inLine();
    const edits = listings.map(({ id }) =>
      owner.send('PATCH', `/api/listings/${id}`, { version: 1, values: { size: 'large' } }),
    );
    await inLine();
    release();
    await busy;
    const answers = await Promise.all(edits);
    expect((await change).status).toBe(200);
    expect(statuses(answers)).toEqual({ 422: 20 });
    const kept = await rowsOf<{ values: unknown }>(api, 'SELECT "values" FROM listings');
    const sizes = kept.map(
      ({ values }) => (typeof values === 'string' ? JSON.parse(values) : values) as { size?: unknown },
    );
    expect(sizes.filter(({ size }) => typeof size === 'string')).toEqual([]);
  });

  describe('about names and addresses:', () => {
    const kind = (more: object = {}): object => ({ one: 'Berth', many: 'Berths', slug: 'berths', fields: [], ...more });

    it('of three who make the same kind at once, one does', async () => {
      const sent = [1, 2, 3].map((at) => owner.send('POST', '/api/kinds', kind({ slug: `berths-${at}` })));
      expect(statuses(await Promise.all(sent))).toEqual({ 200: 1, 409: 2 });
      expect(await count(api, 'kinds')).toBe(1);
    });

    it('of two kinds with one address, one is made', async () => {
      const sent = ['Berth', 'Quay'].map((one) => owner.send('POST', '/api/kinds', kind({ one, many: `${one}s` })));
      expect(statuses(await Promise.all(sent))).toEqual({ 200: 1, 409: 1 });
    });

    it('those of an import that is running are taken: for another import, for a kind, and for its address', async () => {
      const start = { fileName: 'a.csv', rows: 1, policy: 'refuse-row', kind: kind() };
      const both = await Promise.all([1, 2].map(() => owner.send('POST', '/api/imports', start)));
      expect(statuses(both)).toEqual({ 200: 1, 409: 1 });
      const others = [kind({ slug: 'others' }), kind({ one: 'Other', many: 'Others' })];
      for (const other of others) expect((await owner.send('POST', '/api/kinds', other)).status).toBe(409);
      await owner.send('DELETE', `/api/imports/${both.find(({ status }) => status === 200)!.json.id}`);
      for (const table of ['kinds', 'taken_names', 'imports', 'changes']) {
        expect(await count(api, table))
          .withContext(table)
          .toBe(0);
      }
      expect((await owner.send('POST', '/api/kinds', kind())).status).toBe(200);
    });
  });

  it('a change that catalogs cannot take in is kept and acknowledged, told as a problem, and shows when it is healed', async () => {
    const kind = await addKind([]);
    await add(kind, 'Dory');
    const { put } = Catalog.prototype;
    const broken = spyOn(Catalog.prototype, 'put').and.throwError('made to fail');
    const added = await owner.send('POST', `/api/kinds/${kind.id}/listings`, { title: 'Skiff' });
    expect(added.status).toBe(200);
    expect(await count(api, 'listings')).toBe(2);
    const problems = async (): Promise<string[]> =>
      (await owner.send('GET', '/api/problems')).json.problems.map(({ code }: { code: string }) => code);
    expect(await problems()).toContain('out-of-date');
    expect(await titlesOnPage('/boats')).toEqual(['Dory']);
    broken.and.callFake(function (this: Catalog, listing: Listing) {
      return put.call(this, listing);
    });
    // What comes later brings it in step again.
    await add(kind, 'Punt');
    for (let tries = 0; tries < 100 && (await problems()).includes('out-of-date'); tries++) {
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    expect(await problems()).not.toContain('out-of-date');
    expect((await titlesOnPage('/boats')).sort()).toEqual(['Dory', 'Punt', 'Skiff']);
  });

  it('a kept catalog in a form that this program cannot read counts as none', async () => {
    const kind = await addKind([]);
    await add(kind, 'Dory');
    const { live } = api.assembly.services;
    const file = join(api.folder, 'catalogs', `kind-${kind.id}.catalog`);
    const catalog = live.catalog(kind.id)!;
    for (let at = 0; at < 1000; at++) catalog.put({ ...(await api.assembly.store.listing(1))!, title: 'Dory' });
    await live.settle();
    const content = readFileSync(file).subarray(4);
    // The second byte of what Node.js serialises is the version of the format; this one is of no Node.js that there is.
    for (const wrong of [Buffer.concat([Buffer.from([0xff, 0x7f]), content.subarray(2)]), serialize('no catalog')]) {
      const checksum = Buffer.alloc(4);
      checksum.writeUInt32LE(crc32(wrong));
      writeFileSync(file, Buffer.concat([checksum, wrong]));
      await restart();
      expect(await titlesOnPage('/boats')).toEqual(['Dory']);
    }
  });

  describe('about undoing:', () => {
    it('of two who undo the same at once, one does and the other is told', async () => {
      const kind = await addKind([]);
      const { id } = await add(kind, 'Dory');
      const { json } = await owner.send('PATCH', `/api/listings/${id}`, { version: 1, title: 'Skiff' });
      const both = await Promise.all([1, 2].map(() => owner.send('POST', `/api/changes/${json.changeId}/undo`)));
      expect(statuses(both)).toEqual({ 200: 1, 409: 1 });
      expect(both.find(({ status }) => status === 409)!.json.code).toBe('change.already-undone');
      expect((await owner.send('GET', `/api/listings/${id}`)).json.version).toBe(3);
    });

    it('it is marked in the same transaction: when that fails, nothing is undone', async () => {
      const kind = await addKind([]);
      const { id } = await add(kind, 'Dory');
      const { json } = await owner.send('PATCH', `/api/listings/${id}`, { version: 1, title: 'Skiff' });
      spyOn(api.assembly.store.log, 'markUndone').and.rejectWith(new Error('the power went'));
      expect((await owner.send('POST', `/api/changes/${json.changeId}/undo`)).status).toBe(500);
      expect((await owner.send('GET', `/api/listings/${id}`)).json.title).toBe('Skiff');
      const [change] = await rowsOf(api, `SELECT "undoneBy" FROM changes WHERE "id" = ${json.changeId as number}`);
      expect(change).toEqual({ undoneBy: null });
    });

    it('an editor takes back changes of listings, the adding of a category too, and nothing of the structure', async () => {
      await api.addUser('editor');
      const editor = await api.signIn('editor');
      const category = { key: 'fuel', label: 'Fuel', parent: null, icon: '', colour: '', text: '', formerKeys: [] };
      const set = { label: 'Services', slug: 'services', categories: [category] };
      const made = await owner.send('POST', '/api/category-sets', set);
      const kind = await addKind([field('size', 'short-text')]);
      const { changeId } = (await owner.send('POST', `/api/kinds/${kind.id}/listings`, { title: 'Dory' })).json;
      const path = `/api/category-sets/${made.json.result.id as number}/categories`;
      const added = await editor.send('POST', path, { label: 'Water' });
      const undo = async (id: number): Promise<number> => (await editor.send('POST', `/api/changes/${id}/undo`)).status;
      expect(await undo(made.json.changeId as number)).toBe(403);
      expect(await undo(added.json.changeId as number)).toBe(200);
      expect(await undo(changeId as number)).toBe(200);
      const log = (await owner.send('GET', '/api/changes')).json as { id: number; sentence: string }[];
      expect(await undo(log.find(({ sentence }) => sentence === 'Added the kind Boats')!.id)).toBe(403);
      expect(await count(api, 'kinds')).toBe(1);
    });
  });

  describe('about imports:', () => {
    const start = { fileName: 'boats.csv', rows: 4, policy: 'refuse-row' };
    const kind = { one: 'Boat', many: 'Boats', slug: 'boats', fields: [field('note', 'short-text')] };
    const row = (line: number, title: string, note = ''): ImportRow => ({ line, input: { title, values: { note } } });
    const begin = async (rows = start.rows): Promise<number> =>
      (await owner.send('POST', '/api/imports', { ...start, rows, kind })).json.id;
    const send = (id: number, offset: number, rows: ImportRow[]): Promise<Answer> =>
      owner.send('POST', `/api/imports/${id}/rows`, { offset, rows });

    it('a row that cannot be kept is told, and those beside it come in', async () => {
      const id = await begin();
      const { json } = await send(id, 0, [
        row(2, 'Dory'),
        row(3, 'Skiff', 'a\u0000b'),
        row(4, 'Pu\u0000nt'),
        row(5, 'Gig'),
      ]);
      expect([json.seen, json.added, json.refused]).toEqual([4, 2, 2]);
      const told = json.reports.map(({ issues }: { issues: { code: string; line: number }[] }) => issues[0]);
      expect(told.map(({ code, line }: { code: string; line: number }) => [code, line])).toEqual([
        ['value.nul', 3],
        ['value.nul', 4],
      ]);
    });

    it('a batch that fails counts as not seen, and can be sent again', async () => {
      const id = await begin(1);
      const failing = spyOn(api.assembly.store.log, 'writeEntries').and.rejectWith(new Error('the disk is full'));
      expect((await send(id, 0, [row(2, 'Dory')])).status).toBe(500);
      failing.and.callThrough();
      expect((await owner.send('GET', `/api/imports/${id}`)).json.seen).toBe(0);
      expect((await send(id, 0, [row(2, 'Dory')])).json.added).toBe(1);
      await owner.send('POST', `/api/imports/${id}/finish`);
      expect(await titlesOnPage('/boats')).toEqual([]);
      expect(await count(api, 'listings')).toBe(1);
    });

    it('one that is finished and cancelled at the same moment is either there as a whole or gone', async () => {
      for (let turn = 0; turn < 4; turn++) {
        const id = await begin(2);
        await send(id, 0, [row(2, 'Dory'), row(3, 'Skiff')]);
        const finish = (): Promise<Answer> => owner.send('POST', `/api/imports/${id}/finish`);
        const cancel = (): Promise<Answer> => owner.send('DELETE', `/api/imports/${id}`);
        const [first, second] = await Promise.all(turn % 2 === 0 ? [finish(), cancel()] : [cancel(), finish()]);
        expect(statuses([first, second])).toEqual({ 200: 1, 410: 1 });
        const isIn = [first, second].some(({ json }) => json.state === 'done');
        const shown = 'kinds JOIN listings ON listings."kindId" = kinds."id" WHERE NOT "removed"';
        expect(await count(api, shown)).toBe(isIn ? 2 : 0);
        if (isIn) expect((await owner.send('POST', `/api/changes/${id}/undo`)).status).toBe(200);
      }
    });

    it('one is not taken back as abandoned when it has gone on or been finished meanwhile', async () => {
      const id = await begin(1);
      await send(id, 0, [row(2, 'Dory')]);
      const { store, services } = api.assembly;
      const [record] = await store.imports.abandoned(Date.now() + 3_600_000);
      expect(record?.id).toBe(id);
      // As somebody saw it who looked a moment ago.
      spyOn(store.imports, 'abandoned').and.resolveTo([record!]);
      expect(await services.imports.repair()).toEqual([]);
      await owner.send('POST', `/api/imports/${id}/finish`);
      expect(await services.imports.repair()).toEqual([]);
      expect(await count(api, 'listings')).toBe(1);
    });

    it('of two that send the same batch at once, one is taken', async () => {
      const id = await begin();
      const both = await Promise.all([1, 2].map(() => send(id, 0, [row(2, 'Dory')])));
      expect(statuses(both)).toEqual({ 200: 1, 409: 1 });
      expect(await count(api, 'listings')).toBe(1);
    });
  });

  it('of three who make the owner with one link at once, one does', async () => {
    const empty = await TestApi.start();
    const secret = await empty.assembly.services.accounts.setupSecret();
    const sent = [1, 2, 3].map((at) =>
      empty.anyone.send('POST', '/api/setup', { secret, email: `o${at}@example.org`, name: 'O', password: PASSWORD }),
    );
    expect(statuses(await Promise.all(sent))).toEqual({ 200: 1, 403: 2 });
    expect(await count(empty, 'users')).toBe(1);
    await empty.stop();
  });

  it('of two who restore a listing from the same state, the one whose state is gone is told', async () => {
    const kind = await addKind([]);
    const { id } = await add(kind, 'Dory');
    const { store } = api.assembly;
    const before = (await store.listing(id))!;
    const restore = (title: string): Promise<unknown> =>
      store.change(null, async (unit) => {
        await unit.write({ entity: 'listing', id, before, after: { ...before, title, version: before.version + 1 } });
        return { sentence: 'Restored', result: null };
      });
    const [first, second] = await Promise.allSettled([restore('First'), restore('Second')]);
    expect([first.status, second.status]).toEqual(['fulfilled', 'rejected']);
    expect((second as PromiseRejectedResult).reason.code).toBe('change.conflict');
    expect((await store.listing(id))!.title).toBe('First');
  });
});
