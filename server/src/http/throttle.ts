import { issue } from '@plindo/core/values';
import type { RequestHandler } from 'express';
import type { Store as HitStore } from 'express-rate-limit';
import { rateLimit } from 'express-rate-limit';
import type { Throttles, Tries } from '../services/people/throttles.js';
import { problemOf, sendProblem } from './problem.js';

/** How often an address may do something in a stretch of time. */
export interface Limit {
  /** Counted apart from all others. */
  readonly what: string;
  readonly most: number;
  readonly stretchInMs: number;
  /** The stretch in words: "five minutes". */
  readonly wait: string;
  /** Whether only what is refused counts. */
  readonly countsRefusals?: boolean;
}

/** Refuses an address that does something too often; counted in the store, for all nodes together. */
export function throttleBy(
  throttles: Throttles,
  { what, most, stretchInMs, wait, countsRefusals }: Limit,
): RequestHandler {
  return rateLimit({
    store: hitStore(() => throttles.triesOf(what, stretchInMs)),
    windowMs: stretchInMs,
    limit: most,
    skipSuccessfulRequests: countsRefusals ?? false,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_request, response) => {
      sendProblem(response, problemOf([issue('request.too-many', { wait })]));
    },
  });
}

/** Tries as the rate limiter keeps them; they are asked for with the first one. */
export function hitStore(tries: () => Tries): HitStore {
  return {
    async increment(who) {
      const { hits, resetAt } = await tries().count(who);
      return { totalHits: hits, resetTime: new Date(resetAt) };
    },
    decrement: (who) => tries().discount(who),
    resetKey: (who) => tries().forget(who),
  };
}
