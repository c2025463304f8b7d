import type { OwnAccess, OwnData } from '@plindo/core/contract';
import { OwnDetailsDto, OwnPasswordDto, ProofDto, SecondStepDto } from '../dto/people-dtos.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import { fromOf, sessionSecret, setSessionCookie } from '../session.js';
import type { Services } from '../services.js';
import { throttleBy } from '../throttle.js';
import { AT_THE_DOOR } from './session.js';

/** What somebody sees and changes of their own access. */
export function ownAccessRoutes({
  accounts,
  live,
  ownAccess,
  people,
  review,
  secondStep,
  throttles,
  tokens,
}: Services): Route[] {
  const permission = 'manage own access';
  // Whoever finds an open browser doesn't try passwords in it.
  const before = throttleBy(throttles, { ...AT_THE_DOOR, what: 'proof' });
  return [
    route({
      method: 'get',
      path: '/me',
      permission,
      summary: 'Your own access: your details, your second step, where you are signed in.',
      answers: 'OwnAccess',
      async handle(call): Promise<OwnAccess> {
        const user = signedIn(call);
        const { stepSecret, spareCodes } = await ownAccess.of(user);
        const sessions = await accounts.sessionsOf(user, sessionSecret(call.request) ?? '');
        return { user, hasSecondStep: stepSecret !== null, spareCodes: spareCodes.length, sessions };
      },
    }),
    route({
      method: 'get',
      path: '/me/data',
      permission,
      summary: 'All that is kept of you.',
      answers: 'OwnData',
      async handle(call): Promise<OwnData> {
        const user = signedIn(call);
        const sessions = await accounts.sessionsOf(user, sessionSecret(call.request) ?? '');
        const submissions = await review.own(user);
        return { ...(await ownAccess.dataOf(user)), tokens: await tokens.of(user), sessions, submissions };
      },
    }),
    route({
      method: 'put',
      path: '/me',
      permission,
      summary: 'Change your name or your e-mail address; for the address the password is asked for.',
      body: OwnDetailsDto,
      answers: 'User',
      before,
      handle: (call) => ownAccess.setDetails(signedIn(call), call.body, fromOf(call.request)),
    }),
    route({
      method: 'put',
      path: '/me/password',
      permission,
      summary: 'Change your password; all your other sessions end.',
      body: OwnPasswordDto,
      before,
      handle: (call) => {
        const secret = sessionSecret(call.request) ?? '';
        return ownAccess.setPassword(signedIn(call), call.body, secret, fromOf(call.request));
      },
    }),
    route({
      method: 'post',
      path: '/me/second-step/start',
      permission,
      summary: 'A secret for a second step; it counts when a code that was made of it has come back.',
      body: ProofDto,
      answers: 'SecondStepStart',
      before,
      async handle(call) {
        const user = signedIn(call);
        await ownAccess.prove(user, call.body.password);
        return secondStep.start(user, live.site().name);
      },
    }),
    route({
      method: 'put',
      path: '/me/second-step',
      permission,
      summary: 'Ask for codes from now on; the answer tells the spare codes this once.',
      body: SecondStepDto,
      answers: 'string[]',
      before,
      async handle(call) {
        const [user, { secret, code, password }] = [signedIn(call), call.body];
        await ownAccess.prove(user, password);
        return secondStep.turnOn(user, secret, code, fromOf(call.request));
      },
    }),
    route({
      method: 'post',
      path: '/me/second-step/off',
      permission,
      summary: 'Ask for no codes any more.',
      body: ProofDto,
      before,
      async handle(call) {
        const user = signedIn(call);
        await ownAccess.prove(user, call.body.password);
        await secondStep.turnOff(user, fromOf(call.request));
      },
    }),
    route({
      method: 'post',
      path: '/me/leave',
      permission,
      summary: 'Leave: you are signed out everywhere and can’t sign in any more.',
      body: ProofDto,
      before,
      async handle(call) {
        const user = signedIn(call);
        await ownAccess.prove(user, call.body.password);
        await people.leave(user, fromOf(call.request));
        setSessionCookie(call.request, call.response, null);
      },
    }),
  ];
}
