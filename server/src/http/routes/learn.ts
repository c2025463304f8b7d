import { daysFromText } from '@plindo/core/query';
import { Refusal } from '@plindo/core/values';
import type { LearnAsk } from '../../services/learn/learn.js';
import { LearnQueryDto } from '../dto/dtos.js';
import type { Route } from '../route.js';
import { route } from '../route.js';
import type { Services } from '../services.js';

/** What visitors look at, choose and search. */
export function learnRoutes({ learn, views }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/learn',
      permission: 'learn',
      summary:
        'What visitors looked at, chose and searched in some days, beside another time, and what can be done about it.',
      query: LearnQueryDto,
      answers: 'LearnReport',
      handle: ({ query }) => learn.report(askOf(query)),
    }),
    route({
      method: 'get',
      path: '/learn/:table',
      permission: 'learn',
      summary: 'One table of what was learned, with all its rows; the report has the first 1,000 of each.',
      query: LearnQueryDto,
      answers: 'LearnedTable',
      handle: ({ request, query }) => learn.table(String(request.params['table']), askOf(query)),
    }),
    route({
      method: 'delete',
      path: '/views',
      permission: 'change the site',
      summary: 'Forget for good all that was counted of visitors: views, searches, and what they chose.',
      handle: () => views.erase(),
    }),
  ];
}

function askOf({ from, to, against = 'before', kind, listing }: LearnQueryDto): LearnAsk {
  const period = { from: dayOf(from, 'from'), to: dayOf(to, 'to') };
  return { period, against, kindId: kind ?? null, listingId: listing ?? null };
}

/** A day by its name; the thirtieth of February is none. */
function dayOf(text: string, field: string): number {
  const day = daysFromText([text, text])?.from ?? null;
  if (day === null) throw Refusal.of('request.malformed', { reason: `“${text}” is not a day.` }, field);
  return day;
}
