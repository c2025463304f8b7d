import { CellRange } from './cell-range';

describe('A range of cells', () => {
  const SIZE = { rows: 5, columns: 4 };

  it('goes from where it began to where it was led, in any direction', () => {
    const range = new CellRange();
    range.start({ row: 2, column: 2 });
    expect(range.bounds()).toBeNull();
    range.extendBy(-1, 0, SIZE);
    range.extendBy(0, -1, SIZE);
    expect(range.bounds()).toEqual({ top: 1, bottom: 2, left: 1, right: 2 });
    expect(range.cells()).toBe(4);
    expect([range.has(1, 1), range.has(3, 1)]).toEqual([true, false]);
  });

  it('ends at the edges of the table, and is none when it is back where it began', () => {
    const range = new CellRange();
    range.start({ row: 4, column: 0 });
    expect(range.extendBy(3, -2, SIZE)).toEqual({ row: 4, column: 0 });
    expect(range.bounds()).toBeNull();
    range.extendTo({ row: 0, column: 3 });
    expect(range.cells()).toBe(20);
    range.clear();
    expect(range.extendBy(1, 0, SIZE)).toBeNull();
  });
});
