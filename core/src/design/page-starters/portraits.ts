import { FACETS, listHead, listTools } from './list-parts.js';
import type { PageStarter } from './page-starter.js';

export const portraits: PageStarter = {
  name: 'portraits',
  label: 'Portraits',
  purpose: 'For people and other small cards: many beside one another, and facets at their side',
  serves: 'index',
  kinds: [
    'person',
    'people',
    'instructor',
    'instructors',
    'doctor',
    'physician',
    'physicians',
    'team',
    'member',
    'members',
  ],
  roles: [{ name: 'reach', label: 'an e-mail address or a telephone number', types: ['email', 'phone'] }],
  strips: (_, kind) => [
    listHead(kind),
    {
      name: 'Portraits',
      columns: [
        { rem: FACETS, pieces: [{ type: 'search' }, { type: 'facets' }] },
        { pieces: [...listTools(), { type: 'list', settings: { from: 'page', width: 11 } }, { type: 'pager' }] },
      ],
    },
  ],
};
