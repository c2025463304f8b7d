import { BERTH_FIELDS, makeKind } from '../../testing/builders.js';
import { makeFacet } from '../structure/index.js';
import type { Design, PageSketch } from './index.js';
import { makeCard, makeFrame, makeLook, makePage, usesOfDesigns } from './index.js';

const kind = {
  ...makeKind(BERTH_FIELDS, { id: 1, slug: 'berths', many: 'Berths', hasListingPages: true }),
  published: true,
  facets: ['type', 'facilities'].map((key) => makeFacet({ key, label: key, field: key, control: 'ticks' })),
};
const page = (id: number, given: PageSketch, kindId: number | null = null): Design => ({
  ...{ id, version: 1, type: 'page', kindId, position: id },
  definition: makePage(given),
});
const card = (id: number, name: string): Design => ({
  ...{ id, version: 1, type: 'card', kindId: 1, position: id },
  definition: makeCard({ name }),
});
const look = (id: number, name: string): Design => ({
  ...{ id, version: 1, type: 'look', kindId: null, position: id },
  definition: makeLook({ name }),
});
const column = (...pieces: PageSketch['strips'][number]['columns'][number]['pieces']): PageSketch['strips'] => [
  { columns: [{ pieces }] },
];

function uses(designs: readonly Design[]): Record<string, readonly string[]> {
  const kindById = (id: number) => (id === kind.id ? kind : undefined);
  const all = usesOfDesigns({ designs, kinds: [kind], selections: [], kindById });
  return Object.fromEntries(all.map(({ what, name, uses: places }) => [`${what} ${name}`, places]));
}

describe('The use of designs', () => {
  it('says where each is met; what visitors meet nowhere has no places', () => {
    const found = uses([
      card(1, 'Main'),
      card(2, 'Waiting'),
      page(3, { name: 'Welcome', serves: 'home', strips: column({ type: 'part', settings: { of: 6 } }) }),
      page(4, { name: 'About', serves: 'free', address: 'about', strips: [] }),
      page(5, { name: 'Lost', serves: 'free', address: 'lost', strips: [] }),
      page(6, { name: 'Hours', serves: 'part', strips: [] }),
      page(7, { name: 'Unseen', serves: 'part', strips: [] }),
      page(8, { name: 'Berth', serves: 'listing', strips: [] }, 1),
      look(9, 'Worn'),
      look(10, 'Spare'),
      {
        ...{ id: 11, version: 1, type: 'frame', kindId: null, position: 11 },
        definition: makeFrame({ name: 'F', hasOwnMenu: true, menu: [{ words: 'Us', address: '/about', below: [] }] }),
      },
    ]);
    expect(found['card Main']).toContain('Berths');
    expect(found).toEqual(
      jasmine.objectContaining({
        ...{ 'card Waiting': [], 'page Welcome': ['home page'], 'page About': ['header or footer'], 'page Lost': [] },
        ...{ 'part Hours': ['Welcome'], 'part Unseen': [], 'page Berth': ['Berths, each of them it fits'] },
        ...{ 'look Worn': ['all pages'], 'look Spare': [], 'facet type': ['Berths'], 'facet facilities': ['Berths'] },
      }),
    );
  });

  it('follows facets to the pages that show them: all of a list, or some', () => {
    const list = { type: 'list', settings: { from: 'kind', of: 1, steered: true, name: 'b' } } as const;
    const some = { type: 'facets', settings: { area: 'b', only: ['type'] } } as const;
    const index = page(
      1,
      { name: 'Own', serves: 'index', strips: column({ type: 'list', settings: { from: 'page' } }) },
      1,
    );
    const found = uses([index, page(2, { name: 'Welcome', serves: 'home', strips: column(list, some) })]);
    expect([found['facet type'], found['facet facilities']]).toEqual([['Welcome'], []]);
  });
});
