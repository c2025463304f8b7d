import type { KeptPage, PageSketch } from '@plindo/core/design';
import { makePage } from '@plindo/core/design';
import { seenAt } from './seen-at';

const page = (id: number, given: Partial<PageSketch> & Pick<PageSketch, 'serves'>, draftOf?: number): KeptPage => ({
  ...{ id, type: 'page', version: 1, position: id, kindId: null },
  definition: makePage({ name: `Page ${id}`, strips: [], ...given }),
  ...(draftOf !== undefined && { draft: { of: draftOf, basedOn: 1, publishAt: null, fault: '' } }),
});

describe('Where visitors see a design', () => {
  const about = page(1, {
    ...{ serves: 'free', address: 'about' },
    strips: [{ columns: [{ pieces: [{ type: 'part', settings: { of: 7 } }] }] }],
  });
  const designs = [page(2, { serves: 'home' }), about];

  it('is the page that has a part, for the part and for its draft', () => {
    expect(seenAt(page(7, { serves: 'part' }), [], [], designs)).toEqual({ path: '/about' });
    expect(seenAt(page(9, { serves: 'part' }, 7), [], [], designs)).toEqual({ path: '/about' });
    expect(seenAt(page(8, { serves: 'part' }), [], [], designs)).toBeNull();
  });

  it('is its own address for a page that has one', () => {
    expect(seenAt(designs[0]!, [], [], designs)).toEqual({ path: '/' });
    expect(seenAt(about, [], [], designs)).toEqual({ path: '/about' });
  });
});
