import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { deserialize, serialize } from 'node:v8';
import { crc32 } from 'node:zlib';
import { Catalog, buildCatalog } from '@plindo/core/catalog';
import { BLANK_CONTENT } from '@plindo/core/listings';
import type { Listing } from '@plindo/core/listings';
import { BERTHS } from '../../testing/test-api.js';
import { CatalogFiles } from './catalog-files.js';

const KIND = { ...BERTHS, id: 3, version: 1 };
const LISTINGS = [1, 2].map((id): Listing => {
  const moments = { version: 1, createdAt: 5, changedAt: 5, publishedAt: 5, binnedAt: null };
  const values = { type: 'quay', price: { minor: id * 100, currency: 'EUR' } };
  const named = { slug: `b-${id}`, address: `b-${id}`, title: `Ærø ${id}` };
  return { ...BLANK_CONTENT, ...moments, ...named, id, kindId: 3, status: 'live', values };
});

describe('Files of catalogs', () => {
  let folder: string;
  let files: CatalogFiles;

  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'plindo-catalogs-'));
    files = new CatalogFiles(join(folder, 'catalogs'));
  });
  afterEach(() => rmSync(folder, { recursive: true, force: true }));

  const pathOf = (kindId: number): string => join(folder, 'catalogs', `kind-${kindId}.catalog`);

  it('give back a catalog as it was', async () => {
    const catalog = buildCatalog(KIND, LISTINGS, 'da');
    expect(await files.read(3)).toBeNull();
    await files.write(3, catalog.kept());
    const { catalog: kept, isOwn } = (await files.read(3))!;
    expect(isOwn).toBeTrue();
    const again = Catalog.restored(KIND, { locale: 'da', zone: 'UTC' }, kept)!;
    expect(again.kept()).toEqual(catalog.kept());
    const found = again.text.search('aero', { within: again.onSiteAt(5) });
    expect(found?.met).toBe(1);
  });

  it('tell whether the program that kept it is the one that is running', async () => {
    await files.write(3, buildCatalog(KIND, LISTINGS, 'da').kept());
    const { program: _, ...kept } = deserialize(readFileSync(pathOf(3)).subarray(4)) as { program: string };
    const content = serialize({ ...kept, program: 'another one' });
    const checksum = Buffer.alloc(4);
    checksum.writeUInt32LE(crc32(content));
    writeFileSync(pathOf(3), Buffer.concat([checksum, content]));
    expect((await files.read(3))?.isOwn).toBeFalse();
  });

  it('are as good as none when any byte is another, or some are missing', async () => {
    await files.write(3, buildCatalog(KIND, LISTINGS, 'da').kept());
    const whole = readFileSync(pathOf(3));
    for (const at of [0, 5, whole.length >> 1, whole.length - 1]) {
      const damaged = Buffer.from(whole);
      damaged[at]! ^= 1;
      writeFileSync(pathOf(3), damaged);
      expect(await files.read(3))
        .withContext(`byte ${at}`)
        .toBeNull();
    }
    for (const length of [0, 3, 4, whole.length - 1]) {
      writeFileSync(pathOf(3), whole.subarray(0, length));
      expect(await files.read(3))
        .withContext(`${length} bytes`)
        .toBeNull();
    }
  });

  it('are deleted with their kinds, and with them whatever else lies there', async () => {
    for (const id of [3, 4]) await files.write(id, buildCatalog(KIND, LISTINGS, 'da').kept());
    writeFileSync(`${pathOf(3)}.half.part`, 'half written');
    await files.purge(new Set([3]));
    expect(readdirSync(join(folder, 'catalogs'))).toEqual(['kind-3.catalog']);
    await new CatalogFiles(join(folder, 'nowhere')).purge(new Set());
  });
});
