// Packs the files of the built site and Desk beside them, once and well, so that the server needn't do it for each visitor.
import { readFile, readdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';

const FOLDERS = ['web/dist/site/browser', 'web/dist/desk/browser'];
const PACKS_WELL = /\.(js|css|svg|json|geojson|md)$/;
/** Smaller ones fit into the first packets that a server sends anyway. */
const SMALLEST_IN_BYTES = 1024;

const [packBrotli, packGzip] = [promisify(brotliCompress), promisify(gzip)];

async function pack(path) {
  const content = await readFile(path);
  if (content.length < SMALLEST_IN_BYTES) return;
  const params = { [constants.BROTLI_PARAM_SIZE_HINT]: content.length };
  const [br, gz] = await Promise.all([packBrotli(content, { params }), packGzip(content, { level: 9 })]);
  await Promise.all([writeFile(`${path}.br`, br), writeFile(`${path}.gz`, gz)]);
}

const names = await Promise.all(
  FOLDERS.map(async (folder) => (await readdir(folder, { recursive: true })).map((name) => join(folder, name))),
);
await Promise.all(
  names
    .flat()
    .filter((name) => PACKS_WELL.test(name))
    .map(pack),
);
