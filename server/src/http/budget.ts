import { isIP } from 'node:net';
import { issue } from '@plindo/core/values';
import type { Request, RequestHandler } from 'express';
import type { Options } from 'express-rate-limit';
import { rateLimit } from 'express-rate-limit';
import type { Throttles } from '../services/people/throttles.js';
import { problemOf, sendProblem } from './problem.js';
import { senderOf } from './session.js';
import { hitStore } from './throttle.js';

/** What one address of visitors may have made for it. */
export interface Budget {
  /** Pages a minute that aren't kept; each takes some 30 ms of a core. */
  readonly pagesAMinute: number;
  /** Counted in the store, where several nodes serve one site; else in this process. */
  readonly isShared: boolean;
}

/** People look at a page in seconds; a school behind one address at a few a second. */
export const USUAL_PAGES_A_MINUTE = 300;
/** Suggestions, cards and answers of the API take a quarter of what a page does, or less. */
const QUESTIONS_A_PAGE = 4;
const MINUTE_IN_MS = 60_000;
const PRIVATE = /^(::ffff:)?(127\.|10\.|192\.168\.|172\.(1[6-9]|2\d|3[01])\.)|^::1$|^f[cd]/i;

/** Refuses pages that would have to be made for an address that had too many made; `busy` is what it sees instead. */
export function pageBudget(budget: Budget | null, throttles: Throttles, busy: () => string): RequestHandler {
  return limited(budget, throttles, {
    what: 'pages',
    limit: budget?.pagesAMinute ?? 0,
    handler: (_request, response) => void response.status(429).type('html').send(busy()),
  });
}

/** The same of questions to the API by whoever isn't signed in. */
export function questionBudget(budget: Budget | null, throttles: Throttles): RequestHandler {
  return limited(budget, throttles, {
    what: 'questions',
    limit: (budget?.pagesAMinute ?? 0) * QUESTIONS_A_PAGE,
    handler: (_request, response) =>
      sendProblem(response, problemOf([issue('request.too-many', { wait: 'a minute' })])),
  });
}

function limited(
  budget: Budget | null,
  throttles: Throttles,
  { what, limit, handler }: { what: string; limit: number; handler: NonNullable<Options['handler']> },
): RequestHandler {
  if (!budget) return (_request, _response, next) => next();
  return rateLimit({
    windowMs: MINUTE_IN_MS,
    limit,
    ...(budget.isShared && { store: hitStore(() => throttles.triesOf(what, MINUTE_IN_MS)) }),
    skip: (request) => senderOf(request) !== null || isUntoldProxy(request),
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    // While the store is away nobody is counted.
    passOnStoreError: true,
    // Proxies that aren't told of are looked at above.
    validate: { xForwardedForHeader: false },
    handler,
  });
}

/** Whether a request comes by a proxy that the settings don't name: all visitors have its address then. */
export function isUntoldProxy(request: Request): boolean {
  const near = request.socket.remoteAddress ?? '';
  const isNear = isIP(near) > 0 && PRIVATE.test(near);
  return isNear && request.headers['x-forwarded-for'] !== undefined && request.ip === near;
}
