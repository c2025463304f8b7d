import type { SessionInfo } from '@plindo/core/contract';
import { issue } from '@plindo/core/values';
import type { Store as HitStore } from 'express-rate-limit';
import { rateLimit } from 'express-rate-limit';
import type { Tries } from '../../services/people/throttles.js';
import { SetupDto, SignInDto } from '../dto/dtos.js';
import { problemOf, sendProblem } from '../problem.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import { senderOf, sessionSecret, setSessionCookie } from '../session.js';
import type { Services } from '../services.js';

/** Who isn't signed in yet sends no more than names and secrets. */
const LARGEST_SIGN_IN = '4kb';
const TRIES = 10;
const WINDOW_IN_MS = 5 * 60_000;

export function sessionRoutes({ accounts, live, signInPlaces, throttles }: Services): Route[] {
  const throttle = rateLimit({
    store: hitStore(() => throttles.triesOf('sign-in', WINDOW_IN_MS)),
    windowMs: WINDOW_IN_MS,
    limit: TRIES,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_request, response) => {
      sendProblem(response, problemOf([issue('request.too-many', { wait: 'five minutes' })]));
    },
  });
  const info = async (user: SessionInfo['user'], csrf: string): Promise<SessionInfo> => ({
    user,
    csrf,
    needsOwner: await accounts.needsOwner(),
    site: live.site(),
  });
  return [
    route({
      method: 'get',
      path: '/session',
      permission: 'visit',
      summary: 'Who is signed in, and the token that changes have to bring.',
      answers: 'SessionInfo',
      handle: ({ request }) => {
        const sender = senderOf(request);
        return info(sender?.user ?? null, sender?.csrf ?? '');
      },
    }),
    route({
      method: 'post',
      path: '/session',
      permission: 'visit',
      summary: 'Sign in.',
      body: SignInDto,
      largestBody: LARGEST_SIGN_IN,
      answers: 'SessionInfo',
      before: throttle,
      async handle({ body, request, response }) {
        const old = sessionSecret(request);
        const { user, secret, csrf } = await accounts.signIn(body.email, body.password);
        if (old) await accounts.signOut(old);
        setSessionCookie(request, response, secret);
        await signInPlaces.note(user, request.ip ?? '', request.get('user-agent') ?? '');
        return info(user, csrf);
      },
    }),
    route({
      method: 'post',
      path: '/setup',
      permission: 'visit',
      summary: 'Make the owner with the one-time link.',
      body: SetupDto,
      largestBody: LARGEST_SIGN_IN,
      answers: 'SessionInfo',
      before: throttle,
      async handle({ body, request, response }) {
        const { user, secret, csrf } = await accounts.makeOwner(body);
        setSessionCookie(request, response, secret);
        return info(user, csrf);
      },
    }),
    route({
      method: 'delete',
      path: '/session',
      permission: 'use the desk',
      summary: 'Sign out here.',
      async handle({ request, response }) {
        const secret = sessionSecret(request);
        if (secret) await accounts.signOut(secret);
        setSessionCookie(request, response, null);
      },
    }),
    route({
      method: 'delete',
      path: '/sessions',
      permission: 'manage own access',
      summary: 'Sign out everywhere.',
      async handle(call) {
        await accounts.signOutEverywhere(signedIn(call));
        setSessionCookie(call.request, call.response, null);
      },
    }),
  ];
}

/** Tries as the rate limiter keeps them; they are asked for with the first one. */
function hitStore(tries: () => Tries): HitStore {
  return {
    async increment(who) {
      const { hits, resetAt } = await tries().count(who);
      return { totalHits: hits, resetTime: new Date(resetAt) };
    },
    decrement: (who) => tries().discount(who),
    resetKey: (who) => tries().forget(who),
  };
}
