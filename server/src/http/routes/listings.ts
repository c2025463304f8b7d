import type { TableFilter } from '@plindo/core/query';
import { areTableFilters } from '@plindo/core/query';
import { presentSubject } from '@plindo/core/structure';
import { Refusal } from '@plindo/core/values';
import {
  BatchDto,
  DuplicateDto,
  HandOrderDto,
  ListingDto,
  ListingUpdateDto,
  ListingsQueryDto,
  TotalsDto,
  RestoreDto,
} from '../dto/dtos.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';

const LISTINGS_A_WINDOW = 100;

export function listingRoutes({ listings, batches, changes, handOrders, bin }: Services): Route[] {
  return [
    route({
      method: 'post',
      path: '/kinds/:id/batch',
      permission: 'change listings',
      summary: 'Change many listings of a kind as one: all of them or none.',
      body: BatchDto,
      largestBody: '32mb',
      answers: 'Changed<{ listings: number }>',
      handle(call) {
        const parts = call.body.parts.map(({ version = null, ...part }) => ({ ...part, version }));
        return batches.change(signedIn(call), call.id(), parts, call.body.categories ?? null);
      },
    }),
    route({
      method: 'post',
      path: '/kinds/:id/duplicate',
      permission: 'change listings',
      summary: 'Copy listings as drafts.',
      body: DuplicateDto,
      answers: 'Changed<{ listings: number }>',
      handle: (call) => batches.duplicate(signedIn(call), call.id(), call.body.ids),
    }),
    route({
      method: 'post',
      path: '/kinds/:id/hand-order',
      permission: 'change listings',
      summary: 'Put a listing right behind another one in the hand order, or first.',
      body: HandOrderDto,
      answers: 'Changed<{ listings: number }>',
      handle: (call) => handOrders.move(signedIn(call), call.id(), call.body.id, call.body.after ?? null),
    }),
    route({
      method: 'get',
      path: '/kinds/:id/bin',
      permission: 'read listings',
      summary: 'What the bin of a kind holds.',
      answers: 'BinSummary',
      handle: (call) => bin.summary(call.id()),
    }),
    route({
      method: 'delete',
      path: '/kinds/:id/bin',
      permission: 'change listings',
      summary: 'Delete everything in the bin of a kind for good.',
      answers: 'Changed<BinSummary>',
      handle: (call) => bin.empty(signedIn(call), call.id()),
    }),
    route({
      method: 'delete',
      path: '/listings/:id',
      permission: 'change listings',
      summary: 'Delete a listing that is in the bin for good, with its connections.',
      answers: 'Changed<BinSummary>',
      handle: (call) => bin.remove(signedIn(call), call.id()),
    }),
    route({
      method: 'get',
      path: '/kinds/:id/listings',
      permission: 'read listings',
      summary: 'A window of the listing table of a kind.',
      query: ListingsQueryDto,
      answers: 'ListingsWindow',
      handle(call) {
        const {
          q = '',
          status = null,
          sort = '@title',
          direction = 'up',
          where = '[]',
          offset = 0,
          limit = LISTINGS_A_WINDOW,
        } = call.query;
        const order = [{ by: presentSubject(sort), direction }];
        return listings.window(call.id(), { text: q, status, filters: filtersOf(where), order, offset, limit });
      },
    }),
    route({
      method: 'post',
      path: '/kinds/:id/totals',
      permission: 'read listings',
      summary: 'What columns of the table come to: how many have a value, sum, mean, least and greatest.',
      body: TotalsDto,
      answers: 'TableTotals',
      handle(call) {
        const { q = '', status = null, where = '[]', columns, ids = null } = call.body;
        return listings.totals(call.id(), { text: q, status, filters: filtersOf(where), columns, ids });
      },
    }),
    route({
      method: 'post',
      path: '/kinds/:id/listings',
      permission: 'change listings',
      summary: 'Add a listing.',
      body: ListingDto,
      answers: 'Changed<Listing>',
      handle: (call) => listings.add(signedIn(call), call.id(), call.body),
    }),
    route({
      method: 'get',
      path: '/listings/:id',
      permission: 'read listings',
      summary: 'One listing.',
      answers: 'Listing',
      handle: (call) => listings.one(call.id()),
    }),
    route({
      method: 'get',
      path: '/listings/:id/history',
      permission: 'read listings',
      summary: 'Every state of a listing: who made it when, and what was different.',
      answers: 'Revision[]',
      handle: (call) => changes.history(call.id()),
    }),
    route({
      method: 'post',
      path: '/listings/:id/restore',
      permission: 'change listings',
      summary: 'Put a listing back to how a change left it.',
      body: RestoreDto,
      answers: 'Changed<Listing>',
      handle: (call) => changes.restore(signedIn(call), call.id(), call.body.changeId),
    }),
    route({
      method: 'patch',
      path: '/listings/:id',
      permission: 'change listings',
      summary: 'Change what is given of a listing and leave the rest.',
      body: ListingUpdateDto,
      answers: 'Changed<Listing>',
      handle(call) {
        const { version, ...input } = call.body;
        return listings.update(signedIn(call), call.id(), version, input);
      },
    }),
  ];
}

function filtersOf(text: string): TableFilter[] {
  let filters: unknown = null;
  try {
    filters = JSON.parse(text);
  } catch {
    // Told below, like a list of another form.
  }
  if (areTableFilters(filters)) return filters;
  throw Refusal.of('request.malformed', { reason: '"where" is not a list of filters.' }, 'where');
}
