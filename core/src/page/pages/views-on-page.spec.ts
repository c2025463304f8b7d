import { makeKind } from '../../../testing/builders.js';
import type { Design, PageDesign } from '../../design/index.js';
import { makeCard, makePage, makeSlot } from '../../design/index.js';
import type { PageSketch } from '../../design/index.js';
import type { Kind, Selection } from '../../structure/index.js';
import { makeSelection } from '../../structure/index.js';
import { ViewsTold } from './views-on-page.js';

const plain = makeKind([]);
const viewed: Kind = { ...makeKind([], { id: 2, slug: 'yards' }), defaultOrder: [{ by: '@views', direction: 'down' }] };
const chosen = (id: number, kinds: number[], byViews = false): Selection => ({
  ...{ id, version: 1 },
  ...makeSelection({
    name: `S${id}`,
    slug: `s${id}`,
    kinds,
    order: [{ by: byViews ? '@views' : '@title', direction: 'down' }],
  }),
});
const inUse = (designs: readonly Design[] = []) => ({
  kindById: (id: number) => [plain, viewed].find((one) => one.id === id),
  ...{ designs, kinds: [plain, viewed], selections: [chosen(7, [1]), chosen(8, [1], true), chosen(9, [2])] },
});
const page = (...pieces: PageSketch['strips'][number]['columns'][number]['pieces']): PageDesign =>
  makePage({ name: 'P', serves: 'home', strips: [{ columns: [{ pieces }] }] });
const list = (from: 'kind' | 'selection', of: number) => page({ type: 'list', settings: { from, of } });

const told = new ViewsTold();

describe('A page that goes by how often listings were looked at', () => {
  it('has a list of a kind or of a selection that is in that order', () => {
    const pages = [list('kind', 1), list('kind', 2), ...[7, 8, 9, 99].map((of) => list('selection', of))];
    expect(pages.map((one) => told.byPage(one, inUse()))).toEqual([false, true, false, true, true, false]);
    expect([1, 2].map((id) => told.byKind(id, inUse()))).toEqual([false, true]);
    expect(inUse().selections.map((one) => told.bySelection(one, inUse()))).toEqual([false, true, true]);
  });

  it('shows it itself, or cards of a kind that show it', () => {
    const slot = { key: 'seen', text: [{ field: '@views' }] } as const;
    expect(told.byPage(page({ type: 'values', settings: { slots: [makeSlot(slot)] } }), inUse())).toBe(true);
    const card: Design = {
      ...{ id: 3, version: 1, type: 'card', kindId: 1, position: 0 },
      definition: makeCard({ name: 'C', zones: { foot: [slot] } }),
    };
    expect(told.byPage(list('kind', 1), inUse([card]))).toBe(true);
  });
});
