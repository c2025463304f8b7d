import type { PageDesign, PageSketch } from '@plindo/core/design';
import { makePage, makeText, slotOfField } from '@plindo/core/design';
import { head, linked, lines, summary, value } from './page-parts.js';

const HARBOUR_STRIPS: PageSketch['strips'] = [
  head(lines(summary)),
  {
    name: 'Pictures and office',
    columns: [
      { pieces: [{ type: 'gallery', settings: { fields: ['@picture', 'views'] } }] },
      {
        rem: 22,
        pieces: [
          {
            type: 'values',
            settings: {
              slots: ['region', 'channel', 'hours', 'phone', 'email', 'website', 'place'].map((key) => value(key)),
            },
          },
          {
            type: 'buttons',
            settings: { buttons: [{ words: 'Call the office', address: '', field: 'phone' }] },
          },
        ],
      },
    ],
  },
  {
    name: 'At a glance',
    columns: [
      {
        pieces: [
          {
            type: 'values',
            settings: {
              layout: 'tiles',
              columns: 3,
              slots: [
                value('visitor_berths', { icon: 'directions_boat' }),
                value('fuel', { icon: 'local_gas_station' }),
                slotOfField('facilities', { icon: 'checklist' }),
              ],
            },
          },
          { type: 'rich-text', settings: { field: 'about' } },
        ],
      },
    ],
  },
  { name: 'Berths', columns: [{ pieces: [linked('berths', 'Berths here', { layout: 'scrolling', width: 17 })] }] },
  {
    name: 'Courses',
    tone: 'tinted',
    columns: [{ pieces: [linked('courses', 'Courses held here', { most: 4, width: 15 })] }],
  },
  {
    name: 'Boatyards',
    columns: [
      {
        pieces: [
          linked('boatyards', 'Boatyards that serve it', {
            layout: 'table',
            columns: [
              { ...slotOfField('@title'), icon: '' },
              value('rating'),
              slotOfField('lift', { label: 'Lifts up to' }),
              value('phone'),
            ],
          }),
        ],
      },
    ],
  },
];

export function harbourPage(): PageDesign {
  return makePage({
    name: 'Harbour page',
    purpose: 'All about a harbour, and what is at it',
    serves: 'listing',
    title: makeText([{ field: '@title' }]),
    description: makeText([{ field: '@summary' }]),
    strips: HARBOUR_STRIPS,
  });
}
