import fc from 'fast-check';
import { Bitset } from '../bitset.js';
import { bestMatches } from './best-matches.js';
import type { TextDocument } from './text-document.js';
import { TextIndex } from './text-index.js';

/** So many that words are looked up rather than passed over, and all rows of a word taken without looking at each. */
const ROWS = 3000;
const OPTIONS = { typos: false, unfinished: true };

/** Row n has the word "every", and "fifth" when it is a multiple of 5, and so on. */
const HAS: Readonly<Record<string, number>> = { every: 1, third: 3, fifth: 5, hundredth: 100, hundreds: 250 };

function hasWord(row: number, word: string): boolean {
  const step = HAS[word]!;
  return row % step === 0;
}

function documentOf(row: number): TextDocument {
  const words = Object.keys(HAS).filter((word) => hasWord(row, word));
  return { title: `Berth ${row}`, summary: '', byWeight: new Map([[1, words.join(' ')]]) };
}

function setOf(rows: Iterable<number>): Bitset {
  const set = new Bitset(ROWS);
  for (const row of rows) set.add(row);
  return set;
}

const ALL = Array.from({ length: ROWS }, (_, row) => row);

describe('Words of many rows', () => {
  // The last one may be unfinished.
  const asked = fc.constantFrom(
    'every',
    'hundred',
    'every hundredth',
    'fifth third every',
    'hundreds fif',
    'hundreds thir',
  );

  it('are found where all of them stand, whichever rows came last, changed or are wanted', () => {
    const row = fc.nat({ max: ROWS - 1 });
    fc.assert(
      fc.property(
        asked,
        fc.constantFrom(1, -1),
        fc.array(row, { maxLength: 30 }),
        fc.option(row),
        (text, direction, gone, only) => {
          const index = new TextIndex();
          for (const at of direction > 0 ? ALL : [...ALL].reverse()) index.put(at, documentOf(at));
          index.finish();
          for (const at of gone) index.remove(at);
          for (const at of gone.slice(0, 5)) index.put(at, documentOf(at));
          const isLeft = (at: number): boolean => !gone.includes(at) || gone.slice(0, 5).includes(at);
          const wanted = ALL.filter((at) => only === null || at % 7 !== only % 7);
          const found = index.search(text, { ...OPTIONS, within: setOf(wanted) })!;
          const words = text.split(' ');
          const meets = (at: number): boolean =>
            words.every((word, place) =>
              Object.keys(HAS).some(
                (own) => hasWord(at, own) && (place === words.length - 1 ? own.startsWith(word) : own === word),
              ),
            );
          expect([...found.rows].sort((a, b) => a - b)).toEqual(wanted.filter((at) => isLeft(at) && meets(at)));
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('The best matches', () => {
  it('are the first ones of all in order', () => {
    const strength = fc.oneof(fc.nat({ max: 3 }), fc.nat({ max: 255 }));
    fc.assert(
      fc.property(fc.array(strength, { maxLength: 200 }), fc.nat({ max: 30 }), fc.boolean(), (found, most, isBytes) => {
        const rows = Uint32Array.from(found, (_, at) => (at * 37) % 211);
        const strengths = isBytes ? Uint8Array.from(found) : Float32Array.from(found, (own) => own / 4);
        const expected = [...rows.keys()]
          .sort((a, b) => strengths[b]! - strengths[a]! || rows[a]! - rows[b]!)
          .map((at) => rows[at]!);
        const matches = { rows, strengths, scores: () => new Float32Array(), wanted: 1, met: 1 };
        expect(bestMatches(matches, most)).toEqual(expected.slice(0, most));
      }),
    );
  });
});
