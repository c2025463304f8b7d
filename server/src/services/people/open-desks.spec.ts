import type { DeskChange } from '@plindo/core/contract';
import { makeField } from '@plindo/core/structure';
import type { Sender } from '../../../testing/test-api.js';
import { TestApi } from '../../../testing/test-api.js';

describe('Open Desks', () => {
  let api: TestApi;
  let owner: Sender;
  let editor: Sender;
  let kindId: number;
  let now: number;

  beforeEach(async () => {
    now = Date.UTC(2026, 10, 30, 9);
    api = await TestApi.start(undefined, () => new Date(now));
    await api.addUser('owner');
    await api.addUser('editor');
    [owner, editor] = [await api.signIn('owner'), await api.signIn('editor')];
    const fields = [makeField({ key: 'beds', label: 'Beds', type: 'whole-number' })];
    const body = { one: 'Clinic', many: 'Clinics', slug: 'clinics', published: true, startStatus: 'live', fields };
    kindId = (await owner.send('POST', '/api/kinds', body)).json.result.id as number;
  });
  afterEach(() => api.stop());

  const add = async (title: string): Promise<number> =>
    (await owner.send('POST', `/api/kinds/${kindId}/listings`, { title })).json.result.id as number;

  it('are told of what is changed, by whom, and whether it was by themselves', async () => {
    const told: DeskChange[] = [];
    const { openDesks } = api.assembly.services;
    const people = await api.assembly.store.accounts.byEmail('editor@example.org');
    const stop = openDesks.listen(
      people!,
      (event) => told.push(event),
      () => undefined,
    )!;
    const id = await add('A');
    await until(() => told.length === 1);
    expect(told[0]).toEqual({
      ...{ type: 'change', who: told[0]!.who, sentence: 'Added A', kinds: [kindId], listings: [id] },
      ...{ structure: false, submissions: false, isOwn: false },
    });
    await editor.send('PATCH', `/api/listings/${id}`, { version: 1, values: { beds: 4 } });
    await until(() => told.length === 2);
    expect([told[1]!.isOwn, told[1]!.listings]).toEqual([true, [id]]);
    await owner.send('PUT', '/api/site', { name: 'Another name' });
    await until(() => told.length === 3);
    expect([told[2]!.structure, told[2]!.kinds]).toEqual([true, []]);
    stop();
    await add('B');
    await new Promise((done) => setTimeout(done, 50));
    expect(told.length).toBe(3);
  });

  it('know who else is in the same listing, until they leave it or fall silent', async () => {
    const id = await add('A');
    const stand = async (sender: Sender, desk: string, listing: number | null): Promise<string[]> =>
      (await sender.send('POST', '/api/desk', { desk, listing })).json as string[];
    expect(await stand(owner, 'desk-one', id)).toEqual([]);
    const others = await stand(editor, 'desk-two', id);
    expect(others.length).toBe(1);
    expect((await stand(owner, 'desk-one', id)).length).toBe(1);
    expect(await stand(owner, 'desk-three', id))
      .withContext('one is no other to oneself')
      .toHaveSize(1);
    await stand(editor, 'desk-two', null);
    expect(await stand(owner, 'desk-one', id)).toEqual([]);
    await stand(editor, 'desk-two', id);
    now += 61_000;
    expect(await stand(owner, 'desk-one', id)).toEqual([]);
  });

  it('are as many as one person can need, and no more', async () => {
    const { openDesks } = api.assembly.services;
    const person = (await api.assembly.store.accounts.byEmail('owner@example.org'))!;
    const listen = (): (() => void) | null =>
      openDesks.listen(
        person,
        () => undefined,
        () => undefined,
      );
    const stops = Array.from({ length: 12 }, listen);
    expect(stops.every((stop) => stop !== null)).toBeTrue();
    expect(listen()).toBeNull();
    stops[0]!();
    expect(listen()).not.toBeNull();
  });
});

async function until(holds: () => boolean): Promise<void> {
  for (let tries = 0; tries < 200 && !holds(); tries++) await new Promise((done) => setTimeout(done, 10));
  expect(holds()).toBeTrue();
}
