import { contextIn } from '../../testing/builders.js';
import { makeField } from '../structure/index.js';
import { readBatch, wantedUniques, withoutTaken } from './import-batch.js';
import type { ImportRow } from './import-rows.js';
import { importRowsFault } from './import-rows.js';

const kind = {
  fields: [
    makeField({ key: 'sail', label: 'Sail', type: 'short-text', unique: true }),
    makeField({ key: 'seats', label: 'Seats', type: 'whole-number' }),
  ],
  startStatus: 'live',
} as const;
const row = (line: number, title: string, values: Record<string, unknown> = {}): ImportRow => {
  return { line, input: { title, values } };
};

describe('A batch of rows', () => {
  const read = readBatch(
    [
      row(2, 'Dory', { sail: 'Red' }),
      row(3, 'Skiff', { seats: 'two' }),
      row(4, 'Punt', { sail: 'rED' }),
      row(5, 'Gig'),
    ],
    kind,
    'refuse-row',
    contextIn(),
  );

  it('is read row by row, with a report of each that cannot come in', () => {
    expect(read.rows.map(({ line }) => line)).toEqual([2, 4, 5]);
    expect(read.reports.map(({ line, issues }) => [line, issues[0]?.code])).toEqual([[3, 'value.not-a-number']]);
  });

  it('loses rows whose value another listing has, or an earlier row, compared without case', () => {
    expect([...wantedUniques(read, kind)]).toEqual([['sail', ['red', 'red']]]);
    const free = withoutTaken(read, kind, () => undefined);
    expect(free.rows.map(({ line }) => line)).toEqual([2, 5]);
    expect(free.reports.map(({ line }) => line)).toEqual([3, 4]);
    expect(free.reports[1]?.issues[0]?.message).toContain('“rED” is taken by “line 2”');
    const held = withoutTaken(read, kind, (field, value) =>
      field === 'sail' && value === 'red' ? 'Old boat' : undefined,
    );
    expect(held.rows.map(({ line }) => line)).toEqual([5]);
    expect(held.reports[0]?.issues[0]?.message).toContain('“Red” is taken by “Old boat”');
  });

  it('says which row of what is sent has another form, and why', () => {
    expect(importRowsFault([row(2, 'Dory'), { line: 3, input: {}, surplus: { found: 3, wanted: 2 } }])).toBeNull();
    const faults: readonly (readonly [unknown, string])[] = [
      [null, 'it is not an object'],
      [{ line: 0, input: {} }, '“line” must be'],
      [{ line: 2 }, '“input” must be'],
      [{ line: 2, input: { title: 3 } }, '“title” must be a text'],
      [{ line: 2, input: { values: [] } }, '“values” must be'],
      [{ line: 2, input: { colour: 'red' } }, 'no “colour” in a listing'],
      [{ line: 2, input: {}, surplus: { found: 'x' } }, '“surplus” must be'],
      [{ line: 2, input: {}, more: 1 }, 'no “more” in a row'],
    ];
    for (const [wrong, said] of faults) {
      expect(importRowsFault([row(1, 'A'), wrong])).toContain(said);
      expect(importRowsFault([row(1, 'A'), wrong])).toContain('row 2 of the batch');
    }
  });
});
