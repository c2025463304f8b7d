import { makeExpiryRule } from '@plindo/core/structure';
import { ExpiryPlanDto, ZonePlanDto } from '../dto/expiry-dtos.js';
import type { Route } from '../route.js';
import { route } from '../route.js';
import type { Services } from '../services.js';

export function expiryRoutes({ expiry }: Services): Route[] {
  return [
    route({
      method: 'post',
      path: '/kinds/:id/expiry/plan',
      changesNothing: true,
      permission: 'change structure',
      summary: 'What another expiry rule would do to the listings of a kind; nothing is changed.',
      body: ExpiryPlanDto,
      answers: 'ExpiryEffects',
      handle: (call) => expiry.plan(call.id(), call.body.expiry && makeExpiryRule(call.body.expiry)),
    }),
    route({
      method: 'post',
      path: '/site/zone/plan',
      changesNothing: true,
      permission: 'change the site',
      summary: 'What another time zone would do to listings that leave by a rule; nothing is changed.',
      body: ZonePlanDto,
      answers: 'ZoneEffects[]',
      handle: (call) => expiry.planZone(call.body.zone),
    }),
  ];
}
