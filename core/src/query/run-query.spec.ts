import fc from 'fast-check';
import { bruteForce } from '../../testing/brute-force.js';
import { BERTH_FIELDS, makeKind, makeListing } from '../../testing/builders.js';
import { buildCatalog } from '../catalog/index.js';
import type { Listing } from '../listings/index.js';
import { STATUSES } from '../listings/index.js';
import type { Kind, OrderKey } from '../structure/index.js';
import type { FacetChoice, Query } from './query.js';
import { BLANK_QUERY, withValueToggled } from './query.js';
import { runQuery } from './run-query.js';

const LOCALES = ['en', 'pt', 'sv', 'de', 'cs'];

const words = fc.constantFrom('Harbour', 'harbor', 'Östra', 'ostra', 'Quay 2', 'Quay 10', 'Éclair', 'Zenith', 'øre');
const optional = <T>(value: fc.Arbitrary<T>): fc.Arbitrary<T | undefined> => fc.option(value, { nil: undefined });

const valuesArbitrary = fc
  .record({
    type: optional(fc.constantFrom('pontoon', 'quay', 'buoy', 'gone')),
    facilities: optional(fc.subarray(['water', 'power', 'fuel', 'showers'], { minLength: 1 })),
    services: optional(fc.boolean()),
    length: optional(
      fc.record({ value: fc.integer({ min: 1, max: 60 }), unit: fc.constantFrom('m' as const, 'ft' as const) }),
    ),
    price: optional(fc.record({ minor: fc.integer({ min: 0, max: 500 }), currency: fc.constant('EUR') })),
    since: optional(fc.constantFrom('2024-02-29', '2025-01-01', '2026-12-31')),
    note: optional(words),
  })
  .map((values) => Object.fromEntries(Object.entries(values).filter(([, value]) => value !== undefined)));

const listingArbitrary = (id: number): fc.Arbitrary<Listing> =>
  fc
    .record({
      title: fc.tuple(words, words).map((parts) => parts.join(' ')),
      values: valuesArbitrary,
      status: fc.constantFrom('live' as const, 'live' as const, 'live' as const, ...STATUSES),
      featured: fc.boolean(),
      handOrder: fc.option(fc.integer({ min: -2, max: 3 })),
      createdAt: fc.integer({ min: 0, max: 5 }),
    })
    .map((given) => makeListing({ id, ...given }));

const listingsArbitrary = fc
  .integer({ min: 0, max: 40 })
  .chain((size) => fc.tuple(...Array.from({ length: size }, (_, at) => listingArbitrary(at + 1))));

const valueChoice = (values: string[]): fc.Arbitrary<FacetChoice | undefined> =>
  optional(fc.subarray(values, { minLength: 1 }).map((chosen) => ({ kind: 'values', values: chosen })));
const rangeChoice = (greatest: number): fc.Arbitrary<FacetChoice | undefined> =>
  optional(
    fc
      .tuple(fc.option(fc.integer({ min: 0, max: greatest })), fc.option(fc.integer({ min: 0, max: greatest })))
      .map(([least, most]) => ({ kind: 'range', least, greatest: most })),
  );

const queryArbitrary: fc.Arbitrary<Query> = fc
  .record({
    text: fc.constantFrom('', '', 'harbour', 'quay 1', 'ostra har', 'zenth', 'power eclair'),
    type: valueChoice(['pontoon', 'quay', 'buoy', 'gone', 'unknown']),
    facilities: valueChoice(['water', 'power', 'fuel']),
    services: valueChoice(['yes', 'no']),
    length: rangeChoice(20),
    price: rangeChoice(500),
    page: fc.integer({ min: 1, max: 4 }),
  })
  .map(({ text, page, ...choices }) => ({
    text,
    page,
    sort: 'tested',
    choices: new Map(Object.entries(choices).filter((entry): entry is [string, FacetChoice] => entry[1] !== undefined)),
  }));

const orderArbitrary: fc.Arbitrary<OrderKey[]> = fc.array(
  fc.record({
    by: fc.constantFrom<OrderKey['by']>(
      'featured',
      'hand-order',
      'title',
      'newest',
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

const kindArbitrary = fc
  .record({ join: fc.constantFrom('any' as const, 'all' as const), order: orderArbitrary })
  .map(({ join, order }): Kind => {
    const kind = makeKind(BERTH_FIELDS, { sortChoices: [{ key: 'tested', label: 'Tested', order }] });
    return { ...kind, facets: kind.facets.map((facet) => (facet.key === 'facilities' ? { ...facet, join } : facet)) };
  });

/** The engine's answer in the reference's form; counts of nothing are left out, as the reference has none. */
function comparable(catalog: ReturnType<typeof buildCatalog>, query: Query): unknown {
  const { total, ids, counts } = runQuery(catalog, query);
  const tallies = [...counts].flatMap(([key, found]) =>
    found.kind === 'values' ? [[key, Object.fromEntries([...found.counts].filter(([, count]) => count > 0))]] : [],
  );
  const bounds = [...counts].flatMap(([key, found]) => (found.kind === 'range' ? [[key, found.bounds]] : []));
  return { total, ids, counts: Object.fromEntries(tallies), bounds: Object.fromEntries(bounds) };
}

function expected(kind: Kind, listings: readonly Listing[], query: Query, locale: string): unknown {
  const { total, ids, counts, bounds } = bruteForce(kind, listings, query, kind.sortChoices[0]!.order, locale);
  const tallies = [...counts].map(([key, values]) => [key, Object.fromEntries(values)]);
  return { total, ids, counts: Object.fromEntries(tallies), bounds: Object.fromEntries(bounds) };
}

describe('A query', () => {
  it('gives the total, page, order and counts that the brute-force reference gives', () => {
    fc.assert(
      fc.property(
        listingsArbitrary,
        kindArbitrary,
        queryArbitrary,
        fc.constantFrom(...LOCALES),
        (listings, kind, query, locale) => {
          const catalog = buildCatalog(kind, listings, locale);
          expect(comparable(catalog, query)).toEqual(expected(kind, listings, query, locale));
        },
      ),
      { numRuns: 300 },
    );
  });

  it('gives after any sequence of changes what a rebuilt catalog gives', () => {
    const change = fc.oneof(
      fc
        .integer({ min: 1, max: 60 })
        .chain(listingArbitrary)
        .map((listing) => ({ listing })),
      fc.integer({ min: 1, max: 60 }).map((removed) => ({ removed })),
    );
    fc.assert(
      fc.property(
        listingsArbitrary,
        fc.array(change, { maxLength: 120 }),
        kindArbitrary,
        queryArbitrary,
        (listings, changes, kind, query) => {
          const catalog = buildCatalog(kind, listings, 'en');
          // Asked once before, so that whatever is remembered between queries has to be kept in step.
          runQuery(catalog, query);
          const now = new Map(listings.map((listing) => [listing.id, listing]));
          for (const step of changes) {
            if ('listing' in step) {
              catalog.put(step.listing);
              now.set(step.listing.id, step.listing);
            } else {
              catalog.remove(step.removed);
              now.delete(step.removed);
            }
          }
          expect(comparable(catalog, query)).toEqual(expected(kind, [...now.values()], query, 'en'));
        },
      ),
      { numRuns: 150 },
    );
  });

  it('shows beside a value the total that choosing it alone would give', () => {
    fc.assert(
      fc.property(listingsArbitrary, queryArbitrary, (listings, query) => {
        const kind = makeKind(BERTH_FIELDS);
        const catalog = buildCatalog(kind, listings, 'en');
        const counts = runQuery(catalog, query).counts.get('type');
        for (const [value, count] of counts?.kind === 'values' ? counts.counts : []) {
          const alone = withValueToggled(
            { ...query, choices: new Map([...query.choices].filter(([key]) => key !== 'type')) },
            'type',
            value,
          );
          expect(runQuery(catalog, alone).total).withContext(value).toBe(count);
        }
      }),
      { numRuns: 100 },
    );
  });

  it('keeps listings without a value until the range is narrowed', () => {
    const kind = makeKind(BERTH_FIELDS);
    const price = { minor: 1000, currency: 'EUR' };
    const catalog = buildCatalog(kind, [makeListing({ id: 1, values: { price } }), makeListing({ id: 2 })], 'en');
    expect(runQuery(catalog, BLANK_QUERY).total).toBe(2);
    const narrowed = {
      ...BLANK_QUERY,
      choices: new Map([['price', { kind: 'range', least: 0, greatest: null } as const]]),
    };
    expect(runQuery(catalog, narrowed).ids).toEqual([1]);
  });

  it('puts featured listings first, then those with a hand order, then the rest by title', () => {
    const catalog = buildCatalog(
      makeKind([]),
      [
        makeListing({ id: 1, title: 'Alder' }),
        makeListing({ id: 2, title: 'Zinc', featured: true, handOrder: 2 }),
        makeListing({ id: 3, title: 'Yew', featured: true, handOrder: 1 }),
        makeListing({ id: 4, title: 'Oak', featured: true }),
        makeListing({ id: 5, title: 'Xylem', handOrder: 7 }),
      ],
      'en',
    );
    expect(runQuery(catalog, BLANK_QUERY).ids).toEqual([3, 2, 4, 5, 1]);
  });
});
