import { makeField } from '@plindo/core/structure';
import { field } from '../../testing/sketches.js';
import type { Answer, Sender } from '../../testing/test-api.js';
import { TestApi } from '../../testing/test-api.js';

const KIND = {
  one: 'Boat',
  many: 'Boats',
  slug: 'boats',
  published: true,
  fields: [makeField(field('sail', 'short-text'))],
};

describe('A kind that is deleted', () => {
  let api: TestApi;
  let owner: Sender;
  let kindId: number;
  let listing: number;

  beforeEach(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    owner = await api.signIn('owner');
    kindId = (await owner.send('POST', '/api/kinds', KIND)).json.result.id;
    const input = { title: 'Dory', status: 'live', featured: true, featuredUntil: '2099-01-01T00:00Z' };
    listing = (await owner.send('POST', `/api/kinds/${kindId}/listings`, input)).json.result.id;
  });
  afterEach(() => api.stop());

  const remove = (): Promise<Answer> => owner.send('DELETE', `/api/kinds/${kindId}`);
  const undo = (id: number): Promise<Answer> => owner.send('POST', `/api/changes/${id}/undo`);
  const count = async (select: string): Promise<number> =>
    Number((await api.assembly.store.ask<{ n: number }>(`SELECT count(*) AS n FROM ${select}`))[0]?.n);

  it('takes its listings out of sight, with what is due for them, and brings all of it back', async () => {
    const removed = await remove();
    expect(removed.json.result).toEqual({ listings: 1 });
    for (const path of [`/listings/${listing}`, `/kinds/${kindId}/listings`, `/kinds/${kindId}`]) {
      expect((await owner.send('GET', `/api${path}`)).status)
        .withContext(path)
        .toBe(404);
    }
    const edit = await owner.send('PATCH', `/api/listings/${listing}`, { version: 1, title: 'Other' });
    expect(edit.status).toBe(404);
    expect((await owner.send('GET', '/api/find?q=dory')).json).toEqual(jasmine.objectContaining({}));
    expect(JSON.stringify((await owner.send('GET', '/api/find?q=dory')).json)).not.toContain('Dory');
    expect(await count(`due_work WHERE "task" = 'featured'`)).toBe(0);

    const undone = await undo(removed.json.changeId as number);
    expect(undone.status).toBe(200);
    const back = await owner.send('GET', `/api/listings/${listing}`);
    expect([back.json.title, back.json.featured]).toEqual(['Dory', true]);
    expect((await owner.send('GET', `/api/kinds/${kindId}/listings`)).json.total).toBe(1);
    expect(await count(`due_work WHERE "task" = 'featured' AND "subject" = ${listing}`)).toBe(1);
    expect((await undo(undone.json.changeId as number)).status).toBe(200);
    expect((await owner.send('GET', `/api/listings/${listing}`)).status).toBe(404);
  });

  it('leaves its name and address to another one, and comes back only when those are free again', async () => {
    const removed = await remove();
    const other = await owner.send('POST', '/api/kinds', KIND);
    expect(other.status).toBe(200);
    const refused = await undo(removed.json.changeId as number);
    expect([refused.status, refused.json.code]).toEqual([409, jasmine.stringMatching(/taken|clash/)]);
    await owner.send('DELETE', `/api/kinds/${other.json.result.id as number}`);
    expect((await undo(removed.json.changeId as number)).status).toBe(200);
    expect((await owner.send('GET', `/api/kinds/${kindId}/listings`)).json.total).toBe(1);
  });

  it('is gone after a restart too', async () => {
    await remove();
    const { folder } = api;
    await api.leave();
    api = await TestApi.start(folder);
    owner = await api.signIn('owner');
    expect((await owner.send('GET', '/api/kinds')).json).toEqual([]);
    expect((await owner.send('GET', `/api/listings/${listing}`)).status).toBe(404);
  });
});

describe('A batch', () => {
  it('is undone with all of its listings, each once, and refused when one of them was changed since', async () => {
    const api = await TestApi.start();
    await api.addUser('owner');
    const owner = await api.signIn('owner');
    const kindId = (await owner.send('POST', '/api/kinds', KIND)).json.result.id as number;
    const ids: number[] = [];
    for (const title of ['A', 'B', 'C']) {
      ids.push((await owner.send('POST', `/api/kinds/${kindId}/listings`, { title })).json.result.id as number);
    }
    const titles = async (): Promise<string[]> =>
      (await owner.send('GET', `/api/kinds/${kindId}/listings`)).json.listings.map(
        ({ title }: { title: string }) => title,
      );
    const parts = ids.map((id, at) => ({ id, input: { title: `New ${at}`, values: { sail: `S${at}` } } }));
    const done = await owner.send('POST', `/api/kinds/${kindId}/batch`, { parts });
    expect(await titles()).toEqual(['New 0', 'New 1', 'New 2']);
    const undone = await owner.send('POST', `/api/changes/${done.json.changeId as number}/undo`);
    expect([undone.status, await titles()]).toEqual([200, ['A', 'B', 'C']]);
    const again = await owner.send('POST', `/api/changes/${undone.json.changeId as number}/undo`);
    expect(await titles()).toEqual(['New 0', 'New 1', 'New 2']);
    await owner.send('PATCH', `/api/listings/${ids[1]}`, { version: 4, summary: 'Since' });
    const refused = await owner.send('POST', `/api/changes/${again.json.changeId as number}/undo`);
    expect([refused.status, refused.json.code]).toEqual([409, 'change.not-undoable']);
    expect(await titles()).toEqual(['New 0', 'New 1', 'New 2']);
    const twice = await owner.send('POST', `/api/kinds/${kindId}/batch`, { parts: [parts[0], parts[0]] });
    expect([twice.status, twice.json.code]).toEqual([409, 'change.conflict']);
    await api.stop();
  });
});
