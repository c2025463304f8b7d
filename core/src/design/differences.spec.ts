import type { Design, PageSketch } from './index.js';
import { designDifferences, makeCard, makeLook, makePage, makeText, withDrafts } from './index.js';

const page = (strips: PageSketch['strips'], more: Partial<PageSketch> = {}): Design => ({
  ...{ id: 1, version: 1, type: 'page', kindId: null, position: 1 },
  definition: makePage({ name: 'About', serves: 'free', address: 'about', strips, ...more }),
});
const heading = (key: string, words: string) => ({
  key,
  type: 'heading' as const,
  settings: { text: makeText([words]) },
});
const strip = (key: string, pieces: PageSketch['strips'][number]['columns'][number]['pieces']) => ({
  ...{ key, name: key },
  columns: [{ key: `${key}-c`, pieces }],
});

describe('What of a design another one has otherwise', () => {
  const before = page([strip('Top', [heading('a', 'One'), heading('b', 'Two')])]);

  it('are pieces and strips that came, went, changed or moved, and what is said of the page', () => {
    expect(designDifferences(before, before)).toEqual([]);
    expect(designDifferences(null, before)).toEqual(['It is new.']);
    // The order in which properties were written says nothing.
    const turned = Object.fromEntries(Object.entries(before.definition).reverse());
    expect(designDifferences(before, { ...before, definition: turned } as Design)).toEqual([]);
    const changed = page([strip('Top', [heading('a', 'Eins'), heading('b', 'Two')])], { inMenu: true });
    expect(designDifferences(before, changed)).toEqual([
      'Changed: whether it stands in the menu.',
      'Changed: “Heading: Eins”.',
    ]);
    const moved = page([strip('Top', [heading('b', 'Two'), heading('a', 'One')])]);
    expect(designDifferences(before, moved)).toEqual(['Moved: “Heading: Two”.', 'Moved: “Heading: One”.']);
    const other = page([strip('Top', [heading('b', 'Two')]), strip('End', [heading('c', 'Three')])]);
    expect(designDifferences(before, other)).toEqual([
      'New: the strip “End”.',
      'Gone: “Heading: One”.',
      'New: “Heading: Three”.',
    ]);
  });

  it('are slots of a card, and properties of everything else', () => {
    const card = (zones: Parameters<typeof makeCard>[0]['zones'], canBeKept = false): Design => ({
      ...{ id: 2, version: 1, type: 'card', kindId: 1, position: 1 },
      definition: makeCard({ name: 'Card', canBeKept, ...(zones && { zones }) }),
    });
    const title = { key: 't', text: [{ field: '@title' }] };
    const price = { key: 'p', text: [{ field: 'price' }, ' a night'] };
    expect(
      designDifferences(card({ heading: [title], foot: [price] }), card({ heading: [title, price] }, true)),
    ).toEqual(['Changed: whether it can be kept.', 'Moved: “price a night”.']);
    const look = (corners: 'square' | 'round'): Design => ({
      ...{ id: 3, version: 1, type: 'look', kindId: null, position: 1 },
      definition: makeLook({ name: 'Look', corners }),
    });
    expect(designDifferences(look('square'), look('round'))).toEqual(['Changed: corners.']);
  });
});

describe('Drafts in their places', () => {
  it('stand for the designs that they are of, beside those that are new', () => {
    const old = page([]);
    const drafted: Design = {
      ...page([], { name: 'Us' }),
      ...{ id: 8, draft: { of: 1, basedOn: 1, publishAt: null, fault: '' } },
    };
    const added: Design = { ...page([]), id: 9, draft: { of: null, basedOn: 0, publishAt: null, fault: '' } };
    const shown = withDrafts([old], [drafted, added]);
    expect(shown.map(({ id, definition: { name } }) => [id, name])).toEqual([
      [1, 'Us'],
      [9, 'About'],
    ]);
  });
});
