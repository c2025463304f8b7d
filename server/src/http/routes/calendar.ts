import { makeExpiryRule } from '@plindo/core/structure';
import { CalendarQueryDto, WhatIfDto } from '../dto/expiry-dtos.js';
import type { Route } from '../route.js';
import { route } from '../route.js';
import type { Services } from '../services.js';

export function calendarRoutes({ calendar, calendarFeed }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/calendar',
      permission: 'read listings',
      summary: 'What happens to listings by itself in a stretch of time, and what Plindo did in it.',
      query: CalendarQueryDto,
      answers: 'CalendarView',
      handle: ({ query }) => calendar.view(query.from, query.until),
    }),
    route({
      method: 'post',
      path: '/kinds/:id/expiry/what-if',
      changesNothing: true,
      permission: 'read listings',
      summary: 'When the listings of a kind would leave by another rule; nothing is changed.',
      body: WhatIfDto,
      answers: 'CalendarEntry[]',
      handle({ body: { expiry, from, until }, id }) {
        return calendar.whatIf(id(), expiry && makeExpiryRule(expiry), from, until);
      },
    }),
    route({
      method: 'post',
      path: '/calendar/feed',
      permission: 'change the site',
      summary: 'Give the feed of the calendar a new secret address; this is the only time that it is told.',
      answers: '{ path: string }',
      handle: () => calendarFeed.renew(),
    }),
    route({
      method: 'delete',
      path: '/calendar/feed',
      permission: 'change the site',
      summary: 'Close the feed of the calendar.',
      handle: () => calendarFeed.close(),
    }),
    route({
      method: 'get',
      path: '/calendar/:secret.ics',
      permission: 'visit',
      summary: 'The calendar for other programs (RFC 5545), for whoever knows its address.',
      async handle({ request, response }) {
        const text = await calendarFeed.text(String(request.params['secret']));
        response.type('text/calendar; charset=utf-8').send(text);
      },
    }),
  ];
}
