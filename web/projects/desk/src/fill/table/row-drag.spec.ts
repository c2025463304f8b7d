import { RowDrag } from './row-drag';

describe('A row that is dragged', () => {
  it('goes into the gap that the pointer is nearest to, and into none outside the table', () => {
    const drag = new RowDrag<string>();
    drag.start('Quay');
    for (const [offset, gap] of [
      [-90, 0],
      [19, 0],
      [21, 1],
      [100, 3],
      [9000, 5],
    ] as const) {
      drag.over(offset, 40, 5);
      expect(drag.gap()).withContext(String(offset)).toBe(gap);
    }
    expect(drag.end()).toEqual({ row: 'Quay', gap: 5 });
    expect([drag.end(), drag.gap()]).toEqual([null, null]);
  });
});
