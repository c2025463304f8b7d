import { FACETS, listHead, listTools } from './list-parts.js';
import type { PageStarter } from './page-starter.js';

export const comingDates: PageStarter = {
  name: 'coming-dates',
  label: 'What comes next',
  purpose: 'For what has a date: months to go to above, the list under them, facets behind it',
  serves: 'index',
  kinds: ['course', 'courses', 'event', 'events', 'workshop', 'workshops', 'concert', 'concerts', 'kurs', 'kurse'],
  roles: [{ name: 'when', label: 'a date', types: ['date', 'date-time', 'range'], isNeeded: true }],
  strips: (_, kind) => [
    listHead(kind),
    { name: 'Months', space: 'small', columns: [{ pieces: [{ type: 'jump' }] }] },
    {
      name: 'List',
      columns: [
        { order: 2, pieces: [...listTools(), { type: 'list', settings: { from: 'page' } }, { type: 'pager' }] },
        { rem: FACETS, order: 1, pieces: [{ type: 'search' }, { type: 'facets' }] },
      ],
    },
  ],
};
