import { randomBytes } from 'node:crypto';
import { IncomingMessage, ServerResponse } from 'node:http';
import { Socket } from 'node:net';
import type { RequestHandler } from 'express';
import helmet from 'helmet';
import type { HeadersOf } from '../site/ready-page.js';
import { NONCE_MARK } from '../site/ready-page.js';

/**
 * Security headers. Scripts come from this server's own files only; style elements need the nonce of the response,
 * because Angular writes each component's styles into one. Style attributes are open, as the server renders sizes.
 */
export function securityHeaders(): RequestHandler {
  const headers = helmetHeaders();
  return (request, response, next) => {
    response.locals['nonce'] = randomBytes(16).toString('base64');
    headers(request, response, next);
  };
}

/** The headers of all pages of the site, each with a policy for what is in it. */
export function pageHeaders(): HeadersOf {
  const request = new IncomingMessage(new Socket());
  const response = Object.assign(new ServerResponse(request), { locals: { nonce: NONCE_MARK } });
  helmetHeaders()(request, response, () => undefined);
  const fixed = { ...response.getHeaders(), 'content-type': 'text/html; charset=utf-8', 'cache-control': 'no-cache' };
  const flat = Object.entries({ ...fixed, vary: 'Accept-Encoding' }).flatMap(([name, value]) => [name, String(value)]);
  return ({ nonce, scripts }) => {
    const allowed = ["script-src 'self'", ...scripts].join(' ');
    return flat.map((part) => part.replace(NONCE_MARK, nonce).replace("script-src 'self'", allowed));
  };
}

function helmetHeaders(): ReturnType<typeof helmet> {
  const withNonce = (response: unknown): string => `'nonce-${nonceOf(response as { locals: Locals })}'`;
  return helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'", (_request, response) => withNonce(response)],
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
    // Sent only over a secure connection, where it means something; a trial on plain HTTP must not lock itself out.
    strictTransportSecurity: false,
  });
}

type Locals = Record<string, unknown>;

export function nonceOf(response: { locals: Locals }): string {
  return String(response.locals['nonce']);
}
