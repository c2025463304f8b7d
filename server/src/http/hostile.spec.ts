import { goodRequests } from '../../testing/good-requests.js';
import { HostileCampaign, operationsOf } from '../../testing/hostile-campaign.js';
import type { Sender, TestApi } from '../../testing/test-api.js';

/** So many of each sort; a person who looks for faults sends more, and others. */
const REQUESTS = Number(process.env['PLINDO_HOSTILE'] ?? 1500);
const SEED = Number(process.env['PLINDO_SEED'] ?? 16);
const PATIENCE_IN_MS = 60_000 + REQUESTS * 50;

describe('Requests that mean no good', () => {
  let campaign: HostileCampaign;
  let api: TestApi;
  let owner: Sender;

  // What is sent depends on what came through before: each spec begins with the same site.
  beforeEach(async () => {
    campaign = await HostileCampaign.start();
    ({ api, owner } = campaign);
  });

  afterEach(() => campaign.stop());

  it('are changed from good ones that come through', async () => {
    for (const { method, path, body } of await goodRequests(owner)) {
      const { status, json } = await owner.send(method, path, body);
      expect(status).withContext(JSON.stringify(json)).not.toBe(400);
    }
  });

  it(
    `are answered by a sentence, whatever is changed in a good one (seed ${SEED})`,
    async () => {
      expect((await campaign.changed(REQUESTS, SEED)).faults).toEqual([]);
    },
    PATIENCE_IN_MS,
  );

  it(
    `are answered by a sentence, whatever is sent in the form of the API's document (seed ${SEED})`,
    async () => {
      expect((await campaign.byDocument(REQUESTS, SEED)).faults).toEqual([]);
    },
    PATIENCE_IN_MS,
  );

  it('are answered by a sentence, whatever stands behind the question mark', async () => {
    const { json: document } = await owner.send('GET', '/api/openapi.json');
    for (const { method, path, parameters } of operationsOf(document)) {
      const asked = parameters.filter((parameter) => parameter.in === 'query');
      for (const { name } of method === 'GET' ? asked : []) {
        for (const value of ['', '%00', '-1', '1e400', 'x'.repeat(5000), '__proto__', '%ed%a0%80', '[]', '1&a=2']) {
          await campaign.send('GET', `${path.replace(/\{\w+\}/g, '1')}?${name}=${value}&${name}[a]=1`, '');
        }
      }
    }
    expect(campaign.report().faults).toEqual([]);
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

  it('cost no more when they name one thing thousands of times', async () => {
    const listing = (await owner.send('GET', '/api/kinds/1/listings')).json.listings[0] as { id: number };
    const ids = Array.from({ length: 3000 }, () => listing.id);
    for (let turn = 0; turn < 3; turn++) {
      const { status, json } = await owner.send('POST', '/api/kinds/1/duplicate', { ids });
      expect([status, json.result.listings]).toEqual([200, 1]);
    }
    expect((await owner.send('PUT', '/api/site', { name: null })).status).toBe(200);
    expect((await owner.send('GET', '/api/session')).json.site.name).not.toBeNull();
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

/** A picture that says what it is, with nothing behind it that could be read. */
function brokenPng(): Buffer {
  const head = '89504e470d0a1a0a0000000d49484452000000100000001008060000001ff3ff61';
  return Buffer.concat([Buffer.from(head, 'hex'), Buffer.from('0000000849444154000000000000000000000000', 'hex')]);
}
