import { contextIn, makeKind, makeListing } from '../../../testing/builders.js';
import { buildCatalog } from '../../catalog/index.js';
import type { ListScene } from '../areas/list-area.js';
import { makeDateGrouping, makeField } from '../../structure/index.js';
import { findList } from './page-lists.js';

const starts = makeField({ key: 'starts', label: 'Starts', type: 'date' });
const when = makeField({ key: 'when', label: 'When', type: 'range', settings: { ends: 'date' } });

/** What a page finds of a kind whose own list stands under months. */
function found(field: 'starts' | 'when', most: number, values: readonly object[]): readonly number[] {
  const grouping = makeDateGrouping({ field, past: 'folded', spans: 'every' });
  const kind = makeKind([starts, when], { grouping });
  const listings = values.map((own, at) => makeListing({ id: at + 1, title: `T${at}`, values: { ...own } }));
  const catalog = buildCatalog(kind, listings, 'en-GB');
  const catalogOf = (id: number): typeof catalog | undefined => (id === kind.id ? catalog : undefined);
  const scene: ListScene = {
    queries: { context: contextIn(), catalogOf, catalogs: () => [catalog] },
    selections: [],
  };
  return findList({ from: 'kind', of: kind.id, fields: [], most }, null, null, scene).ids;
}

describe('The first listings of a kind on another page', () => {
  it('are those of its own list: what is over comes last there, too', () => {
    const values = [{ starts: '2026-01-04' }, { starts: '2027-02-01' }, { starts: '2026-12-04' }];
    expect(found('starts', 3, values)).toEqual([3, 2, 1]);
    expect(found('starts', 2, values)).toEqual([3, 2]);
  });

  it('stand once each, though they stand under several months there', () => {
    const values = [
      { when: { from: '2026-12-20', to: '2027-01-10' } },
      { when: { from: '2027-01-02', to: '2027-01-03' } },
    ];
    expect(found('when', 2, values)).toEqual([1, 2]);
  });
});
