import { ChangesQueryDto } from '../dto/dtos.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';

export function changeRoutes({ changes }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/changes',
      permission: 'read listings',
      summary: 'Changes, newest first: by words of their sentence, by who made them, by day of the site’s zone.',
      query: ChangesQueryDto,
      answers: 'ChangeSummary[]',
      handle: ({ query: { q = '', who = '', from = '', until = '', before = null } }) =>
        changes.latest({ words: q, who, from, until, before }),
    }),
    route({
      method: 'post',
      path: '/changes/:id/undo',
      permission: 'undo changes',
      summary: 'Take a change back.',
      answers: 'Changed<{ sentence: string }>',
      handle: (call) => changes.undo(signedIn(call), call.id()),
    }),
  ];
}
