import { randomBytes } from 'node:crypto';
import { IncomingMessage, ServerResponse } from 'node:http';
import { Socket } from 'node:net';
import type { RequestHandler } from 'express';
import helmet from 'helmet';
import type { HeadersOf } from '../site/ready-page.js';

/** What stands in the page of the Desk where the nonce of its style elements goes. */
export const NONCE_MARK = 'PLINDO-NONCE';

/**
 * Security headers. Scripts come from this server's own files only; style elements need the nonce of the response,
 * because Angular writes each component's styles of the Desk into one. Style attributes are open, as the server renders
 * sizes.
 */
export function securityHeaders(): RequestHandler {
  const withNonce = (response: unknown): string => `'nonce-${nonceOf(response as { locals: Locals })}'`;
  const headers = helmetHeaders(["'self'", (_request, response) => withNonce(response)]);
  return (request, response, next) => {
    response.locals['nonce'] = randomBytes(16).toString('base64');
    if (request.secure) response.set(...ONLY_SECURE);
    response.set(...PERMISSIONS);
    headers(request, response, next);
  };
}

/** What pages may ask a browser for: where somebody is, for distances, and nothing else. */
const PERMISSIONS = [
  'Permissions-Policy',
  'camera=(), display-capture=(), geolocation=(self), microphone=(), midi=(), payment=(), usb=()',
] as const;

/** For a year browsers ask only over HTTPS (RFC 6797). */
export const ONLY_SECURE = ['Strict-Transport-Security', 'max-age=31536000'] as const;

/** The headers of all pages of the site, whose styles all come from files, each with a policy for the scripts in it. */
export function pageHeaders(): HeadersOf {
  const request = new IncomingMessage(new Socket());
  const response = new ServerResponse(request);
  helmetHeaders(["'self'"])(request, response, () => undefined);
  response.setHeader(...PERMISSIONS);
  const fixed = { ...response.getHeaders(), 'content-type': 'text/html; charset=utf-8', 'cache-control': 'no-cache' };
  const flat = Object.entries({ ...fixed, vary: 'Accept-Encoding' }).flatMap(([name, value]) => [name, String(value)]);
  return (scripts, pictures) => {
    const allowed = ["script-src 'self'", ...scripts].join(' ');
    const images = ["img-src 'self'", ...(pictures === null ? [] : [pictures])].join(' ');
    return flat.map((part) => part.replace("script-src 'self'", allowed).replace("img-src 'self'", images));
  };
}

type StyleSources = Iterable<string | ((request: IncomingMessage, response: ServerResponse) => string)>;

function helmetHeaders(styleSrc: StyleSources): ReturnType<typeof helmet> {
  return helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc,
        styleSrcAttr: ["'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'self'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    // Said below, only over a secure connection: a trial on plain HTTP must not lock itself out.
    strictTransportSecurity: false,
  });
}

/** What pages are told that means nothing for a file that a page fetches; each visitor would fetch it with every one. */
const OF_PAGES = [
  'cross-origin-opener-policy',
  'origin-agent-cluster',
  'permissions-policy',
  'referrer-policy',
  'x-dns-prefetch-control',
  'x-download-options',
  'x-frame-options',
  'x-permitted-cross-domain-policies',
  'x-xss-protection',
];

/** The headers of scripts, sheets, typefaces and pictures of the site; one that is opened by itself may fetch nothing. */
export const fileHeaders: RequestHandler = (_request, response, next) => {
  for (const name of OF_PAGES) response.removeHeader(name);
  response.set('Content-Security-Policy', "default-src 'none'");
  next();
};

type Locals = Record<string, unknown>;

export function nonceOf(response: { locals: Locals }): string {
  return String(response.locals['nonce']);
}
