import fc from 'fast-check';
import { textOrder } from '../../values/index.js';
import { Bitset } from '../bitset.js';
import { ChoicesColumn } from './choices-column.js';
import { Initials } from './initials.js';
import { NO_RANK, TextColumn } from './text-column.js';

const ROWS = 90;
const row = fc.integer({ min: 0, max: ROWS - 1 });

/** The rows of a bitset, by the slow way. */
function rowsOf(set: Bitset): number[] {
  return Array.from({ length: ROWS }, (_, at) => at).filter((at) => set.has(at));
}

describe('A bitset', () => {
  it('does with rows what a set does', () => {
    const steps = fc.array(fc.tuple(row, fc.boolean()), { maxLength: 200 });
    fc.assert(
      fc.property(steps, fc.array(row), (changes, others) => {
        const bits = new Bitset(ROWS);
        const set = new Set<number>();
        for (const [at, isIn] of changes) {
          bits.put(at, isIn);
          if (isIn) set.add(at);
          else set.delete(at);
        }
        const sorted = [...set].sort((a, b) => a - b);
        const visited: number[] = [];
        bits.forEach((at) => visited.push(at));
        expect(visited).toEqual(sorted);
        expect([...bits.toRows()]).toEqual(sorted);
        expect(bits.count()).toBe(set.size);
        const other = new Bitset(ROWS);
        for (const at of others) other.add(at);
        expect(rowsOf(bits.clone().intersect(other))).toEqual(sorted.filter((at) => others.includes(at)));
        expect(rowsOf(bits.clone().unite(other))).toEqual([...new Set([...sorted, ...others])].sort((a, b) => a - b));
        expect(rowsOf(bits.grown(ROWS * 4))).toEqual(sorted);
      }),
    );
  });
});

describe('A text column', () => {
  const text = fc.option(fc.constantFrom('Quay 2', 'Quay 10', 'quay 2', 'Östra', 'ostra', 'Éclair', 'eclair', ''));

  it('ranks its texts as sorting them anew would, after any changes', () => {
    const compare = textOrder('sv');
    const before = fc.array(text, { maxLength: 40 });
    const after = fc.array(fc.tuple(row, text), { maxLength: 80 });
    fc.assert(
      fc.property(before, after, (texts, changes) => {
        const column = new TextColumn(ROWS, compare, new Initials('sv'));
        const plain = new Map<number, string>();
        const put = (at: number, value: string | null): void => {
          column.put(at, value);
          if (value === null) plain.delete(at);
          else plain.set(at, value);
        };
        texts.forEach((value, at) => put(at, value));
        column.sortedRows();
        const initials = column.initialsColumn();
        for (const [at, value] of changes) put(at, value);
        const distinct = [...plain.values()]
          .sort(compare)
          .filter((value, at, all) => at === 0 || compare(all[at - 1]!, value) !== 0);
        const ranks = column.rankByRow();
        for (let at = 0; at < ROWS; at++) {
          const value = plain.get(at);
          const rank = value === undefined ? NO_RANK : distinct.findIndex((other) => compare(other, value) === 0) + 1;
          expect(ranks[at]).toBe(rank);
          const initial =
            value === undefined || value === '' ? '' : value.startsWith('Ö') ? 'ö' : value[0]!.toLowerCase();
          if (initial !== '') expect(initials.keysAt(at)).toEqual([initial === 'é' ? 'e' : initial]);
        }
      }),
    );
  });
});

describe('A choices column', () => {
  const keys = fc.option(fc.uniqueArray(fc.constantFrom('a', 'b', 'c', 'd', 'gone'), { maxLength: 5 }));

  it('knows which rows have a choice after any changes, however often its pool is packed', () => {
    const changes = fc.array(fc.tuple(row, keys), { maxLength: 400 });
    fc.assert(
      fc.property(changes, fc.constantFrom('a', 'gone'), (steps, asked) => {
        const column = new ChoicesColumn(ROWS, ['a', 'b', 'c', 'd']);
        const plain = new Map<number, readonly string[]>();
        for (const [at, value] of steps) {
          column.put(at, value);
          plain.set(at, value ?? []);
          // Asked in between, so that the kept sets have to follow the changes.
          if (column.find(asked) >= 0) column.rowsWith(column.find(asked));
        }
        for (const key of column.keys) {
          const expected = Array.from({ length: ROWS }, (_, at) => at).filter((at) => plain.get(at)?.includes(key));
          expect(rowsOf(column.rowsWith(column.find(key))))
            .withContext(key)
            .toEqual(expected);
        }
      }),
    );
  });

  it('numbers its choices in their defined order, and others after them', () => {
    const column = new ChoicesColumn(4, ['b', 'a']);
    column.put(0, ['other']);
    expect(['b', 'a', 'other', 'never'].map((key) => column.find(key))).toEqual([0, 1, 2, -1]);
  });
});
