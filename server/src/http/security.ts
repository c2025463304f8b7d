import { randomBytes } from 'node:crypto';
import type { RequestHandler } from 'express';
import helmet from 'helmet';

/**
 * Security headers. Scripts come from this server's own files only; style elements need the nonce of the response,
 * because Angular writes each component's styles into one. Style attributes are open, as the server renders sizes.
 */
export function securityHeaders(): RequestHandler {
  const withNonce = (response: unknown): string => `'nonce-${nonceOf(response as { locals: Locals })}'`;
  const headers = helmet({
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
  return (request, response, next) => {
    response.locals['nonce'] = randomBytes(16).toString('base64');
    headers(request, response, next);
  };
}

type Locals = Record<string, unknown>;

export function nonceOf(response: { locals: Locals }): string {
  return String(response.locals['nonce']);
}
