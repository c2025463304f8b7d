import fc from 'fast-check';
import { NumberColumn } from './number-column.js';

/** More rows than are looked through one by one. */
const ROWS = 5000;

describe('A column of numbers', () => {
  const bound = fc.oneof(fc.constantFrom(-Infinity, Infinity, -0), fc.double({ min: -1200, max: 1200, noNaN: true }));
  const spread = fc.constantFrom(
    (at: number): number => ((at * 7919) % 2003) - 1000,
    (at: number): number => (at % 3) * 400 - 400,
    (at: number): number => (at % 2 === 0 ? NaN : Math.sqrt(at)),
    (): number => 7,
    (): number => NaN,
  );
  const change = fc.tuple(fc.nat({ max: ROWS - 1 }), fc.option(fc.integer({ min: -1100, max: 1100 })));

  it('finds the rows of a range as looking at each value does, before and after changes', () => {
    fc.assert(
      fc.property(spread, fc.array(change, { maxLength: 40 }), bound, bound, (valueOf, changes, a, b) => {
        const column = new NumberColumn(ROWS);
        for (let row = 0; row < ROWS; row++) column.put(row, Number.isNaN(valueOf(row)) ? null : valueOf(row));
        const [least, greatest] = a < b ? [a, b] : [b, a];
        const expected = (): number[] =>
          [...column.values.keys()].filter((row) => column.values[row]! >= least && column.values[row]! <= greatest);
        expect([...column.rowsBetween(least, greatest).toRows()]).toEqual(expected());
        for (const [row, value] of changes) column.put(row, value);
        expect([...column.rowsBetween(least, greatest).toRows()]).toEqual(expected());
        // A row whose value is a bound itself is in.
        const own = column.values[17]!;
        if (own === own) expect(column.rowsBetween(own, own).has(17)).toBeTrue();
      }),
      { numRuns: 60 },
    );
  });
});
