import type { PageDesign } from '@plindo/core/design';
import { makePage, makeText } from '@plindo/core/design';
import { head, linked, lines, slot, summary, value } from './page-parts.js';

export function coursePage(): PageDesign {
  return makePage({
    name: 'Course page',
    purpose: 'When, where, with whom and for how much',
    serves: 'listing',
    title: makeText([{ field: '@title' }, { field: 'starts', before: ', ', dates: 'long' }]),
    description: makeText([{ field: '@summary' }]),
    strips: [
      head(lines(summary)),
      {
        columns: [
          {
            pieces: [
              { type: 'picture', settings: { field: '@picture', ratio: '16:9' } },
              { type: 'rich-text', settings: { field: '@body' } },
            ],
          },
          {
            rem: 22,
            pieces: [
              lines(
                slot({ text: [{ field: 'starts', dates: 'weekday' }], size: 'large', isBold: true, icon: 'event' }),
                slot({ text: [{ field: 'starts', dates: 'relative', before: 'Begins ' }], tone: 'quiet' }),
                slot({ text: [{ field: 'price' }], size: 'large' }),
              ),
              {
                type: 'values',
                settings: { slots: ['level', 'days', 'meets', 'ends', 'seats'].map((key) => value(key)) },
              },
            ],
          },
        ],
      },
      {
        tone: 'tinted',
        columns: [
          { pieces: [linked('taught_by', 'Who teaches it', { width: 12 })] },
          { pieces: [linked('held_at', 'Where it is held', { width: 16 })] },
        ],
      },
      {
        columns: [
          {
            pieces: [
              {
                type: 'list',
                settings: {
                  ...{ from: 'related', fields: ['level', 'held_at', 'taught_by'], most: 4, width: 15 },
                  heading: makeText(['Courses like this one']),
                },
              },
            ],
          },
        ],
      },
    ],
  });
}
