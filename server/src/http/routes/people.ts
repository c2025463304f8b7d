import { InviteDto, PersonDto } from '../dto/people-dtos.js';
import { publicAddress } from '../public-address.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import { fromOf } from '../session.js';
import type { Services } from '../services.js';

export function peopleRoutes({ doorLog, live, people }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/people',
      permission: 'manage people',
      summary: 'Who works here, and who was invited.',
      answers: 'People',
      handle: () => people.all(),
    }),
    route({
      method: 'post',
      path: '/people/invitations',
      permission: 'manage people',
      summary: 'Invite somebody; the answer tells the link, which works once, this once.',
      body: InviteDto,
      answers: 'OneTimeLink',
      handle: (call) => {
        const { request, body } = call;
        return people.invite(signedIn(call), body, publicAddress(live.site(), request), fromOf(request));
      },
    }),
    route({
      method: 'delete',
      path: '/people/invitations/:id',
      permission: 'manage people',
      summary: 'Withdraw an invitation.',
      handle: (call) => people.withdraw(signedIn(call), call.id(), fromOf(call.request)),
    }),
    route({
      method: 'patch',
      path: '/people/:id',
      permission: 'manage people',
      summary: 'Give somebody another role, or switch them off or on.',
      body: PersonDto,
      async handle(call) {
        const [by, from] = [signedIn(call), fromOf(call.request)];
        const { role, isOff } = call.body;
        if (role !== undefined) await people.setRole(by, call.id(), role, from);
        if (isOff !== undefined) await people.setOff(by, call.id(), isOff, from);
      },
    }),
    route({
      method: 'post',
      path: '/people/:id/password-link',
      permission: 'manage people',
      summary: 'Make a link with which somebody chooses another password, once; the answer tells it this once.',
      answers: 'OneTimeLink',
      handle: (call) => {
        const base = publicAddress(live.site(), call.request);
        return people.passwordLink(signedIn(call), call.id(), base, fromOf(call.request));
      },
    }),
    route({
      method: 'delete',
      path: '/people/:id',
      permission: 'manage people',
      summary: 'Take away for good what tells who somebody was who is switched off.',
      handle: (call) => people.erase(signedIn(call), call.id(), fromOf(call.request)),
    }),
    route({
      method: 'delete',
      path: '/submissions/:id/sender',
      permission: 'manage people',
      summary:
        'Take away for good who sent something in without an account, of all that came from the same e-mail address.',
      handle: (call) => people.eraseSender(signedIn(call), call.id(), fromOf(call.request)),
    }),
    route({
      method: 'get',
      path: '/door',
      permission: 'manage people',
      summary: 'Who came in, who was refused, and whose access was changed, the latest first.',
      answers: 'DoorEvent[]',
      handle: () => doorLog.latest(),
    }),
  ];
}
