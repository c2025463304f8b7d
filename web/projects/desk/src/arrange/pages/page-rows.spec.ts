import type { Design, PagePurpose } from '@plindo/core/design';
import { makePage } from '@plindo/core/design';
import { SiteWords } from '@plindo/core/values';
import { kindSummary } from '../../../../../harness/models';
import { pageSections } from './page-rows';

const { kind } = kindSummary({ many: 'Berths', one: 'Berth' });
const words = new SiteWords('en-GB');
const page = (id: number, name: string, serves: PagePurpose, kindId: number | null, more: object = {}): Design => ({
  ...{ id, version: 1, type: 'page', kindId, position: id },
  definition: makePage({ name, serves, strips: [], ...more }),
});

describe('The list of all pages', () => {
  it('has a row for every page that there is, designed or made by Plindo', () => {
    const sections = pageSections({ kinds: [kind], selections: [], designs: [], words });
    expect(
      sections.map(({ label, rows }) => [label, ...rows.map(({ name, about, href }) => [name, about, href])]),
    ).toEqual([
      ['Of the site', ['Home page', 'made by Plindo', '/'], ['Shortlist', 'made by Plindo', '/shortlist']],
      ['Berths', ['List of berths', 'made by Plindo', '/berths'], ['Page of each berth', 'made by Plindo', '']],
      ['With addresses of their own'],
      ['Parts that stand on many pages'],
    ] as never);
  });

  it('names designed ones by their own names, those for some listings as such, and parts by their kind', () => {
    const designs = [
      page(1, 'Welcome', 'home', null),
      page(2, 'Any berth', 'listing', 1),
      page(3, 'Dear berth', 'listing', 1, { when: { join: 'all', of: [{ field: 'price', op: 'above', value: '5' }] } }),
      page(4, 'About', 'free', null, { address: 'about' }),
      page(5, 'Hours', 'part', 1),
    ];
    const rows = pageSections({ kinds: [kind], selections: [], designs, words }).flatMap((section) => section.rows);
    expect(rows.map(({ name, about, href }) => [name, about, href])).toEqual([
      ['Welcome', 'Home page', '/'],
      ['Shortlist', 'made by Plindo', '/shortlist'],
      ['List of berths', 'made by Plindo', '/berths'],
      ['Any berth', 'Page of each berth', ''],
      ['Dear berth', 'Page of each berth, for some', ''],
      ['About', '', '/about'],
      ['Hours', 'shows values of berths', ''],
    ]);
  });
});
