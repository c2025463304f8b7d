import type { Listing } from '@plindo/core/listings';
import type { Kind } from '@plindo/core/structure';
import { makeField } from '@plindo/core/structure';
import { field } from '../../testing/sketches.js';
import type { Sender } from '../../testing/test-api.js';
import { DIALECT, removeDatabase, storeFolder } from '../../testing/database.js';
import { TestApi } from '../../testing/test-api.js';

const several = DIALECT === 'postgres' ? describe : (): void => undefined;

several('Two processes on one store', () => {
  it('leave each other’s imports alone, see each other’s edits and structure, and go on with an import that one left', async () => {
    const first = await TestApi.start();
    await first.addUser('owner');
    const owner = await first.signIn('owner');
    const kind = { one: 'Boat', many: 'Boats', slug: 'boats', fields: [] };
    const start = { fileName: 'b.csv', rows: 2, policy: 'refuse-row', kind };
    const { json: running } = await owner.send('POST', '/api/imports', start);
    const row = (line: number, title: string): object => ({ line, input: { title } });
    await owner.send('POST', `/api/imports/${running.id}/rows`, { offset: 0, rows: [row(2, 'Dory')] });

    const second = await TestApi.start(first.folder);
    expect(second.assembly.repairs).toEqual([]);
    const there = await second.signIn('owner');
    const taken = await there.send('POST', `/api/imports/${running.id}/rows`, { offset: 1, rows: [row(3, 'Dory')] });
    expect([taken.status, taken.json.added]).toEqual([200, 2]);
    const { json: done } = await there.send('POST', `/api/imports/${running.id}/finish`);

    const eventually = async (work: () => Promise<boolean>): Promise<boolean> => {
      for (const until = Date.now() + 1000; Date.now() < until;) {
        if (await work()) return true;
        await new Promise((resolve) => setTimeout(resolve, 20));
      }
      return false;
    };
    const slugs = async (sender: Sender): Promise<string[]> => {
      const { json } = await sender.send('GET', `/api/kinds/${done.kindId}/listings`);
      return ((json.listings ?? []) as Listing[]).map(({ slug }) => slug).sort();
    };
    expect(await slugs(there)).toEqual(['dory', 'dory-2']);
    expect(await eventually(async () => (await slugs(owner)).join() === 'dory,dory-2')).toBeTrue();
    await owner.send('POST', `/api/kinds/${done.kindId}/listings`, { title: 'Skiff' });
    expect(await eventually(async () => (await slugs(there)).includes('skiff'))).toBeTrue();
    await second.leave();
    await first.stop();
  });

  it('decide by what the other one has just changed, though they have not heard of it yet', async () => {
    const first = await TestApi.start();
    await first.addUser('owner');
    const here = await first.signIn('owner');
    const kind = { one: 'Boat', many: 'Boats', slug: 'boats', fields: [] };
    const made = (await here.send('POST', '/api/kinds', kind)).json.result as Kind;
    const { json: added } = await here.send('POST', `/api/kinds/${made.id}/listings`, { title: 'Dory' });
    const second = await TestApi.start(first.folder);
    const there = await second.signIn('owner');
    for (let turn = 1; turn <= 5; turn++) {
      const key = `size_${turn}`;
      const { id, ...definition } = (await there.send('GET', `/api/kinds/${made.id}`)).json.kind as Kind;
      const fields = [...definition.fields, makeField(field(key, 'decimal'))];
      expect((await there.send('PUT', `/api/kinds/${id}`, { ...definition, fields })).status).toBe(200);
      const sent = { version: turn, values: { [key]: '4' } };
      const edited = await here.send('PATCH', `/api/listings/${added.result.id as number}`, sent);
      expect(edited.status).withContext(JSON.stringify(edited.json)).toBe(200);
      expect(edited.json.result.values[key]).toBe(4);
    }
    await second.leave();
    await first.stop();
  });

  it('take back an import whose process has gone, when its lease has run out', async () => {
    let now = Date.UTC(2026, 10, 28, 12);
    const first = await TestApi.start(undefined, () => new Date(now));
    await first.addUser('owner');
    const owner = await first.signIn('owner');
    const kind = { one: 'Boat', many: 'Boats', slug: 'boats', fields: [] };
    await owner.send('POST', '/api/imports', { fileName: 'b.csv', rows: 2, policy: 'refuse-row', kind });
    const second = await TestApi.start(first.folder, () => new Date(now));
    expect(second.assembly.repairs).toEqual([]);
    await second.leave();
    now += 60_000;
    const third = await TestApi.start(first.folder, () => new Date(now));
    expect(third.assembly.repairs).toEqual(['Took back an unfinished import (Bringing in b.csv).']);
    expect(await third.assembly.store.ask('SELECT id FROM kinds')).toEqual([]);
    await third.leave();
    await first.stop();
  });
});

const alone = DIALECT === 'sqlite' ? describe : (): void => undefined;

alone('A second process on an SQLite folder', () => {
  it('is refused at once, and harms nothing', async () => {
    const folder = storeFolder();
    const first = await TestApi.start(folder);
    await expectAsync(TestApi.start(folder)).toBeRejectedWithError(/Another Plindo serves/);
    await first.addUser('owner');
    await first.leave();
    const after = await TestApi.start(folder);
    expect((await (await after.signIn('owner')).send('GET', '/api/kinds')).status).toBe(200);
    await after.leave();
    await removeDatabase(folder);
  });
});
