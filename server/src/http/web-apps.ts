import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import express, { Router } from 'express';
import type { Request, Response } from 'express';
import { LRUCache } from 'lru-cache';
import type { Live } from '../live/live.js';
import type { Pages } from '../site/pages.js';
import type { RenderedPage } from './render-messages.js';
import { nonceOf } from './security.js';
import type { SiteRenderer } from './site-renderer.js';

/** What stands in rendered pages where the nonce of the response goes. */
const NONCE_MARK = 'PLINDO-NONCE';
const MOST_CACHED_PAGES = 500;
const MOST_CACHED_BYTES = 32 * 1024 * 1024;
const LONGEST_URL = 8000;

const compress = promisify(gzip);

export interface WebFolders {
  /** The build of the site, with `browser` and `server` below it. */
  readonly site: string;
  /** The build of the Desk, with `browser` below it. */
  readonly desk: string;
}

/** Files that carry a hash of their content in their name never change. */
const HASHED_FILES = { index: false, redirect: false, immutable: true, maxAge: '1y' } as const;

/** The signed-in side: one page for every address below /desk. */
export async function deskRouter(folders: WebFolders): Promise<Router> {
  const router = Router();
  const browser = join(folders.desk, 'browser');
  const shell = await readFile(join(browser, 'index.html'), 'utf8');
  router.use(express.static(browser, HASHED_FILES));
  router.get('/{*path}', (request, response) => {
    // A file that isn't there is not a page of the Desk.
    if (/\.\w{2,5}$/.test(request.path)) response.status(404).end();
    else sendHtml(response, 200, shell);
  });
  return router;
}

/** A rendered page, ready to be sent, in the state of one revision and of a stretch of time. */
interface ReadyPage {
  readonly revision: number;
  /** The moment from which on it may look different though nothing was changed. */
  readonly until: number;
  readonly status: number;
  readonly html: Buffer;
  readonly gzipped: Buffer;
  readonly etag: string;
  /** Of its style elements. Scripts have none, so a nonce that serves a page for as long as it is kept opens nothing. */
  readonly nonce: string;
}

/** The public side, rendered on the server; a page is kept until anything changes. */
export function siteRouter(
  folders: WebFolders,
  renderer: SiteRenderer,
  { live, pages }: { live: Live; pages: Pages },
): Router {
  const router = Router();
  const cache = new LRUCache<string, ReadyPage>({
    max: MOST_CACHED_PAGES,
    maxSize: MOST_CACHED_BYTES,
    sizeCalculation: ({ html, gzipped }) => html.length + gzipped.length,
  });
  router.use(express.static(join(folders.site, 'browser'), HASHED_FILES));
  router.get('/{*path}', async (request, response, next) => {
    if (request.originalUrl.length > LONGEST_URL) {
      response.status(414).end();
      return;
    }
    const moved = pages.movedTo(request.path, request.originalUrl.split('?')[1] ?? '');
    if (moved !== null) {
      response.redirect(301, moved);
      return;
    }
    const { revision } = live;
    let page = cache.get(request.originalUrl);
    const now = live.context().nowInMs;
    if (page?.revision !== revision || page.until <= now) {
      const rendered = await renderer.render(request.originalUrl, (path, search) => pages.page(path, search));
      if (!rendered) {
        next();
        return;
      }
      page = await readyPage(rendered, { revision, until: live.holdsUntil(now) }, nonceOf(response));
      // An address that leads nowhere is not kept: anybody can make up any number of them.
      if (page.status === 200) cache.set(request.originalUrl, page);
    }
    sendPage(request, response, page);
  });
  return router;
}

async function readyPage(
  { status, html: text }: RenderedPage,
  state: Pick<ReadyPage, 'revision' | 'until'>,
  nonce: string,
): Promise<ReadyPage> {
  const html = Buffer.from(text.replaceAll(NONCE_MARK, nonce));
  const etag = `"${createHash('sha256').update(html).digest('base64url').slice(0, 27)}"`;
  return { ...state, status, html, gzipped: await compress(html), etag, nonce };
}

function sendPage(request: Request, response: Response, page: ReadyPage): void {
  const policy = String(response.getHeader('Content-Security-Policy')).replace(nonceOf(response), page.nonce);
  response.set({
    'Content-Security-Policy': policy,
    'Cache-Control': 'no-cache',
    ETag: page.etag,
    Vary: 'Accept-Encoding',
  });
  response.status(page.status).type('html');
  if (request.headers['if-none-match'] === page.etag) {
    response.status(304).end();
    return;
  }
  const isGzipped = request.acceptsEncodings('gzip') !== false;
  // Said in any case: it keeps the compression of other answers from doing the work again.
  response.set('Content-Encoding', isGzipped ? 'gzip' : 'identity');
  response.end(isGzipped ? page.gzipped : page.html);
}

function sendHtml(response: Response, status: number, html: string): void {
  response.status(status).type('html').set('Cache-Control', 'no-cache');
  response.send(html.replaceAll(NONCE_MARK, nonceOf(response)));
}
