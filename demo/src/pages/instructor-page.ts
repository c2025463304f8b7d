import type { PageDesign } from '@plindo/core/design';
import { makePage, makeText } from '@plindo/core/design';
import { lines, linked, summary, title, value } from './page-parts.js';

export function instructorPage(): PageDesign {
  return makePage({
    name: 'Instructor page',
    purpose: 'Who somebody is, and what can be learned from them',
    serves: 'listing',
    title: makeText([{ field: '@title' }]),
    description: makeText([{ field: '@summary' }]),
    strips: [
      {
        columns: [
          {
            rem: 18,
            pieces: [{ type: 'breadcrumb' }, { type: 'picture', settings: { field: '@picture', ratio: '4:5' } }],
          },
          {
            pieces: [
              title,
              lines(summary),
              {
                type: 'values',
                settings: { slots: ['certificates', 'languages', 'years', 'email'].map((key) => value(key)) },
              },
              { type: 'buttons', settings: { buttons: [{ words: 'Write an e-mail', address: '', field: 'email' }] } },
            ],
          },
        ],
      },
      {
        tone: 'tinted',
        columns: [
          { pieces: [{ ...linked('teaches', 'Courses', { width: 15 }), nothing: 'Teaches no course at the moment.' }] },
        ],
      },
    ],
  });
}
