import fc from 'fast-check';
import { typosBetween } from '../../../testing/brute-force.js';
import { Bitset } from '../bitset.js';
import { bestMatches } from './best-matches.js';
import type { TextDocument } from './text-document.js';
import { TextIndex } from './text-index.js';
import { TypoMeter, letterMask, masksFit, typosAllowed } from './word-match.js';

const ROWS = 40;

function everything(count = ROWS): Bitset {
  const rows = new Bitset(count);
  for (let row = 0; row < count; row++) rows.add(row);
  return rows;
}

const word = fc.constantFrom(
  'harbour',
  'harbours',
  'harbor',
  'quay',
  'key',
  'light',
  'lighthouse',
  'fuel',
  'dock',
  'östra',
);
const documentArbitrary: fc.Arbitrary<TextDocument> = fc
  .record({
    title: fc.array(word, { minLength: 1, maxLength: 3 }),
    summary: fc.array(word, { maxLength: 4 }),
    notes: fc.array(word, { maxLength: 4 }),
  })
  .map(({ title, summary, notes }) => ({
    title: title.join(' '),
    summary: summary.join(' '),
    byWeight: new Map([[2, notes.join(' ')]]),
  }));

/** The best rows, the best first; rows that fit equally well by row. */
function ranked(index: TextIndex, text: string, options = {}): number[] {
  const found = index.search(text, { within: everything(), ...options });
  return found ? bestMatches(found, ROWS) : [];
}

describe('The index of texts', () => {
  const query = fc.constantFrom(
    'harbour',
    'harb',
    'lihgt',
    'quay light',
    'fuel dock har',
    'östra',
    'lighthouse keye',
    'nothing quay',
  );

  it('gives after any changes what one made anew gives, in the same order', () => {
    const step = fc.tuple(fc.integer({ min: 0, max: ROWS - 1 }), fc.option(documentArbitrary));
    fc.assert(
      fc.property(
        fc.array(step, { maxLength: 60 }),
        fc.array(step, { maxLength: 60 }),
        query,
        (before, after, text) => {
          const index = new TextIndex();
          const known = new Map<number, TextDocument>();
          const take = ([row, document]: [number, TextDocument | null]): void => {
            if (document) index.put(row, document);
            else index.remove(row);
            if (document) known.set(row, document);
            else known.delete(row);
          };
          before.forEach(take);
          index.finish();
          ranked(index, text);
          after.forEach(take);
          const anew = new TextIndex();
          for (const [row, document] of known) anew.put(row, document);
          anew.finish();
          expect(ranked(index, text)).toEqual(ranked(anew, text));
        },
      ),
      { numRuns: 150 },
    );
  });

  it('merges what comes in again and again, and still finds the latest only', () => {
    const index = new TextIndex();
    index.finish();
    for (let at = 0; at < 5000; at++) {
      index.put(at % ROWS, { title: `Harbour ${at < 4000 ? 'old' : 'fresh'} ${at}`, summary: '', byWeight: new Map() });
    }
    expect(ranked(index, 'old', { typos: false }).length).toBe(0);
    expect(ranked(index, 'fresh').length).toBe(ROWS);
  });

  it('is finished in steps when it is large, after which every row is found by its words', () => {
    const index = new TextIndex(null, 20_000);
    const summary = 'berth quay pier slip ferry';
    for (let row = 0; row < 20_000; row++) {
      index.put(row, { title: `Harbour ${row % 7 === 3 ? 'lantern' : 'buoy'}`, summary, byWeight: new Map() });
    }
    index.remove(10);
    expect([...index.finishing()].length).toBeGreaterThan(2);
    const lanterns = Array.from({ length: 20_000 }, (_, row) => row).filter((row) => row % 7 === 3 && row !== 10);
    const found = (text: string): number[] => [
      ...index
        .search(text, { within: everything(20_000) })!
        .rows.slice()
        .sort(),
    ];
    expect(found('lantern')).toEqual(lanterns);
    expect(found('slip').length).toBe(19_999);
  });

  it('reads nothing again of a listing whose texts stay as they are', () => {
    const index = new TextIndex();
    const document = { title: 'Old harbour', summary: '', byWeight: new Map([[1, 'light']]) };
    index.put(0, document);
    index.finish();
    index.put(0, { ...document });
    expect([index.documentsRead, ranked(index, 'light')]).toEqual([1, [0]]);
    index.remove(0);
    expect(ranked(index, 'light')).toEqual([]);
    index.put(0, document);
    expect([index.documentsRead, ranked(index, 'light')]).toEqual([2, [0]]);
  });

  it('puts a hit in a title before any elsewhere, and the shorter title first', () => {
    const index = new TextIndex();
    const long = Array.from({ length: 30 }, () => 'dock').join(' ');
    index.put(0, { title: 'Quay', summary: long, byWeight: new Map([[9, long]]) });
    index.put(1, { title: 'A dock at the far end of the quay', summary: '', byWeight: new Map() });
    index.put(2, { title: 'Dock', summary: '', byWeight: new Map() });
    expect(ranked(index, 'dock')).toEqual([2, 1, 0]);
  });

  it('takes words and phrases for one another that the publisher says are the same', () => {
    const index = new TextIndex();
    index.put(0, { title: 'Shore power', summary: '', byWeight: new Map() });
    index.put(1, { title: 'Electricity', summary: '', byWeight: new Map() });
    index.put(2, { title: 'Shore', summary: '', byWeight: new Map() });
    const synonyms = [[['electricity'], ['shore', 'power']]];
    expect(ranked(index, 'electricity', { synonyms }).sort()).toEqual([0, 1]);
    expect(ranked(index, 'shore power', { synonyms }).sort()).toEqual([0, 1]);
  });

  it('falls back to most of the words, and says so', () => {
    const index = new TextIndex();
    index.put(0, { title: 'Old harbour light', summary: '', byWeight: new Map() });
    index.put(1, { title: 'Harbour', summary: '', byWeight: new Map() });
    const found = index.search('old harbour lantern', { within: everything() })!;
    expect([[...found.rows], found.wanted, found.met]).toEqual([[0], 3, 2]);
  });
});

describe('Typos', () => {
  const text = fc.string({ unit: fc.constantFrom('a', 'b', 'c', 'd'), maxLength: 9 });

  it('are counted as the recurrence that defines them counts, and letters tell which words are too far', () => {
    const meter = new TypoMeter();
    fc.assert(
      fc.property(text, text, fc.constantFrom(1, 2), (a, b, most) => {
        const exact = typosBetween(a, b);
        expect(meter.typos(a, b, most)).toBe(Math.min(exact, most + 1));
        if (exact <= most) expect(masksFit(letterMask(a), letterMask(b), most)).toBeTrue();
      }),
      { numRuns: 500 },
    );
  });

  it('are forgiven by the length of a word: none below four letters, one from four, two from eight', () => {
    expect(['bar', 'quay', 'harbour', 'harbours'].map(typosAllowed)).toEqual([0, 1, 1, 2]);
  });
});
