import type { FoundWord, MergePart, Postings, SegmentReader } from './segment.js';
import { TypoMeter, letterMask, masksFit, prefixQuality, typoQuality } from './word-match.js';

const NONE = 0xffffffff;

/** What came in last: words and postings in the order in which they came, until they are merged into a segment. */
export class FreshSegment implements SegmentReader {
  /** By number of a document its row; a row that came in again has a later document, and its earlier ones are void. */
  private readonly rowOf: number[] = [];
  private readonly documentOf = new Map<number, number>();
  private readonly isVoid: boolean[] = [];
  private readonly numbers = new Map<string, number>();
  private readonly words: string[] = [];
  private readonly masks: number[] = [];
  /** The last posting of each word; each posting knows the one before it. */
  private readonly last: number[] = [];
  private previous = new Uint32Array(1024);
  private documents = new Uint32Array(1024);
  private impacts = new Uint8Array(1024);
  /** Postings that came in, those of void documents too. */
  size = 0;

  constructor(readonly id: number) {}

  /** Documents that came in, the void ones too. */
  get documentCount(): number {
    return this.rowOf.length;
  }

  add(row: number, impacts: ReadonlyMap<string, number>): void {
    const document = this.rowOf.push(row) - 1;
    const earlier = this.documentOf.get(row);
    if (earlier !== undefined) this.isVoid[earlier] = true;
    this.isVoid.push(false);
    this.documentOf.set(row, document);
    if (this.size + impacts.size > this.documents.length) this.widen(impacts.size);
    for (const [word, impact] of impacts) {
      const number = this.numberOf(word);
      this.documents[this.size] = document;
      this.impacts[this.size] = impact;
      this.previous[this.size] = this.last[number]!;
      this.last[number] = this.size++;
    }
  }

  find(wanted: string, isPrefix: boolean, most: number): FoundWord[] {
    const found: FoundWord[] = [];
    const mask = letterMask(wanted);
    const meter = new TypoMeter();
    this.words.forEach((word, number) => {
      if (word === wanted) found.push({ number, quality: 1 });
      else if (isPrefix && word.startsWith(wanted)) found.push({ number, quality: prefixQuality(wanted, word) });
      else if (most > 0 && masksFit(mask, this.masks[number]!, most)) {
        const typos = meter.typos(wanted, word, most);
        if (typos <= most) found.push({ number, quality: typoQuality(typos) });
      }
    });
    return found;
  }

  postings(number: number): Postings {
    const at: number[] = [];
    for (let posting = this.last[number]!; posting !== NONE; posting = this.previous[posting]!) {
      if (!this.isVoid[this.documents[posting]!]) at.push(posting);
    }
    // In the order in which they came: that of rows, while an index is built.
    at.reverse();
    return {
      rows: Uint32Array.from(at, (posting) => this.rowOf[this.documents[posting]!]!),
      impacts: Uint8Array.from(at, (posting) => this.impacts[posting]!),
      isAscending: false,
    };
  }

  asPart(): MergePart {
    const words = [...this.words].sort((a, b) => (a < b ? -1 : 1));
    const { id, size } = this;
    return { id, size, words, postings: (position) => this.postings(this.numbers.get(words[position]!)!) };
  }

  private numberOf(word: string): number {
    let number = this.numbers.get(word);
    if (number === undefined) {
      number = this.words.push(word) - 1;
      this.numbers.set(word, number);
      this.masks.push(letterMask(word));
      this.last.push(NONE);
    }
    return number;
  }

  private widen(needed: number): void {
    const length = Math.max(this.documents.length * 2, this.size + needed);
    const [previous, documents, impacts] = [new Uint32Array(length), new Uint32Array(length), new Uint8Array(length)];
    previous.set(this.previous);
    documents.set(this.documents);
    impacts.set(this.impacts);
    [this.previous, this.documents, this.impacts] = [previous, documents, impacts];
  }
}
