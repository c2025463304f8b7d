import { makeAddressPart, makeKindDefinition } from '@plindo/core/structure';
import { Refusal } from '@plindo/core/values';
import { PreviewQueryDto } from '../dto/dtos.js';
import { AddressPatternDto, KindDto, KindUpdateDto } from '../dto/structure-dtos.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';

export function kindRoutes({ kinds, draftedPages }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/kinds',
      permission: 'read listings',
      summary: 'All kinds with the number of their listings by status.',
      answers: 'KindSummary[]',
      handle: () => kinds.summaries(),
    }),
    route({
      method: 'post',
      path: '/kinds',
      permission: 'change structure',
      summary: 'Add a kind.',
      body: KindDto,
      answers: 'Changed<Kind>',
      handle: (call) => kinds.add(signedIn(call), makeKindDefinition(call.body)),
    }),
    route({
      method: 'get',
      path: '/kinds/:id',
      permission: 'read listings',
      summary: 'One kind.',
      answers: 'KindSummary',
      handle: (call) => kinds.summary(call.id()),
    }),
    route({
      method: 'get',
      path: '/kinds/:id/preview',
      permission: 'read listings',
      summary: 'The model of the index page of a kind, published or not.',
      query: PreviewQueryDto,
      answers: 'DesignedPage',
      async handle(call) {
        const page = await draftedPages.ofKind(call.id(), call.query.search ?? '');
        if (!page) throw Refusal.of('request.not-found');
        return page;
      },
    }),
    route({
      method: 'post',
      path: '/kinds/:id/addresses/plan',
      changesNothing: true,
      permission: 'change structure',
      summary: 'What another pattern makes of the addresses of all listings, with those that would clash.',
      body: AddressPatternDto,
      answers: 'AddressesPlan',
      handle(call) {
        const parts = call.body.addressPattern ?? [];
        return kinds.planAddresses(call.id(), parts.length > 0 ? parts.map(makeAddressPart) : null);
      },
    }),
    route({
      method: 'put',
      path: '/kinds/:id',
      permission: 'change structure',
      summary: 'Put a new definition in place of the old one.',
      body: KindUpdateDto,
      answers: 'Changed<Kind>',
      handle(call) {
        const { version, ...definition } = call.body;
        return kinds.update(signedIn(call), call.id(), version, makeKindDefinition(definition));
      },
    }),
    route({
      method: 'delete',
      path: '/kinds/:id',
      permission: 'change structure',
      summary: 'Delete a kind with all its listings.',
      answers: 'Changed<{ listings: number }>',
      handle: (call) => kinds.remove(signedIn(call), call.id()),
    }),
  ];
}
