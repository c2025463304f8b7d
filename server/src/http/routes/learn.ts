import { daysFromText } from '@plindo/core/query';
import { Refusal } from '@plindo/core/values';
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
      handle: ({ query: { from, to, against = 'before', kind = null, listing = null } }) => {
        const period = { from: dayOf(from, 'from'), to: dayOf(to, 'to') };
        return learn.report({ period, against, kindId: kind, listingId: listing });
      },
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

/** A day by its name; the thirtieth of February is none. */
function dayOf(text: string, field: string): number {
  const day = daysFromText([text, text])?.from ?? null;
  if (day === null) throw Refusal.of('request.malformed', { reason: `“${text}” is not a day.` }, field);
  return day;
}
