import { Refusal } from '@plindo/core/values';
import {
  DesignDto,
  DesignUpdateDto,
  DraftedPageDto,
  DesignNumbersDto,
  definedBy,
  pageDefinedBy,
} from '../dto/design-dtos.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';

export function designRoutes({ designs, draftedPages, servingPages }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/designs',
      permission: 'read listings',
      summary: 'All designs: the cards and pages of all kinds, the home page, and pages that stand by themselves.',
      answers: 'Design[]',
      handle: () => designs.all(),
    }),
    route({
      method: 'post',
      path: '/designs',
      permission: 'design',
      summary: 'Add a design. The first card of a kind takes the place of the one that its fields make.',
      body: DesignDto,
      answers: 'Changed<Design>',
      handle(call) {
        const { kindId } = call.body;
        return designs.add(signedIn(call), { kindId, ...definedBy(call.body) });
      },
    }),
    route({
      method: 'post',
      path: '/designs/preview',
      changesNothing: true,
      permission: 'design',
      summary: 'The model of a page by a design that nobody has saved, whatever is wrong with it.',
      body: DraftedPageDto,
      answers: 'DesignedPage',
      async handle({ body: { kindId, definition: sent, listingId = null, category = null, search = '' } }) {
        const { definition } = pageDefinedBy(sent);
        const page = await draftedPages.page({ kindId, definition }, { listingId, category, search });
        if (!page) throw Refusal.of('request.not-found');
        return page;
      },
    }),
    route({
      method: 'put',
      path: '/designs/:id',
      permission: 'design',
      summary: 'Put a new definition in place of the old one.',
      body: DesignUpdateDto,
      answers: 'Changed<Design>',
      handle(call) {
        return designs.update(signedIn(call), call.id(), call.body.version, definedBy(call.body));
      },
    }),
    route({
      method: 'post',
      path: '/designs/:id/main',
      permission: 'design',
      summary: 'Make a card the one that listings of its kind have where no other was chosen.',
      answers: 'Changed<Design>',
      handle: (call) => designs.makeMain(signedIn(call), call.id()),
    }),
    route({
      method: 'delete',
      path: '/designs/:id',
      permission: 'design',
      summary: 'Delete a design.',
      answers: 'Changed<null>',
      handle: (call) => designs.remove(signedIn(call), call.id()),
    }),
    route({
      method: 'get',
      path: '/designs/:id/versions',
      permission: 'read listings',
      summary: 'The states that a design had, the latest first.',
      answers: 'DesignVersion[]',
      handle: (call) => designs.versions(call.id()),
    }),
    route({
      method: 'get',
      path: '/listings/:id/page',
      permission: 'read listings',
      summary: 'Which page serves a listing, and what has to hold for it.',
      answers: 'ServingPage',
      async handle(call) {
        const page = await servingPages.ofListing(call.id());
        if (!page) throw Refusal.of('request.not-found');
        return page;
      },
    }),
    route({
      method: 'get',
      path: '/kinds/:id/serving',
      permission: 'read listings',
      summary: 'Which page serves how many listings of a kind.',
      answers: 'ServingTable',
      async handle(call) {
        const table = await servingPages.table(call.id());
        if (!table) throw Refusal.of('request.not-found');
        return table;
      },
    }),
    route({
      method: 'post',
      path: '/designs/order',
      permission: 'design',
      summary: 'Let designs stand in an order.',
      body: DesignNumbersDto,
      answers: 'Changed<null>',
      handle: (call) => designs.order(signedIn(call), call.body.ids),
    }),
    route({
      method: 'get',
      path: '/kinds/:id/samples',
      permission: 'read listings',
      summary: 'Listings of a kind to try a design with: some plain ones, and those with which it is likely to break.',
      answers: 'DesignSamples',
      handle: (call) => designs.samples(call.id()),
    }),
    route({
      method: 'get',
      path: '/listings/:id/sample',
      permission: 'read listings',
      summary: 'One listing to try a design with, and those that it is linked with.',
      answers: 'DesignSamples',
      handle: (call) => designs.sample(call.id()),
    }),
  ];
}
