import { join } from 'node:path';
import { Router } from 'express';
import type { Request, RequestHandler, Response } from 'express';
import { busyPage } from '../site/busy-page.js';
import type { Encoding, ReadyPage, Sendable } from '../site/ready-page.js';
import { ENCODINGS, isMatched } from '../site/ready-page.js';
import { Busy } from '../site/renderer.js';
import type { LeadsToPage } from '../site/pages.js';
import type { SitePages } from '../site/site-pages.js';
import { FILE_NAME, builtFiles } from './built-files.js';
import { originOf } from './origin.js';
import { ONLY_SECURE, fileHeaders } from './security.js';
import { sessionSecret } from './session.js';

const LONGEST_URL = 8000;
const NOT_DECODABLE = 'This address cannot be read: a % in it is not followed by two digits of a letter.\n';
/** A rendering takes some 50 ms, and at most some twenty are waiting. */
const TRY_AGAIN_IN_S = 2;

/** Sends pages that are kept as they are, before anything else is done for a request. */
export function siteHits(site: SitePages, seen: Seen): RequestHandler {
  return (request, response, next) => {
    const page = isReading(request) ? site.hit(request.url) : undefined;
    const sendable = page?.madeAs(encodingFor(request));
    if (!page || !sendable) return next();
    send(request, response, page, sendable);
    seen(request, page, site.knownAt(request.url));
  };
}

/** Hears of every page that was sent, and of the address that led there. */
export type Seen = (request: Request, page: ReadyPage, at: LeadsToPage | undefined) => void;

/** What the public side is given beside its pages. */
export interface SiteParts {
  /** Refuses addresses that have too many pages made. */
  readonly budget: RequestHandler;
  /** Whether an error is of the store or the disk, so that the same may work later. */
  readonly isTrouble: (error: unknown) => boolean;
  readonly seen: Seen;
  /** Tells of what nobody foresaw. */
  readonly tell: (error: unknown) => void;
}

/** The public side, rendered on the server; a page is kept until anything changes that it was made of. */
export function siteRouter(folder: string, site: SitePages, { budget, isTrouble, seen, tell }: SiteParts): Router {
  const router = Router();
  router.get(FILE_NAME, fileHeaders, builtFiles(join(folder, 'browser')));
  router.use((request, _response, next) => next(isReading(request) ? undefined : 'router'), budget);
  router.use(async (request, response) => {
    if (request.originalUrl.length > LONGEST_URL) return void response.status(414).end();
    if (!isDecodable(request.path)) return void response.status(400).type('text').send(NOT_DECODABLE);
    const gone = new AbortController();
    response.once('close', () => gone.abort());
    try {
      const destination = await site.destinationNow(request.originalUrl);
      if (destination.kind === 'moved') return response.redirect(301, destination.to);
      // Whoever edits sees what has been edited.
      const isEditor = sessionSecret(request) !== null;
      const page = await (isEditor ? site.at(destination, gone.signal) : site.almostAt(destination, gone.signal));
      const sendable = await page.as(encodingFor(request));
      if (gone.signal.aborted) return;
      send(request, response, page, sendable);
      seen(request, page, destination);
    } catch (error) {
      if (gone.signal.aborted) return;
      const isForNow = error instanceof Busy || isTrouble(error);
      if (!isForNow) tell(error);
      const status = isForNow ? 503 : 500;
      response.status(status).set('Retry-After', String(TRY_AGAIN_IN_S)).type('html').send(busyPage(site.words()));
    }
  });
  return router;
}

/** Whether each % in an address begins the two digits of a byte, and the bytes are UTF-8 (RFC 3986, 2.1). */
function isDecodable(path: string): boolean {
  try {
    decodeURIComponent(path);
    return true;
  } catch {
    return false;
  }
}

function isReading({ method }: Request): boolean {
  return method === 'GET' || method === 'HEAD';
}

/** Helmet's headers are part of what a page is kept with. */
function send(request: Request, response: Response, page: ReadyPage, { headers, body }: Sendable): void {
  for (const name of response.getHeaderNames()) response.removeHeader(name);
  if (isMatched(request.headers['if-none-match'], page.etag)) response.writeHead(304, page.headers).end();
  else
    response
      .writeHead(page.status, [...headers, ...canonical(request, page), ...(request.secure ? ONLY_SECURE : [])])
      .end(request.method === 'HEAD' ? undefined : body);
}

/** The whole address of a page, for search engines (RFC 6596), by where it was asked for. */
function canonical(request: Request, { path }: ReadyPage): string[] {
  const origin = originOf(request);
  return path !== null && origin !== null ? ['Link', `<${origin}${path}>; rel="canonical"`] : [];
}

function encodingFor(request: Request): Encoding {
  const accepted = request.headers['accept-encoding'];
  // As all browsers send it over HTTPS.
  if (accepted === 'gzip, deflate, br, zstd' || accepted === 'gzip, deflate, br') return 'br';
  return ENCODINGS.find((encoding) => request.acceptsEncodings(encoding)) ?? 'identity';
}
