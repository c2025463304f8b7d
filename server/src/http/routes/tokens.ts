import { TokenDto } from '../dto/dtos.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';

export function tokenRoutes({ accounts }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/tokens',
      permission: 'manage own access',
      summary: 'Your access tokens, without their secrets.',
      answers: 'TokenSummary[]',
      handle: (call) => accounts.tokens(signedIn(call)),
    }),
    route({
      method: 'post',
      path: '/tokens',
      permission: 'manage own access',
      summary: 'Make an access token for a script; the answer tells its secret once.',
      body: TokenDto,
      answers: 'NewToken',
      handle: (call) => accounts.addToken(signedIn(call), call.body.name),
    }),
    route({
      method: 'delete',
      path: '/tokens/:id',
      permission: 'manage own access',
      summary: 'Withdraw an access token.',
      handle: (call) => accounts.removeToken(signedIn(call), call.id()),
    }),
  ];
}
