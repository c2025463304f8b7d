import { RowSelection } from './row-selection';

describe('The chosen rows', () => {
  const idAt = (index: number): number | undefined => (index < 10 ? 100 + index : undefined);

  it('are chosen and left one by one, and in ranges', () => {
    const rows = new RowSelection();
    rows.toggle(2, false, idAt);
    rows.toggle(5, true, idAt);
    expect(rows.ids()).toEqual([102, 103, 104, 105]);
    rows.toggle(4, false, idAt);
    rows.toggle(3, true, idAt);
    expect(rows.ids()).toEqual([102, 105]);
    rows.toggle(40, false, idAt);
    expect(rows.size()).toBe(2);
    rows.clear();
    rows.toggle(1, true, idAt);
    expect(rows.ids()).toEqual([101]);
  });
});
