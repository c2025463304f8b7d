import { PrintHash } from '../print-hash.js';
import type { KeptSegment } from './segment.js';
import { Segment, wordsOfKept } from './segment.js';
import type { TextDocument } from './text-document.js';
import { impactsOf } from './text-document.js';

/**
 * What a text index read from its documents, so that another one, of the same listings later or elsewhere, needn't read
 * those again that are still the same.
 */
export interface KeptTexts {
  /** Of how words are told apart and weighed; other marks don't fit. */
  readonly mark: string;
  /** By row, the print of its document and the segment that holds it. */
  readonly prints: Float64Array;
  readonly segmentOf: Uint8Array;
  readonly segments: readonly KeptSegment[];
  /** Ids of the segments of which a row has a later state elsewhere, or is gone. */
  readonly touched: readonly number[];
}

const NO_ROW = 0xffffffff;
const SAMPLE: TextDocument = {
  title: 'Ærø’s Drive-in №2',
  summary: 'Straße, straße: a summary of the sample',
  byWeight: new Map([
    [1, 'one text of the sample'],
    [3, 'another text'],
  ]),
};

/** Changes whenever words are told apart or weighed in another way. */
export function textMark(): string {
  return `2 ${JSON.stringify([...impactsOf(SAMPLE)])}`;
}

/** Of a document's texts, 53 bits: two documents with the same print are taken for the same. */
export function printOf({ title, summary, byWeight }: TextDocument): number {
  const hash = new PrintHash();
  hash.add(title);
  hash.add(summary);
  for (const [weight, text] of byWeight) {
    hash.add(String(weight));
    hash.add(text);
  }
  return hash.value();
}

/** Finds documents among those that were kept, and gives their postings to the rows that have them now. */
export class KnownTexts {
  /** By print, the first of the kept rows with it; `next` has the others. */
  private readonly first = new Map<number, number>();
  private readonly next: Uint32Array;
  /** By row its kept one; a row that has none is not there. */
  private readonly keptRowOf: number[] = [];
  private documents = 0;

  constructor(private readonly kept: KeptTexts) {
    const ids = new Set(kept.segments.map(({ id }) => id));
    this.next = new Uint32Array(kept.prints.length);
    for (let row = kept.prints.length - 1; row >= 0; row--) {
      if (!ids.has(kept.segmentOf[row]!)) continue;
      this.documents++;
      const print = kept.prints[row]!;
      this.next[row] = this.first.get(print) ?? NO_ROW;
      this.first.set(print, row);
    }
  }

  /** Whether a document with this print was kept; if so, its postings are this row's from now on. */
  take(print: number, row: number): boolean {
    const kept = this.first.get(print) ?? NO_ROW;
    if (kept === NO_ROW) return false;
    this.first.set(print, this.next[kept]!);
    this.keptRowOf[row] = kept;
    return true;
  }

  /** Takes back {@link take}; answers whether there was anything to take back. */
  release(row: number): boolean {
    const had = this.keptRowOf[row] !== undefined;
    delete this.keptRowOf[row];
    return had;
  }

  /** Of all kept documents, the share that was taken; 0 when there are none. */
  get shareTaken(): number {
    const taken = this.keptRowOf.reduce((count) => count + 1, 0);
    return this.documents === 0 ? 0 : taken / this.documents;
  }

  /** Calls back with each row that took a kept document, and the id of the segment that holds it. */
  forEachTaken(visit: (row: number, keptSegment: number) => void): void {
    this.keptRowOf.forEach((kept, row) => visit(row, this.kept.segmentOf[kept]!));
  }

  /** What counts of the kept segments, with the rows of now, each with an id of `idFor`. */
  segments(idFor: (kept: number) => number): Segment[] {
    const { prints, segmentOf, segments } = this.kept;
    const newRows = new Uint32Array(prints.length).fill(NO_ROW);
    this.keptRowOf.forEach((kept, row) => (newRows[kept] = row));
    return segments.map(({ id, words, starts, rows, impacts }) => {
      const [newStarts, moved, left] = [starts.slice(), new Uint32Array(rows.length), new Uint8Array(rows.length)];
      let end = 0;
      for (let word = 0; word + 1 < starts.length; word++) {
        newStarts[word] = end;
        for (let at = starts[word]!; at < starts[word + 1]!; at++) {
          const row = rows[at]!;
          // Postings of a row that has a later state elsewhere don't count, and didn't when they were kept.
          const now = segmentOf[row] === id ? newRows[row]! : NO_ROW;
          if (now === NO_ROW) continue;
          moved[end] = now;
          left[end++] = impacts[at]!;
        }
      }
      newStarts[starts.length - 1] = end;
      return new Segment(idFor(id), wordsOfKept(words), newStarts, moved.slice(0, end), left.slice(0, end));
    });
  }
}
