import fc from 'fast-check';
import { Bitset } from '../bitset.js';
import { bestMatches } from './best-matches.js';
import type { KeptTexts } from './known-texts.js';
import { printOf } from './known-texts.js';
import type { TextDocument } from './text-document.js';
import { TextIndex } from './text-index.js';

const ROWS = 24;
const WORDS = ['harbour', 'harbours', 'quay', 'light', 'dock'];

const texts = fc.array(fc.constantFrom(...WORDS), { maxLength: 3 }).map((words) => words.join(' '));
const documents: fc.Arbitrary<TextDocument> = fc
  .record({ title: texts, summary: texts, notes: texts })
  .map(({ title, summary, notes }) => ({ title, summary, byWeight: new Map([[2, notes]]) }));
const steps = fc.array(fc.tuple(fc.nat({ max: ROWS - 1 }), fc.option(documents)), { maxLength: 40 });

type Step = readonly [number, TextDocument | null];

function indexOf(before: readonly Step[], after: readonly Step[], kept: KeptTexts | null): TextIndex {
  const index = new TextIndex(kept);
  for (const [row, document] of before) if (document) index.put(row, document);
  index.finish();
  for (const [row, document] of after) {
    if (document) index.put(row, document);
    else index.remove(row);
  }
  return index;
}

function ranked(index: TextIndex, text: string): number[] {
  const within = new Bitset(ROWS);
  for (let row = 0; row < ROWS; row++) within.add(row);
  const found = index.search(text, { within });
  return found ? bestMatches(found, ROWS) : [];
}

describe('What an index has read', () => {
  it('makes another one that finds the same, whichever documents came, went, changed and moved meanwhile', () => {
    const query = fc.constantFrom('harbour', 'li', 'quay dock', 'harbuor light');
    fc.assert(
      fc.property(steps, steps, steps, steps, query, (first, meanwhile, now, later, text) => {
        const kept = indexOf(first, meanwhile, null).kept();
        const [fromKept, anew] = [indexOf(now, later, kept), indexOf(now, later, null)];
        expect(ranked(fromKept, text)).toEqual(ranked(anew, text));
        expect(ranked(indexOf(now, later, fromKept.kept()), text)).toEqual(ranked(anew, text));
      }),
      { numRuns: 300 },
    );
  });

  it('is not read again, as far as it was settled', () => {
    const listings = Array.from({ length: ROWS }, (_, row): Step => {
      return [row, { title: WORDS[row % 5]!, summary: '', byWeight: new Map() }];
    });
    const index = indexOf(listings, [], null);
    expect(index.documentsRead).toBe(ROWS);
    const other: Step = [ROWS - 1, { title: 'lantern', summary: '', byWeight: new Map() }];
    const next = indexOf([...listings.slice(0, -1), other], [], index.kept());
    expect([next.documentsRead, ranked(next, 'lantern')]).toEqual([1, [ROWS - 1]]);
  });

  it('is of no use when words are told apart otherwise now', () => {
    const document = { title: 'Quay', summary: '', byWeight: new Map() };
    const kept = { ...indexOf([[0, document]], [], null).kept(), mark: 'of another version' };
    expect(indexOf([[0, document]], [], kept).documentsRead).toBe(1);
  });

  it('knows documents by prints that tell apart where each of their texts ends', () => {
    const print = (title: string, summary: string): number => printOf({ title, summary, byWeight: new Map() });
    const prints = [print('ab', ''), print('a', 'b'), print('', 'ab'), print('ba', ''), print('AB', '')];
    expect(new Set(prints).size).toBe(prints.length);
    const many = new Set(Array.from({ length: 100_000 }, (_, at) => print(`Berth ${at}`, `no. ${at * 7}`)));
    expect(many.size).toBe(100_000);
  });
});
