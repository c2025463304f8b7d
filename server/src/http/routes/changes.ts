import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';

const SHOWN = 200;

export function changeRoutes({ changes }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/changes',
      permission: 'read listings',
      summary: 'The latest changes, newest first.',
      answers: 'ChangeSummary[]',
      handle: () => changes.latest(SHOWN),
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
