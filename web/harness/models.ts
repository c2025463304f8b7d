import type { KindSummary } from '@plindo/core/contract';
import { firstCard } from '@plindo/core/design';
import type {
  AreaModel,
  CardForms,
  CardModel,
  ChipModel,
  DesignedPage,
  FacetModel,
  ListModel,
  ListStateModel,
  MadePiece,
  SortModel,
} from '@plindo/core/page';
import { formOf } from '@plindo/core/page';
import type { FieldSketch, Kind } from '@plindo/core/structure';
import { makeKindDefinition, readContext } from '@plindo/core/structure';

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
    { kindById: () => undefined, context: readContext({ locale: 'en-GB', zone: 'UTC', nowInMs: 0 }) },
  ),
};

const FACETS: readonly FacetModel[] = [
  {
    control: 'ticks',
    key: 'type',
    name: 'type',
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
    name: 'price',
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

/** What the page of a list says in a test; the rest is plain. */
export interface ListSketch {
  readonly heading: string;
  readonly facets: readonly FacetModel[];
  readonly chips: readonly ChipModel[];
  readonly cards: readonly CardModel[];
  readonly state: Partial<ListStateModel>;
  readonly areas: readonly AreaModel[];
}

const SORTS: readonly SortModel[] = [
  { key: 'picked', label: 'Featured first', href: '/berths', current: true },
  { key: 'title', label: 'Title, A to Z', href: '/berths?sort=title', current: false },
];
const STATE: ListStateModel = {
  featured: [],
  rest: '',
  groups: [],
  before: 0,
  label: 'Berths',
  note: '',
  empty: null,
  heads: {},
};
const AREA: AreaModel = {
  ...{ key: '', form: 'find', path: '/berths', others: [] },
  sort: { name: 'sort', byItself: 'picked' },
};

/** The page of a list with facets at the side, as the standard design has it. */
export function makeIndexPage(given: Partial<ListSketch> = {}): DesignedPage {
  const { heading = 'Berths', facets = FACETS, chips = [], state, areas = [AREA] } = given;
  const cards = given.cards ?? [makeCard({ id: 1 }), makeCard({ id: 2 })];
  const { form } = areas[0]!;
  const list: ListModel = {
    ...{ type: 'list', layout: 'grid', width: 16, heading: '', intro: '', all: null, cards, columns: [], rows: [] },
    state: { ...STATE, ...state },
    visitors: null,
  };
  const pager = { mode: 'numbered', more: null, page: 1, pages: 1, previous: null, next: null, links: [] } as const;
  const side: readonly MadePiece[] = [
    { type: 'search', area: '', form, name: 'q', text: '', label: 'Search Berths', placeholder: 'Search berths' },
    { type: 'facets', area: '', form, facets, total: cards.length, chosen: chips.length, clearHref: '/berths' },
  ];
  const found: readonly MadePiece[] = [
    { type: 'count', total: cards.length, sentence: `${cards.length} berths` },
    { type: 'sort', form, name: 'sort', choices: SORTS },
    ...(chips.length > 0 ? [{ type: 'chips', chips, clearHref: '/berths' } as const] : []),
    list,
    { type: 'pager', pager },
  ];
  const columns = [[{ type: 'heading', level: 1, text: heading, href: null } as const, ...side], found];
  return {
    ...{
      type: 'designed',
      serves: 'index',
      dependsOnViewer: false,
      listing: null,
      over: '',
      areas,
      cardForms: CARD_FORMS,
    },
    ...{ site: { name: 'Guide', tagline: '', locale: 'en-GB', zone: 'UTC' }, now: '2026-11-23T12:00:00.000Z' },
    ...{
      look: '',
      ownSheet: '',
      words: { locale: 'en-GB', said: {} },
      title: 'Berths – Guide',
      description: '',
      canonical: '/berths',
      ...{
        header: { logo: null, menu: [], search: null, shortlist: null },
        footer: null,
        forMachines: { data: '', picture: '' },
      },
    },
    strips: [
      {
        ...{ key: 's', width: 'content', tone: 'plain', picture: null, space: 'normal', anchor: '' },
        columns: columns.map((pieces, at) => ({
          ...{ key: `c${at}`, share: 1, rem: 0, order: at + 1 },
          pieces: pieces.map((piece, piece_at) => ({ ...piece, key: `c${at}-${piece_at}` })),
        })),
      },
    ],
  };
}
