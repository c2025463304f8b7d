import type { KindDefinition, SelectionDefinition } from '@plindo/core/structure';
import { makeDateGrouping, makeFacet, makeSelection } from '@plindo/core/structure';

/** How the index page of a kind is arranged; written once its links are there, as facets reach through them. */
type Arrangement = Partial<Pick<KindDefinition, 'facets' | 'grouping' | 'pager' | 'pageSize' | 'synonyms'>>;

export const ARRANGED_HARBOURS: Arrangement = {
  facets: [
    makeFacet({ key: 'near', label: 'Distance', field: 'place', control: 'distance', unit: 'nmi' }),
    makeFacet({ key: 'region', label: 'Region', field: 'region', control: 'chips', valueOrder: 'defined' }),
    makeFacet({ key: 'facilities', label: 'Has all of', field: 'facilities', join: 'all', valueOrder: 'label' }),
    makeFacet({ key: 'fuel', label: 'Fuel berth', field: 'fuel', control: 'yes-no' }),
    makeFacet({ key: 'visitor-berths', label: 'Visitor berths', field: 'visitor_berths', control: 'range' }),
  ],
};

export const ARRANGED_BERTHS: Arrangement = {
  facets: [
    makeFacet({ key: 'harbour', label: 'Harbour', field: 'harbour', control: 'drop-down', valueOrder: 'label' }),
    makeFacet({
      key: 'region',
      label: 'Region',
      through: ['harbour'],
      field: 'region',
      control: 'chips',
      valueOrder: 'defined',
    }),
    makeFacet({ key: 'type', label: 'Type', field: 'type' }),
    makeFacet({ key: 'price', label: 'Price a night', field: 'price', control: 'range' }),
    makeFacet({ key: 'facility', label: 'Berth has all of', field: 'facility', join: 'all' }),
    makeFacet({
      key: 'ashore',
      label: 'At the harbour',
      through: ['harbour'],
      field: 'facilities',
      join: 'all',
      valueOrder: 'label',
      shownFirst: 5,
    }),
    makeFacet({ key: 'length', label: 'Greatest length', field: 'length', control: 'range' }),
    makeFacet({ key: 'draught', label: 'Greatest draught', field: 'draught', control: 'range', startsOpen: false }),
    makeFacet({ key: 'nearby', label: 'Services nearby', field: 'nearby', control: 'yes-no', startsOpen: false }),
  ],
  synonyms: [
    ['jetty', 'pontoon'],
    ['power', 'electricity', 'shore power'],
  ],
};

export const ARRANGED_BOATYARDS: Arrangement = {
  facets: [
    makeFacet({
      key: 'services',
      label: 'Does all of',
      field: 'services',
      control: 'tree',
      join: 'all',
      valueOrder: 'defined',
    }),
    makeFacet({ key: 'rating', label: 'Our rating', field: 'rating', control: 'rating' }),
    makeFacet({ key: 'lift', label: 'Lifts up to', field: 'lift', control: 'range' }),
    makeFacet({ key: 'letter', label: 'First letter', field: '@title', control: 'letters', zero: 'hide' }),
    makeFacet({ key: 'serves', label: 'Serves', field: 'serves', valueOrder: 'label', startsOpen: false }),
  ],
  pager: 'endless',
  pageSize: 12,
};

export const ARRANGED_COURSES: Arrangement = {
  facets: [
    makeFacet({ key: 'start', label: 'When', field: 'starts', control: 'dates' }),
    makeFacet({ key: 'level', label: 'Level', field: 'level', control: 'chips', valueOrder: 'defined' }),
    makeFacet({ key: 'price', label: 'Price', field: 'price', control: 'range' }),
    makeFacet({ key: 'held-at', label: 'Held at', field: 'held_at', valueOrder: 'label' }),
    makeFacet({ key: 'taught-by', label: 'Taught by', field: 'taught_by', startsOpen: false }),
    makeFacet({
      key: 'languages',
      label: 'Taught in',
      through: ['taught_by'],
      field: 'languages',
      startsOpen: false,
    }),
  ],
  grouping: makeDateGrouping({ field: 'starts', past: 'folded', undatedLabel: 'By arrangement' }),
  pager: 'more',
  pageSize: 18,
};

/** Selections of the guide; kinds by their numbers. */
export function guideSelections(kinds: {
  readonly berth: number;
  readonly course: number;
  readonly harbour: number;
  readonly yard: number;
}): SelectionDefinition[] {
  return [
    makeSelection({
      slug: 'refuel-and-stay',
      name: 'Refuel and stay',
      purpose: 'Berths under €40 in harbours that sell fuel, cheapest first.',
      kinds: [kinds.berth],
      where: {
        join: 'all',
        of: [
          { field: 'price', op: 'at-most', value: '40' },
          { link: 'harbour', where: { join: 'all', of: [{ field: 'fuel', op: 'is', value: 'yes' }] } },
        ],
      },
      order: [
        { by: 'field:price', direction: 'up' },
        { by: '@title', direction: 'up' },
      ],
      facets: ['harbour', 'type', 'price', 'length'],
      published: true,
    }),
    makeSelection({
      slug: 'next-courses-for-beginners',
      name: 'Next courses for beginners',
      purpose: 'What somebody new can join in the coming two months.',
      kinds: [kinds.course],
      where: {
        join: 'all',
        of: [
          { field: 'starts', op: 'in-next', value: '2 month' },
          { field: 'level', op: 'is-one-of', value: ['beginner'] },
        ],
      },
      order: [{ by: 'field:starts', direction: 'up' }],
      grouping: makeDateGrouping({ field: 'starts', unit: 'iso-week' }),
      published: true,
    }),
    onTheCoast(kinds.harbour, kinds.yard),
    ...forTheFrontPage(kinds.berth, kinds.course),
    makeSelection({
      slug: 'newest-boatyards',
      name: 'Newest boatyards',
      purpose: 'The yards that the guide got last, for the home page.',
      kinds: [kinds.yard],
      order: [{ by: '@publishedAt', direction: 'down' }],
      most: 4,
      published: true,
    }),
  ];
}

function forTheFrontPage(berth: number, course: number): SelectionDefinition[] {
  return [
    makeSelection({
      slug: 'most-viewed-berths',
      name: 'Most viewed berths',
      purpose: 'The berths that visitors looked at most in the last 30 days, for the home page.',
      kinds: [berth],
      order: [{ by: '@views', direction: 'down' }],
      most: 4,
      published: true,
    }),
    makeSelection({
      slug: 'featured-berths',
      name: 'Berths that we like',
      purpose: 'For the home page.',
      kinds: [berth],
      where: { join: 'all', of: [{ field: '@featured', op: 'is', value: 'yes' }] },
      facets: ['harbour', 'type', 'price'],
      published: true,
    }),
    makeSelection({
      slug: 'next-courses',
      name: 'Next courses',
      purpose: 'For the home page: what begins soon, the soonest first.',
      kinds: [course],
      where: { join: 'all', of: [{ field: 'starts', op: 'in-future' }] },
      order: [{ by: 'field:starts', direction: 'up' }],
      facets: ['level', 'held-at'],
      published: true,
    }),
  ];
}

function onTheCoast(harbour: number, yard: number): SelectionDefinition {
  return makeSelection({
    slug: 'on-the-skerry-coast',
    name: 'On the Skerry coast',
    purpose: 'Harbours and the yards that serve them, for the coast’s own page.',
    kinds: [harbour, yard],
    where: {
      join: 'any',
      of: [
        { field: 'region', op: 'is-one-of', value: ['skerry-coast'] },
        {
          link: 'serves',
          where: { join: 'all', of: [{ field: 'region', op: 'is-one-of', value: ['skerry-coast'] }] },
        },
      ],
    },
    order: [{ by: '@title', direction: 'up' }],
    most: 40,
    facets: ['kind', 'facilities', 'services'],
    published: true,
  });
}
