import { Refusal } from '@plindo/core/values';
import { parse, serialize } from 'cookie';
import type { Request, RequestHandler, Response } from 'express';
import type { Accounts, SignedIn } from '../services/people/accounts.js';
import { SESSION_IN_MS } from '../services/people/accounts.js';
import type { From } from '../services/people/door-log.js';
import { isSame } from '../services/people/secrets.js';
import type { Tokens } from '../services/people/tokens.js';

const COOKIE = 'plindo_session';
/** Over HTTPS: no other site of the same domain can set it (RFC 6265bis, 4.1.3.2). */
const SECURE_COOKIE = `__Host-${COOKIE}`;
const SAFE_METHODS = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Who sends a request, and by what. */
export interface Sender extends Pick<SignedIn, 'user' | 'hasSecondStep'> {
  readonly by: 'cookie' | 'token';
  /** Whether they may read, and change nothing. */
  readonly readOnly: boolean;
  readonly csrf: string;
}

const senders = new WeakMap<Request, Sender>();

export function senderOf(request: Request): Sender | null {
  return senders.get(request) ?? null;
}

/**
 * Finds out who sends a request: by a bearer token, or by the session cookie. A change sent with a cookie also has to
 * bring the session's CSRF token, which pages of other sites cannot read; a token in a header needs none.
 */
export function identify(accounts: Accounts, tokens: Tokens): RequestHandler {
  return async (request, _response, next) => {
    const bearer = /^Bearer (\S+)$/.exec(request.headers.authorization ?? '')?.[1];
    if (bearer) {
      const found = await tokens.userOf(bearer);
      if (!found) throw Refusal.of('auth.required');
      senders.set(request, { ...found, by: 'token', csrf: '' });
    } else {
      const secret = sessionSecret(request);
      const session = secret ? await accounts.userOfSession(secret) : null;
      if (session) senders.set(request, { ...session, by: 'cookie', readOnly: false });
    }
    if (!SAFE_METHODS.has(request.method)) checkOrigin(request);
    next();
  };
}

function checkOrigin(request: Request): void {
  const sender = senders.get(request);
  if (sender?.by === 'token') return;
  const site = request.headers['sec-fetch-site'];
  if (site !== undefined && site !== 'same-origin' && site !== 'none') throw Refusal.of('auth.csrf');
  const given = request.headers['x-csrf-token'];
  if (sender && (typeof given !== 'string' || !isSame(given, sender.csrf))) throw Refusal.of('auth.csrf');
}

export function sessionSecret(request: Request): string | null {
  return parse(request.headers.cookie ?? '')[request.secure ? SECURE_COOKIE : COOKIE] ?? null;
}

export function setSessionCookie(request: Request, response: Response, secret: string | null): void {
  const maxAge = secret === null ? 0 : SESSION_IN_MS / 1000;
  const options = { httpOnly: true, sameSite: 'lax', secure: request.secure, path: '/', maxAge } as const;
  response.append('Set-Cookie', serialize(request.secure ? SECURE_COOKIE : COOKIE, secret ?? '', options));
}

/** From where a request comes. */
export function fromOf(request: Request): From {
  return { address: request.ip ?? '', browser: request.get('user-agent') ?? '' };
}
