import type { PageDesign } from '@plindo/core/design';
import { makePage, makeText, slotOfField } from '@plindo/core/design';
import { head, linked, lines, summary, value } from './page-parts.js';

export function yardPage(): PageDesign {
  return makePage({
    name: 'Boatyard page',
    purpose: 'What the yard does, for whom and how well',
    serves: 'listing',
    title: makeText([{ field: '@title' }]),
    description: makeText([{ field: '@summary' }]),
    strips: [
      head(lines(summary, value('rating', { label: '', icon: '' }))),
      {
        columns: [
          { pieces: [{ type: 'picture', settings: { field: '@picture', ratio: '3:2' } }] },
          {
            rem: 22,
            pieces: [
              {
                type: 'values',
                settings: {
                  slots: [
                    slotOfField('lift', { label: 'Lifts up to' }),
                    ...['since', 'shed', 'phone', 'website'].map((key) => value(key)),
                  ],
                },
              },
              {
                type: 'buttons',
                settings: { buttons: [{ words: 'Visit the yard’s page', address: '', field: 'website' }] },
              },
            ],
          },
        ],
      },
      {
        columns: [
          { share: 2, pieces: [{ type: 'rich-text', settings: { field: '@body' } }] },
          {
            share: 1,
            pieces: [
              {
                type: 'values',
                settings: { layout: 'list', columns: 1, slots: [slotOfField('services', { label: 'Does' })] },
              },
            ],
          },
        ],
      },
      {
        tone: 'tinted',
        columns: [{ pieces: [linked('serves', 'Harbours that it serves', { layout: 'scrolling', width: 15 })] }],
      },
      { space: 'small', columns: [{ pieces: [{ type: 'tell' }] }] },
    ],
  });
}
