import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/**
 * Stands for the built site: tells the title of the model that it asks for, its address and how many it counts, and
 * fails, ends its thread or takes its time on request.
 */
const SITE = `
  export async function render(url, { page, data }) {
    if (url === '/fails') throw new Error('It cannot be drawn.');
    if (url === '/ends') process.exit(0);
    const model = await data.page(url);
    if (url.startsWith('/slow')) await new Promise((resolve) => setTimeout(resolve, 50));
    const pieces = (model.strips ?? []).flatMap(({ columns }) => columns.flatMap((column) => column.pieces));
    const counted = pieces.find(({ type }) => type === 'count')?.sentence ?? '';
    const drawn = page.replace('>', ' id="' + performance.now() + '">') + model.title + ' at ' + url + ', ' + counted;
    return { html: drawn, status: model.type === 'not-found' ? 404 : 200 };
  }`;

/** The folder of a site that draws nothing, and what removes it. */
export function stubSite(): { readonly folder: string; remove(): void } {
  const folder = mkdtempSync(join(tmpdir(), 'plindo-site-'));
  for (const part of ['server', 'browser']) mkdirSync(join(folder, part));
  writeFileSync(join(folder, 'server', 'server.mjs'), SITE);
  writeFileSync(join(folder, 'server', 'index.server.html'), '<p></p>');
  writeFileSync(join(folder, 'browser', 'index.html'), '');
  return { folder, remove: () => rmSync(folder, { recursive: true, force: true }) };
}
