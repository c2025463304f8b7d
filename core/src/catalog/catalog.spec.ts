import { BERTH_FIELDS, makeKind, makeListing } from '../../testing/builders.js';
import { makeField } from '../structure/index.js';
import { buildCatalog } from './build-catalog.js';
import { bestMatches } from './text/best-matches.js';
import { Catalog } from './catalog.js';

const kind = makeKind(BERTH_FIELDS);

/** Ids of the listings that a search finds, the best first. */
function search(catalog: Catalog, text: string): number[] | null {
  const found = catalog.text.search(text, { within: catalog.onSiteAt(0) });
  if (!found || found.met < found.wanted) return found && [];
  return bestMatches(found, 100).map((row) => catalog.ids[row]!);
}

describe('A catalog', () => {
  const listings = [1, 2, 3].map((id) => makeListing({ id }));

  it('finds listings by id and by address, and forgets those that are removed', () => {
    const catalog = buildCatalog(kind, listings, 'en');
    catalog.put({ ...listings[0]!, slug: 'renamed', address: '2026/renamed', status: 'hidden' });
    catalog.remove(2);
    const addresses = ['2026/renamed', 'renamed', 'listing-1', 'listing-2', 'listing-3'];
    expect(addresses.map((address) => catalog.idOfAddress(address))).toEqual([1, undefined, undefined, undefined, 3]);
    expect([catalog.rowOfSlug('renamed'), catalog.addressAt(0), catalog.addressAt(2)]).toEqual([
      0,
      '2026/renamed',
      'listing-3',
    ]);
    expect([1, 2, 3].map((id) => catalog.isOnSite(id, 0))).toEqual([false, false, true]);
    expect(catalog.existing.count()).toBe(2);
  });

  it('takes a new definition that leaves its columns as they are, and no other', () => {
    const catalog = buildCatalog(kind, [], 'en');
    expect(catalog.redefine({ ...kind, many: 'Places', facets: [] })).toBeTrue();
    expect(catalog.kind.many).toBe('Places');
    const onCards = kind.fields.map((field) => ({ ...field, inTable: false, label: `${field.label} new` }));
    expect(catalog.redefine({ ...kind, fields: onCards })).toBeTrue();
    const more = [...kind.fields, makeField({ key: 'depth', label: 'Depth', type: 'decimal' })];
    expect(catalog.redefine({ ...kind, fields: more })).toBeFalse();
  });
});

describe('Views in a catalog', () => {
  const berths = (): Catalog =>
    buildCatalog(
      makeKind([]),
      [1, 2, 3].map((id) => makeListing({ id })),
      'en',
    );

  it('are none for a listing that is there, whatever becomes of it, until somebody says how many', () => {
    const catalog = berths();
    catalog.takeViews((id) => id * 10);
    catalog.addViews(2, 5);
    catalog.addViews(99, 5);
    catalog.put(makeListing({ id: 2, title: 'Another title' }));
    catalog.put(makeListing({ id: 4 }));
    catalog.remove(1);
    expect([1, 2, 3, 4, 99].map((id) => catalog.viewsOf(id))).toEqual([0, 25, 30, 0, 0]);
    expect(catalog.views.rowsBetween(0, 25).toRows()).toEqual(Uint32Array.of(1, 3));
  });

  it('are not kept with it: they are the store’s to know', () => {
    const catalog = berths();
    catalog.takeViews(() => 7);
    const restored = Catalog.restored(catalog.kind, catalog.place, catalog.kept())!;
    expect([1, 2, 3].map((id) => restored.viewsOf(id))).toEqual([0, 0, 0]);
  });
});

describe('The text search', () => {
  const titles = ['Fishermen’s Drive-in', 'Ærø Café', 'Harbour office', 'Harbour', 'Old harbor', 'Market'];
  const catalog = buildCatalog(
    kind,
    [
      ...titles.map((title, at) => makeListing({ id: at + 1, title })),
      makeListing({
        id: 7,
        title: 'Nothing',
        summary: 'Beside the market',
        values: { facilities: ['fuel'], note: 'harbour light' },
      }),
    ],
    'en',
  );

  it('minds neither case, accents nor hyphens', () => {
    expect(search(catalog, 'DRIVE IN')).toEqual([1]);
    expect(search(catalog, 'aero cafe')).toEqual([2]);
  });

  it('takes the last word as a beginning, the others whole', () => {
    expect(search(catalog, 'harbour off')).toEqual([3]);
    expect(search(catalog, 'harb office')).toEqual([]);
  });

  it('forgives one typo in words of four letters or more, two from eight, none in shorter ones', () => {
    expect(search(catalog, 'marjet')).toEqual(jasmine.arrayWithExactContents([6, 7]));
    expect(search(catalog, 'fsherman drive')).toEqual([1]);
    expect(search(catalog, 'olt harbor')).toEqual([]);
  });

  it('wants all words, wherever in a listing they stand, and puts a hit in the title first', () => {
    expect(search(catalog, 'fuel market')).toEqual([7]);
    expect(search(catalog, 'market')?.[0]).toBe(6);
    expect(search(catalog, '–')).toBeNull();
  });
});
