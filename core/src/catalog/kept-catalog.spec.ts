import { BERTH_FIELDS, makeKind, makeListing } from '../../testing/builders.js';
import type { LinkedListing } from '../structure/index.js';
import { makeField } from '../structure/index.js';
import { buildCatalog } from './build-catalog.js';
import { Catalog } from './catalog.js';

const LOCALE = 'en';
const HOUR_IN_MS = 3_600_000;
const fields = [
  ...BERTH_FIELDS,
  makeField({ key: 'number', label: 'Number', type: 'reference', settings: { pattern: 'B-####' } }),
  makeField({ key: 'moors', label: 'Moors', type: 'range', settings: { ends: 'date' } }),
  makeField({ key: 'place', label: 'Place', type: 'place' }),
  makeField({ key: 'plans', label: 'Plans', type: 'rich-text' }),
  makeField({ key: 'harbour', label: 'Harbour', type: 'link', settings: { link: 1, side: 'a' } }),
];
const kind = makeKind(fields);

/** As it would come back from a file. */
function restored(catalog: Catalog, of = kind, locale = LOCALE): Catalog | null {
  return Catalog.restored(of, { locale, zone: 'UTC' }, structuredClone(catalog.kept()));
}

function linked(title: string): LinkedListing {
  return { id: 9, note: '', title, slug: 'north', href: null, onSite: true };
}

describe('A catalog that was kept', () => {
  const full = makeListing({
    id: 2,
    title: 'Quay 2',
    shownUntil: HOUR_IN_MS,
    place: { latitude: 51, longitude: 3, address: '' },
    values: {
      number: 'B-0041',
      facilities: ['fuel', 'water'],
      moors: { from: '2026-05-01', to: '2026-05-09' },
      place: { latitude: 52, longitude: 4, address: '' },
      plans: '<p>Deep</p>',
    },
  });

  it('has the columns, windows, words and slugs that it had', () => {
    const catalog = buildCatalog(
      kind,
      [makeListing({ id: 1, title: 'Quay 10' }), full, makeListing({ id: 3 })],
      LOCALE,
    );
    catalog.remove(3);
    const again = restored(catalog)!;
    expect(again.kept()).toEqual(catalog.kept());
    expect([again.isOnSite(2, 0), again.isOnSite(2, HOUR_IN_MS), again.nextChange(0)]).toEqual([
      true,
      false,
      HOUR_IN_MS,
    ]);
    expect([again.idOfAddress('listing-2'), again.idOfAddress('listing-3'), again.titleOf(1)]).toEqual([
      2,
      undefined,
      'Quay 10',
    ]);
    expect([...again.title.sortedRows().rows.subarray(0, 2)]).toEqual([1, 0]);
  });

  it('takes more listings than it had room for', () => {
    const again = restored(buildCatalog(kind, [full], LOCALE))!;
    for (let id = 3; id < 203; id++) again.put(makeListing({ id, title: `Pile ${id}`, values: full.values }));
    const anew = buildCatalog(kind, [full, ...[...Array(200).keys()].map((at) => makeListing({ id: at + 3 }))], LOCALE);
    expect([again.rows, again.existing.count()]).toEqual([anew.rows, anew.existing.count()]);
    expect([...again.onSiteAt(0).toRows()]).toEqual([...anew.onSiteAt(0).toRows()]);
  });

  it('is of no use when its kind has other columns now, or its site another locale', () => {
    const catalog = buildCatalog(kind, [full], LOCALE);
    expect(restored(catalog, { ...kind, many: 'Places' })).not.toBeNull();
    expect(restored(catalog, { ...kind, fields: fields.slice(1) })).toBeNull();
    expect(restored(catalog, kind, 'sv')).toBeNull();
  });

  it('tells which listings are as it has them, by version, moment and those that they are linked with', () => {
    const listing = { ...full, values: { ...full.values, harbour: [linked('North quay')] } };
    const again = restored(buildCatalog(kind, [listing], LOCALE))!;
    expect(again.isAsHere(2, listing)).toBeTrue();
    const others = [
      { ...listing, version: listing.version + 1 },
      { ...listing, changedAt: listing.changedAt + 1 },
      { ...listing, values: { harbour: [linked('South quay')] } },
      { ...listing, values: { harbour: [{ ...linked('North quay'), onSite: false }] } },
      { ...listing, values: {} },
    ];
    expect(others.map((other) => again.isAsHere(2, other))).toEqual(others.map(() => false));
    expect(again.isAsHere(3, listing)).toBeFalse();
  });
});
