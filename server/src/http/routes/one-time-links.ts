import { AcceptDto, ForgottenDto, NewPasswordDto, SecretDto } from '../dto/people-dtos.js';
import { publicAddressForAnyone } from '../public-address.js';
import type { Route } from '../route.js';
import { route } from '../route.js';
import { fromOf } from '../session.js';
import type { Services } from '../services.js';
import { throttleBy } from '../throttle.js';
import { AT_THE_DOOR, LARGEST_SIGN_IN, letIn } from './session.js';

/** Each asks for a mail, whoever it goes to. */
const MAILS_AN_ADDRESS = { what: 'forgotten', most: 5, stretchInMs: 3_600_000, wait: 'an hour' } as const;

/** What people do with a link that works once, before they are signed in. */
export function oneTimeLinkRoutes(services: Services): Route[] {
  const { live, people, throttles } = services;
  const base = { method: 'post', permission: 'visit', largestBody: LARGEST_SIGN_IN } as const;
  const throttle = throttleBy(throttles, { ...AT_THE_DOOR, what: 'links' });
  return [
    route({
      ...base,
      path: '/invitations/look',
      summary: 'What an invitation is to.',
      body: SecretDto,
      answers: 'InvitedTo',
      before: throttle,
      handle: ({ body }) => people.invitedTo(body.secret),
    }),
    route({
      ...base,
      path: '/invitations/accept',
      summary: 'Take an invitation and sign in.',
      body: AcceptDto,
      answers: 'SessionInfo',
      before: throttle,
      handle: async (call) => letIn(services, call, await people.accept(call.body, fromOf(call.request))),
    }),
    route({
      ...base,
      path: '/passwords/forgotten',
      summary: 'Ask for a mail with a link for another password; the answer doesn’t tell whether there is one.',
      body: ForgottenDto,
      before: throttleBy(throttles, MAILS_AN_ADDRESS),
      handle: ({ body, request }) =>
        people.forgotten(body.email, publicAddressForAnyone(live.site(), request), fromOf(request)),
    }),
    route({
      ...base,
      path: '/passwords/new',
      summary: 'Choose another password with a link; all sessions end.',
      body: NewPasswordDto,
      before: throttle,
      handle: ({ body, request }) => people.newPassword(body.secret, body.password, fromOf(request)),
    }),
  ];
}
