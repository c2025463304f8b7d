import { buffer } from 'node:stream/consumers';
import type { Readable } from 'node:stream';
import type { FieldSketch } from '@plindo/core/structure';
import sharp from 'sharp';
import { ZipFile } from 'yazl';
import type { Answer, Sender } from '../../testing/test-api.js';
import { TestApi } from '../../testing/test-api.js';

const field = (key: string, type: FieldSketch['type'], given: Partial<FieldSketch> = {}): FieldSketch => ({
  key,
  label: key,
  type,
  ...given,
});

/** A zip of the given entries. */
function zipOf(entries: Readonly<Record<string, Buffer | string>>): Promise<Buffer> {
  const zip = new ZipFile();
  for (const [name, content] of Object.entries(entries)) zip.addBuffer(Buffer.from(content), name);
  zip.end();
  return buffer(zip.outputStream as Readable);
}

function sendZip(sender: Sender, path: string, zip: Uint8Array): Promise<Answer> {
  const form = new FormData();
  form.append('file', new Blob([new Uint8Array(zip)]), 'blueprint.zip');
  return sender.send('POST', path, form);
}

describe('A blueprint', () => {
  it('of a site, applied to an empty one, gives an equal blueprint; and is taken back as a whole', async () => {
    const apis = [await TestApi.start(), await TestApi.start()] as const;
    for (const api of apis) await api.addUser('owner');
    const [here, there] = [await apis[0].signIn('owner'), await apis[1].signIn('owner')] as const;
    const empty = (await there.send('GET', '/api/blueprint?listings=yes')).json;

    const category = {
      key: 'engine',
      label: 'Engine',
      parent: null,
      icon: '',
      colour: '',
      text: '',
      formerKeys: ['motor'],
    };
    await here.send('PUT', '/api/site', { name: 'Guide', tagline: 'x', locale: 'pt-PT', zone: 'Europe/Lisbon' });
    const set = await here.send('POST', '/api/category-sets', {
      slug: 'services',
      label: 'Services',
      categories: [category],
    });
    for (const [one, many, slug] of [
      ['Harbour', 'Harbours', 'harbours'],
      ['Yard', 'Yards', 'yards'],
    ] as const) {
      const fields =
        slug === 'yards'
          ? [
              field('services', 'categories', { settings: { set: set.json.result.id } }),
              field('lift', 'decimal', { unique: true }),
            ]
          : [];
      await here.send('POST', '/api/kinds', { one, many, slug, startStatus: 'live', parts: ['body'], fields });
    }
    const end = (kindId: number, label: string): object => ({ kindId, label, many: true });
    await here.send('POST', '/api/links', { a: end(2, 'Serves'), b: end(1, 'Served by'), hasNotes: true });
    const harbour = await here.send('POST', '/api/kinds/1/listings', { title: 'Haven', body: '<p>Deep</p>' });
    const serves = [{ id: harbour.json.result.id, note: 'Tuesdays' }];
    await here.send('POST', '/api/kinds/2/listings', {
      title: 'Tidewell',
      values: { services: ['engine'], lift: '2,5', serves },
    });

    const where = {
      join: 'all',
      of: [{ link: 'serves', where: { join: 'all', of: [{ field: '@title', op: 'contains', value: 'haven' }] } }],
    };
    await here.send('POST', '/api/selections', { name: 'Serving the haven', kinds: [2], where, published: true });
    await here.send('POST', '/api/selections', { name: 'Picked', kinds: [], picked: [harbour.json.result.id] });

    const { json: blueprint } = await here.send('GET', '/api/blueprint?listings=yes');
    const plan = await there.send('POST', '/api/blueprint/plan', blueprint);
    expect(plan.json).toEqual({
      adds: [
        'the category set Services',
        'the kind Harbours',
        'the kind Yards',
        'the link between yards and harbours',
        'the selection Serving the haven',
        'the selection Picked',
        '2 listings',
      ],
      changes: ['the settings of the site'],
      lacks: [],
    });
    const applied = await there.send('POST', '/api/blueprint', blueprint);
    expect(applied.status).withContext(JSON.stringify(applied.json)).toBe(200);
    expect((await there.send('GET', '/api/blueprint?listings=yes')).json).toEqual(blueprint);
    const again = await there.send('POST', '/api/blueprint/plan', { ...blueprint, listings: undefined });
    expect(again.json).toEqual({ adds: [], changes: [], lacks: [] });
    await there.send('POST', `/api/changes/${applied.json.changeId}/undo`);
    expect((await there.send('GET', '/api/blueprint?listings=yes')).json).toEqual(empty);

    const bad = { ...blueprint, kinds: [{ ...blueprint.kinds[0], fields: [field('x', 'group')] }, blueprint.kinds[1]] };
    expect((await there.send('POST', '/api/blueprint', bad)).status).toBe(422);
    expect((await there.send('POST', '/api/blueprint', { ...blueprint, version: 9 })).status).toBe(400);
    expect((await there.send('GET', '/api/blueprint?listings=yes')).json).toEqual(empty);
    for (const api of apis) await api.stop();
  });
});

describe('A blueprint zip', () => {
  let apis: readonly [TestApi, TestApi];
  let here: Sender;
  let there: Sender;
  let zip: Buffer;
  let hash: string;

  beforeAll(async () => {
    apis = [await TestApi.start(), await TestApi.start()];
    for (const api of apis) await api.addUser('owner');
    [here, there] = [await apis[0].signIn('owner'), await apis[1].signIn('owner')];
    const fields = [field('plan', 'file'), field('views', 'pictures')];
    await here.send('POST', '/api/kinds', { one: 'Hut', many: 'Huts', slug: 'huts', startStatus: 'live', fields });
    const part = (bytes: Uint8Array, name: string): FormData => {
      const form = new FormData();
      form.append('file', new Blob([new Uint8Array(bytes)]), name);
      return form;
    };
    const png = await sharp({ create: { width: 640, height: 480, channels: 3, background: '#b7791f' } })
      .png()
      .toBuffer();
    const picture = (await here.send('POST', '/api/pictures', part(png, 'hut.png'))).json;
    const plan = (await here.send('POST', '/api/files', part(Buffer.from('walls'), 'plan.txt'))).json;
    hash = picture.hash as string;
    const values = { plan, views: [{ ...picture, alt: 'Inside' }] };
    const added = await here.send('POST', '/api/kinds/1/listings', { title: 'Hut', picture, values });
    expect(added.status).withContext(JSON.stringify(added.json)).toBe(200);
    zip = await here.download('/api/blueprint/zip');
  });

  afterAll(async () => {
    for (const api of apis) await api.stop();
  });

  it('brings listings with their pictures and files to an empty site, and comes back equal', async () => {
    const plan = await sendZip(there, '/api/blueprint/zip/plan', zip);
    expect(plan.json.lacks).toEqual([]);
    expect((await there.send('GET', '/api/pictures')).json.total).toBe(0);
    const applied = await sendZip(there, '/api/blueprint/zip', zip);
    expect(applied.status).withContext(JSON.stringify(applied.json)).toBe(200);
    const [ours, theirs] = [here, there].map((sender) => sender.send('GET', '/api/blueprint?listings=yes'));
    expect((await theirs!).json).toEqual((await ours!).json);
    expect((await fetch(`${apis[1].address}/pictures/${hash}-400.webp`)).status).toBe(200);
    const [kept] = (await there.send('GET', '/api/pictures')).json.pictures;
    expect([kept.fileName, kept.uses]).toEqual(['hut.png', 1]);
    await there.send('POST', `/api/changes/${applied.json.changeId}/undo`);
  });

  it('tells what is wrong with it, and leaves nothing behind', async () => {
    const document = (await here.send('GET', '/api/blueprint?listings=yes')).json;
    const escaping = await zipOf({ 'blueprint.json': '{}', 'aa/evil': 'x' });
    for (const [wrong, said] of [
      [Buffer.from('no zip at all'), 'Either not a zip file'],
      [await zipOf({ 'readme.txt': 'x' }), 'there is no blueprint.json in it'],
      [await zipOf({ 'blueprint.json': '{' }), 'is no JSON document'],
      [Buffer.from(escaping.toString('latin1').replaceAll('aa/evil', '../evil'), 'latin1'), 'invalid relative path'],
      [
        await zipOf({ 'blueprint.json': JSON.stringify(document), [`pictures/${hash}.webp`]: 'another' }),
        `pictures/${hash}.webp is not what its name says`,
      ],
    ] as const) {
      await there.send('POST', '/api/pictures/delete', { hashes: [hash] });
      const refused = await sendZip(there, '/api/blueprint/zip', wrong);
      expect([refused.status, refused.json.code]).withContext(said).toEqual([422, 'blueprint.zip']);
      expect(refused.json.title).toContain(said);
    }
    const invalid = JSON.stringify({ ...document, kinds: [{ ...document.kinds[0], fields: [field('x', 'group')] }] });
    const bytes = await sharp({ create: { width: 9, height: 9, channels: 3, background: '#fff' } })
      .webp()
      .toBuffer();
    const refused = await sendZip(there, '/api/blueprint/zip', await zipOf({ 'blueprint.json': invalid, x: bytes }));
    expect(refused.status).toBe(422);
    expect((await there.send('GET', '/api/pictures')).json.total).toBe(0);
    expect((await there.send('GET', '/api/kinds')).json).toEqual([]);
  });
});
