import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import express, { Router } from 'express';
import type { Request, Response } from 'express';
import type { ReadyPage, SitePages } from '../site/site-pages.js';
import { NONCE_MARK } from '../site/site-pages.js';
import { nonceOf } from './security.js';

const LONGEST_URL = 8000;

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

/** The public side, rendered on the server; a page is kept until anything changes. */
export function siteRouter(folders: WebFolders, site: SitePages): Router {
  const router = Router();
  router.use(express.static(join(folders.site, 'browser'), HASHED_FILES));
  router.get('/{*path}', async (request, response, next) => {
    if (request.originalUrl.length > LONGEST_URL) {
      response.status(414).end();
      return;
    }
    const moved = site.movedTo(request.path, request.originalUrl.split('?')[1] ?? '');
    if (moved !== null) {
      response.redirect(301, moved);
      return;
    }
    const page = await site.at(request.originalUrl, nonceOf(response));
    if (page) sendPage(request, response, page);
    else next();
  });
  return router;
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
