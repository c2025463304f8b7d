import type { KeptDraft } from '@plindo/core/contract';
import type { PageModel } from '@plindo/core/page';
import { listOnPage } from '@plindo/core/testing/list-on-page';
import type { Sender } from '../../testing/test-api.js';
import { BERTHS, TestApi } from '../../testing/test-api.js';

const TITLE = { key: 'title', text: [{ field: '@title' }] };

describe('Drafts', () => {
  let api: TestApi;
  let owner: Sender;
  let kindId: number;
  let cardId: number;
  let now: Date;

  beforeEach(async () => {
    now = new Date('2026-11-29T12:00:00Z');
    api = await TestApi.start(undefined, () => now);
    await api.addUser('owner');
    owner = await api.signIn('owner');
    const { services } = api.assembly;
    kindId = (await services.kinds.add(null, BERTHS)).result.id;
    await services.listings.add(null, kindId, { title: 'Quay', status: 'live', values: { price: '60' } });
    const added = await owner.send('POST', '/api/designs', { type: 'card', kindId, definition: definition('For ') });
    cardId = added.json.result.id;
  });
  afterEach(() => api.stop());

  const definition = (words: string, field = 'price'): object => ({
    name: 'Plain',
    zones: { heading: [TITLE], foot: [{ key: 'x', text: [{ words }, { field }] }] },
  });
  const draft = (words: string, field?: string): object => ({
    ...{ type: 'card', kindId, of: cardId },
    definition: definition(words, field),
  });
  const about = (of: number | null = null): object => ({
    ...{ type: 'page', kindId: null, of },
    definition: { name: 'About', serves: 'free', address: 'about', title: [{ words: 'About' }], strips: [] },
  });
  const footAt = async (url: string, who: Pick<Sender, 'send'> = owner): Promise<string | undefined> => {
    const page = (await who.send('GET', `/api/page?${url}`)).json as PageModel;
    return listOnPage(page).cards[0]?.values['x']?.text;
  };
  const rows = (): Promise<{ id: number; definition: string; draft: string | null }[]> =>
    api.assembly.store.ask('SELECT id, definition, draft FROM designs ORDER BY id') as never;

  it('are seen by nobody but those who have signed in and ask for them, until they are published', async () => {
    const begun = await owner.send('POST', '/api/drafts', draft('Only '));
    const { id } = begun.json.result;
    expect([await footAt('url=/berths'), await footAt('url=/berths&drafts=yes')]).toEqual(['For €60', 'Only €60']);
    expect(await footAt('url=/berths&drafts=yes', api.anyone)).toBe('For €60');
    expect((await owner.send('GET', '/api/designs')).json.map((design: { id: number }) => design.id)).toEqual([cardId]);
    const [kept] = (await owner.send('GET', '/api/drafts')).json as KeptDraft[];
    expect([kept!.design.draft?.of, kept!.who]).toEqual([cardId, 'owner']);
    const published = await owner.send('POST', '/api/drafts/publish', { ids: [id] });
    expect([published.status, await footAt('url=/berths')]).toEqual([200, 'Only €60']);
    // The database has it in the place of what was there, and no draft any more.
    const after = await rows();
    expect(after.map((row) => [row.id, JSON.stringify(row.definition).includes('Only '), row.draft])).toEqual([
      [cardId, true, null],
    ]);
    await owner.send('POST', `/api/changes/${published.json.changeId}/undo`);
    expect([await footAt('url=/berths'), await footAt('url=/berths&drafts=yes')]).toEqual(['For €60', 'Only €60']);
  });

  it('may be wrong while they are drafts, but are published sound, all or none', async () => {
    const wrong = await owner.send('POST', '/api/drafts', draft('Only ', 'gone'));
    const page = await owner.send('POST', '/api/drafts', about());
    expect([wrong.status, page.status]).toEqual([200, 200]);
    const ids = [page.json.result.id, wrong.json.result.id];
    const refused = await owner.send('POST', '/api/drafts/publish', { ids });
    expect([refused.status, (await rows()).filter((row) => row.draft === null).length]).toEqual([422, 1]);
    expect((await owner.send('GET', '/api/page?url=/about')).json.type).toBe('not-found');
    expect((await owner.send('GET', '/api/page?url=/about&drafts=yes')).json.type).toBe('designed');
    await owner.send('POST', '/api/drafts/publish', { ids: [ids[0]] });
    expect((await owner.send('GET', '/api/page?url=/about')).json.type).toBe('designed');
  });

  it('are refused where somebody changed what they come in the place of, or began another', async () => {
    const { json } = await owner.send('POST', '/api/drafts', draft('Only '));
    expect((await owner.send('POST', '/api/drafts', draft('Just '))).json.code).toBe('change.conflict');
    const changed = { type: 'card', version: 1, definition: definition('Now ') };
    await owner.send('PUT', `/api/designs/${cardId}`, changed);
    const { id, version } = json.result;
    expect((await owner.send('POST', '/api/drafts/publish', { ids: [id] })).json.code).toBe('change.conflict');
    // Whoever saves it again has seen what visitors see now.
    await owner.send('PUT', `/api/drafts/${id}`, { type: 'card', version, definition: definition('Ever ') });
    expect((await owner.send('POST', '/api/drafts/publish', { ids: [id] })).status).toBe(200);
    expect(await footAt('url=/berths')).toBe('Ever €60');
  });

  it('go with the design in whose place they would come, and come back with it', async () => {
    await owner.send('POST', '/api/drafts', draft('Only '));
    const { json } = await owner.send('DELETE', `/api/designs/${cardId}`);
    expect(await rows()).toEqual([]);
    await owner.send('POST', `/api/changes/${json.changeId}/undo`);
    expect((await rows()).length).toBe(2);
    expect(await footAt('url=/berths&drafts=yes')).toBe('Only €60');
  });

  it('follow a key that is renamed, do not hold names, and go with their kind', async () => {
    await owner.send('POST', '/api/drafts', draft('Only '));
    const { services } = api.assembly;
    const kind = services.live.kind(kindId)!;
    const sent = { version: kind.version, from: 'price', to: 'fee' };
    const renamed = await owner.send('POST', `/api/kinds/${kindId}/rename-key`, sent);
    expect([renamed.status, await footAt('url=/berths&drafts=yes')]).toEqual([200, 'Only €60']);
    await owner.send('DELETE', `/api/kinds/${kindId}`);
    expect(await rows()).toEqual([]);
  });

  it('are published by themselves at their moment; why not stands at the draft', async () => {
    const good = (await owner.send('POST', '/api/drafts', about())).json.result.id as number;
    const at = new Date(now.getTime() + 60_000).toISOString();
    await owner.send('POST', '/api/drafts/moment', { ids: [good], at });
    const { drafts } = api.assembly.services;
    await drafts.publishDue();
    expect((await rows()).find((row) => row.id === good)!.draft).not.toBeNull();
    now = new Date(Date.parse(at) + 1);
    await drafts.publishDue();
    expect((await rows()).find((row) => row.id === good)!.draft).toBeNull();
    const wrong = (await owner.send('POST', '/api/drafts', draft('Only ', 'gone'))).json.result.id as number;
    await owner.send('POST', '/api/drafts/moment', { ids: [wrong], at });
    await drafts.publishDue();
    const [kept] = (await owner.send('GET', '/api/drafts')).json as KeptDraft[];
    expect(kept!.design.draft).toEqual({
      ...{ of: cardId, basedOn: 1, publishAt: null },
      fault: jasmine.stringContaining('gone') as never,
    });
    expect(await footAt('url=/berths')).toBe('For €60');
  });
});
