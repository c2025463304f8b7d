import fc from 'fast-check';
import { ChoicesColumn } from './choices-column.js';

const ROWS = 400;

/** Counts by key, by looking at every row. */
function countedOneByOne(column: ChoicesColumn, rows: Iterable<number>): number[] {
  const counts = new Map<string, number>();
  for (const row of rows) for (const key of column.keysAt(row)) counts.set(key, (counts.get(key) ?? 0) + 1);
  return column.keys.map((key) => counts.get(key) ?? 0);
}

describe('Counting choices', () => {
  // Choices beyond the first thousand, and more than three of a row, are kept in another way than few and small ones.
  const key = fc.oneof(fc.nat({ max: 5 }), fc.nat({ max: 2000 })).map(String);
  const keys = fc.uniqueArray(key, { maxLength: 6 });
  const defined = Array.from({ length: 2000 }, (_, number) => String(number));
  const change = fc.tuple(fc.nat({ max: ROWS - 1 }), fc.option(keys));

  it('counts what looking at every row counts, for few rows and for all, after any changes', () => {
    fc.assert(
      fc.property(fc.array(keys, { maxLength: ROWS }), fc.array(change, { maxLength: 60 }), (first, changes) => {
        const column = new ChoicesColumn(ROWS, defined);
        first.forEach((own, row) => column.put(row, own));
        for (const [row, own] of changes) column.put(row, own);
        const all = Uint32Array.from({ length: ROWS }, (_, row) => row);
        for (const rows of [all, all.filter((row) => row % 50 === 0)]) {
          expect([...column.countRows(rows)]).toEqual(countedOneByOne(column, rows));
        }
        const expected = new Map([...first.entries(), ...changes]);
        for (const [row, own] of expected) {
          expect(column.keysAt(row)).toEqual(own ?? []);
          expect(column.firstAt(row)).toEqual(own?.length ? column.find(own[0]!) : NaN);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('counts over more combinations than fit into sixteen bits', () => {
    const rows = 70_000;
    const column = new ChoicesColumn(rows, []);
    for (let row = 0; row < rows; row++) column.put(row, [`a${row % 300}`, `b${Math.floor(row / 300)}`]);
    const asked = Uint32Array.from({ length: rows / 7 }, (_, at) => at * 7);
    expect([...column.countRows(asked)]).toEqual(countedOneByOne(column, asked));
    expect(column.rowsWith(column.find('b2')).count()).toBe(300);
  });
});
