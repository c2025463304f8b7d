import { firstColumns } from '../pieces/list-controls.js';
import { listHead, listTools } from './list-parts.js';
import type { PageStarter } from './page-starter.js';

export const searchableTable: PageStarter = {
  name: 'searchable-table',
  label: 'A table to search',
  purpose: 'For things that people look up: a search above, heads that order the rows',
  serves: 'index',
  kinds: [
    'channel',
    'channels',
    'part',
    'parts',
    'species',
    'standard',
    'standards',
    'code',
    'codes',
    'entry',
    'entries',
  ],
  roles: [{ name: 'number', label: 'a reference number', types: ['reference'] }],
  strips: (_, kind) => [
    listHead(kind),
    {
      name: 'Table',
      columns: [
        {
          pieces: [
            { type: 'search' },
            ...listTools(),
            { type: 'list', settings: { from: 'page', layout: 'table', columns: firstColumns(kind) } },
            { type: 'pager' },
          ],
        },
      ],
    },
  ],
};
