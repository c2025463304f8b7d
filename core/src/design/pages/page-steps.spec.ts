import type { DesignStep, PageDesign, PageItem } from '../index.js';
import {
  addPiece,
  addStrip,
  afterStep,
  changeColumn,
  changePage,
  changePiece,
  changeStrip,
  copyPiece,
  copyStrip,
  itemOfPage,
  itemsOfPage,
  keyOfItem,
  makePage,
  makeText,
  movePiece,
  moveStrip,
  pasteStrip,
  pieceName,
  placeOfPiece,
  removeItem,
  reversed,
  setColumns,
} from '../index.js';

const page = makePage({
  ...{ name: 'Page', serves: 'home' },
  strips: [
    {
      ...{ key: 'top', name: 'Top' },
      columns: [
        { key: 'left', pieces: [{ key: 'h', type: 'heading', settings: { text: makeText(['Welcome']) } }] },
        {
          key: 'right',
          pieces: [
            { key: 'd', type: 'divider' },
            { key: 'sp', type: 'space' },
          ],
        },
      ],
    },
    { key: 'low', columns: [{ key: 'only', pieces: [] }] },
  ],
});
type Item<Of extends PageItem['of']> = Extract<PageItem, { of: Of }>;
const at = <Of extends PageItem['of']>(key: string, of: PageDesign = page): Item<Of> => itemOfPage(of, key) as Item<Of>;
const keys = (of: PageDesign): string[] => itemsOfPage(of).map(keyOfItem);

/** The page after a step; it is taken back as well, which has to give the page as it was. */
function after(step: DesignStep | null): PageDesign {
  const changed = afterStep(page, step!);
  expect(afterStep(changed, reversed(step!))).toEqual(page);
  return changed;
}

describe('Steps of a page', () => {
  it('add, copy, move and take out pieces, and say so', () => {
    const added = addPiece(page, { column: 'only', at: 0 }, at<'piece'>('h').piece)!;
    expect(added.words).toBe('Added Heading: Welcome');
    expect(keys(after(added))).toEqual(['top', 'left', 'h', 'right', 'd', 'sp', 'low', 'only', 'heading']);
    expect(keys(after(copyPiece(page, at('d'))))).toEqual([
      ...['top', 'left', 'h', 'right', 'd', 'divider', 'sp', 'low', 'only'],
    ]);
    expect(keys(after(movePiece(page, at('d'), { column: 'only', at: 0 })))).toEqual([
      ...['top', 'left', 'h', 'right', 'sp', 'low', 'only', 'd'],
    ]);
    expect(keys(after(movePiece(page, at('d'), { column: 'right', at: 1 })))).toEqual([
      ...['top', 'left', 'h', 'right', 'sp', 'd', 'low', 'only'],
    ]);
    expect(movePiece(page, at('d'), placeOfPiece(page, at('d')))).toBeNull();
    expect(addPiece(page, { column: 'gone', at: 0 }, at<'piece'>('h').piece)).toBeNull();
    expect(removeItem(at<'piece'>('h')).words).toBe('Took out Heading: Welcome');
    expect(keys(after(removeItem(at<'piece'>('h'))))).not.toContain('h');
  });

  it('add, copy, move and take out strips; what a copy holds has keys of its own', () => {
    expect(keys(after(addStrip(page, 1, 2))).slice(6, 9)).toEqual(['strip', 'strip-column', 'strip-column-2']);
    const copied = keys(after(copyStrip(page, at('top'))));
    expect(new Set(copied).size).toBe(copied.length);
    expect(copied.length).toBe(keys(page).length + 6);
    expect(keys(after(pasteStrip(page, 2, at<'strip'>('top').strip))).length).toBe(copied.length);
    expect(after(moveStrip(at('low'), 0)).strips.map(({ key }) => key)).toEqual(['low', 'top']);
    expect(moveStrip(at('low'), 1)).toBeNull();
    expect(after(removeItem(at<'strip'>('top'))).strips.map(({ key }) => key)).toEqual(['low']);
  });

  it('change what is said of the page, its strips, columns and pieces', () => {
    expect(after(changePage(page, 'purpose', 'To begin with')).purpose).toBe('To begin with');
    expect(after(changeStrip(at('low'), { tone: 'dark' })).strips[1]!.tone).toBe('dark');
    expect(after(changeColumn(at('left'), { share: 3 })).strips[0]!.columns[0]!.share).toBe(3);
    const changed = after(changePiece(at('sp'), { settings: { size: 'large' } }));
    expect(at<'piece'>('sp', changed).piece.settings as object).toEqual({ size: 'large' });
  });

  it('give a strip more or fewer columns without losing a piece', () => {
    const fewer = after(setColumns(page, at('top'), 1)).strips[0]!.columns;
    expect(fewer.map(({ pieces }) => pieces.map(({ key }) => key))).toEqual([['h', 'd', 'sp']]);
    const more = after(setColumns(page, at('top'), 4)).strips[0]!.columns;
    expect(more.map(({ key, pieces, order }) => [key, pieces.length, order])).toEqual([
      ...[
        ['left', 1, 1],
        ['right', 2, 2],
        ['top-column', 0, 3],
        ['top-column-2', 0, 4],
      ],
    ] as never);
  });

  it('name pieces by their sort and first words', () => {
    expect(itemsOfPage(page).flatMap((item) => (item.of === 'piece' ? [pieceName(item.piece)] : []))).toEqual([
      ...['Heading: Welcome', 'Divider', 'Space'],
    ]);
  });
});
