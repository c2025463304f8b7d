import type { Field, Kind } from '../../structure/index.js';
import { hasPart } from '../../structure/index.js';
import type { SiteWords } from '../../values/index.js';
import type { Slot } from '../slots/slot.js';
import { slotOfField } from '../slots/slot.js';
import { makeText } from '../slots/text-with-values.js';
import type { PageDesign, PageSketch } from './page-design.js';
import { makePage } from './page-design.js';

/** Types whose values need the width of a page. */
const WIDE: readonly Field['type'][] = ['long-text', 'rich-text', 'rows', 'picture', 'pictures'];
const CARDS_A_KIND = 4;
/** So many listings a shortlist has at most. */
export const MOST_ON_SHORTLIST = 50;

/** The page of a listing of a kind for which none has been designed: everything that it has. It follows the kind. */
export function standardListingPage(kind: Kind): PageDesign {
  const place = hasPart(kind, 'place') ? [slotOfField('@place', { form: 'own' })] : [];
  const isWide = ({ type }: Field): boolean => WIDE.includes(type);
  const slotsOf = (fields: readonly Field[]): Slot[] => fields.map(({ key }) => slotOfField(key, { form: 'own' }));
  const facts = {
    slots: [...place, ...slotsOf(kind.fields.filter((field) => !isWide(field)))],
    layout: 'table',
  } as const;
  const wide = { slots: slotsOf(kind.fields.filter(isWide)), layout: 'sections' } as const;
  const lines = [
    slotOfField('@featured', { label: '', isBold: true, tone: 'warm' }),
    ...(hasPart(kind, 'summary') ? [slotOfField('@summary', { label: '', icon: '', size: 'large' })] : []),
  ];
  return makePage({
    name: `${kind.one} page`,
    purpose: 'The page of each listing of the kind',
    serves: 'listing',
    title: makeText([{ field: '@title' }]),
    description: hasPart(kind, 'summary') ? makeText([{ field: '@summary' }]) : [],
    strips: [
      {
        space: 'small',
        columns: [
          {
            pieces: [
              { type: 'breadcrumb' },
              { type: 'text', settings: { slots: lines.slice(0, 1) } },
              { type: 'heading', settings: { text: makeText([{ field: '@title' }]), level: 1 } },
              { type: 'text', settings: { slots: lines.slice(1) } },
            ],
          },
        ],
      },
      {
        columns: [
          { pieces: hasPart(kind, 'picture') ? [{ type: 'picture', settings: { field: '@picture' } }] : [] },
          { rem: 22, pieces: [{ type: 'values', settings: facts }] },
        ],
      },
      {
        columns: [
          {
            pieces: [
              ...(hasPart(kind, 'body') ? [{ type: 'rich-text' as const, settings: { field: '@body' } }] : []),
              { type: 'values', settings: wide },
              { type: 'byline' },
            ],
          },
        ],
      },
    ],
  });
}

/** What the page of a list is made of, as long as nobody has designed one. */
interface ListWords {
  readonly intro: string;
}

/** Wide enough for facets, in rem. */
const FACETS_WIDTH = 16.5;

/** The page of a list for which none has been designed: facets at the side of cards. */
export function standardIndexPage(heading: string, { intro }: ListWords): PageDesign {
  const introduction = intro === '' ? [] : [{ type: 'text' as const, settings: { slots: [plainLine(intro)] } }];
  return makePage({
    name: heading,
    purpose: 'The page of the list',
    serves: 'index',
    title: makeText([heading]),
    description: makeText([intro]),
    strips: [
      {
        space: 'none',
        columns: [
          {
            pieces: [
              { type: 'heading', settings: { text: makeText([heading]), level: 1 } },
              ...introduction,
              { type: 'chosen-category' },
            ],
          },
        ],
      },
      LIST_STRIP,
    ],
  });
}

/** The page of a category for which none has been designed: what its set says of it, above what is in it. */
export function standardCategoryPage(label: string, { intro }: ListWords): PageDesign {
  return makePage({
    name: label,
    purpose: 'The page of a category',
    serves: 'category',
    title: makeText([label]),
    description: makeText([intro]),
    strips: [
      {
        space: 'none',
        columns: [{ pieces: [{ type: 'breadcrumb' }, { type: 'chosen-category', settings: { level: 1 } }] }],
      },
      LIST_STRIP,
    ],
  });
}

const LIST_STRIP: PageSketch['strips'][number] = {
  columns: [
    { rem: FACETS_WIDTH, pieces: [{ type: 'search' }, { type: 'facets' }] },
    {
      pieces: [
        { type: 'count' },
        { type: 'sort' },
        { type: 'chips' },
        { type: 'jump' },
        { type: 'list', settings: { from: 'page', featuredApart: true } },
        { type: 'pager' },
      ],
    },
  ],
};

function plainLine(words: string): Slot {
  return { ...slotOfField('words', { label: '', icon: '', tone: 'quiet' }), text: makeText([words]) };
}

/** The home page for which none has been designed: each published kind with its first listings. */
export function standardHome(
  site: { readonly name: string; readonly tagline: string },
  kinds: readonly Kind[],
  words: SiteWords,
): PageDesign {
  const strips: PageSketch['strips'] = kinds.map((kind) => ({
    columns: [
      {
        pieces: [
          {
            type: 'list',
            settings: {
              ...{ from: 'kind', of: kind.id, most: CARDS_A_KIND, heading: makeText([kind.many]) },
              ...{ intro: kind.intro, leadsOn: true },
            },
          },
        ],
      },
    ],
  }));
  const line = plainLine(words.say('home.nothing'));
  const nothing: PageSketch['strips'] = [{ columns: [{ pieces: [{ type: 'text', settings: { slots: [line] } }] }] }];
  return makePage({
    name: 'Home page',
    purpose: 'What visitors see first',
    serves: 'home',
    description: makeText([site.tagline]),
    strips: [
      {
        columns: [
          {
            pieces: [
              { type: 'heading', settings: { text: makeText([site.name]), level: 1 } },
              ...(site.tagline === '' ? [] : [{ type: 'text' as const, settings: { slots: [tagline(site.tagline)] } }]),
            ],
          },
        ],
      },
      ...(strips.length > 0 ? strips : nothing),
    ],
  });
}

/** The page of what a visitor keeps, for which none has been designed. */
export function standardShortlist(words: SiteWords): PageDesign {
  const title = makeText([words.say('shortlist.title')]);
  return makePage({
    name: 'Shortlist',
    purpose: 'What a visitor keeps, to compare and to hand on',
    serves: 'shortlist',
    title,
    strips: [
      {
        columns: [
          {
            pieces: [
              { type: 'heading', settings: { text: title, level: 1 } },
              { type: 'comparison' },
              { type: 'list', settings: { from: 'shortlist', most: MOST_ON_SHORTLIST } },
              { type: 'share' },
            ],
          },
        ],
      },
    ],
  });
}

function tagline(words: string): Slot {
  return { ...slotOfField('tagline', { label: '', icon: '', size: 'large', tone: 'quiet' }), text: makeText([words]) };
}
