import { listHead, listTools } from './list-parts.js';
import type { PageStarter } from './page-starter.js';

export const mapAndList: PageStarter = {
  name: 'map-and-list',
  label: 'A map beside the list',
  purpose: 'For places: where they are and what they are, in step with each other',
  serves: 'index',
  kinds: [
    'place',
    'places',
    'harbour',
    'harbours',
    'shop',
    'shops',
    'clinic',
    'clinics',
    'branch',
    'branches',
    'ort',
    'orte',
  ],
  roles: [{ name: 'place', label: 'a place', types: ['place'], isNeeded: true }],
  strips: (_, kind) => [
    listHead(kind),
    {
      name: 'Map and list',
      columns: [
        {
          ...{ share: 3, order: 2 },
          pieces: [
            { type: 'search' },
            ...listTools(),
            { type: 'list', settings: { from: 'page', layout: 'rows' } },
            { type: 'pager' },
          ],
        },
        { share: 2, order: 1, pieces: [{ type: 'map', settings: { height: 'large' } }, { type: 'facets' }] },
      ],
    },
  ],
};
