import fc from 'fast-check';
import { contextIn, makeKind, makeListing } from '../../testing/builders.js';
import { sceneOver } from '../../testing/sites.js';
import { buildCatalog } from '../catalog/index.js';
import type { Listing } from '../listings/index.js';
import type { FacetChoice, FacetCounts, Query, QueryScene } from '../query/index.js';
import { BLANK_QUERY, HISTOGRAM_BARS, countQuery, listOfSelection, runQuery, withChoice } from '../query/index.js';
import type { Kind, SelectionDefinition } from '../structure/index.js';
import { makeDateGrouping, makeFacet, makeField, makeSelection } from '../structure/index.js';
import { explainInList, justMissingInList } from './areas/explain-list.js';

/** Lists of two kinds that share some facets, beside a reference that looks at one listing after the other. */

const CONTEXT = contextIn('en', 'UTC');
const DAY_IN_MS = 86_400_000;
const choices = (...keys: string[]) => ({ choices: keys.map((key) => ({ key, label: key })) });
const SHARED_FIELDS = [
  makeField({ key: 'depth', label: 'Depth', type: 'decimal' }),
  makeField({ key: 'since', label: 'Since', type: 'date' }),
  makeField({ key: 'stars', label: 'Stars', type: 'rating' }),
];
const SHARED_FACETS = [
  makeFacet({ key: 'depth', label: 'Depth', field: 'depth', control: 'range' }),
  makeFacet({ key: 'since', label: 'Since', field: 'since', control: 'dates' }),
  makeFacet({ key: 'stars', label: 'Stars', field: 'stars', control: 'rating' }),
];
const SORTS = [{ key: 'depth', label: 'Depth', order: [{ by: 'field:depth', direction: 'up' } as const] }];
const offersField = (...keys: string[]) =>
  makeField({ key: 'offers', label: 'Offers', type: 'several-choices', settings: choices(...keys) });
const offersFacet = (join: 'any' | 'all') => makeFacet({ key: 'offers', label: 'Offers', field: 'offers', join });
const BERTH = (join: 'any' | 'all'): Kind =>
  makeKind(
    [
      ...SHARED_FIELDS,
      offersField('water', 'power'),
      makeField({ key: 'type', label: 'Type', type: 'one-choice', settings: choices('quay', 'buoy') }),
    ],
    {
      facets: [...SHARED_FACETS, offersFacet(join), makeFacet({ key: 'type', label: 'Type', field: 'type' })],
      sortChoices: SORTS,
    },
  );
// Its "type" is asked with another control, so it is not the berths' one; the list's way of joining counts for its offers.
const YARD: Kind = makeKind(
  [...SHARED_FIELDS, offersField('power', 'fuel'), makeField({ key: 'type', label: 'Type', type: 'yes-no' })],
  {
    id: 2,
    slug: 'yards',
    one: 'Yard',
    many: 'Yards',
    facets: [
      ...SHARED_FACETS,
      offersFacet('any'),
      makeFacet({ key: 'type', label: 'Type', field: 'type', control: 'yes-no' }),
    ],
    sortChoices: [...SORTS, { key: 'own', label: 'Own', order: [{ by: '@title', direction: 'down' }] }],
  },
);

const some = <Value>(value: fc.Arbitrary<Value>): fc.Arbitrary<Value | undefined> =>
  fc.option(value, { nil: undefined });
const WORDS = ['anchor', 'lantern', 'meadow'];
const DATES = ['2026-01-05', '2026-01-31', '2026-02-01', '2026-03-09'];
const valuesOf = (kindId: number) =>
  fc.record({
    depth: some(fc.integer({ min: 0, max: 9 })),
    since: some(fc.constantFrom(...DATES)),
    stars: some(fc.integer({ min: 0, max: 5 })),
    offers: some(fc.subarray(kindId === 1 ? ['water', 'power'] : ['power', 'fuel'], { minLength: 1 })),
    type: some(kindId === 1 ? fc.constantFrom<unknown>('quay', 'buoy') : fc.boolean()),
  });
const listingOf = (id: number, kindId: number): fc.Arbitrary<Listing> =>
  fc
    .record({
      values: valuesOf(kindId),
      title: fc.subarray(WORDS, { minLength: 1 }).map((words) => words.join(' ')),
      status: fc.constantFrom('live' as const, 'live' as const, 'live' as const, 'hidden' as const),
    })
    .map(({ values, ...given }) => {
      const held = Object.entries(values).filter(([, value]) => value !== undefined);
      return makeListing({ id, kindId, ...given, values: Object.fromEntries(held) });
    });
const listingsArbitrary = fc
  .tuple(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 12 }))
  .chain(([a, b]) =>
    fc.tuple(...Array.from({ length: a + b }, (_, at) => listingOf(at + 1, at % 2 === 0 && at < 2 * a ? 1 : 2))),
  );

const dayOf = (date: string): number => Date.parse(date) / DAY_IN_MS;
const values = (...keys: string[]): fc.Arbitrary<FacetChoice> =>
  fc.subarray(keys, { minLength: 1 }).map((chosen) => ({ kind: 'values', values: chosen }));
const bound = fc.option(fc.nat({ max: 9 }));
const day = fc.option(fc.constantFrom(...DATES).map(dayOf));
const CHOICES: Readonly<Record<string, fc.Arbitrary<FacetChoice>>> = {
  kind: values('berths', 'yards', 'nothing'),
  type: values('quay', 'buoy'),
  offers: values('water', 'power', 'fuel'),
  depth: fc.tuple(bound, bound).map(([least, greatest]) => ({ kind: 'range', least, greatest })),
  stars: fc.nat({ max: 5 }).map((least) => ({ kind: 'range', least, greatest: null })),
  since: fc.tuple(day, day).map(([from, to]) => ({ kind: 'dates', from, to })),
};
const queryArbitrary: fc.Arbitrary<Query> = fc
  .record({
    text: fc.constantFrom('', '', 'anchor', 'lantern meadow', 'anchor zebra', 'anchor meadow zebra'),
    choices: fc
      .subarray(Object.keys(CHOICES), { maxLength: 3 })
      .chain((keys) => fc.tuple(...keys.map((key) => CHOICES[key]!.map((choice) => [key, choice] as const)))),
    sort: fc.constantFrom(null, 'depth'),
    page: fc.integer({ min: 1, max: 3 }),
  })
  // How well a title fits is told apart elsewhere.
  .map(({ choices: chosen, sort, ...given }) => ({
    ...given,
    choices: new Map(chosen),
    sort: given.text === '' ? sort : 'depth',
  }));
const selectionArbitrary: fc.Arbitrary<SelectionDefinition> = fc
  .record({
    // One of each kind is always there, as of one kind alone the facets are its own.
    picked: fc.option(
      fc.uniqueArray(fc.integer({ min: 3, max: 20 })).map((ids) => [2, ...ids, 1]),
      { freq: 2 },
    ),
    skip: fc.constantFrom(0, 0, 2),
    most: fc.option(fc.constantFrom(3, 8)),
  })
  .map((given) =>
    makeSelection({
      slug: 'both',
      name: 'Both',
      kinds: [1, 2],
      order: [{ by: '@title', direction: 'up' }],
      pageSize: 3,
      facets: Object.keys(CHOICES),
      ...given,
    }),
  );

/** Whether a listing fits a choice, as the rules say it. */
function fits({ kindId, values: own }: Listing, key: string, choice: FacetChoice, join: 'any' | 'all'): boolean {
  if (choice.kind === 'values') {
    if (key === 'kind') return choice.values.includes(kindId === 1 ? 'berths' : 'yards');
    if (key === 'type') return kindId === 1 && choice.values.includes(String(own['type']));
    const held = (own['offers'] ?? []) as string[];
    return join === 'all'
      ? choice.values.every((value) => held.includes(value))
      : choice.values.some((value) => held.includes(value));
  }
  if (choice.kind === 'near') return true;
  const [least, greatest] = choice.kind === 'range' ? [choice.least, choice.greatest] : [choice.from, choice.to];
  if (choice.kind === 'dates' && least === null && greatest === null) return own['since'] !== undefined;
  if (own[key] === undefined) return false;
  const value = key === 'since' ? dayOf(own[key] as string) : (own[key] as number);
  return value >= (least ?? -Infinity) && value <= (greatest ?? Infinity);
}

/** The listings that the selection holds and the words find. */
function searched(listings: readonly Listing[], { picked }: SelectionDefinition, text: string): Listing[] {
  const held = listings.filter(({ id, status }) => status === 'live' && (picked?.includes(id) ?? true));
  if (text === '') return held;
  const wanted = text.split(' ');
  const met = ({ title }: Listing): number => wanted.filter((word) => title.split(' ').includes(word)).length;
  const most = Math.max(0, ...held.map(met));
  return most * 2 >= wanted.length && most > 0 ? held.filter((listing) => met(listing) === most) : [];
}

function shapeOf(counts: FacetCounts | undefined): unknown {
  if (counts?.kind === 'values') return Object.fromEntries([...counts.counts].filter(([, count]) => count > 0));
  if (counts?.kind === 'range') return { bounds: counts.bounds, histogram: counts.histogram };
  if (counts?.kind === 'dates') return Object.fromEntries(counts.months);
  return counts?.kind === 'at-least' ? [0, 1, 2, 3, 4, 5].map((stars) => counts.counts[stars] ?? 0) : null;
}

/** What stands beside a facet's values when these listings are counted. */
function expectedCounts(key: string, listings: readonly Listing[]): unknown {
  const tally = (keys: readonly (string | number)[]): unknown => {
    const counts: Record<string, number> = {};
    for (const one of keys) counts[one] = (counts[one] ?? 0) + 1;
    return counts;
  };
  const held = listings.flatMap(({ values: own }) => (own[key] === undefined ? [] : [own[key]]));
  const numbers = held as number[];
  switch (key) {
    case 'kind':
      return tally(listings.map(({ kindId }) => (kindId === 1 ? 'berths' : 'yards')));
    case 'type':
      return tally(
        listings.filter(({ kindId }) => kindId === 1).flatMap(({ values: own }) => (own['type'] as string) ?? []),
      );
    case 'offers':
      return tally((held as string[][]).flat());
    case 'since':
      return tally((held as string[]).map((date) => dayOf(`${date.slice(0, 7)}-01`)));
    case 'stars':
      return [0, 1, 2, 3, 4, 5].map((least) => numbers.filter((stars) => stars >= least).length);
    default: {
      const [least, greatest] = [Math.min(...numbers), Math.max(...numbers)];
      const histogram = new Array<number>(HISTOGRAM_BARS).fill(0);
      for (const number of numbers) {
        const share = greatest > least ? (number - least) / (greatest - least) : 0;
        histogram[Math.min(HISTOGRAM_BARS - 1, Math.floor(share * HISTOGRAM_BARS + 1e-9))]!++;
      }
      return { bounds: numbers.length > 0 ? { least, greatest } : null, histogram };
    }
  }
}

function siteOf(listings: readonly Listing[], join: 'any' | 'all'): QueryScene {
  const catalogs = [BERTH(join), YARD].map((kind) =>
    buildCatalog(
      kind,
      listings.filter(({ kindId }) => kindId === kind.id),
      'en',
    ),
  );
  return sceneOver(catalogs, CONTEXT);
}

describe('A list of several kinds', () => {
  const asked = fc.tuple(
    listingsArbitrary,
    selectionArbitrary,
    queryArbitrary,
    fc.constantFrom('any' as const, 'all' as const),
  );

  it('is found, counted, put in order and cut as the reference does it', () => {
    fc.assert(
      fc.property(asked, ([listings, selection, query, join]) => {
        const scene = siteOf(listings, join);
        const list = listOfSelection(selection, scene);
        const base = searched(listings, selection, query.text);
        const keptBut = (but: string | null): Listing[] =>
          base.filter((one) =>
            [...query.choices].every(([key, choice]) => key === but || fits(one, key, choice, join)),
          );
        const all = keptBut(null);
        const byTitle = (a: Listing, b: Listing): number => a.title.localeCompare(b.title, 'en') || a.id - b.id;
        const byDepth = (a: Listing, b: Listing): number =>
          Number(a.values['depth'] ?? Infinity) - Number(b.values['depth'] ?? Infinity) || a.id - b.id;
        const { picked, skip, most, pageSize } = selection;
        const inOrder =
          query.sort === 'depth'
            ? [...all].sort(byDepth)
            : picked
              ? picked.flatMap((id) => all.find((one) => one.id === id) ?? [])
              : [...all].sort(byTitle);
        const shown = inOrder.slice(skip, most === null ? undefined : skip + most);
        const page = shown.slice((query.page - 1) * pageSize, query.page * pageSize);
        const result = runQuery(list, query, scene);
        expect([result.total, countQuery(list, query, scene)]).toEqual([shown.length, shown.length]);
        expect(result.ids).toEqual(page.map(({ id }) => id));
        for (const key of Object.keys(CHOICES)) {
          const counted = key === 'offers' && join === 'all' ? all : keptBut(key);
          expect(shapeOf(result.counts.get(key)))
            .withContext(key)
            .toEqual(expectedCounts(key, counted));
        }
      }),
      { numRuns: 400 },
    );
  });

  it('is explained for each listing, and says what each choice alone keeps out', () => {
    fc.assert(
      fc.property(asked, ([listings, selection, query, join]) => {
        const scene = siteOf(listings, join);
        const whole = { ...selection, skip: 0, most: null };
        const state = { list: listOfSelection(whole, scene), query, selection: whole };
        const everything = { ...query, page: 1 };
        const onePage = { ...state.list, design: { ...state.list.design, pageSize: 100 } };
        const { ids } = runQuery(onePage, everything, scene);
        for (const listing of listings) {
          const catalog = scene.catalogOf(listing.kindId)!;
          const { reasons, position } = explainInList(listing, state, { scene, catalog });
          expect(position).toBe(ids.includes(listing.id) ? ids.indexOf(listing.id) + 1 : null);
          expect(reasons.length > 0).toBe(!ids.includes(listing.id));
        }
        for (const { query: without, total } of justMissingInList(state, scene, 5)) {
          expect(total).toBe(countQuery(state.list, without, scene) - ids.length);
        }
      }),
      { numRuns: 150 },
    );
  });

  it('stands under headings by a date of both, each group in the order of the list', () => {
    const listings = [
      makeListing({ id: 1, title: 'b', values: { since: '2026-01-31' } }),
      makeListing({ id: 2, kindId: 2, title: 'a', values: { since: '2026-01-05' } }),
      makeListing({ id: 3, kindId: 2, title: 'c' }),
      makeListing({ id: 4, title: 'd', values: { since: '2026-02-01' } }),
    ];
    const grouping = makeDateGrouping({ field: 'since' });
    const order = [{ by: '@title', direction: 'up' } as const];
    const both = { slug: 'x', name: 'X', kinds: [1, 2], grouping, order };
    const groupsOf = (given: Partial<SelectionDefinition>): unknown => {
      const scene = siteOf(listings, 'any');
      const { groups } = runQuery(listOfSelection(makeSelection({ ...both, ...given }), scene), BLANK_QUERY, scene);
      return groups?.onPage.map(({ start, count, ids }) => [start, count, [...ids]]);
    };
    const [january, february] = ['2026-01-01', '2026-02-01'].map(dayOf);
    expect(groupsOf({})).toEqual([
      [january, 2, [2, 1]],
      [february, 1, [4]],
      [null, 1, [3]],
    ]);
    // What is skipped and cut off is so by the order of the list, before there are headings.
    expect(groupsOf({ skip: 1, most: 2 })).toEqual([
      [january, 1, [1]],
      [null, 1, [3]],
    ]);
    expect(groupsOf({ picked: [4, 1, 2] })).toEqual([
      [january, 2, [1, 2]],
      [february, 1, [4]],
    ]);
  });

  it('offers the sort choices that all of its kinds have', () => {
    const { design } = listOfSelection(makeSelection({ slug: 'x', name: 'X', kinds: [1, 2] }), siteOf([], 'any'));
    expect(design.sortChoices.map(({ key }) => key)).toEqual(['depth']);
  });

  it('asks of each kind what its own facet asks, though a field of another has the same key', () => {
    const number = makeKind([makeField({ key: 'size', label: 'Size', type: 'decimal' })], { facets: [] });
    const choice = makeField({ key: 'size', label: 'Size', type: 'one-choice', settings: choices('small', 'large') });
    const sized = makeKind([choice], {
      id: 2,
      slug: 'yards',
      facets: [makeFacet({ key: 'size', label: 'Size', field: 'size' })],
    });
    const catalogs = [
      buildCatalog(number, [makeListing({ id: 1, values: { size: 4 } })], 'en'),
      buildCatalog(sized, [makeListing({ id: 2, kindId: 2, values: { size: 'large' } })], 'en'),
    ];
    const scene = sceneOver(catalogs, CONTEXT);
    const list = listOfSelection(makeSelection({ slug: 'x', name: 'X', kinds: [1, 2], facets: ['size'] }), scene);
    const found = runQuery(list, withChoice(BLANK_QUERY, 'size', { kind: 'values', values: ['large'] }), scene);
    expect(found.ids).toEqual([2]);
    expect(shapeOf(found.counts.get('size'))).toEqual({ large: 1 });
  });
});
