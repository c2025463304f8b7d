import { areTableFilters } from '@plindo/core/query';
import { Refusal } from '@plindo/core/values';
import { KeptTableDto } from '../dto/dtos.js';
import type { TableViewDto } from '../dto/dtos.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';

export function tableViewRoutes({ tableViews }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/kinds/:id/table',
      permission: 'read listings',
      summary: 'Your columns and named views of the table of a kind.',
      answers: 'KeptTable',
      handle: (call) => tableViews.of(signedIn(call), call.id()),
    }),
    route({
      method: 'put',
      path: '/kinds/:id/table',
      permission: 'read listings',
      summary: 'Keep your columns and named views of the table of a kind.',
      body: KeptTableDto,
      answers: 'KeptTable',
      handle(call) {
        const { columns, frozen, views } = call.body;
        return tableViews.keep(signedIn(call), call.id(), { columns, frozen, views: views.map(viewOf) });
      },
    }),
  ];
}

function viewOf({ name, columns, frozen, ask: { text, status, filters, sort, direction } }: TableViewDto) {
  if (!areTableFilters(filters)) {
    throw Refusal.of('request.malformed', { reason: 'a view has filters of another form.' }, 'views');
  }
  return { name, columns, frozen, ask: { text, status, filters, sort, direction } };
}
