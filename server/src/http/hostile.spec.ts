import type { Problem } from '@plindo/core/contract';
import { Dice } from '@plindo/core/values';
import { goodRequests } from '../../testing/good-requests.js';
import type { Schema } from '../../testing/mutations.js';
import { Mutations } from '../../testing/mutations.js';
import type { Answer, Sender } from '../../testing/test-api.js';
import { TestApi } from '../../testing/test-api.js';

/** So many of each sort; a person who looks for faults sends more, and others. */
const REQUESTS = Number(process.env['PLINDO_HOSTILE'] ?? 1500);
const SEED = Number(process.env['PLINDO_SEED'] ?? 16);
const PATIENCE_IN_MS = 60_000 + REQUESTS * 50;
/** These end the session that the requests are sent with, or count tries of it. */
const LEFT_OUT = new Set(['/api/session', '/api/sessions', '/api/setup']);

interface Operation {
  readonly method: string;
  readonly path: string;
  readonly schema: Schema | null;
  readonly parameters: readonly { readonly in: string; readonly name: string; readonly schema: Schema }[];
}

describe('Requests that mean no good', () => {
  let api: TestApi;
  let owner: Sender;

  // What is sent depends on what came through before: each spec begins with the same site.
  beforeEach(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    owner = await api.signIn('owner');
    expect((await owner.send('POST', '/api/site-starters/courses-and-dates')).status).toBe(200);
  });

  afterEach(() => api.stop());

  /** Sends it, and tells what is wrong with the answer. */
  const faultsOf = async (method: string, path: string, text: string): Promise<unknown[]> => {
    const fault = faultOf(await owner.sendText(method, path, text));
    return fault ? [[method, path, text.slice(0, 300), fault]] : [];
  };

  it(
    `are answered by a sentence, whatever is changed in a good one (seed ${SEED})`,
    async () => {
      const dice = new Dice(SEED);
      const mutations = new Mutations({}, dice);
      const faults: unknown[] = [];
      let good = await goodRequests(owner);
      for (const { method, path, body } of good) {
        const { status, json } = await owner.send(method, path, body);
        expect(status).withContext(JSON.stringify(json)).not.toBe(400);
      }
      for (let sent = 0; sent < REQUESTS; sent++) {
        // What came through has made the versions in them old.
        if (sent % 100 === 0) good = await goodRequests(owner);
        const { method, path, body } = dice.pick(good);
        faults.push(...(await faultsOf(method, path, mutations.mutated(body))));
      }
      expect(faults).toEqual([]);
    },
    PATIENCE_IN_MS,
  );

  it(
    `are answered by a sentence, whatever is sent in the form of the API's document (seed ${SEED})`,
    async () => {
      const { json: document } = await owner.send('GET', '/api/openapi.json');
      const dice = new Dice(SEED);
      const mutations = new Mutations(document.components.schemas as Record<string, Schema>, dice);
      const operations = operationsOf(document).filter(({ path, schema }) => schema && !LEFT_OUT.has(path));
      const faults: unknown[] = [];
      for (let sent = 0; sent < REQUESTS; sent++) {
        const { method, path, schema } = operations[sent % operations.length]!;
        const filled = path.replace(/\{\w+\}/g, () => dice.pick(['1', '2', '1', '999']));
        faults.push(...(await faultsOf(method, filled, mutations.mutated(mutations.sample(schema!)))));
      }
      expect(faults).toEqual([]);
    },
    PATIENCE_IN_MS,
  );

  it('are answered by a sentence, whatever stands behind the question mark', async () => {
    const { json: document } = await owner.send('GET', '/api/openapi.json');
    const faults: unknown[] = [];
    for (const { method, path, parameters } of operationsOf(document)) {
      const asked = parameters.filter((parameter) => parameter.in === 'query');
      for (const { name } of method === 'GET' ? asked : []) {
        for (const value of ['', '%00', '-1', '1e400', 'x'.repeat(5000), '__proto__', '%ed%a0%80', '[]', '1&a=2']) {
          faults.push(...(await faultsOf('GET', `${path.replace(/\{\w+\}/g, '1')}?${name}=${value}&${name}[a]=1`, '')));
        }
      }
    }
    expect(faults).toEqual([]);
  });

  it('cost no more than their size, and are told of by no more than twenty sentences', async () => {
    const many = `{${Array.from({ length: 300 }, (_, at) => `"p${at}":1`).join()}}`;
    const refused = await owner.sendText('PUT', '/api/site', many);
    expect([refused.status, refused.json.issues.length, refused.json.more]).toEqual([400, 20, 1]);
    const large = await fetch(`${api.address}/api/session`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ email: 'x'.repeat(5000), password: '' }),
    });
    expect([large.status, (await large.json()).code]).toEqual([413, 'request.too-large']);
    const values = Object.fromEntries(Array.from({ length: 3000 }, (_, at) => [`p${at}`, 1]));
    const listing = await owner.send('POST', '/api/kinds/1/listings', { title: 'X', values });
    expect([listing.status, listing.json.issues.length, listing.json.more]).toEqual([422, 20, 2981]);
  });

  it('are refused in other forms than JSON too', async () => {
    const packed = await owner.sendText('PUT', '/api/site', '{}', { 'Content-Encoding': 'x-unknown' });
    expect([packed.status, packed.json.code]).toEqual([400, 'request.malformed']);
    const csrf = await owner.sendText('PUT', '/api/site', '{}', { 'X-CSRF-Token': 'é'.repeat(43) });
    expect([csrf.status, csrf.json.code]).toEqual([403, 'auth.csrf']);
    const cut = await owner.sendText(
      'POST',
      '/api/pictures',
      '--b\r\nContent-Disposition: form-data; name="file"\r\n\r\nx',
      {
        'Content-Type': 'multipart/form-data; boundary=b',
      },
    );
    expect([cut.status, cut.json.code]).toEqual([400, 'request.malformed']);
    for (const bytes of [Buffer.alloc(0), brokenPng(), Buffer.from('GIF89a')]) {
      const form = new FormData();
      form.append('file', new Blob([new Uint8Array(bytes)]), 'x.png');
      const answer = await owner.send('POST', '/api/pictures', form);
      expect([answer.status, answer.json.code]).toEqual([415, 'picture.type']);
    }
  });
});

function operationsOf(document: Answer['json']): Operation[] {
  const paths = document.paths as Record<string, Record<string, Answer['json']>>;
  return Object.entries(paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, { requestBody, parameters }]) => ({
      ...{ method: method.toUpperCase(), path, parameters: parameters as Operation['parameters'] },
      schema: (requestBody?.content['application/json']?.schema as Schema | undefined) ?? null,
    })),
  );
}

/** What is wrong with an answer; null for nothing. */
function faultOf({ status, json }: Answer): unknown {
  if (status < 400) return null;
  const { title, issues } = (json ?? {}) as Partial<Problem>;
  const isSaid = typeof title === 'string' && title.length > 5 && Array.isArray(issues) && issues.length <= 20;
  return status < 500 && isSaid ? null : [status, json];
}

/** A picture that says what it is, with nothing behind it that could be read. */
function brokenPng(): Buffer {
  const head = '89504e470d0a1a0a0000000d49484452000000100000001008060000001ff3ff61';
  return Buffer.concat([Buffer.from(head, 'hex'), Buffer.from('0000000849444154000000000000000000000000', 'hex')]);
}
