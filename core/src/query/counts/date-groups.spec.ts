import fc from 'fast-check';
import { DateTime } from 'luxon';
import { makeKind, makeListing } from '../../../testing/builders.js';
import { ZONES } from '../../../testing/sites.js';
import { buildCatalog } from '../../catalog/index.js';
import type { Listing } from '../../listings/index.js';
import type { DateGrouping } from '../../structure/index.js';
import { makeDateGrouping, makeField, readContext } from '../../structure/index.js';
import { listOfKind } from '../lists/asked-list.js';
import { BLANK_QUERY } from '../address/query.js';
import { runQuery } from '../lists/run-query.js';
import { sceneOf } from '../filters/scene.js';

const FIELDS = [
  makeField({ key: 'starts', label: 'Starts', type: 'date' }),
  makeField({ key: 'ends', label: 'Ends', type: 'date' }),
  makeField({ key: 'opens', label: 'Opens', type: 'date-time' }),
  makeField({ key: 'open', label: 'Open', type: 'range', settings: { ends: 'date' } }),
];
const PAGE_SIZE = 5;
const NOW = Date.UTC(2026, 10, 25, 10);

const date = fc
  .integer({ min: -40, max: 120 })
  .map((days) => new Date(NOW + days * 86_400_000).toISOString().slice(0, 10));
const listingsArbitrary = fc.array(
  fc.record(
    {
      starts: date,
      lasts: fc.integer({ min: 0, max: 70 }),
      opens: fc.constantFrom('2026-11-30T23:30Z', '2026-12-01T00:10Z', '2026-12-31T23:59Z', '2027-01-01T11:00Z'),
    },
    { requiredKeys: [] },
  ),
  { maxLength: 25 },
);
const groupingArbitrary: fc.Arbitrary<DateGrouping> = fc
  .record({
    field: fc.constantFrom('starts', 'opens', 'open'),
    unit: fc.constantFrom('day' as const, 'iso-week' as const, 'month' as const, 'quarter' as const, 'year' as const),
    direction: fc.constantFrom('up' as const, 'down' as const),
    spans: fc.constantFrom('first' as const, 'every' as const),
    past: fc.constantFrom('in-place' as const, 'folded' as const),
    withEnd: fc.boolean(),
  })
  .map(({ withEnd, ...given }) =>
    makeDateGrouping({ ...given, endField: withEnd && given.field === 'starts' ? 'ends' : '' }),
  );

function listingOf(given: { starts?: string; lasts?: number; opens?: string }, at: number): Listing {
  const { starts, lasts, opens } = given;
  const ends = starts && lasts !== undefined ? DateTime.fromISO(starts).plus({ days: lasts }).toISODate()! : undefined;
  const open = starts && { from: starts, ...(ends && { to: ends }) };
  const values = Object.fromEntries(Object.entries({ starts, ends, opens, open }).filter(([, value]) => value));
  return makeListing({ id: at + 1, title: `Course ${(at * 7) % 9}`, values });
}

/** The start of the period that a date lies in, by luxon's calendar. */
function periodOf(text: string, { unit }: DateGrouping, zone: string): DateTime {
  const day = text.length === 10 ? DateTime.fromISO(text, { zone: 'UTC' }) : DateTime.fromISO(text).setZone(zone);
  return DateTime.fromISO(day.toISODate()!, { zone: 'UTC' }).startOf(unit === 'iso-week' ? 'week' : unit);
}

/** Groups as the rules read: by the start of the period, undated last, what is over behind the rest where it is folded. */
function expectedGroups(
  listings: readonly Listing[],
  grouping: DateGrouping,
  zone: string,
): [string | null, number[]][] {
  const groups = new Map<string | null, Listing[]>();
  for (const listing of listings) {
    const value = listing.values[grouping.field];
    const range = value as { from: string; to?: string } | undefined;
    const from = grouping.field === 'open' ? range?.from : (value as string | undefined);
    const to = grouping.field === 'open' ? range?.to : (listing.values[grouping.endField] as string | undefined);
    if (from === undefined) {
      groups.set(null, [...(groups.get(null) ?? []), listing]);
      continue;
    }
    const last = grouping.spans === 'every' && to !== undefined && to > from ? periodOf(to, grouping, zone) : null;
    let start = periodOf(from, grouping, zone);
    do {
      const key = start.toISODate()!;
      groups.set(key, [...(groups.get(key) ?? []), listing]);
      start = start.plus({ [grouping.unit === 'iso-week' ? 'week' : grouping.unit]: 1 });
    } while (last && start <= last);
  }
  const today = DateTime.fromMillis(NOW, { zone }).toISODate()!;
  const isOver = (key: string | null): boolean =>
    key !== null &&
    grouping.past === 'folded' &&
    DateTime.fromISO(key, { zone: 'UTC' })
      .plus({ [grouping.unit === 'iso-week' ? 'week' : grouping.unit]: 1 })
      .toISODate()! <= today;
  const rank = (key: string | null): number => (key === null ? 2 : isOver(key) ? 1 : 0);
  const byTitle = (a: Listing, b: Listing): number =>
    a.title.localeCompare(b.title, 'en', { numeric: true }) || a.id - b.id;
  return [...groups]
    .sort(([a], [b]) => {
      if (rank(a) !== rank(b)) return rank(a) - rank(b);
      const later = (a ?? '') < (b ?? '') ? -1 : 1;
      return rank(a) === 1 || grouping.direction === 'down' ? -later : later;
    })
    .map(([key, own]) => [key, own.sort(byTitle).map(({ id }) => id)]);
}

describe('Headings by date', () => {
  it('part any result as the rules read, on any page, in any zone, with spans, past and undated ones', () => {
    fc.assert(
      fc.property(
        listingsArbitrary,
        groupingArbitrary,
        fc.constantFrom(...ZONES),
        fc.integer({ min: 1, max: 4 }),
        (given, grouping, zone, page) => {
          const listings = given.map(listingOf);
          const kind = makeKind(FIELDS, {
            grouping,
            pageSize: PAGE_SIZE,
            defaultOrder: [{ by: '@title', direction: 'up' }],
          });
          const catalog = buildCatalog(kind, listings, 'en');
          const scene = sceneOf(catalog, readContext({ locale: 'en', zone, nowInMs: NOW }));
          const { groups, total, entries } = runQuery(listOfKind(catalog), { ...BLANK_QUERY, page }, scene);
          const expected = expectedGroups(listings, grouping, zone);
          const keyOf = (start: number | null): string | null =>
            start === null ? null : new Date(start * 86_400_000).toISOString().slice(0, 10);
          expect(total).toBe(listings.length);
          expect(groups!.all.map(({ start, count }) => [keyOf(start), count])).toEqual(
            expected.map(([key, ids]) => [key, ids.length]),
          );
          const sequence = expected.flatMap(([key, ids]) => ids.map((id) => [key, id] as const));
          expect(entries).toBe(sequence.length);
          const shown = groups!.onPage.flatMap(({ start, ids }) => ids.map((id) => [keyOf(start), id] as const));
          expect(shown).toEqual(sequence.slice((page - 1) * PAGE_SIZE, page * PAGE_SIZE));
          for (const { start, isContinued, goesOn, ids, count } of groups!.onPage) {
            const whole = expected.find(([key]) => key === keyOf(start))![1];
            expect([isContinued, goesOn]).toEqual([ids[0] !== whole[0], ids.at(-1) !== whole.at(-1)]);
            expect(count).toBe(whole.length);
          }
        },
      ),
      { numRuns: 300 },
    );
  });

  it('stand for empty stretches in between, where that is asked for', () => {
    const grouping = makeDateGrouping({ field: 'starts', showsEmpty: true });
    const kind = makeKind(FIELDS, { grouping });
    const listings = ['2026-10-05', '2027-01-09'].map((starts, at) => listingOf({ starts }, at));
    const catalog = buildCatalog(kind, listings, 'en');
    const { groups } = runQuery(
      listOfKind(catalog),
      BLANK_QUERY,
      sceneOf(catalog, readContext({ locale: 'en', zone: 'UTC', nowInMs: NOW })),
    );
    expect(groups!.all.map(({ count }) => count)).toEqual([1, 0, 0, 1]);
    expect(groups!.onPage.length).toBe(4);
  });
});
