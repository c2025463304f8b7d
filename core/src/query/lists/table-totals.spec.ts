import { BERTH_FIELDS, contextIn, makeKind, makeListing } from '../../../testing/builders.js';
import { buildCatalog } from '../../catalog/index.js';
import { makeField } from '../../structure/index.js';
import { tableTotals } from './table-totals.js';

describe('The totals of a table', () => {
  const context = contextIn('en');
  const kind = makeKind([...BERTH_FIELDS, makeField({ key: 'beds', label: 'Beds', type: 'whole-number' })]);
  const beds = [4, 10, undefined, 7, 100];
  const listings = beds.map((value, at) =>
    makeListing({
      ...{ id: at + 1, title: `Clinic ${at + 1}`, values: value === undefined ? {} : { beds: value } },
      status: at === 4 ? 'binned' : at === 3 ? 'hidden' : 'live',
    }),
  );
  const catalog = buildCatalog(kind, listings, 'en', listings.length);
  const all = { status: null, text: '', filters: [], columns: ['beds', '@title', 'nothing'], ids: null };

  it('count, add up, and find the least and the greatest of all that is shown', () => {
    const { listings: shown, columns } = tableTotals(catalog, all, context);
    // By hand: 4 + 10 + 7 of four that are not in the bin.
    expect(shown).toBe(4);
    expect(columns).toEqual([
      { key: 'beds', filled: 3, numbers: { sum: 21, mean: 7, least: 4, greatest: 10 } },
      { key: '@title', filled: 4, numbers: null },
    ]);
  });

  it('follow filters, words and statuses', () => {
    const filters = [{ by: 'field:beds', op: 'at-least', value: '5' }] as const;
    expect(tableTotals(catalog, { ...all, filters }, context).columns[0]!.numbers!.sum).toBe(17);
    expect(tableTotals(catalog, { ...all, status: 'hidden' }, context).columns[0]!.numbers!.sum).toBe(7);
    expect(tableTotals(catalog, { ...all, text: 'Clinic 2' }, context).listings).toBe(1);
  });

  it('are those of the listings that were chosen, and of none nothing', () => {
    expect(tableTotals(catalog, { ...all, ids: [2, 4, 99] }, context)).toEqual({
      listings: 2,
      columns: [
        { key: 'beds', filled: 2, numbers: { sum: 17, mean: 8.5, least: 7, greatest: 10 } },
        { key: '@title', filled: 2, numbers: null },
      ],
    });
    expect(tableTotals(catalog, { ...all, ids: [3] }, context).columns[0]).toEqual({
      ...{ key: 'beds', filled: 0, numbers: null },
    });
  });
});
