import type { Blueprint } from '@plindo/core/exchange';
import { makeKindDefinition } from '@plindo/core/structure';
import { BlueprintDto, BlueprintQueryDto } from '../dto/blueprint-dtos.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';

const LARGEST_BLUEPRINT = '64mb';

export function blueprintRoutes({ blueprints }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/blueprint',
      permission: 'change structure',
      summary: 'The structure of the site as one document, with or without its listings.',
      query: BlueprintQueryDto,
      answers: 'Blueprint',
      handle: (call) => blueprints.save(call.query.listings === 'yes'),
    }),
    route({
      method: 'post',
      path: '/blueprint/plan',
      permission: 'change structure',
      summary: 'What applying a blueprint would add, change and lack; nothing is changed.',
      body: BlueprintDto,
      largestBody: LARGEST_BLUEPRINT,
      answers: 'BlueprintPlan',
      handle: (call) => blueprints.plan(complete(call.body)),
    }),
    route({
      method: 'post',
      path: '/blueprint',
      permission: 'change structure',
      summary: 'Apply a blueprint, as a whole or not at all.',
      body: BlueprintDto,
      largestBody: LARGEST_BLUEPRINT,
      answers: 'Changed<BlueprintPlan>',
      handle: (call) => blueprints.apply(signedIn(call), complete(call.body)),
    }),
  ];
}

/** What is left out of a document has its default; the values of listings are read by their types when it is applied. */
function complete({ kinds, listings, ...others }: BlueprintDto): Blueprint {
  const plain = JSON.parse(JSON.stringify(others)) as Omit<Blueprint, 'kinds' | 'listings'>;
  return {
    ...plain,
    kinds: kinds.map((kind) => makeKindDefinition(JSON.parse(JSON.stringify(kind)) as typeof kind)),
    ...(listings && { listings: JSON.parse(JSON.stringify(listings)) as NonNullable<Blueprint['listings']> }),
  };
}
