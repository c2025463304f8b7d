import type { PageDesign, PageSketch } from '@plindo/core/design';
import { makePage, makeText, slotOfField } from '@plindo/core/design';
import { officeWord } from './office-part.js';
import { head, heading, linked, lines, slot, summary, value } from './page-parts.js';

const BERTH_STRIPS: PageSketch['strips'] = [
  head(lines(summary)),
  {
    name: 'Picture and price',
    columns: [
      { pieces: [{ type: 'picture', settings: { field: '@picture', ratio: '3:2' } }] },
      {
        rem: 22,
        pieces: [
          lines(
            slot({ text: [{ field: 'price' }, ' a night'], size: 'largest', isBold: true }),
            slot({ text: [{ field: 'week', before: 'or ', after: ' a week' }], tone: 'quiet' }),
          ),
          {
            type: 'values',
            settings: { slots: ['harbour', 'facility', 'number', 'checked'].map((key) => value(key)) },
          },
          { type: 'keep' },
        ],
      },
    ],
  },
  {
    name: 'Does the boat fit',
    columns: [
      {
        pieces: [
          heading('Does your boat fit?'),
          {
            type: 'values',
            settings: {
              layout: 'tiles',
              columns: 2,
              slots: [
                slotOfField('length', { icon: 'straighten' }),
                { ...slotOfField('length_feet', { icon: 'straighten' }) },
                {
                  ...slotOfField('draught', { icon: 'straighten', instead: 'not known' }),
                  text: makeText([{ field: 'draught', digits: 1 }]),
                },
                slotOfField('type', { icon: 'anchor' }),
              ],
            },
          },
        ],
      },
      {
        pieces: [
          heading('Tariff'),
          { type: 'specification', settings: { field: 'tariff' }, nothing: 'One price all year.' },
        ],
      },
    ],
  },
  {
    name: 'What is nearby',
    tone: 'tinted',
    showWhen: { join: 'all', of: [{ field: 'nearby', op: 'is', value: true }] },
    columns: [
      {
        share: 1,
        pieces: [
          heading('What is nearby'),
          lines(
            slot({ text: [{ field: 'services_note' }], size: 'large', icon: 'storefront' }),
            slot({
              text: [{ field: 'facilities', through: ['harbour'], before: 'At the harbour: ' }],
              tone: 'quiet',
            }),
          ),
        ],
      },
      { share: 1, pieces: [linked('harbour', 'Its harbour', { width: 20 })] },
    ],
  },
  {
    name: 'Others like it',
    columns: [
      {
        pieces: [
          {
            type: 'list',
            settings: {
              ...{ from: 'related', fields: ['type', 'facility', 'harbour'], most: 4, width: 15 },
              heading: makeText(['Berths like this one']),
            },
          },
          {
            type: 'list',
            settings: {
              ...{ from: 'recent', layout: 'scrolling', most: 8, width: 15 },
              heading: makeText(['What you looked at before']),
            },
          },
        ],
      },
    ],
  },
];

export function berthPage(office: number): PageDesign {
  return makePage({
    name: 'Berth page',
    purpose: 'What it costs, whether the boat fits, and what is around it',
    serves: 'listing',
    title: makeText([{ field: '@title' }, { field: 'price', before: ', ', after: ' a night' }]),
    description: makeText([{ field: '@summary' }]),
    strips: [...BERTH_STRIPS, { columns: [{ pieces: [officeWord(office)] }] }],
  });
}
