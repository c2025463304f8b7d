/** Random sites of three kinds that are linked one after the other, and random questions about them; for property tests. */
import fc from 'fast-check';
import type { Catalog } from '../src/catalog/index.js';
import { buildCatalog } from '../src/catalog/index.js';
import type { Listing } from '../src/listings/index.js';
import { STATUSES } from '../src/listings/index.js';
import type { FacetChoice, Query, QueryScene } from '../src/query/index.js';
import type { ExpiryRule, Field, Kind, LinkedListing, OrderKey, ReadContext } from '../src/structure/index.js';
import { makeExpiryRule, makeFacet, makeField, readContext } from '../src/structure/index.js';
import type { BruteSite } from './brute-force.js';
import { BERTH_FIELDS, makeKind, makeListing } from './builders.js';

export const LOCALES = ['en', 'pt', 'sv', 'de', 'cs'];
export const ZONES = ['UTC', 'Europe/Lisbon', 'Pacific/Apia', 'America/St_Johns'];
export const NOW = Date.UTC(2026, 10, 23, 12);
const HOUR = 3_600_000;

const linkTo = (key: string, kindId: number): Field =>
  makeField({
    key,
    label: `To ${key}`,
    type: 'link',
    settings: { link: kindId, side: 'a', linked: { kindId, many: true, hasNotes: false } },
  });

const MOORINGS = makeField({
  key: 'moorings',
  label: 'Moorings',
  type: 'categories',
  settings: {
    set: 1,
    choices: [
      { key: 'afloat', label: 'Afloat' },
      { key: 'chain', label: 'Chain', parent: 'afloat' },
      { key: 'rope', label: 'Rope', parent: 'chain' },
      { key: 'ashore', label: 'Ashore' },
    ],
  },
});

const BERTH = [
  ...BERTH_FIELDS,
  MOORINGS,
  makeField({ key: 'opens', label: 'Opens', type: 'date-time' }),
  makeField({ key: 'stars', label: 'Stars', type: 'rating' }),
  linkTo('harbour', 2),
];
const HARBOUR = [
  makeField({
    key: 'offers',
    label: 'Offers',
    type: 'several-choices',
    settings: { choices: ['fuel', 'slip', 'bar'].map((key) => ({ key, label: key })) },
  }),
  makeField({ key: 'depth', label: 'Depth', type: 'decimal' }),
  makeField({ key: 'lit', label: 'Lit', type: 'yes-no' }),
  makeField({ key: 'built', label: 'Built', type: 'date' }),
  linkTo('region', 3),
];
const REGION = [
  makeField({
    key: 'coast',
    label: 'Coast',
    type: 'one-choice',
    settings: { choices: ['north', 'south'].map((key) => ({ key, label: key })) },
  }),
];

/** Facets of every control, over the berth's own fields and over what it reaches in one step and in two. */
const FACETS = [
  makeFacet({ key: 'type', label: 'Type', field: 'type' }),
  makeFacet({ key: 'facilities', label: 'Facilities', field: 'facilities' }),
  makeFacet({ key: 'services', label: 'Services', field: 'services', control: 'yes-no' }),
  makeFacet({ key: 'length', label: 'Length', field: 'length', control: 'range' }),
  makeFacet({ key: 'price', label: 'Price', field: 'price', control: 'range' }),
  makeFacet({ key: 'since', label: 'Since', field: 'since', control: 'dates' }),
  makeFacet({ key: 'opens', label: 'Opens', field: 'opens', control: 'dates' }),
  makeFacet({ key: 'stars', label: 'Stars', field: 'stars', control: 'rating' }),
  makeFacet({ key: 'moorings', label: 'Moorings', field: 'moorings', control: 'tree' }),
  makeFacet({ key: 'harbour', label: 'Harbour', field: 'harbour' }),
  makeFacet({ key: 'offers', label: 'Offers', through: ['harbour'], field: 'offers' }),
  makeFacet({ key: 'depth', label: 'Depth', through: ['harbour'], field: 'depth', control: 'range' }),
  makeFacet({ key: 'lit', label: 'Lit', through: ['harbour'], field: 'lit', control: 'yes-no' }),
  makeFacet({ key: 'built', label: 'Built', through: ['harbour'], field: 'built', control: 'dates' }),
  makeFacet({ key: 'region', label: 'Region', through: ['harbour'], field: 'region' }),
  makeFacet({ key: 'coast', label: 'Coast', through: ['harbour', 'region'], field: 'coast' }),
];

const words = fc.constantFrom('Harbour', 'harbor', 'Östra', 'ostra', 'Quay 2', 'Quay 10', 'Éclair', 'Zenith', 'øre');
const optional = <T>(value: fc.Arbitrary<T>): fc.Arbitrary<T | undefined> => fc.option(value, { nil: undefined });
const DATES = ['2024-02-29', '2025-01-01', '2025-01-31', '2026-11-22', '2026-11-23', '2026-11-24', '2026-12-31'];
const MOMENTS = ['2025-01-01T00:15Z', '2025-01-31T23:45Z', '2026-10-25T00:30Z', '2026-12-31T11:00Z'];

const presenceArbitrary = fc.record({
  status: fc.constantFrom('live' as const, 'live' as const, 'live' as const, ...STATUSES),
  shownFrom: fc.option(fc.constantFrom(NOW - HOUR, NOW, NOW + HOUR), { freq: 3 }),
  shownUntil: fc.option(fc.constantFrom(NOW - HOUR, NOW, NOW + HOUR), { freq: 3 }),
  expiry: fc.constantFrom(null, 'by-rule' as const, 'off' as const),
});

const linkedTo = (ids: readonly number[]): fc.Arbitrary<LinkedListing[] | undefined> =>
  optional(
    fc.subarray([...ids], { minLength: 1 }).map((chosen) =>
      chosen.map((id) => ({
        id,
        note: '',
        title: `Listing ${id}`,
        slug: `listing-${id}`,
        href: null,
        onSite: false,
      })),
    ),
  );

const defined = (values: Record<string, unknown>): Record<string, unknown> =>
  Object.fromEntries(Object.entries(values).filter(([, value]) => value !== undefined));

const REGION_IDS = [301, 302];
const HARBOUR_IDS = [201, 202, 203];

const berthValues = fc.record({
  type: optional(fc.constantFrom('pontoon', 'quay', 'buoy', 'gone')),
  facilities: optional(fc.subarray(['water', 'power', 'fuel', 'showers'], { minLength: 1 })),
  services: optional(fc.boolean()),
  length: optional(
    fc.record({ value: fc.integer({ min: 1, max: 60 }), unit: fc.constantFrom('m' as const, 'ft' as const) }),
  ),
  price: optional(fc.record({ minor: fc.integer({ min: 0, max: 500 }), currency: fc.constant('EUR') })),
  since: optional(fc.constantFrom(...DATES)),
  opens: optional(fc.constantFrom(...MOMENTS)),
  stars: optional(fc.integer({ min: 0, max: 10 }).map((halves) => halves / 2)),
  moorings: optional(fc.subarray(['afloat', 'chain', 'rope', 'ashore'], { minLength: 1 })),
  note: optional(words),
  harbour: linkedTo(HARBOUR_IDS),
});

export const berthArbitrary = (id: number): fc.Arbitrary<Listing> =>
  fc
    .record({
      title: fc.tuple(words, words).map((parts) => parts.join(' ')),
      values: berthValues.map(defined),
      presence: presenceArbitrary,
      featured: fc.boolean(),
      featuredUntil: fc.option(fc.constantFrom(NOW, NOW + HOUR), { freq: 3 }),
      handOrder: fc.option(fc.integer({ min: -2, max: 3 })),
      createdAt: fc.integer({ min: 0, max: 5 }),
    })
    .map(({ presence, ...given }) => makeListing({ id, ...given, ...presence }));

const harbourArbitrary = (id: number): fc.Arbitrary<Listing> =>
  fc
    .record({
      values: fc
        .record({
          offers: optional(fc.subarray(['fuel', 'slip', 'bar'], { minLength: 1 })),
          depth: optional(fc.integer({ min: 0, max: 9 })),
          lit: optional(fc.boolean()),
          built: optional(fc.constantFrom(...DATES)),
          region: linkedTo(REGION_IDS),
        })
        .map(defined),
      presence: presenceArbitrary,
    })
    .map(({ values, presence }) => makeListing({ id, kindId: 2, values, ...presence }));

const regionArbitrary = (id: number): fc.Arbitrary<Listing> =>
  fc
    .record({ coast: optional(fc.constantFrom('north', 'south')), presence: presenceArbitrary })
    .map(({ coast, presence }) => makeListing({ id, kindId: 3, values: defined({ coast }), ...presence }));

export const berthsArbitrary = fc
  .integer({ min: 0, max: 30 })
  .chain((size) => fc.tuple(...Array.from({ length: size }, (_, at) => berthArbitrary(at + 1))));

export const neighboursArbitrary = fc
  .tuple(fc.tuple(...HARBOUR_IDS.map(harbourArbitrary)), fc.tuple(...REGION_IDS.map(regionArbitrary)))
  .map(([harbours, regions]): Listing[] => [...harbours, ...regions]);

export const orderArbitrary: fc.Arbitrary<OrderKey[]> = fc.array(
  fc.record({
    by: fc.constantFrom<OrderKey['by']>(
      '@featured',
      '@handOrder',
      '@title',
      '@createdAt',
      'field:type',
      'field:facilities',
      'field:services',
      'field:length',
      'field:since',
      'field:note',
    ),
    direction: fc.constantFrom('up' as const, 'down' as const),
    missing: fc.constantFrom('first' as const, 'last' as const),
  }),
  { minLength: 1, maxLength: 4 },
);

/** None, or a rule by which listings leave some time before or after a day. */
const expiryArbitrary = (field: string): fc.Arbitrary<ExpiryRule | null> =>
  fc.option(
    fc
      .record({
        byDefault: fc.boolean(),
        dayEdge: fc.constantFrom('start' as const, 'end' as const),
        amount: fc.integer({ min: -1, max: 1 }),
        unit: fc.constantFrom('day' as const, 'month' as const, 'year' as const),
      })
      .map(({ byDefault, dayEdge, amount, unit }) =>
        makeExpiryRule({ byDefault, countedFrom: { by: 'field', field, dayEdge }, offset: { amount, unit } }),
      ),
  );

/** Three kinds with a random order, random joins, and the second one published or not. */
export const kindsArbitrary = fc
  .record({
    joinsAll: fc.subarray(['facilities', 'offers', 'moorings', 'harbour', 'region']),
    order: orderArbitrary,
    isHarbourPublished: fc.boolean(),
    expiry: expiryArbitrary('since'),
    harbourExpiry: expiryArbitrary('built'),
  })
  .map(({ joinsAll, order, isHarbourPublished, expiry, harbourExpiry }): [Kind, Kind, Kind] => [
    makeKind(BERTH, {
      expiry,
      sortChoices: [{ key: 'tested', label: 'Tested', order }],
      facets: FACETS.map((facet) => (joinsAll.includes(facet.key) ? { ...facet, join: 'all' } : facet)),
    }),
    makeKind(HARBOUR, {
      ...{ id: 2, slug: 'harbours', facets: [], published: isHarbourPublished },
      expiry: harbourExpiry,
    }),
    makeKind(REGION, { id: 3, slug: 'regions', facets: [] }),
  ]);

const valueChoice = (...values: string[]): fc.Arbitrary<FacetChoice> =>
  fc.subarray(values, { minLength: 1 }).map((chosen) => ({ kind: 'values', values: chosen }));
const rangeChoice = (greatest: number): fc.Arbitrary<FacetChoice> =>
  fc
    .tuple(fc.option(fc.integer({ min: 0, max: greatest })), fc.option(fc.integer({ min: 0, max: greatest })))
    .map(([least, most]) => ({ kind: 'range', least, greatest: most }));
const dayNumber = (date: string): number => Date.parse(date) / (24 * HOUR);
const datesChoice: fc.Arbitrary<FacetChoice> = fc
  .tuple(
    fc.option(fc.constantFrom('2024-03-01', '2025-01-01', '2025-01-31')),
    fc.option(fc.constantFrom('2025-01-01', '2025-01-31', '2026-12-31')),
  )
  .map(([from, to]) => ({
    kind: 'dates',
    from: from && dayNumber(from),
    to: to && dayNumber(to),
  })) as fc.Arbitrary<FacetChoice>;

const choiceOf: Readonly<Record<string, fc.Arbitrary<FacetChoice>>> = {
  type: valueChoice('pontoon', 'quay', 'buoy', 'gone', 'unknown'),
  facilities: valueChoice('water', 'power', 'fuel'),
  services: valueChoice('yes', 'no'),
  length: rangeChoice(20),
  price: rangeChoice(500),
  since: datesChoice,
  opens: datesChoice,
  stars: rangeChoice(5),
  moorings: valueChoice('afloat', 'chain', 'ashore'),
  harbour: valueChoice('listing-201', 'listing-202', 'nowhere'),
  offers: valueChoice('fuel', 'slip'),
  depth: rangeChoice(9),
  lit: valueChoice('yes', 'no'),
  built: datesChoice,
  region: valueChoice('listing-301', 'listing-302'),
  coast: valueChoice('north', 'south'),
};

/** A few facets chosen, perhaps some words. */
export const queryArbitrary: fc.Arbitrary<Query> = fc
  .record({
    text: fc.constantFrom('', '', '', 'harbour', 'quay 1', 'ostra har', 'zenth', 'power eclair', 'harbuor'),
    choices: fc
      .subarray(Object.keys(choiceOf), { maxLength: 4 })
      .chain((keys) => fc.tuple(...keys.map((key) => choiceOf[key]!.map((choice) => [key, choice] as const)))),
    page: fc.integer({ min: 1, max: 4 }),
  })
  .map(({ text, page, choices }) => ({ text, page, sort: 'tested', choices: new Map(choices) }));

export const contextArbitrary = fc
  .record({ locale: fc.constantFrom(...LOCALES), zone: fc.constantFrom(...ZONES) })
  .map((where) => readContext({ ...where, nowInMs: NOW }));

/** The catalogs of a site, answering as the live ones do: kinds that are not published are not reached. */
export function catalogsOf({ kinds, listings, context }: BruteSite): { catalogs: Catalog[]; scene: QueryScene } {
  const catalogs = kinds.map((kind) =>
    buildCatalog(
      kind,
      listings.filter(({ kindId }) => kindId === kind.id),
      context.locale,
      0,
      context.zone,
    ),
  );
  return { catalogs, scene: sceneOver(catalogs, context) };
}

export function sceneOver(catalogs: readonly Catalog[], context: ReadContext): QueryScene {
  return {
    context,
    catalogOf: (id) => catalogs.find(({ kind }) => kind.id === id && kind.published),
    catalogs: () => catalogs.filter(({ kind }) => kind.published),
  };
}
