import fc from 'fast-check';
import { BERTH_FIELDS, contextIn, makeKind, makeListing } from '../../../testing/builders.js';
import { buildCatalog } from '../../catalog/index.js';
import type { Listing } from '../../listings/index.js';
import { STATUSES } from '../../listings/index.js';
import type { Operator } from '../../structure/index.js';
import { makeField, operatorsFor } from '../../structure/index.js';
import type { TableFilter } from './table-query.js';
import { BLANK_TABLE_QUERY, areTableFilters, runTableQuery } from './table-query.js';

const context = contextIn();
const BLURB = makeField({ key: 'blurb', label: 'Blurb', type: 'rich-text' });
const FIELDS = [...BERTH_FIELDS, BLURB];

function idsWhere(listings: readonly Listing[], ...filters: TableFilter[]): readonly number[] {
  const catalog = buildCatalog(makeKind(FIELDS), listings, 'en');
  return runTableQuery(catalog, { ...BLANK_TABLE_QUERY, filters }, context).ids;
}

describe('The listing table', () => {
  it('shows all statuses but binned ones, and binned ones when asked', () => {
    const listings = STATUSES.map((status, at) => makeListing({ id: at + 1, status }));
    const catalog = buildCatalog(makeKind([]), listings, 'en');
    expect(runTableQuery(catalog, BLANK_TABLE_QUERY, context)).toEqual({ total: 4, ids: [1, 2, 3, 4] });
    expect(runTableQuery(catalog, { ...BLANK_TABLE_QUERY, status: 'binned' }, context).ids).toEqual([5]);
  });

  it('gives any window of a long table, also one far down', () => {
    const listings = Array.from({ length: 1500 }, (_, at) => makeListing({ id: at + 1 }));
    const catalog = buildCatalog(makeKind([]), listings, 'en');
    const order = [{ by: '@title', direction: 'down' } as const];
    const { ids, total } = runTableQuery(catalog, { ...BLANK_TABLE_QUERY, order, offset: 1400, limit: 3 }, context);
    expect([total, ...ids]).toEqual([1500, 100, 99, 98]);
  });

  it('is narrowed by what every listing has: title, status, featured, hand order, moments', () => {
    const listings = [
      makeListing({ id: 1, title: 'Älmeholm', featured: true, handOrder: 3, createdAt: Date.UTC(2026, 4, 1, 11) }),
      makeListing({ id: 2, title: 'Brannock', status: 'draft', handOrder: 12, createdAt: Date.UTC(2026, 5, 1) }),
    ];
    expect(idsWhere(listings, { by: '@title', op: 'contains', value: 'alme' })).toEqual([1]);
    expect(idsWhere(listings, { by: '@status', op: 'is-one-of', value: ['draft', 'hidden'] })).toEqual([2]);
    expect(idsWhere(listings, { by: '@featured', op: 'is', value: 'no' })).toEqual([2]);
    expect(idsWhere(listings, { by: '@handOrder', op: 'between', value: ['1', '11,5'] })).toEqual([]);
    expect(idsWhere(listings, { by: '@handOrder', op: 'between', value: ['1', '11.5'] })).toEqual([1]);
    expect(idsWhere(listings, { by: '@createdAt', op: 'below', value: '2026-05-01 12:30' })).toEqual([1]);
    expect(idsWhere(listings, { by: '@binnedAt', op: 'is-not-empty' })).toEqual([]);
    expect(idsWhere(listings, { by: 'field:gone', op: 'is-empty' })).toEqual([]);
  });

  it('knows of a field that it cannot look into whether anything is there', () => {
    const listings = [makeListing({ id: 1, values: { blurb: '<p>Yes</p>' } }), makeListing({ id: 2 })];
    expect(idsWhere(listings, { by: 'field:blurb', op: 'is-not-empty' })).toEqual([1]);
    expect(idsWhere(listings, { by: 'field:blurb', op: 'is-empty' })).toEqual([2]);
    expect(operatorsFor(BLURB)).toEqual(['is-empty', 'is-not-empty']);
  });

  it('takes filters of the right form only', () => {
    expect(areTableFilters([{ by: '@title', op: 'contains', value: 'x' }])).toBeTrue();
    for (const wrong of [null, {}, [null], [{ by: '@title', op: 'like' }], [{ by: '@title', op: 'is', more: 1 }]]) {
      expect(areTableFilters(wrong)).withContext(JSON.stringify(wrong)).toBeFalse();
    }
  });

  it('keeps what each operator says, value by value', () => {
    const values: fc.Arbitrary<Partial<Plain>> = fc.record(
      {
        type: fc.constantFrom('pontoon', 'quay', 'buoy'),
        facilities: fc.uniqueArray(fc.constantFrom('water', 'power', 'fuel'), { minLength: 1 }),
        services: fc.boolean(),
        length: fc.record({ value: fc.integer({ min: 0, max: 60 }), unit: fc.constantFrom('m', 'ft') }),
        price: fc.record({ minor: fc.integer({ min: 0, max: 5000 }), currency: fc.constant('EUR') }),
        since: fc.constantFrom('2020-05-01', '2021-01-31', '2026-11-23'),
        note: fc.constantFrom('Round the back', 'Ébène', 'ebene too'),
      },
      { requiredKeys: [] },
    );
    let [kept, left] = [0, 0];
    fc.assert(
      fc.property(fc.array(values, { minLength: 1, maxLength: 8 }), fc.constantFrom(...CASES), (all, one) => {
        const listings = all.map((own, at) => makeListing({ id: at + 1, title: `Berth ${at}`, values: own }));
        const slow = all.flatMap((own, at) => (one.keeps(own) ? [at + 1] : []));
        kept += slow.length;
        left += all.length - slow.length;
        const { field, op, value } = one;
        expect(operatorsFor(BERTH_FIELDS.find(({ key }) => key === field)!)).toContain(op);
        expect(idsWhere(listings, { by: `field:${field}`, op, value }))
          .withContext(JSON.stringify([one, all]))
          .toEqual(slow);
      }),
      { numRuns: 600 },
    );
    expect(Math.min(kept, left)).toBeGreaterThan(300);
  });
});

/** The values of a berth as they are kept. */
interface Plain {
  readonly type: string;
  readonly facilities: readonly string[];
  readonly services: boolean;
  readonly length: { readonly value: number; readonly unit: string };
  readonly price: { readonly minor: number };
  readonly since: string;
  readonly note: string;
}

/** An operator with a value as it is typed, and what it says in plain words. What has no value is kept by none but “is empty”. */
interface Case {
  readonly field: keyof Plain;
  readonly op: Operator;
  readonly value?: unknown;
  keeps(own: Partial<Plain>): boolean;
}

/** A foot is 0.3048 m (NIST SP 811). */
const metres = ({ value, unit }: Plain['length']): number => (unit === 'ft' ? value * 0.3048 : value);
const of = <Key extends keyof Plain>(
  field: Key,
  op: Operator,
  value: unknown,
  keeps: (own: Plain[Key]) => boolean,
): Case => ({ field, op, value, keeps: (own) => own[field] !== undefined && keeps(own[field]) });

const CASES: readonly Case[] = [
  of('type', 'includes-none', ['Quay'], (own) => own !== 'quay'),
  of('type', 'is-one-of', ['Quay', 'Buoy'], (own) => own === 'quay' || own === 'buoy'),
  of('facilities', 'is-one-of', ['water', 'power'], (own) => own.includes('water') || own.includes('power')),
  of('facilities', 'includes-all', ['water', 'power'], (own) => own.includes('water') && own.includes('power')),
  of('facilities', 'includes-none', ['water', 'power'], (own) => !own.includes('water') && !own.includes('power')),
  of('services', 'is', 'yes', (own) => own),
  of('services', 'is', 'no', (own) => !own),
  of('length', 'at-most', '12 m', (own) => metres(own) <= 12),
  of('length', 'above', '30 ft', (own) => metres(own) > 30 * 0.3048),
  of('length', 'between', ['10 m', '20 m'], (own) => metres(own) >= 10 && metres(own) <= 20),
  of('price', 'at-least', '12.50', (own) => own.minor >= 1250),
  of('price', 'below', '12.50', (own) => own.minor < 1250),
  of('price', 'between', ['10', '20'], (own) => own.minor >= 1000 && own.minor <= 2000),
  of('since', 'below', '2021-01-31', (own) => own < '2021-01-31'),
  of('since', 'at-least', '2021-01-31', (own) => own >= '2021-01-31'),
  of('note', 'contains', 'ebene', (own) => own !== 'Round the back'),
  of('note', 'starts-with', 'Round', (own) => own === 'Round the back'),
  { field: 'note', op: 'is-empty', keeps: ({ note }) => note === undefined },
  { field: 'type', op: 'is-not-empty', keeps: ({ type }) => type !== undefined },
];
