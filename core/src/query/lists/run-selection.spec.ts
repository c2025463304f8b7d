import fc from 'fast-check';
import type { BruteSite } from '../../../testing/brute-force.js';
import { bruteSelection } from '../../../testing/brute-selection.js';
import { contextIn, makeKind, makeListing } from '../../../testing/builders.js';
import {
  berthsArbitrary,
  catalogsOf,
  contextArbitrary,
  kindsArbitrary,
  neighboursArbitrary,
  orderArbitrary,
} from '../../../testing/sites.js';
import { buildCatalog } from '../../catalog/index.js';
import type { Condition, SelectionDefinition } from '../../structure/index.js';
import { makeField, makeSelection } from '../../structure/index.js';
import { explain } from '../why/explain.js';
import { justMissing, removedByEach, rowsOfSelection, runSelection } from './run-selection.js';
import { sceneOf } from '../filters/scene.js';

const test = (field: string, op: string, ...values: unknown[]): Condition =>
  ({ field, op, ...(values.length > 0 && { value: values.length === 1 ? values[0] : values }) }) as Condition;

const berthTest = fc.constantFrom<Condition>(
  test('type', 'is-one-of', 'quay', 'buoy'),
  test('facilities', 'includes-all', 'water', 'power'),
  test('facilities', 'includes-none', 'fuel', 'showers'),
  test('moorings', 'is-one-of', 'chain', 'ashore'),
  { field: 'moorings', op: 'is-one-of', value: ['chain', 'afloat'], alone: true },
  test('services', 'is', 'yes'),
  test('stars', 'at-least', '2.5'),
  test('stars', 'between', '1', '4'),
  test('stars', 'is-not', '3'),
  test('note', 'contains', 'ost'),
  test('note', 'is-empty'),
  test('@title', 'starts-with', 'quay'),
  test('@status', 'is-one-of', 'live', 'draft'),
  test('since', 'in-past'),
  test('since', 'in-future'),
  test('since', 'in-last', '2 year'),
  test('since', 'in-next', '6 week'),
  test('since', 'in-this', 'year'),
  test('since', 'below', '2025-01-31'),
  test('since', 'is', '2026-12-31'),
  test('opens', 'in-past'),
  test('opens', 'in-last', '1 month'),
  test('opens', 'in-next', '40 day'),
  test('opens', 'in-this', 'month'),
  test('opens', 'in-this', 'week'),
  test('opens', 'is-on', '2025-01-01'),
  test('gone', 'is', 'x'),
  test('@self', 'is-current'),
);
const harbourTest = fc.constantFrom<Condition>(
  test('offers', 'is-one-of', 'fuel'),
  test('depth', 'above', '4'),
  test('lit', 'is', 'no'),
  { link: 'region', where: test('coast', 'is-one-of', 'north') },
  { join: 'none', of: [test('offers', 'is-one-of', 'bar'), test('depth', 'is-empty')] },
);
const leaf = fc.oneof(
  berthTest,
  harbourTest.map((where): Condition => ({ link: 'harbour', where })),
);
const group = (part: fc.Arbitrary<Condition>): fc.Arbitrary<Condition> =>
  fc.record({
    join: fc.constantFrom('all' as const, 'any' as const, 'none' as const),
    of: fc.array(part, { maxLength: 3 }),
  });

const selectionArbitrary: fc.Arbitrary<SelectionDefinition> = fc
  .record({
    of: fc.array(fc.oneof(leaf, group(fc.oneof(leaf, group(leaf)))), { maxLength: 4 }),
    join: fc.constantFrom('all' as const, 'all' as const, 'any' as const, 'none' as const),
    kinds: fc.constantFrom([1], [1], [1, 2], [3, 1]),
    picked: fc.option(fc.uniqueArray(fc.constantFrom(1, 2, 3, 5, 8, 201, 202, 301, 999)), { freq: 4 }),
    order: orderArbitrary,
    skip: fc.integer({ min: 0, max: 3 }),
    most: fc.option(fc.integer({ min: 1, max: 9 })),
    pageSize: fc.integer({ min: 1, max: 4 }),
    leavesOutCurrent: fc.boolean(),
  })
  .map(({ of, join, ...given }) => makeSelection({ slug: 'tested', name: 'Tested', ...given, where: { join, of } }));

describe('A selection', () => {
  const asked = fc.record({
    page: fc.integer({ min: 1, max: 3 }),
    current: fc.option(fc.integer({ min: 1, max: 12 })),
  });

  it('gives the total, page and order that the brute-force reference gives', () => {
    fc.assert(
      fc.property(
        berthsArbitrary,
        neighboursArbitrary,
        kindsArbitrary,
        selectionArbitrary,
        fc.tuple(contextArbitrary, asked),
        (berths, others, kinds, selection, [context, { page, current }]) => {
          const site: BruteSite = { kinds, listings: [...berths, ...others], context };
          const { scene } = catalogsOf(site);
          const parameters = { listing: current, category: null, date: null };
          const { total, ids } = runSelection(selection, page, scene, parameters);
          const expected = bruteSelection(selection, page, current, site);
          expect({ total, ids: [...ids] }).toEqual({ total: expected.total, ids: expected.ids });
        },
      ),
      { numRuns: 400 },
    );
  });

  it('explains every listing: reasons for those that are out, the position for those that are in', () => {
    fc.assert(
      fc.property(
        berthsArbitrary,
        neighboursArbitrary,
        kindsArbitrary,
        selectionArbitrary,
        (berths, others, kinds, selection) => {
          const site: BruteSite = { kinds, listings: [...berths, ...others], context: contextIn('en') };
          const { scene, catalogs } = catalogsOf(site);
          const { all, total } = bruteSelection(selection, 1, null, site);
          for (const listing of site.listings) {
            const catalog = catalogs.find(({ kind }) => kind.id === listing.kindId)!;
            const { reasons, position, page } = explain(listing, selection, { scene, catalog });
            const at = all.indexOf(listing.id) + 1 - selection.skip;
            const isIn = all.includes(listing.id) && at >= 1 && at <= total;
            expect([position, page]).toEqual(isIn ? [at, Math.ceil(at / selection.pageSize)] : [null, null]);
            expect(reasons.length > 0)
              .withContext(JSON.stringify([listing, reasons]))
              .toBe(!isIn);
          }
        },
      ),
      { numRuns: 150 },
    );
  });

  it('says of each condition how many it removes, and which listings fail it alone', () => {
    fc.assert(
      fc.property(
        berthsArbitrary,
        neighboursArbitrary,
        kindsArbitrary,
        fc.array(leaf, { minLength: 1, maxLength: 4 }),
        (berths, others, kinds, of) => {
          const site: BruteSite = { kinds, listings: [...berths, ...others], context: contextIn('en') };
          const { scene } = catalogsOf(site);
          const selection = makeSelection({ slug: 'x', name: 'X', kinds: [1], where: { join: 'all', of } });
          const missing = justMissing(selection, scene, 100);
          const sizeOf = (where: SelectionDefinition['where']): number =>
            bruteSelection({ ...selection, where }, 1, null, site).all.length;
          const removed = removedByEach(selection, scene);
          of.forEach((_, at) => {
            const without = of.filter((__, other) => other !== at);
            expect(removed[at]).toBe(sizeOf({ join: 'all', of: without }) - sizeOf(selection.where));
            expect(missing[at]?.total).toBe(removed[at]);
          });
        },
      ),
      { numRuns: 100 },
    );
  });

  it('knows the calendar of the site’s zone, and leaves nothing in for a value that it cannot read', () => {
    const kind = makeKind([makeField({ key: 'opens', label: 'Opens', type: 'date-time' })]);
    // 23:30 of 24 November in Lisbon is 25 November in Berlin.
    const catalog = buildCatalog(kind, [makeListing({ id: 1, values: { opens: '2026-11-24T23:30Z' } })], 'en');
    const count = (zone: string, condition: Condition): number => {
      const selection = makeSelection({ slug: 'x', name: 'X', kinds: [1], where: { join: 'all', of: [condition] } });
      const scene = sceneOf(catalog, { ...contextIn('en', zone), nowInMs: Date.UTC(2026, 10, 25, 10) });
      return rowsOfSelection(selection, scene)[0]!.rows.count();
    };
    expect(count('Europe/Lisbon', test('opens', 'in-this', 'day'))).toBe(0);
    expect(count('Europe/Berlin', test('opens', 'in-this', 'day'))).toBe(1);
    expect(count('Europe/Berlin', test('opens', 'in-next', 'many days'))).toBe(0);
  });

  it('takes from the page what its conditions ask for', () => {
    const kind = makeKind([
      makeField({ key: 'size', label: 'Size', type: 'decimal' }),
      makeField({
        key: 'sort',
        label: 'Sort',
        type: 'one-choice',
        settings: {
          choices: [
            { key: 'a', label: 'A' },
            { key: 'b', label: 'B' },
          ],
        },
      }),
    ]);
    const listings = [
      makeListing({ id: 1, values: { size: 2, sort: 'a' } }),
      makeListing({ id: 2, values: { size: 3, sort: 'a' } }),
      makeListing({ id: 3, values: { size: 1, sort: 'b' } }),
    ];
    const scene = sceneOf(buildCatalog(kind, listings, 'en'), contextIn('en'));
    const idsOn = (listing: number | null, ...of: Condition[]): readonly number[] => {
      const where = { join: 'all' as const, of };
      const selection = makeSelection({ slug: 'x', name: 'X', kinds: [1], where, leavesOutCurrent: true });
      return runSelection(selection, 1, scene, { listing, category: 'b', date: null }).ids;
    };
    const sameSort = test('sort', 'is-one-of', { parameter: 'listing' });
    expect(idsOn(1, sameSort)).toEqual([2]);
    expect(idsOn(3, test('size', 'above', { parameter: 'listing' }))).toEqual([1, 2]);
    expect(idsOn(1, test('sort', 'is-one-of', { parameter: 'category' }))).toEqual([3]);
    expect(idsOn(null, sameSort)).toEqual([]);
  });
});
