import { TokenDto } from '../dto/people-dtos.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import { fromOf } from '../session.js';
import type { Services } from '../services.js';

export function tokenRoutes({ tokens }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/tokens',
      permission: 'manage own access',
      summary: 'Your access tokens, without their secrets.',
      answers: 'TokenSummary[]',
      handle: (call) => tokens.of(signedIn(call)),
    }),
    route({
      method: 'post',
      path: '/tokens',
      permission: 'manage own access',
      summary: 'Make an access token for a script; the answer tells its secret once.',
      body: TokenDto,
      answers: 'NewToken',
      handle(call) {
        const { name, readOnly = false, days = null } = call.body;
        return tokens.add(signedIn(call), { name, readOnly, days }, fromOf(call.request));
      },
    }),
    route({
      method: 'delete',
      path: '/tokens/:id',
      permission: 'manage own access',
      summary: 'Withdraw an access token.',
      handle: (call) => tokens.remove(signedIn(call), call.id(), fromOf(call.request)),
    }),
  ];
}
