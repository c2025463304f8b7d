import { FindQueryDto } from '../dto/dtos.js';
import type { Route } from '../route.js';
import { route } from '../route.js';
import type { Services } from '../services.js';

/** What goes across all kinds. */
export function overviewRoutes({ finder, problems }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/find',
      permission: 'read listings',
      summary: 'Listings of all kinds by words, the best matches first.',
      query: FindQueryDto,
      answers: 'FoundListings',
      handle: (call) => finder.find(call.query.q),
    }),
    route({
      method: 'get',
      path: '/problems',
      permission: 'read listings',
      summary: 'What went wrong in listings and structure, with the first places of each.',
      answers: 'ProblemReport',
      handle: () => problems.report(),
    }),
  ];
}
