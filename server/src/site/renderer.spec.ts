import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { PageModel } from '@plindo/core/page';
import { SiteRenderer } from './renderer.js';

/** Stands for the built site: renders the heading of the page that it asks for, and fails or ends its thread on request. */
const SITE = `
  export async function render(url, data) {
    if (url === '/none') return null;
    if (url === '/fails') throw new Error('It cannot be drawn.');
    if (url === '/ends') process.exit(0);
    return new Response((await data.page(url, '')).heading, { status: 200 });
  }`;

describe('Rendering pages in a thread of its own', () => {
  let folder: string;
  let renderer: SiteRenderer;
  const source = async (path: string): Promise<PageModel> => {
    if (path === '/lost') throw new Error('The store is gone.');
    return Promise.resolve({ heading: `Page ${path}` } as unknown as PageModel);
  };
  const rendered = (url: string): Promise<unknown> =>
    renderer.render(url, source).then(
      (page) => page?.html ?? null,
      (error: unknown) => (error as Error).message.split('\n')[0]!.replace(/^Error: /, ''),
    );

  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'plindo-site-'));
    mkdirSync(join(folder, 'server'));
    writeFileSync(join(folder, 'server', 'server.mjs'), SITE);
    renderer = new SiteRenderer(folder);
  });
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  it('gives each page to the one who asked for it', async () => {
    expect(await Promise.all(['/a', '/none', '/b'].map(rendered))).toEqual(['Page /a', null, 'Page /b']);
  });

  it('fails one page alone when its model or its drawing fails', async () => {
    expect(await Promise.all(['/lost', '/a', '/fails'].map(rendered))).toEqual([
      'The store is gone.',
      'Page /a',
      'It cannot be drawn.',
    ]);
  });

  it('lets nobody wait for a thread that has ended, and begins another', async () => {
    const ended = 'The thread that renders pages has ended.';
    expect(await Promise.all(['/ends', '/ends'].map(rendered))).toEqual([ended, ended]);
    expect(await rendered('/a')).toBe('Page /a');
  });
});
