import type { CategoryModel, PageModel } from '@plindo/core/page';
import { piecesOn } from '@plindo/core/testing/list-on-page';
import { readdir, utimes } from 'node:fs/promises';
import { join } from 'node:path';
import { makeField } from '@plindo/core/structure';
import sharp from 'sharp';
import type { Answer, Sender } from '../../testing/test-api.js';
import { TestApi } from '../../testing/test-api.js';

/** A picture of one colour; `shade` tells one from another. */
function png(width: number, height: number, shade = 0x0f): Promise<Buffer> {
  const background = { r: shade, g: 110, b: 106 };
  return sharp({ create: { width, height, channels: 3, background } })
    .png()
    .toBuffer();
}

describe('Pictures', () => {
  let api: TestApi;
  let owner: Sender;

  const send = (bytes: Uint8Array, name: string): Promise<Answer> => {
    const form = new FormData();
    form.append('file', new Blob([new Uint8Array(bytes)]), name);
    return owner.send('POST', '/api/pictures', form);
  };
  const shown = (hash: string, variant: string): Promise<Response> =>
    fetch(`${api.address}/pictures/${hash}-${variant}`);
  const add = (more: object): Promise<Answer> =>
    owner.send('POST', '/api/kinds/1/listings', { title: 'With a picture', ...more });

  beforeAll(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    owner = await api.signIn('owner');
    const gallery = makeField({ key: 'gallery', label: 'Gallery', type: 'pictures' });
    await owner.send('POST', '/api/kinds', { one: 'Hut', many: 'Huts', slug: 'huts', fields: [gallery] });
  });

  afterAll(() => api.stop());

  it('are told by their content, not their name, and offered in several widths and formats', async () => {
    const { json: picture } = await send(await png(900, 600), 'x.txt');
    expect([picture.width, picture.height]).toEqual([900, 600]);
    // What isn't made yet stands in as the WebP of that width, and isn't kept by browsers.
    const first = await shown(picture.hash, '800.avif');
    expect([first.headers.get('content-type'), first.headers.get('cache-control')]).toEqual(['image/webp', 'no-store']);
    await shown(picture.hash, '1600.jpeg');
    await api.assembly.services.pictures.idle();
    for (const [variant, type, width] of [
      ['400.webp', 'image/webp', 400],
      ['800.avif', 'image/avif', 800],
      ['1600.jpeg', 'image/jpeg', 900],
    ] as const) {
      const response = await shown(picture.hash, variant);
      expect([response.status, response.headers.get('content-type')]).toEqual([200, type]);
      const metadata = await sharp(Buffer.from(await response.arrayBuffer())).metadata();
      expect(metadata.width).withContext(variant).toBe(width);
    }
    for (const variant of ['401.webp', '400.gif', '400.webp/../../plindo.sqlite']) {
      expect((await shown(picture.hash, variant)).status)
        .withContext(variant)
        .toBe(404);
    }
    const script = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>');
    expect((await send(script, 'x.png')).json.code).toBe('picture.type');
    expect((await add({ picture })).json.result.picture.hash).toBe(picture.hash);
    const unknown = await add({ picture: { hash: 'a'.repeat(32), width: 1, height: 1 } });
    expect(unknown.json.code).toBe('value.not-a-picture');
  });

  it('are turned upright, and lose where they were taken (Exif 2.32: orientation 6 is a quarter turn)', async () => {
    const exif = { IFD0: { Copyright: 'Somebody' }, IFD3: { GPSLatitude: '51/1 30/1 0/1', GPSLatitudeRef: 'N' } };
    const jpeg = await sharp(await png(300, 200))
      .withExif(exif)
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    expect((await sharp(jpeg).metadata()).exif?.length).toBeGreaterThan(0);
    const { json: picture } = await send(jpeg, 'turned.jpg');
    expect([picture.width, picture.height]).toEqual([200, 300]);
    const variants = ['400.webp', '400.avif', '400.jpeg'];
    for (const variant of variants) await shown(picture.hash, variant);
    await api.assembly.services.pictures.idle();
    for (const variant of variants) {
      const metadata = await sharp(Buffer.from(await (await shown(picture.hash, variant)).arrayBuffer())).metadata();
      expect([metadata.exif, metadata.orientation]).withContext(variant).toEqual([undefined, undefined]);
    }
  });

  it('are kept once, however often and under whatever name they come', async () => {
    const bytes = await png(120, 80, 0x50);
    const [first, again] = [await send(bytes, 'a.png'), await send(bytes, 'b.png')];
    expect(again.json.hash).toBe(first.json.hash);
    const asWebp = await sharp(bytes).webp({ lossless: true }).toBuffer();
    expect((await send(asWebp, 'c.webp')).json.hash).toBe(first.json.hash);
  });

  it('are all kept when many come at the same time, the same one twice among them', async () => {
    const shades = [0x10, 0x40, 0x70, 0xa0, 0xd0, 0xd0];
    const sent = await Promise.all(shades.map(async (shade) => send(await png(90, 70, shade), `${shade}.png`)));
    expect(sent.map(({ status }) => status)).toEqual(shades.map(() => 200));
    expect(new Set(sent.map(({ json }) => json.hash as string)).size).toBe(5);
  });

  it('are refused beyond 50 megapixels', async () => {
    const large = await sharp({ create: { width: 8000, height: 6300, channels: 3, background: '#fff' } })
      .png({ compressionLevel: 9 })
      .toBuffer();
    expect((await send(large, 'wall.png')).json.title).toContain('50 megapixels');
  });

  it('are listed with their uses; unused ones can be deleted, used ones can’t, and deleting is undone', async () => {
    const { json: lead } = await send(await png(60, 40, 0x30), 'lead.png');
    const { json: inGallery } = await send(await png(60, 40, 0x70), 'gallery.png');
    const { json: idle } = await send(await png(60, 40, 0xb0), 'idle.png');
    const { json: made } = await add({ picture: lead, values: { gallery: [{ ...inGallery, alt: 'A' }] } });
    const find = async (query: string): Promise<{ fileName: string; uses: number; usedBy: unknown[] }[]> =>
      (await owner.send('GET', `/api/pictures?${query}`)).json.pictures;
    const [gallery] = await find('q=gallery');
    expect([gallery?.uses, gallery?.usedBy]).toEqual([
      1,
      [{ title: 'With a picture', link: ['fill', 1, made.result.id] }],
    ]);
    expect((await find('unused=yes')).map(({ fileName }) => fileName)).toContain('idle.png');
    expect((await find('unused=yes')).map(({ fileName }) => fileName)).not.toContain('lead.png');
    const used = await owner.send('POST', '/api/pictures/delete', { hashes: [lead.hash] });
    expect(used.json.issues[0].message).toContain('is used by “With a picture”');
    const deleted = await owner.send('POST', '/api/pictures/delete', { hashes: [idle.hash] });
    expect((await shown(idle.hash, '400.webp')).status).toBe(404);
    await owner.send('POST', `/api/changes/${deleted.json.changeId}/undo`, {});
    expect((await shown(idle.hash, '400.webp')).status).toBe(200);
    const again = await owner.send('POST', '/api/pictures/delete', { hashes: [idle.hash] });
    await send(await png(60, 40, 0xe0), 'later.png');
    await send(await png(60, 40, 0xb0), 'idle again.png');
    expect((await owner.send('POST', `/api/changes/${again.json.changeId}/undo`, {})).status).toBe(200);
    expect((await shown(idle.hash, '400.webp')).status).toBe(200);
    // What has just come in may stand in a form that is not saved yet.
    expect((await owner.send('DELETE', '/api/pictures/unused')).json.result.pictures).toBe(0);
  });

  it('of categories are used too, and shown above a page with that category alone', async () => {
    const { json: picture } = await send(await png(60, 40, 0x90), 'category.png');
    const category = { key: 'a', label: 'A', parent: null, icon: '', colour: '', text: 'All of A', formerKeys: [] };
    const categories = [{ ...category, picture: { ...picture, alt: 'An A' } }];
    const set = (await owner.send('POST', '/api/category-sets', { slug: '', label: 'Letters', categories })).json
      .result;
    const fields = [{ key: 'letter', label: 'Letter', type: 'categories', settings: { set: set.id } }];
    const facet = { key: 'letter', label: 'Letter', field: 'letter', control: 'ticks', join: 'any' };
    const facets = [{ ...facet, zero: 'dim', valueOrder: 'defined', shownFirst: 8 }];
    const kind = { one: 'Word', many: 'Words', slug: 'words', published: true, fields, facets };
    expect((await owner.send('POST', '/api/kinds', kind)).status).toBe(200);
    const shown = async (url: string): Promise<CategoryModel[]> => {
      const { json: page } = await owner.send('GET', `/api/page?url=${url}`);
      return piecesOn(page as PageModel).flatMap((piece) => (piece.type === 'chosen-category' ? piece.category : []));
    };
    const [only] = await shown('/words?letter=a');
    expect([only?.text, only?.picture?.alt]).toEqual(['All of A', 'An A']);
    expect(await shown('/words')).toEqual([]);
    expect((await owner.send('POST', '/api/pictures/delete', { hashes: [picture.hash] })).status).toBe(422);
    const missing = [{ ...category, picture: { ...picture, hash: 'b'.repeat(32) } }];
    const refused = await owner.send('POST', '/api/category-sets', { slug: '', label: 'More', categories: missing });
    expect(refused.json.code).toBe('value.not-a-picture');
  });

  it('lose their files thirty days after they were deleted', async () => {
    const { json: picture } = await send(await png(50, 40, 0xd0), 'old.png');
    await owner.send('POST', '/api/pictures/delete', { hashes: [picture.hash] });
    const { pictures } = api.assembly.services;
    const files = async (): Promise<string[]> =>
      (await readdir(pictures.folder)).filter((name) => name.startsWith(picture.hash));
    await pictures.purge();
    expect((await files()).length).toBe(4);
    const longAgo = new Date(Date.now() - 31 * 86_400_000);
    for (const name of await files()) await utimes(join(pictures.folder, name), longAgo, longAgo);
    await pictures.purge();
    expect(await files()).toEqual([]);
  });
});
