import type { PageDesign } from '@plindo/core/design';
import { makePage, makeText } from '@plindo/core/design';
import { lines, summary, title } from './page-parts.js';

export function guidePage(): PageDesign {
  return makePage({
    name: 'Guide page',
    purpose: 'A list to read from first to last',
    serves: 'listing',
    title: makeText([{ field: '@title' }]),
    description: makeText([{ field: '@summary' }]),
    strips: [
      {
        columns: [
          {
            pieces: [
              { type: 'breadcrumb' },
              title,
              lines(summary),
              { type: 'rich-text', settings: { field: '@body' } },
              { type: 'byline' },
              { type: 'share' },
            ],
          },
        ],
      },
      {
        columns: [
          {
            pieces: [
              {
                type: 'specification',
                settings: {
                  ...{ field: 'places', layout: 'ranked', title: 'name' },
                  ...{ picture: 'picture', address: 'booking', button: 'Book' },
                },
              },
            ],
          },
        ],
      },
    ],
  });
}
