import type { PageDesign, PageSketch, Slot, SlotSketch } from '@plindo/core/design';
import { makePage, makeSlot, makeText, slotOfField } from '@plindo/core/design';
import type { KeptPicture } from './guide.js';

/** Numbers of the kinds of the guide, and of the selections that its pages list. */
export interface GuideNumbers {
  readonly harbour: number;
  readonly berth: number;
  readonly yard: number;
  readonly course: number;
  readonly instructor: number;
  readonly guide: number;
  readonly channel: number;
  /** By slug. */
  readonly selections: ReadonlyMap<string, number>;
}

/** A page with the kind whose listings it shows; null for none. */
export type GuidePage = readonly [kindId: number | null, page: PageDesign];

type Piece = PageSketch['strips'][number]['columns'][number]['pieces'][number];
const slot = (given: Partial<SlotSketch> & Pick<SlotSketch, 'text'>): Slot => makeSlot({ key: 'line', ...given });
const lines = (...slots: Slot[]): Piece => ({
  type: 'text',
  settings: { slots: slots.map((one, at) => ({ ...one, key: `line-${at + 1}` })) },
});
const heading = (text: string, level: 1 | 2 = 2): Piece => ({
  type: 'heading',
  settings: { text: makeText([text]), level },
});
const title: Piece = { type: 'heading', settings: { text: makeText([{ field: '@title' }]), level: 1 } };
const summary = slot({ text: [{ field: '@summary' }], size: 'large', tone: 'quiet' });
const flag = slot({ text: [{ field: '@featured' }], icon: null, isBold: true, tone: 'warm', size: 'small' });
const value = (field: string, more: Partial<Slot> = {}): Slot => slotOfField(field, { form: 'own', ...more });
const linked = (field: string, words: string, more: object = {}): Piece => ({
  type: 'list',
  settings: { from: 'linked', fields: [field], heading: makeText([words]), most: 24, ...more },
});
const head = (...more: Piece[]): PageSketch['strips'][number] => ({
  space: 'small',
  columns: [{ pieces: [{ type: 'breadcrumb' }, lines(flag), title, ...more] }],
});

export function guidePages(numbers: GuideNumbers, pictures: readonly KeptPicture[]): GuidePage[] {
  return [
    [null, frontPage(numbers, pictures)],
    [null, aboutPage()],
    [numbers.harbour, harbourPage()],
    [numbers.berth, berthPage()],
    [numbers.yard, yardPage()],
    [numbers.course, coursePage()],
    [numbers.instructor, instructorPage()],
    [numbers.guide, guidePage()],
  ];
}

function frontPage(numbers: GuideNumbers, pictures: readonly KeptPicture[]): PageDesign {
  const selection = (slug: string): number => numbers.selections.get(slug)!;
  return makePage({
    name: 'Front page',
    purpose: 'What a visitor who has just arrived wants: a berth, a course, a harbour',
    serves: 'home',
    description: makeText([
      'Berths, boatyards, courses and harbours of Merrow Sound, with prices and what there is ashore.',
    ]),
    strips: [
      {
        name: 'Welcome',
        width: 'full',
        picture: pictures[3] ?? null,
        columns: [
          {
            pieces: [
              heading('Merrow Sound Waterside Guide', 1),
              lines(slot({ text: ['Where to lie, what it costs and what you find ashore.'], size: 'large' })),
              {
                type: 'buttons',
                settings: {
                  buttons: [
                    { words: 'Find a berth', address: '/berths', field: '' },
                    { words: 'Join a course', address: '/courses', field: '' },
                  ],
                },
              },
            ],
          },
        ],
      },
      {
        name: 'Featured berths',
        space: 'large',
        columns: [
          {
            pieces: [
              {
                type: 'list',
                settings: {
                  ...{ from: 'selection', of: selection('featured-berths'), most: 8, layout: 'scrolling', width: 18 },
                  ...{ heading: makeText(['Berths that we like']), leadsOn: true },
                },
              },
            ],
          },
        ],
      },
      {
        name: 'Next courses',
        tone: 'tinted',
        columns: [
          {
            pieces: [
              {
                type: 'list',
                settings: {
                  ...{ from: 'selection', of: selection('next-courses'), most: 4, width: 15 },
                  ...{ heading: makeText(['Next courses']), leadsOn: true },
                },
                nothing: 'No course begins in the coming weeks.',
              },
            ],
          },
        ],
      },
      {
        name: 'Harbours and a word from the office',
        space: 'large',
        columns: [
          {
            share: 2,
            pieces: [
              {
                type: 'list',
                settings: {
                  ...{ from: 'kind', of: numbers.harbour, most: 6, width: 14 },
                  ...{ heading: makeText(['Harbours']), intro: 'Twelve places to lie safely.', leadsOn: true },
                },
              },
            ],
          },
          {
            share: 1,
            pieces: [
              heading('A word from the office'),
              {
                type: 'rich-text',
                settings: {
                  html: '<p>Prices in this guide are those that we paid ourselves. We visit every harbour each spring, and a berth whose depth we have not sounded says so.</p><p>Did you find something changed? <strong>Tell us</strong>, and the next boat will know.</p>',
                },
              },
              {
                type: 'buttons',
                settings: { look: 'plain', buttons: [{ words: 'Who we are', address: '/about', field: '' }] },
              },
              { type: 'divider' },
              {
                type: 'list',
                settings: {
                  from: 'kind',
                  of: numbers.guide,
                  most: 1,
                  width: 14,
                  heading: makeText(['To read']),
                  leadsOn: true,
                },
              },
            ],
          },
        ],
      },
    ],
  });
}

function aboutPage(): PageDesign {
  return makePage({
    name: 'About the guide',
    purpose: 'Who makes it, and how',
    serves: 'free',
    address: 'about',
    inMenu: true,
    title: makeText(['About the guide']),
    description: makeText(['Who makes the Merrow Sound Waterside Guide, and how its prices and depths come about.']),
    strips: [
      {
        columns: [
          {
            share: 2,
            pieces: [
              heading('About the guide', 1),
              {
                type: 'rich-text',
                settings: {
                  html: '<p>Three of us keep this guide, from an office above the chandlery at Greyfin Marina. One sounds depths, one eats pies, one writes.</p><h2>How prices come about</h2><p>We ask every harbour in January, and pay our way from March to October. Where the two differ, the guide has what we paid.</p><h2>How depths come about</h2><p>By lead line, at the lowest tide of the month. Where we have not been, the guide says that the depth is not known.</p>',
                },
              },
            ],
          },
          {
            share: 1,
            pieces: [
              heading('Write to us'),
              {
                type: 'buttons',
                settings: {
                  buttons: [{ words: 'Send an e-mail', address: 'mailto:office@merrowsound.example', field: '' }],
                },
              },
            ],
          },
        ],
      },
    ],
  });
}

function harbourPage(): PageDesign {
  return makePage({
    name: 'Harbour page',
    purpose: 'All about a harbour, and what is at it',
    serves: 'listing',
    title: makeText([{ field: '@title' }]),
    description: makeText([{ field: '@summary' }]),
    strips: [
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
    ],
  });
}

function berthPage(): PageDesign {
  return makePage({
    name: 'Berth page',
    purpose: 'What it costs, whether the boat fits, and what is around it',
    serves: 'listing',
    title: makeText([{ field: '@title' }, { field: 'price', before: ', ', after: ' a night' }]),
    description: makeText([{ field: '@summary' }]),
    strips: [
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
            ],
          },
        ],
      },
    ],
  });
}

function yardPage(): PageDesign {
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
    ],
  });
}

function coursePage(): PageDesign {
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
                slot({ text: [{ field: 'price' }, { field: 'days', before: ' for ', after: ' days' }], size: 'large' }),
              ),
              { type: 'values', settings: { slots: ['level', 'meets', 'ends', 'seats'].map((key) => value(key)) } },
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

function instructorPage(): PageDesign {
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

function guidePage(): PageDesign {
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
