import type { PageDesign, PageSketch, Slot } from '@plindo/core/design';
import { makePage, makeText } from '@plindo/core/design';
import type { Piece } from './page-parts.js';
import type { GuideNumbers } from '../guide-parts.js';
import { officeWord } from './office-part.js';
import { heading, lines, slot, value } from './page-parts.js';

/** The pages of the lists, each as its readers look things up. */

/** Wide enough for facets, in rem. */
const SIDE = 16.5;

interface IndexSketch {
  readonly name: string;
  readonly intro: string;
  readonly strips: PageSketch['strips'];
  /** What stands under the heading. */
  readonly more?: readonly Piece[];
}

function indexPage({ name, intro, strips, more = [] }: IndexSketch): PageDesign {
  const introduction = lines(slot({ text: [intro], size: 'large', tone: 'quiet' }));
  return makePage({
    name: `All ${name.toLowerCase()}`,
    purpose: `The list of ${name.toLowerCase()}`,
    serves: 'index',
    title: makeText([name]),
    description: makeText([intro]),
    strips: [
      { space: 'small', columns: [{ pieces: [heading(name, 1), introduction, ...more, { type: 'chosen-category' }] }] },
      ...strips,
    ],
  });
}

const column = (field: string, more: Partial<Slot> = {}): Slot => value(field, { label: null, icon: '', ...more });

const YARD_TABLE: PageSketch['strips'][number] = {
  columns: [
    { rem: SIDE, pieces: [{ type: 'search' }, { type: 'facets' }] },
    {
      pieces: [
        { type: 'count' },
        { type: 'sort' },
        { type: 'chips' },
        {
          type: 'list',
          settings: {
            ...{ from: 'page', layout: 'table' },
            columns: [
              column('@title', { label: 'Boatyard' }),
              column('services'),
              column('lift'),
              column('rating', { form: 'own' }),
              column('since'),
              column('phone', { leadsTo: '@value' }),
            ],
          },
        },
        { type: 'pager' },
      ],
    },
  ],
};

/** For skippers who compare: a table, whose heads order it. */
export function yardsPage(): PageDesign {
  return indexPage({ name: 'Boatyards', intro: 'Where boats are lifted, mended and laid up.', strips: [YARD_TABLE] });
}

/** What the yards do: one page for each service. */
export function servicePage(): PageDesign {
  return makePage({
    name: 'A service of boatyards',
    purpose: 'The yards that do one thing',
    serves: 'category',
    strips: [
      {
        space: 'small',
        columns: [{ pieces: [{ type: 'breadcrumb' }, { type: 'chosen-category', settings: { level: 1 } }] }],
      },
      {
        name: 'Before the winter',
        tone: 'tinted',
        space: 'small',
        categories: ['storage', 'hull'],
        columns: [
          {
            pieces: [
              lines(
                slot({ text: ['Sheds fill up in September. Ask in July, and have your length and beam at hand.'] }),
              ),
            ],
          },
        ],
      },
      YARD_TABLE,
    ],
  });
}

/** By where they are: a map that stays in view beside the list. */
export function harboursPage(office: number): PageDesign {
  return indexPage({
    name: 'Harbours',
    intro: 'Every harbour of the sound, from the skerries to the end of the reach.',
    strips: [
      {
        columns: [
          { rem: 15, order: 2, pieces: [{ type: 'search' }, { type: 'facets' }] },
          {
            share: 4,
            order: 3,
            pieces: [
              { type: 'count' },
              { type: 'sort' },
              { type: 'chips' },
              { type: 'list', settings: { from: 'page', layout: 'rows' } },
              { type: 'pager' },
            ],
          },
          { share: 5, order: 1, pieces: [{ type: 'map', settings: { height: 'large' } }] },
        ],
      },
      { columns: [{ pieces: [officeWord(office)] }] },
    ],
  });
}

/** For whoever has said that they are new to it. */
const NEW_TO_IT: PageSketch['strips'][number] = {
  name: 'New to it',
  tone: 'warm',
  space: 'small',
  chosen: [{ list: '', facet: 'level', values: ['beginner'], not: false }],
  columns: [
    {
      pieces: [
        heading('Never been afloat?'),
        lines(
          slot({
            text: [
              'You need no boat and no oilskins: every beginners’ course lends both. Bring shoes that may get wet.',
            ],
          }),
        ),
      ],
    },
  ],
};

/** By months: what comes next is what people ask for. */
export function coursesPage(): PageDesign {
  return indexPage({
    name: 'Courses',
    intro: 'On the water and ashore, for those who begin and those who go far.',
    more: [{ type: 'jump' }],
    strips: [
      NEW_TO_IT,
      {
        columns: [
          {
            order: 2,
            pieces: [
              { type: 'count' },
              { type: 'sort' },
              { type: 'chips' },
              { type: 'list', settings: { from: 'page', width: 17 } },
              { type: 'pager' },
            ],
          },
          { rem: SIDE, order: 1, pieces: [{ type: 'search' }, { type: 'facets' }] },
        ],
      },
    ],
  });
}

/** Portraits, with no more to choose than the languages. */
export function instructorsPage(): PageDesign {
  return indexPage({
    name: 'Instructors',
    intro: 'The people who teach on the sound. All of them have been wet.',
    strips: [
      {
        tone: 'tinted',
        columns: [
          { share: 2, pieces: [{ type: 'facets', settings: { only: ['languages'] } }] },
          { pieces: [{ type: 'search' }] },
        ],
      },
      {
        columns: [
          {
            pieces: [
              { type: 'count' },
              { type: 'chips' },
              { type: 'list', settings: { from: 'page', width: 13 } },
              { type: 'pager' },
            ],
          },
        ],
      },
    ],
  });
}

/** A reference list: look it up, read it off. */
export function channelsPage(): PageDesign {
  return indexPage({
    name: 'Radio channels and lights',
    intro: 'What to call, what to look for and what to listen for, from the sea to the upper reach.',
    strips: [
      {
        tone: 'tinted',
        columns: [
          { share: 2, pieces: [{ type: 'search' }] },
          { share: 3, pieces: [{ type: 'facets', settings: { only: ['mark'] } }] },
        ],
      },
      {
        columns: [
          {
            pieces: [
              { type: 'count' },
              { type: 'chips' },
              {
                type: 'list',
                settings: {
                  ...{ from: 'page', layout: 'table' },
                  columns: [
                    column('number'),
                    column('@title', { label: 'What' }),
                    column('sort'),
                    column('channel'),
                    column('characteristic'),
                    column('note'),
                  ],
                },
              },
              { type: 'pager' },
            ],
          },
        ],
      },
    ],
  });
}

/** Cheapest first, numbered: for a night on the way. */
export function refuelPage({ selections, office }: Pick<GuideNumbers, 'selections' | 'office'>): PageDesign {
  const page = indexPage({
    name: 'Refuel and stay',
    intro: 'Berths under €40 in harbours that sell fuel, cheapest first.',
    strips: [
      {
        columns: [
          { rem: SIDE, pieces: [{ type: 'facets', settings: { only: ['type', 'price'] } }] },
          {
            pieces: [
              { type: 'count' },
              { type: 'chips' },
              { type: 'list', settings: { from: 'page', layout: 'ranked' } },
              { type: 'pager' },
            ],
          },
        ],
      },
      { columns: [{ pieces: [officeWord(office)] }] },
    ],
  });
  return { ...page, name: 'Refuel and stay', selection: selections.get('refuel-and-stay')! };
}
