import { createHash } from 'node:crypto';
import type { SubmissionDetail, SubmissionQueue } from '@plindo/core/contract';
import { makeForm } from '@plindo/core/design';
import type { SendingState, SentPage } from '@plindo/core/page';
import { titlesOn } from '@plindo/core/testing/list-on-page';
import type { Field } from '@plindo/core/structure';
import { makeField } from '@plindo/core/structure';
import type { Answer, Sender } from '../../testing/test-api.js';
import { TestApi } from '../../testing/test-api.js';

type Parts = Readonly<Record<string, string | readonly string[]>>;

const FIELDS = [
  makeField({ key: 'beds', label: 'Beds', type: 'whole-number', settings: { least: 1 } }),
  makeField({
    key: 'fuel',
    label: 'Fuel',
    type: 'one-choice',
    settings: {
      choices: [
        { key: 'gas', label: 'Gas' },
        { key: 'none', label: 'None' },
      ],
    },
  }),
  makeField({ key: 'litres', label: 'Litres', type: 'whole-number' }),
  makeField({ key: 'phone', label: 'Telephone', type: 'phone' }),
  makeField({ key: 'about', label: 'About', type: 'long-text' }),
];

const ROWS = { key: 'tariff', label: 'Tariff', type: 'rows' } as const;
const GROUP = { key: 'keeper', label: 'Keeper', type: 'group' } as const;

const FORM = makeForm({
  name: 'Send in a hut',
  steps: [
    {
      title: 'The hut',
      questions: [
        { field: '@title', label: 'Its name', isRequired: true },
        { field: 'beds', isRequired: true },
        { field: 'fuel' },
        { field: 'litres', showWhen: { join: 'all', of: [{ field: 'fuel', op: 'is-one-of', value: ['gas'] }] } },
        { field: 'phone' },
        { field: 'about' },
      ],
    },
  ],
  consents: [{ key: 'publish', words: 'It may be published.', isRequired: true }],
});

const GOOD: Parts = {
  '@title': 'Gull Hut',
  beds: '8',
  'sender.name': 'Ana',
  'sender.email': 'Ana@Example.org',
  'consent.publish': 'yes',
};

describe('What visitors send in', () => {
  let api: TestApi;
  let owner: Sender;
  let visitor: Sender;
  let kindId: number;
  let form: number;
  let now: number;

  beforeEach(async () => {
    now = Date.UTC(2026, 10, 30, 9);
    api = await TestApi.start(undefined, () => new Date(now));
    await api.addUser('owner');
    owner = await api.signIn('owner');
    const body = { one: 'Hut', many: 'Huts', slug: 'huts', published: true, fields: FIELDS };
    kindId = (await owner.send('POST', '/api/kinds', body)).json.result.id as number;
    form = (await owner.send('POST', '/api/designs', { type: 'form', kindId, definition: FORM })).json.result
      .id as number;
    await owner.send('PUT', '/api/site', { address: 'https://guide.example' });
    visitor = api.anyone.with({ Accept: 'application/json' });
  });
  afterEach(() => api.stop());

  const post = (path: string, parts: Parts): Promise<Answer> => {
    const sent = new FormData();
    for (const [name, value] of Object.entries(parts))
      for (const one of [value].flat()) sent.append(name, one as string);
    return visitor.send('POST', path, sent);
  };
  const look = async (parts: Parts): Promise<SendingState> =>
    (await post(`/forms/${form}/look`, { path: '/tell-us', ...parts })).json as SendingState;
  const lookAtTold = async (listingId: number, parts: Parts): Promise<SendingState> =>
    (await post(`/tell/${listingId}/look`, parts)).json as SendingState;
  const send = (token: string, parts: Parts = { solution: solved(token) }): Promise<Answer> =>
    post(`/forms/${form}/send`, { token, path: '/tell-us', ...parts });
  /** Sends in a hut as a person would; gives the secret of the sender's link. */
  const sendIn = async (parts: Parts = GOOD): Promise<string> => {
    const { token } = await look(parts);
    now += 20_000;
    const { href } = (await send(token)).json as { href: string };
    return href.replace('/sent/', '');
  };
  const queue = async (question = ''): Promise<SubmissionQueue> =>
    (await owner.send('GET', `/api/submissions${question}`)).json as SubmissionQueue;
  const detail = async (id: number): Promise<SubmissionDetail> =>
    (await owner.send('GET', `/api/submissions/${id}`)).json as SubmissionDetail;
  const onSite = async (): Promise<readonly string[]> => titlesOn(await visitor.list('/huts'));
  const ask = async (statement: string): Promise<Record<string, unknown>[]> =>
    (await api.assembly.store.ask(statement)) as Record<string, unknown>[];
  const kept = (): Promise<Record<string, unknown>[]> =>
    api.assembly.store.ask(
      'SELECT "state", "intent", "suspected", "email", "listingId" FROM submissions ORDER BY "id"',
    );
  const mails = (): Promise<Record<string, unknown>[]> =>
    ask('SELECT "about", "recipient", "text" FROM mails ORDER BY "id"');
  const page = async (secret: string): Promise<SentPage> =>
    (await visitor.send('GET', `/api/page?url=${encodeURIComponent(`/sent/${secret}`)}`)).json as SentPage;
  const accept = async (id: number, more: object = {}): Promise<Answer> => {
    const { version, values, listing } = await detail(id);
    const body = {
      version,
      values,
      status: 'live',
      featured: false,
      listingVersion: listing?.version ?? null,
      ...more,
    };
    return owner.send('POST', `/api/submissions/${id}/accept`, body);
  };

  it('is looked over first: what is missing is told by question, in the words of the form', async () => {
    const state = await look({ '@title': ' ', beds: '0', 'sender.email': 'ana', fuel: 'wood' });
    expect(state.faults.map(({ field, message }) => `${field}: ${message}`)).toEqual([
      'beds: Beds must be at least 1.',
      'fuel: Fuel has no choice “wood”. Pick one of its choices.',
      '@title: Its name is required.',
      'sender.email: “ana” is not an e-mail address. Write it as name@example.org.',
      'consent.publish: This needs your consent: It may be published.',
    ]);
    expect([state.summary, state.hidden]).toEqual([null, ['litres']]);
  });

  it('tells what is missing in the language of the site, also where no scripts run', async () => {
    await owner.send('PUT', '/api/site', { locale: 'de-DE' });
    const { faults } = await look({ '@title': '', beds: '0', 'sender.email': 'ana' });
    expect(faults.map(({ field, message }) => `${field}: ${message}`)).toEqual([
      'beds: Beds darf nicht kleiner sein als 1.',
      '@title: Its name fehlt.',
      'sender.email: „ana“ ist keine E-Mail-Adresse. Schreiben Sie sie wie name@example.org.',
      'consent.publish: Hierfür ist Ihre Zustimmung nötig: It may be published.',
    ]);
    const gone = 'Dieses Formular gibt es nicht mehr. Laden Sie die Seite neu.';
    expect((await post('/forms/999/look', GOOD)).json).toEqual(jasmine.objectContaining({ title: gone }));
    const headers = { Accept: 'text/html' };
    const plain = await fetch(`${api.address}/forms/999/look`, { method: 'POST', headers, body: new FormData() });
    expect(await plain.text()).toContain(gone);
  });

  it('asks a question only while its condition holds', async () => {
    const check = async (fuel: string): Promise<readonly string[]> =>
      (await post(`/forms/${form}/check`, { ...GOOD, fuel, litres: '12' })).json.hidden as string[];
    expect(await check('none')).toEqual(['litres']);
    expect(await check('gas')).toEqual([]);
    const state = await look({ ...GOOD, fuel: 'none', litres: '12' });
    expect(state.summary?.map(({ label, text }) => `${label}: ${text}`)).toEqual([
      'Its name: Gull Hut',
      'Beds: 8',
      'Fuel: None',
    ]);
  });

  it('can be asked for groups and rows, and comes back as it was answered', async () => {
    const part = (key: string, type: 'short-text' | 'money' | 'several-choices'): Field =>
      makeField({ key, label: key, type, settings: { currency: 'EUR', choices: [{ key: 'a', label: 'A' }] } });
    const fields = [
      makeField({ ...ROWS, settings: { fields: [part('season', 'short-text'), part('price', 'money')] } }),
      makeField({ ...GROUP, settings: { fields: [part('name', 'short-text'), part('marks', 'several-choices')] } }),
    ];
    const body = { one: 'Barn', many: 'Barns', slug: 'barns', published: true, fields };
    const barns = (await owner.send('POST', '/api/kinds', body)).json.result.id as number;
    const questions = ['@title', 'tariff', 'keeper'].map((field) => ({ field }));
    const definition = makeForm({ name: 'Send in a barn', steps: [{ questions }] });
    const made = await owner.send('POST', '/api/designs', { type: 'form', kindId: barns, definition });
    form = made.json.result.id as number;
    const parts: Parts = {
      ...{ '@title': 'Long Barn', 'sender.email': 'ana@example.org' },
      ...{ 'tariff.0.season': 'Winter', 'tariff.0.price': '12', 'tariff.1.season': '', 'tariff.1.price': '' },
      ...{ 'tariff.10.season': 'Summer', 'tariff.2.season': 'Spring', 'keeper.name': 'Bo', 'keeper.marks': ['a'] },
    };
    expect((await look({ ...parts, 'tariff.2.price': 'much' })).faults.map(({ field }) => field)).toEqual([
      'tariff.2.price',
    ]);
    const { summary } = await look(parts);
    expect(summary?.map(({ text }) => text)).toEqual([
      'Long Barn',
      'season Winter, price €12\nseason Spring\nseason Summer',
      'name Bo, marks A',
    ]);
    const secret = await sendIn(parts);
    const [, , again] = (await page(secret)).form!.steps[0]!.questions;
    expect(again?.answer.entries).toEqual([
      { name: jasmine.objectContaining({ texts: ['Bo'] }), marks: jasmine.objectContaining({ texts: ['a'] }) },
    ]);
    const [{ id } = { id: 0 }] = (await queue()).submissions;
    expect((await accept(id)).status).toBe(200);
    const [{ values } = {}] = await ask('SELECT "values" FROM listings WHERE "title" = \'Long Barn\'');
    expect(parsed(values)).toEqual({
      tariff: [
        { season: 'Winter', price: { minor: 1200, currency: 'EUR' } },
        { season: 'Spring' },
        { season: 'Summer' },
      ],
      keeper: { name: 'Bo', marks: ['a'] },
    });
  });

  it('waits on no page, and its sender gets a link', async () => {
    const secret = await sendIn();
    expect(await kept()).toEqual([
      { state: 'waiting', intent: 'new', suspected: is(false), email: 'ana@example.org', listingId: null },
    ]);
    expect(await onSite()).toEqual([]);
    const [mail] = await mails();
    expect([mail?.['about'], mail?.['recipient']]).toEqual(['submission-received', 'ana@example.org']);
    expect(String(mail?.['text'])).toContain(`https://guide.example/sent/${secret}`);
    expect((await page(secret)).sent.sentence).toBe('“Gull Hut” has come in.');
    const [{ consents } = { consents: [] }] = await Promise.all([detail((await queue()).submissions[0]!.id)]);
    expect(consents).toEqual([{ words: 'It may be published.', at: now }]);
  });

  it('is sent once, with a solved puzzle or the sum of two numbers', async () => {
    const { token, sum } = await look(GOOD);
    now += 20_000;
    expect((await send(token, { solution: '1', sum: '99' })).json.faults[0].field).toBe('sum');
    expect(await kept()).toEqual([]);
    expect((await send(token, { sum: sumOf(sum) })).json.href).toContain('/sent/');
    expect((await send(token, { sum: sumOf(sum) })).json.code).toBe('form.stale');
    const other = await look({ ...GOOD, '@title': 'Tern Hut' });
    const both = await Promise.all([send(other.token), send(other.token)]);
    expect(both.filter(({ json }) => json.href).length).toBe(1);
    expect((await kept()).length).toBe(2);
    now += 86_400_001;
    expect((await send((await look(GOOD)).token.replace(/^./, 'x'))).json.code).toBe('form.stale');
  });

  it('works without scripts: answers come back to the page, and the link is the next page', async () => {
    const html = api.anyone.with({ Accept: 'text/html' });
    const follow = async (path: string, parts: Parts): Promise<string> => {
      const sent = new FormData();
      for (const [name, value] of Object.entries(parts)) sent.append(name, value as string);
      const answer = await fetch(api.address + path, {
        method: 'POST',
        body: sent,
        redirect: 'manual',
        headers: { Accept: 'text/html' },
      });
      expect(answer.status).toBe(303);
      return answer.headers.get('location') ?? '';
    };
    const back = await follow(`/forms/${form}/look`, { ...GOOD, path: '//elsewhere.example/x' });
    expect(back).toMatch(/^\/\?again=[\w-]{43}#form$/);
    const token = /again=([\w-]{43})/.exec(await follow(`/forms/${form}/look`, { ...GOOD, path: '/tell-us' }))![1]!;
    expect(await follow(`/forms/${form}/send`, { token, sum: '99', path: '/tell-us' })).toBe(
      `/tell-us?again=${token}&sum=wrong#form`,
    );
    const { attempts } = api.assembly.services;
    const told = async (isSumWrong: boolean): Promise<unknown> => (await attempts.state({ token, isSumWrong }))?.faults;
    expect([await told(false), await told(true)]).toEqual([
      [],
      [{ field: 'sum', message: 'The sum is not right. Try again.' }],
    ]);
    expect(await follow(`/forms/${form}/send`, { token, solution: solved(token) })).toMatch(/^\/sent\/[\w-]{43}$/);
    expect((await html.send('POST', `/forms/${form}/send`, new FormData())).status).toBe(410);
  });

  it('may be misuse: it lies on a heap of its own, and nobody is written to', async () => {
    const trapped = await look({ ...GOOD, fax: 'yes' });
    now += 20_000;
    await send(trapped.token);
    const hasty = await look({ ...GOOD, '@title': 'Tern Hut' });
    await send(hasty.token);
    await sendIn({ ...GOOD, '@title': 'Skua Hut', about: 'http://a http://b www.c.example https://d' });
    await sendIn({ ...GOOD, '@title': 'Skua Hut', about: 'A hut.' });
    await sendIn({ ...GOOD, '@title': 'Skua Hut', about: 'A HUT.' });
    const { submissions } = await queue('?suspected=yes');
    expect(submissions.map(({ suspicions }) => suspicions)).toEqual([['trap'], ['fast'], ['links'], ['repeated']]);
    expect((await queue()).total).toBe(1);
    expect((await mails()).length).toBe(1);
    const [first] = submissions;
    await owner.send('POST', `/api/submissions/${first!.id}/trust`, { version: first!.version });
    expect([(await queue()).total, (await mails()).length]).toEqual([2, 2]);
  });

  describe('about a listing', () => {
    let listingId: number;
    let told: string;
    const tell = async (intent: string): Promise<string> => {
      const { token } = await lookAtTold(listingId, {
        ...{ intent, message: 'I keep it.', 'sender.email': 'ben@example.org' },
      });
      now += 20_000;
      const answer = await post(`/tell/${listingId}/send`, { token, solution: solved(token) });
      return (answer.json as { href: string }).href.replace('/sent/', '');
    };
    const sentOf = async (secret: string): Promise<SentPage['sent']> => (await page(secret)).sent;
    const lastMail = async (): Promise<[unknown, string]> => {
      const { about, text } = (await mails()).at(-1)!;
      return [about, String(text).split('\n')[0]!];
    };

    beforeEach(async () => {
      await sendIn();
      const [{ id }] = (await queue()).submissions as unknown as [{ id: number }];
      listingId = (await accept(id)).json.result.listingId as number;
    });

    it('shows who wrote it their words, and nothing of the listing that is not on its pages', async () => {
      for (const intent of ['wrong', 'mine']) {
        told = await tell(intent);
        const { summary, message, sentence, canBeChanged } = await sentOf(told);
        expect([summary, message, canBeChanged]).toEqual([[], 'I keep it.', false]);
        expect(sentence).toBe('Your message about “Gull Hut” has come in.');
      }
    });

    it('is returned with a question, written again by the link, and waits again', async () => {
      told = await tell('wrong');
      const [waiting] = (await queue()).submissions;
      const body = { version: waiting!.version, reason: 'Since when?' };
      await owner.send('POST', `/api/submissions/${waiting!.id}/return`, body);
      expect(await lastMail()).toEqual([
        'submission-returned',
        jasmine.stringContaining('can’t accept your message about “Gull Hut” yet: Since when?'),
      ]);
      expect((await sentOf(told)).sentence).toContain('The office has a question about your message.');
      const write = (message: string): Promise<Answer> => post(`/sent/${told}/message`, { message });
      expect((await write(' ')).json.code).toBe('form.needed');
      await write('I keep it since May.');
      const [again] = (await queue()).submissions;
      expect((await detail(again!.id)).message).toBe('I keep it since May.');
      await accept(again!.id);
      expect((await sentOf(told)).sentence).toBe('The office has seen to your message about “Gull Hut”.');
      expect((await write('Once more.')).json.code).toBe('submission.decided');
    });

    it('makes who says so its owner, who then sees what the form asks, and corrects it', async () => {
      told = await tell('mine');
      const [waiting] = (await queue()).submissions;
      await accept(waiting!.id);
      expect(await lastMail()).toEqual([
        'submission-accepted',
        jasmine.stringContaining('has accepted your message about “Gull Hut”.'),
      ]);
      const { sentence, canBeChanged, summary } = await sentOf(told);
      expect([sentence, canBeChanged]).toEqual(['“Gull Hut” is yours now.', true]);
      expect(summary.length).toBeGreaterThan(0);
      const { token } = await look({ ...GOOD, secret: told, beds: '6' });
      now += 20_000;
      await send(token);
      expect((await sentOf(told)).sentence).toContain('Your correction has come in');
      expect((await queue()).submissions.map(({ intent }) => intent)).toEqual(['correction']);
      await visitor.send('POST', `/sent/${told}/withdraw`, new FormData());
      expect([(await queue()).total, (await sentOf(told)).sentence]).toEqual([0, '“Gull Hut” is yours now.']);
    });

    it('is added to no other listing', async () => {
      told = await tell('mine');
      const [waiting] = (await queue()).submissions;
      const { version } = (await owner.send('GET', `/api/listings/${listingId}`)).json as { version: number };
      const merging = { version: waiting!.version, values: { beds: 1 }, listingId, listingVersion: version };
      const answer = await owner.send('POST', `/api/submissions/${waiting!.id}/merge`, merging);
      expect([answer.status, answer.json.code]).toEqual([422, 'submission.not-new']);
    });
  });

  it('may be told of a listing: how long its sender was at it counts from when they began to write', async () => {
    await sendIn();
    const [first] = (await queue()).submissions;
    const { listingId } = (await accept(first!.id)).json.result as { listingId: number };
    const tell = (parts: Parts): Promise<SendingState> => lookAtTold(listingId, { intent: 'wrong', ...parts });
    const sendTold = ({ token }: SendingState): Promise<Answer> =>
      post(`/tell/${listingId}/send`, { token, solution: solved(token) });
    const begun = await tell({});
    expect(begun.faults.map(({ field }) => field)).toEqual(['message', 'sender.email']);
    expect((await sendTold(begun)).json.faults.length).toBe(2);
    now += 20_000;
    const told = { message: 'It has burnt down.', 'sender.email': 'ana@example.org' };
    await sendTold(await tell({ ...told, token: begun.token }));
    await sendTold(await tell({ ...told, message: 'It is open again.' }));
    const heaps = [await queue(), await queue('?suspected=yes')];
    expect(heaps.map(({ submissions }) => submissions.map(({ suspicions }) => suspicions))).toEqual([[[]], [['fast']]]);
  });

  it('becomes a listing when it is accepted, as it was sent or changed on the way; undoing takes it back', async () => {
    await sendIn();
    const [{ id }] = (await queue()).submissions as unknown as [{ id: number }];
    const { values } = await detail(id);
    const { json } = await accept(id, { values: { ...values, beds: 10 }, featured: true, reason: 'Welcome.' });
    expect(await onSite()).toEqual(['Gull Hut']);
    const rows = await ask('SELECT "title", "status", "featured", "values" FROM listings');
    expect(rows.map((row) => [row['title'], row['status'], Boolean(row['featured'])])).toEqual([
      ['Gull Hut', 'live', true],
    ]);
    expect(JSON.stringify(rows[0]?.['values'])).toContain('10');
    expect((await mails()).map(({ about }) => about)).toEqual(['submission-received', 'submission-accepted']);
    expect(String((await mails())[1]?.['text'])).toContain('Welcome.');
    expect((await owner.send('POST', `/api/changes/${json.changeId}/undo`)).status).toBe(200);
    expect([await onSite(), (await queue()).total]).toEqual([[], 1]);
    expect((await kept())[0]).toEqual(jasmine.objectContaining({ state: 'waiting', listingId: null }));
  });

  it('is returned with a reason, corrected by the link, and decided once', async () => {
    const secret = await sendIn();
    const [{ id, version }] = (await queue()).submissions as unknown as [{ id: number; version: number }];
    expect((await owner.send('POST', `/api/submissions/${id}/return`, { version })).json.code).toBe(
      'submission.reason',
    );
    await owner.send('POST', `/api/submissions/${id}/return`, { version, reason: 'How many beds, really?' });
    const shown = await page(secret);
    expect([shown.sent.reason, shown.form?.secret]).toEqual(['How many beds, really?', secret]);
    expect(shown.form?.steps[0]?.questions[1]?.answer.texts).toEqual(['8']);
    const { token } = await look({ ...GOOD, beds: '6', secret });
    now += 20_000;
    expect((await send(token)).json.href).toBe(`/sent/${secret}`);
    const again = await detail(id);
    expect([again.state, again.values['beds']]).toEqual(['waiting', 6]);
    const decisions = await Promise.all([
      accept(id),
      owner.send('POST', `/api/submissions/${id}/refuse`, { version: again.version }),
    ]);
    expect(decisions.map(({ status }) => status).sort()).toEqual([200, 409]);
    expect((await look({ ...GOOD, secret })).summary).not.toBeNull();
  });

  it('is withdrawn by its sender, who sees it and nothing of others', async () => {
    const secret = await sendIn();
    const other = await sendIn({ ...GOOD, '@title': 'Tern Hut' });
    const answer = await fetch(`${api.address}/sent/${secret}/withdraw`, {
      method: 'POST',
      body: new FormData(),
      redirect: 'manual',
    });
    expect(answer.headers.get('location')).toBe(`/sent/${secret}`);
    expect((await page(secret)).sent.sentence).toBe('You have withdrawn “Gull Hut”.');
    expect((await page(other)).sent.title).toBe('Tern Hut');
    expect((await page(secret.replace(/^./, (first) => (first === 'a' ? 'b' : 'a')))).type as string).toBe('not-found');
    expect((await queue()).submissions.map(({ title }) => title)).toEqual(['Tern Hut']);
  });

  it('is merged with a listing that is likely the same, by title or telephone', async () => {
    await owner.send('POST', `/api/kinds/${kindId}/listings`, {
      title: 'The Gull Hut',
      status: 'live',
      values: { beds: 4 },
    });
    await owner.send('POST', `/api/kinds/${kindId}/listings`, {
      title: 'Warden',
      values: { phone: '+44 20 7946 1000' },
    });
    await sendIn({ ...GOOD, phone: '020 7946 1000', about: 'By the pier.' });
    const [{ id }] = (await queue()).submissions as unknown as [{ id: number }];
    const { alike, version } = await detail(id);
    expect(alike.map(({ title, why }) => [title, why])).toEqual([
      ['The Gull Hut', ['title']],
      ['Warden', ['telephone']],
    ]);
    const listing = (await owner.send('GET', `/api/listings/${alike[0]!.id}`)).json as { version: number };
    const body = {
      version,
      listingId: alike[0]!.id,
      listingVersion: listing.version,
      values: { about: 'By the pier.' },
    };
    expect((await owner.send('POST', `/api/submissions/${id}/merge`, body)).status).toBe(200);
    const after = (await owner.send('GET', `/api/listings/${alike[0]!.id}`)).json;
    expect([after.title, after.values]).toEqual(['The Gull Hut', { beds: 4, about: 'By the pier.' }]);
    expect((await mails()).at(-1)?.['about']).toBe('submission-merged');
  });

  it('is the sender’s from then on: a correction holds only what it changes, beside the live version', async () => {
    const secret = await sendIn();
    const [{ id }] = (await queue()).submissions as unknown as [{ id: number }];
    const listingId = (await accept(id)).json.result.listingId as number;
    const correct = async (parts: Parts): Promise<Answer> => {
      const { token } = await look({ ...GOOD, secret, ...parts });
      now += 20_000;
      return send(token);
    };
    await correct({ beds: '9', about: 'New roof.' });
    const [waiting] = (await queue()).submissions;
    const shown = await detail(waiting!.id);
    expect([shown.intent, Object.keys(shown.values)]).toEqual(['correction', ['beds', 'about']]);
    expect(shown.fields.map(({ now: before, sent }) => [before?.text, sent.text])).toEqual([
      ['8', '9'],
      ['', 'New roof.'],
    ]);
    expect((await visitor.list('/huts')).cards.length).toBe(1);
    await accept(waiting!.id, { values: { beds: 9 } });
    const values = async (): Promise<object> =>
      (await owner.send('GET', `/api/listings/${listingId}`)).json.values as object;
    expect(await values()).toEqual({ beds: 9 });
    const kind = (await owner.send('GET', `/api/kinds/${kindId}`)).json.kind as { version: number };
    await owner.send('PUT', `/api/kinds/${kindId}`, {
      ...{ version: kind.version, one: 'Hut', many: 'Huts', slug: 'huts', published: true, fields: FIELDS },
      ownersChange: 'at-once',
    });
    await correct({ beds: '7' });
    expect([await values(), (await queue()).total]).toEqual([{ beds: 7 }, 0]);
  });

  it('is reviewed by the office alone; a contributor sees their own', async () => {
    const secret = await sendIn({ ...GOOD, 'sender.email': 'contributor@example.org' });
    await api.addUser('contributor');
    const contributor = await api.signIn('contributor');
    expect((await contributor.send('GET', '/api/submissions')).json.code).toBe('auth.forbidden');
    expect((await contributor.send('GET', '/api/submissions/own')).json).toEqual([]);
    const user = await api.assembly.store.accounts.byEmail('contributor@example.org');
    await api.assembly.store.submissions.collect('contributor@example.org', user!.id);
    const own = (await contributor.send('GET', '/api/submissions/own')).json as { path: string; title: string }[];
    expect(own.map(({ path, title }) => [path, title])).toEqual([[`/sent/${secret}`, 'Gull Hut']]);
  });

  it('stands in what is kept of its sender, and stays from nobody when they are erased', async () => {
    await sendIn({ ...GOOD, 'sender.email': 'contributor@example.org' });
    await api.addUser('contributor');
    const contributor = await api.signIn('contributor');
    const user = await api.assembly.store.accounts.byEmail('contributor@example.org');
    await api.assembly.store.submissions.collect('contributor@example.org', user!.id);
    const data = (await contributor.send('GET', '/api/me/data')).json as { submissions: { title: string }[] };
    expect(data.submissions.map(({ title }) => title)).toEqual(['Gull Hut']);
    await api.assembly.store.aside(async ({ people }) => {
      await people.change(user!.id, { isOff: true });
    });
    expect((await owner.send('DELETE', `/api/people/${user!.id}`)).status).toBe(204);
    const [row] = await ask('SELECT "email", "userId", "sender" FROM submissions');
    const { name, consents } = parsed(row!['sender']) as { name: string; consents: unknown[] };
    expect([row!['email'], row!['userId'], name, consents.length]).toEqual(['', null, '', 1]);
  });

  it('leaves no name and no address in the log, and can’t be made never to have come', async () => {
    await sendIn();
    const log = JSON.stringify(await api.assembly.store.ask('SELECT * FROM change_entries'));
    expect(log).toContain('Gull Hut');
    expect(log).not.toContain('ana@example.org');
    const [change] = (await owner.send('GET', '/api/changes')).json as { id: number; sentence: string }[];
    expect(change?.sentence).toBe('Gull Hut was sent in');
    expect((await owner.send('POST', `/api/changes/${change!.id}/undo`)).json.code).toBe('change.not-undoable');
  });

  it('can be left by nobody: the office erases a sender without an account, with the mails to them', async () => {
    await sendIn();
    await sendIn({ ...GOOD, '@title': 'Tern Hut' });
    const [first] = (await queue()).submissions;
    expect(first?.sender.email).toBe('ana@example.org');
    expect((await owner.send('DELETE', `/api/submissions/${first!.id}/sender`)).status).toBe(204);
    expect((await queue()).submissions.map(({ title }) => title)).toEqual(['Gull Hut', 'Tern Hut']);
    const tables = ['submissions', 'mails', 'notices', 'change_entries'];
    const everywhere = await Promise.all(tables.map((table) => ask(`SELECT * FROM ${table}`)));
    expect(JSON.stringify(everywhere)).not.toMatch(/ana@example|"Ana"/i);
    expect((await owner.send('DELETE', `/api/submissions/${first!.id}/sender`)).status).toBe(404);
  });
});

/** PostgreSQL gives JSON as it is meant, SQLite as a text. */
function parsed(value: unknown): unknown {
  return typeof value === 'string' ? JSON.parse(value) : value;
}

/** The number that solves a token's puzzle, found as slowly as can be. */
function solved(token: string): string {
  for (let number = 0; ; number++) {
    if (createHash('sha256').update(`${token}.${number}`).digest('hex').startsWith('0000')) return String(number);
  }
}

const NUMBERS = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'];

/** The sum that a sentence asks for. */
function sumOf(sentence: string): string {
  const [, a = '', b = ''] = /is (\w+) plus (\w+)\?/.exec(sentence) ?? [];
  return String(NUMBERS.indexOf(a) + NUMBERS.indexOf(b) + 2);
}

/** SQLite has numbers for yes and no. */
function is(wanted: boolean): jasmine.AsymmetricMatcher<unknown> {
  return { asymmetricMatch: (found) => Boolean(found) === wanted, jasmineToString: () => String(wanted) };
}
