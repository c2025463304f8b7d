import {
  CandidatesQueryDto,
  FieldToLinkDto,
  FieldToLinkOrderDto,
  LinkDto,
  LinkUpdateDto,
} from '../dto/structure-dtos.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';

export function linkRoutes({ links, fieldsToLinks, candidates }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/links',
      permission: 'read listings',
      summary: 'All links between kinds.',
      answers: 'Link[]',
      handle: () => links.all(),
    }),
    route({
      method: 'post',
      path: '/links',
      permission: 'change structure',
      summary: 'Link two kinds; each gets a field for its end.',
      body: LinkDto,
      answers: 'Changed<Link>',
      handle: (call) => links.add(signedIn(call), call.body),
    }),
    route({
      method: 'put',
      path: '/links/:id',
      permission: 'change structure',
      summary: 'Change how many each end of a link may hold, and whether connections have notes.',
      body: LinkUpdateDto,
      answers: 'Changed<Link>',
      handle(call) {
        const { version, ...limits } = call.body;
        return links.update(signedIn(call), call.id(), version, limits);
      },
    }),
    route({
      method: 'delete',
      path: '/links/:id',
      permission: 'change structure',
      summary: 'Delete a link with its connections and the fields at its ends.',
      answers: 'Changed<{ connections: number }>',
      handle: (call) => links.remove(signedIn(call), call.id()),
    }),
    route({
      method: 'get',
      path: '/kinds/:id/link-ideas',
      permission: 'read listings',
      summary: 'Fields that seem to name listings of another kind, of this kind and of others about it.',
      answers: 'LinkIdea[]',
      handle: (call) => fieldsToLinks.ideas(call.id()),
    }),
    route({
      method: 'post',
      path: '/kinds/:id/field-to-link/plan',
      permission: 'change structure',
      summary: 'What connecting the listings that a field names would come to; nothing is changed.',
      body: FieldToLinkDto,
      answers: 'FieldToLinkReport',
      handle: (call) => fieldsToLinks.plan(call.id(), call.body),
    }),
    route({
      method: 'post',
      path: '/kinds/:id/field-to-link',
      permission: 'change structure',
      summary: 'Make a link of a field whose texts name other listings; what names none is kept aside.',
      body: FieldToLinkOrderDto,
      answers: 'Changed<FieldToLinkReport>',
      handle(call) {
        const { version, ...sketch } = call.body;
        return fieldsToLinks.change(signedIn(call), call.id(), version, sketch);
      },
    }),
    route({
      method: 'get',
      path: '/kinds/:id/candidates',
      permission: 'read listings',
      summary: 'Listings that could be linked by a field, found by typing.',
      query: CandidatesQueryDto,
      answers: 'LinkCandidate[]',
      handle: (call) => candidates.of(call.id(), call.query.field, call.query.q ?? ''),
    }),
  ];
}
