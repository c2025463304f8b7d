import type { KindSummary } from '@plindo/core/contract';
import { firstCard } from '@plindo/core/design';
import type { CardForms, CardModel, IndexPage } from '@plindo/core/page';
import { formOf } from '@plindo/core/page';
import type { FieldSketch, Kind } from '@plindo/core/structure';
import { makeKindDefinition } from '@plindo/core/structure';

const PRICE: FieldSketch = { key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } };

/** A kind with one field, as the API tells it. */
export function kindSummary(given: Partial<Kind> = {}, fields: readonly FieldSketch[] = [PRICE]): KindSummary {
  const definition = makeKindDefinition({ slug: 'berths', one: 'Berth', many: 'Berths', published: true, fields });
  const counts = { draft: 0, 'in-review': 0, live: 3, hidden: 0, binned: 0 };
  return { kind: { id: 1, version: 1, ...definition, ...given }, counts };
}

/** Page models for component tests. */
export function makeCard(given: Partial<CardModel> & Pick<CardModel, 'id'>): CardModel {
  return {
    href: `/berths/berth-${given.id}`,
    form: 'berth',
    print: String(given.id),
    title: `Berth ${given.id}`,
    picture: null,
    featured: false,
    values: { title: { text: given.title ?? `Berth ${given.id}`, shape: 'text' } },
    ...given,
  };
}

/** The form of cards that show picture, flag, title, summary and price. */
export const CARD_FORMS: CardForms = {
  berth: formOf(
    firstCard(makeKindDefinition({ slug: 'berths', one: 'Berth', many: 'Berths', fields: [PRICE] })),
    kindSummary().kind,
    () => undefined,
  ),
};

const FACETS: IndexPage['facets'] = [
  {
    control: 'ticks',
    key: 'type',
    label: 'Type',
    open: true,
    join: 'any',
    shownFirst: 8,
    values: ['quay', 'buoy'].map((value) => ({
      value,
      label: value,
      count: 1,
      chosen: false,
      depth: 0,
      icon: '',
      colour: '',
      href: '',
    })),
  },
  {
    control: 'range',
    key: 'price',
    label: 'Price',
    open: true,
    inputType: 'number',
    unit: 'EUR',
    bounds: { from: '5', to: '50', sentence: '€5 to €50' },
    from: '',
    to: '',
    histogram: [1, 0, 1],
  },
];

export function makeIndexPage(given: Partial<IndexPage> = {}): IndexPage {
  return {
    type: 'index',
    site: { name: 'Guide', tagline: '', locale: 'en-GB', zone: 'UTC' },
    now: '2026-11-23T12:00:00.000Z',
    cardForms: CARD_FORMS,
    title: 'Berths – Guide',
    description: '',
    canonical: '/berths',
    kinds: [],
    kind: { slug: 'berths', one: 'Berth', many: 'Berths', intro: '' },
    heading: 'Berths',
    text: '',
    isSearchable: true,
    total: 2,
    outOf: 2,
    countSentence: '2 berths',
    searchNote: '',
    drop: null,
    groups: [],
    jumps: [],
    facets: FACETS,
    chips: [],
    category: null,
    clearHref: '/berths',
    sorts: [
      { key: 'picked', label: 'Featured first', href: '/berths', current: true },
      { key: 'title', label: 'Title, A to Z', href: '/berths?sort=title', current: false },
    ],
    featured: [],
    cards: [makeCard({ id: 1 }), makeCard({ id: 2 })],
    pager: { mode: 'numbered', more: null, page: 1, pages: 1, previous: null, next: null, links: [] },
    ...given,
  };
}
