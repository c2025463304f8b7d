import fc from 'fast-check';
import { Bitset } from './bitset.js';

describe('A set of rows', () => {
  const CAPACITY = 1500;
  const rowsOf = fc.uniqueArray(fc.nat({ max: CAPACITY - 1 }), { maxLength: CAPACITY });
  const setOf = (rows: readonly number[]): Bitset => {
    const set = new Bitset(CAPACITY);
    for (const row of rows) set.add(row);
    return set;
  };

  it('does what a set of numbers does', () => {
    fc.assert(
      fc.property(rowsOf, rowsOf, (a, b) => {
        const [left, right] = [setOf(a), setOf(b)];
        const both = a.filter((row) => b.includes(row)).sort((x, y) => x - y);
        expect([left.count(), left.countWith(right)]).toEqual([a.length, both.length]);
        expect([...left.clone().intersect(right).toRows()]).toEqual(both);
        expect(left.clone().subtract(right).count()).toBe(a.length - both.length);
        expect(left.clone().unite(right).count()).toBe(a.length + b.length - both.length);
      }),
    );
  });

  it('counts full ones, of every length', () => {
    for (let size = 0; size < 400; size++) {
      const full = new Bitset(size);
      for (let row = 0; row < size; row++) full.add(row);
      expect([full.count(), full.countWith(full.clone())]).toEqual([size, size]);
    }
  });
});
