import { FACETS, listHead, listTools } from './list-parts.js';
import type { PageStarter } from './page-starter.js';

export const cardsAndFacets: PageStarter = {
  name: 'cards-and-facets',
  label: 'Cards with facets beside them',
  purpose: 'For lists that visitors narrow step by step',
  serves: 'index',
  kinds: [],
  roles: [],
  strips: (_, kind) => [
    listHead(kind),
    {
      name: 'List',
      columns: [
        { rem: FACETS, pieces: [{ type: 'search' }, { type: 'facets' }] },
        {
          pieces: [
            ...listTools(),
            { type: 'jump' },
            { type: 'list', settings: { from: 'page', featuredApart: true } },
            { type: 'pager' },
          ],
        },
      ],
    },
  ],
};
