import { siteForVisitors } from '@plindo/core/structure';
import type { SessionInfo, User } from '@plindo/core/contract';
import { isAllowed, waitsForStep } from '../../services/people/permissions.js';
import { SetupDto, SignInDto } from '../dto/people-dtos.js';
import type { SignedIn } from '../../services/people/accounts.js';
import type { Call, Route } from '../route.js';
import { route, signedIn } from '../route.js';
import { fromOf, senderOf, sessionSecret, setSessionCookie } from '../session.js';
import type { Services } from '../services.js';
import { throttleBy } from '../throttle.js';

/** Who isn't signed in yet sends no more than names and secrets. */
export const LARGEST_SIGN_IN = '4kb';
/** Wrong passwords, links and codes from one address. */
export const AT_THE_DOOR = {
  ...{ what: 'sign-in', most: 10, stretchInMs: 5 * 60_000, wait: 'five minutes', countsRefusals: true },
} as const;

/** Who is signed in, if anybody is. */
interface SignedInBy {
  readonly user: User | null;
  readonly hasSecondStep: boolean;
  readonly csrf: string;
}

/** What the Desk is told of who is signed in. */
async function sessionInfo(
  { accounts, live }: Services,
  { user, hasSecondStep, csrf }: SignedInBy,
): Promise<SessionInfo> {
  const site = live.site();
  const needsOwner = await accounts.needsOwner();
  const mayRead = isAllowed(user?.role ?? null, 'read mails');
  const needsStep = user !== null && waitsForStep('change the site', user.role, hasSecondStep, site);
  return { user, csrf, needsStep, needsOwner, site: mayRead ? site : siteForVisitors(site) };
}

/** Gives somebody who has proved who they are the session that was begun for them. */
export function letIn(
  services: Services,
  { request, response }: Pick<Call<unknown, unknown>, 'request' | 'response'>,
  begun: SignedIn,
): Promise<SessionInfo> {
  setSessionCookie(request, response, begun.secret);
  return sessionInfo(services, begun);
}

export function sessionRoutes(services: Services): Route[] {
  const { accounts, throttles } = services;
  const throttle = throttleBy(throttles, AT_THE_DOOR);
  return [
    route({
      method: 'get',
      path: '/session',
      permission: 'visit',
      summary: 'Who is signed in, and the token that changes have to bring.',
      answers: 'SessionInfo',
      handle: ({ request }) => {
        const sender = senderOf(request);
        return sessionInfo(services, sender ?? { user: null, hasSecondStep: false, csrf: '' });
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
      async handle(call) {
        const { body, request } = call;
        const old = sessionSecret(request);
        const begun = await accounts.signIn({ ...body, code: body.code ?? '' }, fromOf(request));
        if (old) await accounts.signOut(old);
        return letIn(services, call, begun);
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
      handle: async (call) => letIn(services, call, await accounts.makeOwner(call.body, fromOf(call.request))),
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
      summary: 'Sign out everywhere, and withdraw all access tokens.',
      async handle(call) {
        await accounts.signOutEverywhere(signedIn(call), fromOf(call.request));
        setSessionCookie(call.request, call.response, null);
      },
    }),
    route({
      method: 'delete',
      path: '/sessions/:session',
      permission: 'manage own access',
      summary: 'Sign out in one place.',
      handle: (call) => accounts.endSession(signedIn(call), String(call.request.params['session'])),
    }),
  ];
}
