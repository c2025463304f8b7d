import { contextIn, makeKind, makeListing } from '../../../testing/builders.js';
import { buildCatalog } from '../../catalog/index.js';
import { sceneOf } from '../../query/index.js';
import { firstDesigns } from '../../plans/index.js';
import type { DesignedPage } from '../index.js';
import { indexPage, listNamedByKind } from '../index.js';
import { makeField } from '../../structure/index.js';
import { listOnPage } from '../../../testing/list-on-page.js';
import type { DatesFacetModel } from '../areas/area-models.js';

const KIND = makeKind([makeField({ key: 'opened', label: 'Opened', type: 'date' })]);
const context = contextIn('en-GB');
const site = { name: 'Here', tagline: '', locale: 'en-GB', zone: 'UTC' };

async function datesOf(days: readonly string[], search = ''): Promise<DatesFacetModel> {
  const listings = days.map((opened, at) => makeListing({ id: at + 1, values: { opened } }));
  const catalog = buildCatalog(KIND, listings, 'en-GB', listings.length);
  const designs = firstDesigns(KIND).map((design, at) => ({ ...design, id: at + 1, version: 1, position: at + 1 }));
  const scene = { site, now: new Date(context.nowInMs), context, kinds: [], kindById: () => KIND, designs };
  const page: DesignedPage = await indexPage(scene, listNamedByKind(catalog), search, {
    queries: sceneOf(catalog, context),
    selections: [],
    listings: (ids) => Promise.resolve(ids.flatMap((id) => listings.filter((one) => one.id === id))),
  });
  return listOnPage(page).facets.find((facet) => facet.control === 'dates') as DatesFacetModel;
}
const told = ({ strips }: DatesFacetModel): string[] =>
  strips.map(({ label, periods }) => `${label}: ${periods.map(({ short, count }) => `${short} ${count}`).join(', ')}`);

describe('A facet over dates', () => {
  it('offers months where they span less than three years', async () => {
    const facet = await datesOf(['2024-11-03', '2025-01-01', '2025-01-20']);
    expect(told(facet)).toEqual(['2024: Nov 1, Dec 0', '2025: Jan 2']);
  });

  it('offers years where they span more, and the months of the year that is chosen', async () => {
    const days = ['2010-05-01', '2011-01-01', '2014-07-09', '2014-08-09', '2014-08-10'];
    expect(told(await datesOf(days))).toEqual([': 2010 1, 2011 1, 2012 0, 2013 0, 2014 3']);
    const chosen = await datesOf(days, 'opened=2014');
    expect(told(chosen)).toEqual([': 2010 1, 2011 1, 2012 0, 2013 0, 2014 3', '2014: Jul 1, Aug 2']);
    expect(chosen.strips[0]!.periods.filter((one) => one.chosen).map(({ short }) => short)).toEqual(['2014']);
    expect(chosen.strips[1]!.periods.map(({ href }) => href.split('?')[1])).toEqual([
      'opened=2014-07',
      'opened=2014-08',
    ]);
  });

  it('offers decades where they span more than forty years, and inside of them years', async () => {
    const days = ['1905-05-01', '1931-01-01', '1938-07-09', '1999-12-31', '2001-01-01'];
    const facet = await datesOf(days);
    expect(told(facet)[0]).toContain(': 1900s 1, 1910s 0, 1920s 0, 1930s 2');
    expect(facet.strips[0]!.periods[3]!.href.split('?')[1]).toBe('opened=1930-01-01..1939-12-31');
    const chosen = await datesOf(days, 'opened=1930-01-01..1939-12-31');
    expect(told(chosen)[1]).toBe('1930–1939: 1931 1, 1932 0, 1933 0, 1934 0, 1935 0, 1936 0, 1937 0, 1938 1');
  });
});
