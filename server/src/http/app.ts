import { basename, dirname } from 'node:path';
import compression from 'compression';
import express from 'express';
import type { Express, RequestHandler, Response } from 'express';
import type { Logger } from 'pino';
import type { PictureFormat } from '../services/media/pictures.js';
import { PICTURE_FORMATS, PICTURE_WIDTHS } from '../services/media/pictures.js';
import { busyPage } from '../site/busy-page.js';
import { apiRouter } from './api.js';
import type { Budget } from './budget.js';
import { pageBudget } from './budget.js';
import { formsRouter } from './forms-router.js';
import { problemHandler } from './problem.js';
import { fileHeaders, securityHeaders } from './security.js';
import type { Services } from './services.js';
import type { TrustedProxies } from '../config.js';
import type { SitePages } from '../site/site-pages.js';
import type { WebFolders } from './web-apps.js';
import { ownSheetRouter } from './own-sheet-router.js';
import type { Seen, SiteParts } from './site-router.js';
import { siteHits, siteRouter } from './site-router.js';
import { arrivedFrom, visitOf } from './visit.js';
import { sitemapRouter } from './sitemap-router.js';
import { deskRouter } from './web-apps.js';

export interface AppParts {
  readonly services: Services;
  readonly log: Logger;
  readonly trustedProxies?: TrustedProxies;
  /** What one address of visitors may have made for it; null, or left out, for no end. */
  readonly budget?: Budget | null;
  /** Absent in tests of the API alone. */
  readonly web?: { readonly folders: WebFolders; readonly sitePages: SitePages };
}

/** Sends a file by its folder, so that it doesn't matter whether a folder above begins with a dot. */
function sendKept(response: Response, path: string): void {
  response.sendFile(basename(path), { root: dirname(path) });
}

/** Sends a kept file, always as an attachment: whatever is in it is never opened as a page of this site. */
function sendFile({ files, previews }: Services): RequestHandler {
  return async (request, response) => {
    const hash = String(request.params['hash']);
    const file = (await files.find(hash)) ?? (await previews.file(hash));
    if (!file) return void response.status(404).end();
    // Under its own name: an address with another one would make it look like something else.
    response.attachment(file.name).type(file.type).set('Cache-Control', 'public, max-age=31536000, immutable');
    sendKept(response.set('X-Content-Type-Options', 'nosniff'), file.path);
  };
}

const PICTURE_NAME = new RegExp(`^([0-9a-f]{32})-(${PICTURE_WIDTHS.join('|')})\\.(${PICTURE_FORMATS.join('|')})$`);

/** Sends a picture in one of its widths and formats. Its name holds a hash of its content, so it never changes. */
function sendPicture({ pictures, previews }: Services): RequestHandler {
  return async (request, response) => {
    const [, hash = '', width = '', format = ''] = PICTURE_NAME.exec(String(request.params['name'])) ?? [];
    const asked = [hash, Number(width), format as PictureFormat] as const;
    const found = hash === '' ? null : ((await pictures.variant(...asked)) ?? (await previews.picture(...asked)));
    if (found === null) return void response.status(404).end();
    // What stands in for one that is being made is asked for again.
    const kept = found.isAsAsked ? 'public, max-age=31536000, immutable' : 'no-store';
    sendKept(response.type(found.format).set('Cache-Control', kept), found.path);
  };
}

/** Tells whether requests can be answered: 503 while the database isn't reached. */
function tellReady({ health }: Services): RequestHandler {
  return async (_request, response) => {
    const ready = await health.ready();
    response.status(ready.ok ? 200 : 503).json(ready);
  };
}

/** The whole HTTP side. */
export async function makeApp({ services, log, trustedProxies = 0, budget = null, web }: AppParts): Promise<Express> {
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', trustedProxies);
  const seen: Seen = (request, { status }, at) => {
    const isCounted = at && !at.isPrivate && status === 200 && request.method === 'GET';
    if (isCounted) services.views.note(visitOf(request), { address: at.address, arrivedFrom: arrivedFrom(request) });
  };
  if (web) app.use(siteHits(web.sitePages, seen));
  app.use(securityHeaders());
  app.get('/healthz', (_request, response) => void response.json({ ok: true }));
  app.get('/readyz', tellReady(services));
  app.use(async (_request, _response, next) => {
    await services.live.followTime();
    next();
  });
  app.use('/api', compression(), apiRouter(services, budget));
  app.get('/pictures/:name', fileHeaders, sendPicture(services));
  app.get('/files/:hash/:name', sendFile(services));
  app.use(formsRouter(services));
  app.use(sitemapRouter(services));
  app.use(ownSheetRouter(services));
  if (web) {
    app.use('/desk', await deskRouter(web.folders.desk));
    const { sitePages } = web;
    const parts: SiteParts = {
      budget: pageBudget(budget, services.throttles, () => busyPage(sitePages.words())),
      seen,
      isTrouble: (error) => services.health.troubleOf(error) !== null,
      tell: (error) => log.error({ err: error }, 'A page could not be made.'),
    };
    app.use(siteRouter(web.folders.site, sitePages, parts));
  }
  app.use(problemHandler(log, (error) => services.health.troubleOf(error)));
  return app;
}
