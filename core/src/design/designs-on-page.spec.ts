import { BERTH_FIELDS, makeKind } from '../../testing/builders.js';
import type { Design, KeptPage, PageSketch } from './index.js';
import { makeSelection } from '../structure/index.js';
import { designsOnKeptPage, makeCard, makeForm, makePage } from './index.js';

const berths = { ...makeKind(BERTH_FIELDS, { id: 1, slug: 'berths', hasListingPages: true }), published: true };
const yards = { ...makeKind([], { id: 2, slug: 'yards', hasListingPages: true }), published: true };
const kindById = (id: number) => [berths, yards].find((kind) => kind.id === id);

const page = (
  id: number,
  serves: 'free' | 'part',
  ...pieces: PageSketch['strips'][number]['columns'][number]['pieces']
): KeptPage => ({
  ...{ id, version: 1, type: 'page', kindId: null, position: id },
  definition: makePage({
    name: `${id}`,
    serves,
    address: serves === 'free' ? 'more' : '',
    strips: [{ columns: [{ pieces }] }],
  }),
});
const card = (id: number, kindId: number): Design => ({
  ...{ id, version: 1, type: 'card', kindId, position: id },
  definition: makeCard({ name: `${id}` }),
});
const FORM: Design = {
  ...{ id: 9, version: 1, type: 'form', kindId: 2, position: 1 },
  definition: makeForm({ name: 'Tell us', steps: [] }),
};
const PART = page(
  8,
  'part',
  { type: 'form', settings: { of: 9 } },
  { type: 'list', settings: { from: 'kind', of: 2 } },
);
const CARDS = [card(11, 1), card(12, 1), card(21, 2)];

function on(shown: KeptPage): number[] {
  const designs: Design[] = [shown, PART, FORM, ...CARDS];
  const selections = [{ id: 5, version: 1, ...makeSelection({ slug: 'some', name: 'Some', kinds: [2] }) }];
  return designsOnKeptPage(shown, { designs, kinds: [berths, yards], selections, kindById });
}

describe('The designs on a page', () => {
  it('are its own, its parts, what stands in them, and the main cards of what it lists', () => {
    expect(on(page(3, 'free', { type: 'part', settings: { of: 8 } }))).toEqual([3, 8, 9, 21]);
    expect(on(page(3, 'free', { type: 'list', settings: { from: 'kind', of: 1 } }))).toEqual([3, 11]);
  });

  it('hold the cards of the page’s own list, of a kind or a selection', () => {
    const own = page(3, 'free', { type: 'list', settings: { from: 'page' } });
    expect(on({ ...own, kindId: 1 })).toEqual([3, 11]);
    expect(on({ ...own, definition: { ...own.definition, selection: 5 } })).toEqual([3, 21]);
  });

  it('hold no cards of what a visitor keeps, which may be of any kind', () => {
    expect(on(page(3, 'free', { type: 'list', settings: { from: 'shortlist' } }))).toEqual([3]);
  });
});
