import fc from 'fast-check';
import type { BruteSite } from '../../../testing/brute-force.js';
import { bruteForce } from '../../../testing/brute-force.js';
import { BERTH_FIELDS, contextIn, makeKind, makeListing } from '../../../testing/builders.js';
import {
  berthArbitrary,
  berthsArbitrary,
  catalogsOf,
  contextArbitrary,
  kindsArbitrary,
  neighboursArbitrary,
  queryArbitrary,
  sceneOver,
} from '../../../testing/sites.js';
import { Catalog, buildCatalog } from '../../catalog/index.js';
import type { Kind } from '../../structure/index.js';
import { listOfKind } from './asked-list.js';
import type { FacetCounts } from '../counts/facet-counts.js';
import type { FacetChoice, Query } from '../address/query.js';
import { BLANK_QUERY, withValueToggled } from '../address/query.js';
import { runQuery } from './run-query.js';
import type { QueryScene } from '../filters/scene.js';
import { sceneOf } from '../filters/scene.js';

const context = contextIn('en');

/** The engine's answer in the reference's form; counts of nothing are left out, as the reference has none. */
function answer(catalog: Catalog, query: Query, scene: QueryScene): unknown {
  const { total, ids, counts } = runQuery(listOfKind(catalog), query, scene);
  const found = new Map([...counts].map(([key, one]) => [key, shapeOf(one)]));
  return { total, ids, counts: Object.fromEntries(found) };
}

function shapeOf(counts: FacetCounts): unknown {
  const DAY_IN_MS = 86_400_000;
  switch (counts.kind) {
    case 'values':
      return Object.fromEntries([...counts.counts].filter(([, count]) => count > 0));
    case 'dates': {
      const named = (periods: ReadonlyMap<number, number>, letters: number): (readonly [string, number])[] =>
        [...periods].map(([day, count]) => [new Date(day * DAY_IN_MS).toISOString().slice(0, letters), count]);
      return Object.fromEntries([...named(counts.months, 7), ...named(counts.years, 4), ...named(counts.decades, 3)]);
    }
    case 'range':
      return counts.bounds;
    case 'at-least':
      return [0, 1, 2, 3, 4, 5].map((stars) => counts.counts[stars] ?? 0);
    case 'none':
      return null;
  }
}

function expected(kind: Kind, query: Query, site: BruteSite): unknown {
  const { total, ids, counts, bounds, periods, atLeast } = bruteForce(kind, query, kind.sortChoices[0]!.order, site);
  const plain = [...counts, ...periods].map(([key, values]) => [key, Object.fromEntries(values)] as const);
  const isReached = (key: string): boolean =>
    kind.facets.some((facet) => facet.key === key && (facet.through.length > 0 || facet.field === 'harbour'));
  const all = [...plain, ...bounds, ...atLeast];
  // What is reached through a kind that is not published has no counts at all.
  const isOpen = site.kinds[1]!.published;
  return {
    total,
    ids,
    counts: Object.fromEntries(all.filter(([key]) => isOpen || !isReached(key) || key === 'harbour')),
  };
}

describe('A query', () => {
  it('gives the total, page, order and counts that the brute-force reference gives', () => {
    fc.assert(
      fc.property(
        berthsArbitrary,
        neighboursArbitrary,
        kindsArbitrary,
        queryArbitrary,
        contextArbitrary,
        (berths, neighbours, kinds, query, where) => {
          const site = { kinds, listings: [...berths, ...neighbours], context: where };
          fc.pre(kinds[1].published || ![...query.choices.keys()].some((key) => isThroughHarbour(key, kinds[0])));
          const { catalogs, scene } = catalogsOf(site);
          expect(answer(catalogs[0]!, query, scene)).toEqual(expected(kinds[0], query, site));
        },
      ),
      { numRuns: 400 },
    );
  });

  it('gives after any sequence of changes, with the catalog kept and restored in between, what a rebuilt one gives', () => {
    const change = fc.oneof(
      fc
        .integer({ min: 1, max: 60 })
        .chain(berthArbitrary)
        .map((listing) => ({ listing })),
      fc.integer({ min: 1, max: 60 }).map((removed) => ({ removed })),
    );
    fc.assert(
      fc.property(
        berthsArbitrary,
        neighboursArbitrary,
        fc.record({ changes: fc.array(change, { maxLength: 100 }), keptAt: fc.nat({ max: 60 }) }),
        kindsArbitrary,
        queryArbitrary,
        (berths, neighbours, { changes, keptAt }, all, query) => {
          const kinds: [Kind, Kind, Kind] = [all[0], { ...all[1], published: true }, all[2]];
          const { catalogs, scene } = catalogsOf({ kinds, listings: [...berths, ...neighbours], context });
          let [catalog] = catalogs as [Catalog];
          // Asked once before, so that whatever is remembered between queries has to be kept in step.
          runQuery(listOfKind(catalog), query, scene);
          const now = new Map(berths.map((listing) => [listing.id, listing]));
          for (const [at, step] of changes.entries()) {
            if (at === keptAt) {
              catalog = catalogs[0] = Catalog.restored(kinds[0], context, structuredClone(catalog.kept()))!;
            }
            if ('listing' in step) {
              catalog.put(step.listing);
              now.set(step.listing.id, step.listing);
            } else {
              catalog.remove(step.removed);
              now.delete(step.removed);
            }
          }
          const site = { kinds, listings: [...now.values(), ...neighbours], context };
          expect(answer(catalog, query, scene)).toEqual(expected(kinds[0], query, site));
        },
      ),
      { numRuns: 200 },
    );
  });

  it('shows beside a value the total that choosing it alone would give', () => {
    let compared = 0;
    fc.assert(
      fc.property(
        berthsArbitrary,
        neighboursArbitrary,
        kindsArbitrary,
        queryArbitrary,
        (berths, others, kinds, query) => {
          const { catalogs, scene } = catalogsOf({ kinds, listings: [...berths, ...others], context });
          for (const key of ['type', 'harbour', 'offers', 'coast']) {
            const counts = runQuery(listOfKind(catalogs[0]!), query, scene).counts.get(key);
            if (kinds[0].facets.find((facet) => facet.key === key)?.join === 'all') continue;
            for (const [value, count] of counts?.kind === 'values' ? counts.counts : []) {
              const choices = new Map([...query.choices].filter(([other]) => other !== key));
              const alone = withValueToggled({ ...query, choices }, key, value);
              compared++;
              expect(runQuery(listOfKind(catalogs[0]!), alone, scene).total)
                .withContext(`${key} ${value}`)
                .toBe(count);
            }
          }
        },
      ),
      { numRuns: 100 },
    );
    // Else there was next to nothing to compare.
    expect(compared).toBeGreaterThan(200);
  });

  it('keeps listings without a value until the range is narrowed', () => {
    const kind = makeKind(BERTH_FIELDS);
    const price = { minor: 1000, currency: 'EUR' };
    const catalog = buildCatalog(kind, [makeListing({ id: 1, values: { price } }), makeListing({ id: 2 })], 'en');
    const scene = sceneOf(catalog, context);
    expect(runQuery(listOfKind(catalog), BLANK_QUERY, scene).total).toBe(2);
    const narrowed = {
      ...BLANK_QUERY,
      choices: new Map([['price', { kind: 'range', least: 0, greatest: null } as const]]),
    };
    expect(runQuery(listOfKind(catalog), narrowed, scene).ids).toEqual([1]);
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
    expect(runQuery(listOfKind(catalog), BLANK_QUERY, sceneOf(catalog, context)).ids).toEqual([3, 2, 4, 5, 1]);
  });

  it('orders many rows as comparing all of them would, on any page', () => {
    const listings = Array.from({ length: 3000 }, (_, at) => {
      const minor = (at * 7919) % 40;
      const values = at % 9 === 0 ? {} : { price: { minor, currency: 'EUR' }, type: ['quay', 'buoy'][at % 2] };
      const title = `Berth ${(at * 31) % 500}`;
      return makeListing({ id: at + 1, title, values, featured: at % 50 === 0, handOrder: at % 70 === 0 ? at : null });
    });
    const orders: Kind['defaultOrder'][] = [
      [
        { by: '@featured', direction: 'down' },
        { by: '@handOrder', direction: 'up' },
        { by: '@title', direction: 'down' },
      ],
      [
        { by: 'field:price', direction: 'down' },
        { by: '@title', direction: 'up' },
      ],
      [
        { by: 'field:price', direction: 'up', missing: 'first' },
        { by: '@createdAt', direction: 'down' },
      ],
      [
        { by: 'field:type', direction: 'up' },
        { by: 'field:price', direction: 'up' },
      ],
      [{ by: '@title', direction: 'up' }],
    ];
    for (const order of orders) {
      const kind = makeKind(BERTH_FIELDS, { sortChoices: [{ key: 'tested', label: '', order }], pageSize: 100 });
      const catalog = buildCatalog(kind, listings, 'en');
      const site = { kinds: [kind], listings, context };
      for (const [page, type] of [
        [1, null],
        [12, null],
        [30, null],
        [2, 'buoy'],
      ] as const) {
        const choices = new Map<string, FacetChoice>(type ? [['type', { kind: 'values', values: [type] }]] : []);
        const query: Query = { text: '', sort: 'tested', page, choices };
        const { ids } = runQuery(listOfKind(catalog), query, sceneOver([catalog], context));
        expect(ids)
          .withContext(JSON.stringify([order, page]))
          .toEqual(bruteForce(kind, query, order, site).ids);
      }
    }
  });
});

function isThroughHarbour(key: string, kind: Kind): boolean {
  return key === 'harbour' || kind.facets.some((facet) => facet.key === key && facet.through.length > 0);
}
