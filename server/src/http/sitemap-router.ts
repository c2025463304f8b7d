import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { RequestHandler } from 'express';
import { originOf } from './origin.js';
import type { Services } from './services.js';

/** Sends what search engines are told of the site: sitemaps, and what they may look at. */
export function sitemapRouter({ live, sitemaps }: Services): RequestHandler {
  return async (request, response, next) => {
    if (request.method !== 'GET' && request.method !== 'HEAD') return next();
    const origin = live.site().address || originOf(request);
    const file = origin === null ? null : sitemaps.at(request.path, origin);
    if (!file) return next();
    response.type(request.path.endsWith('.txt') ? 'text/plain' : 'application/xml').set('Cache-Control', 'no-cache');
    if (request.method === 'HEAD') return void response.end();
    // Whoever hangs up wants no more of it.
    await pipeline(Readable.from(file), response).catch(() => response.destroy());
  };
}
