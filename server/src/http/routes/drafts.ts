import { DesignUpdateDto, DraftDto, DesignNumbersDto, DraftsMomentDto, definedBy } from '../dto/design-dtos.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';

export function draftRoutes({ drafts }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/drafts',
      permission: 'read listings',
      summary: 'Designs that visitors do not see yet, with who changed each last.',
      answers: 'KeptDraft[]',
      handle: () => drafts.all(),
    }),
    route({
      method: 'post',
      path: '/drafts',
      permission: 'design',
      summary: 'Begin a draft of a design, or of a new one. What is still wrong with it does not stand in the way.',
      body: DraftDto,
      answers: 'Changed<Design>',
      handle(call) {
        const { kindId, of } = call.body;
        return drafts.add(signedIn(call), { kindId, ...definedBy(call.body) }, of);
      },
    }),
    route({
      method: 'put',
      path: '/drafts/:id',
      permission: 'design',
      summary: 'Keep what a draft has become.',
      body: DesignUpdateDto,
      answers: 'Changed<Design>',
      handle(call) {
        return drafts.update(signedIn(call), call.id(), call.body.version, definedBy(call.body).definition);
      },
    }),
    route({
      method: 'delete',
      path: '/drafts/:id',
      permission: 'design',
      summary: 'Throw a draft away.',
      answers: 'Changed<null>',
      handle: (call) => drafts.remove(signedIn(call), call.id()),
    }),
    route({
      method: 'post',
      path: '/drafts/publish',
      permission: 'design',
      summary: 'Make visitors see drafts: all of those that are named, or none of them.',
      body: DesignNumbersDto,
      answers: 'Changed<Design[]>',
      handle: (call) => drafts.publish(signedIn(call), call.body.ids),
    }),
    route({
      method: 'post',
      path: '/drafts/moment',
      permission: 'design',
      summary: 'Let drafts be published by themselves at a moment, or no more.',
      body: DraftsMomentDto,
      answers: 'Changed<Design[]>',
      handle: (call) => drafts.schedule(signedIn(call), call.body.ids, call.body.at),
    }),
  ];
}
