import { StarterFileDto, starterFileOfDto } from '../dto/starter-file-dtos.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';

export function siteStarterRoutes({ siteStarters, examples, previews }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/site-starters',
      permission: 'read listings',
      summary: 'Whole sites to begin with.',
      answers: 'SiteStarterSummary[]',
      handle: () => siteStarters.all(),
    }),
    route({
      method: 'get',
      path: '/site-starters/:name/preview',
      permission: 'change structure',
      summary: 'The pages of a new site that begins with a starter; nothing is changed here.',
      answers: 'PreviewedPage[]',
      handle: ({ request }) =>
        previews.show(({ siteStarters: own }, user) => own.take(user, String(request.params['name']))),
    }),
    route({
      method: 'post',
      path: '/site-starters/:name',
      permission: 'change structure',
      summary: 'Begin with a starter: its kinds with their designs, and examples.',
      answers: 'Changed<BlueprintPlan>',
      handle: (call) => siteStarters.take(signedIn(call), String(call.request.params['name'])),
    }),
    route({
      method: 'post',
      path: '/starter-files/check',
      changesNothing: true,
      permission: 'design',
      summary: 'Check a card or a page from a file before anything is done with it; nothing is changed.',
      body: StarterFileDto,
      answers: 'StarterFile',
      handle: (call) => starterFileOfDto(call.body),
    }),
    route({
      method: 'get',
      path: '/examples',
      permission: 'read listings',
      summary: 'How many listings are examples that came with a starter.',
      answers: 'ExamplesSummary',
      handle: () => examples.summary(),
    }),
    route({
      method: 'delete',
      path: '/examples',
      permission: 'change listings',
      summary: 'Put all examples into the bin that nobody has changed.',
      answers: 'Changed<ExamplesSummary>',
      handle: (call) => examples.throwAway(signedIn(call)),
    }),
  ];
}
