import type { Bitset } from '../bitset.js';
import type { TextMatches } from './text-index.js';

/**
 * Adds up how well rows meet a query, slot by slot. A slot is met by any of its phrases, a phrase by all of its words, a
 * word by the best of its postings. The arrays are kept between searches, and only what was touched is cleared.
 */
export class WordScores {
  private scores = new Float32Array(0);
  private ofSlot = new Float32Array(0);
  private ofPhrase = new Float32Array(0);
  private ofWord = new Float32Array(0);
  private slotsMet = new Uint8Array(0);
  /** Rows with an entry in the array of the same stage. */
  private touched: Rows = new Rows();
  private slotRows: Rows = new Rows();
  private phraseRows: Rows = new Rows();
  private wordRows: Rows = new Rows();
  private within: Uint32Array = new Uint32Array(0);
  private population = 0;

  begin(capacity: number, within: Bitset): void {
    if (this.scores.length < capacity) {
      this.scores = new Float32Array(capacity);
      this.ofSlot = new Float32Array(capacity);
      this.ofPhrase = new Float32Array(capacity);
      this.ofWord = new Float32Array(capacity);
      this.slotsMet = new Uint8Array(capacity);
    } else {
      this.touched.forEach((row) => {
        this.scores[row] = 0;
        this.slotsMet[row] = 0;
      });
    }
    this.touched.clear();
    this.within = within.words;
    this.population = within.count();
  }

  addPostings(rows: Uint32Array, impacts: Uint8Array, quality: number, segmentOf: Uint8Array, segment: number): void {
    const { ofWord, wordRows, within } = this;
    for (let at = 0; at < rows.length; at++) {
      const row = rows[at]!;
      if (segmentOf[row] !== segment || (within[row >>> 5]! & (1 << (row & 31))) === 0) continue;
      const score = impacts[at]! * quality;
      const known = ofWord[row]!;
      if (known === 0) wordRows.push(row);
      if (score > known) ofWord[row] = score;
    }
  }

  /** Ends a word of a phrase: the phrase is met where all of its words so far are. */
  endWord(isFirst: boolean): void {
    if (isFirst) {
      [this.ofPhrase, this.ofWord] = [this.ofWord, this.ofPhrase];
      [this.phraseRows, this.wordRows] = [this.wordRows, this.phraseRows];
      return;
    }
    const both = new Rows();
    this.phraseRows.forEach((row) => {
      if (this.ofWord[row] === 0) this.ofPhrase[row] = 0;
      else {
        this.ofPhrase[row] = Math.min(this.ofPhrase[row]!, this.ofWord[row]!);
        both.push(row);
      }
    });
    this.wordRows.forEach((row) => (this.ofWord[row] = 0));
    this.wordRows.clear();
    this.phraseRows = both;
  }

  /** Ends a phrase: the slot takes the best of its phrases. */
  endPhrase(): void {
    if (this.slotRows.size === 0) {
      [this.ofSlot, this.ofPhrase] = [this.ofPhrase, this.ofSlot];
      [this.slotRows, this.phraseRows] = [this.phraseRows, this.slotRows];
      return;
    }
    this.phraseRows.forEach((row) => {
      if (this.ofSlot[row] === 0) this.slotRows.push(row);
      this.ofSlot[row] = Math.max(this.ofSlot[row]!, this.ofPhrase[row]!);
      this.ofPhrase[row] = 0;
    });
    this.phraseRows.clear();
  }

  /** Ends a slot: it counts the more the fewer rows meet it. */
  endSlot(): void {
    const { slotRows, ofSlot, scores, slotsMet, touched } = this;
    const rarity = Math.log(1 + (this.population + 1) / (slotRows.size + 0.5));
    const { rows, size } = slotRows;
    for (let at = 0; at < size; at++) {
      const row = rows[at]!;
      if (slotsMet[row]! === 0) touched.push(row);
      slotsMet[row]!++;
      scores[row]! += ofSlot[row]! * rarity;
      ofSlot[row] = 0;
    }
    slotRows.clear();
  }

  /** The rows that meet all slots; where there are none, those that meet the most, if that is half of them at least. */
  result(wanted: number): TextMatches {
    const { rows, size } = this.touched;
    const counts = new Uint32Array(wanted + 1);
    for (let at = 0; at < size; at++) counts[this.slotsMet[rows[at]!]!]!++;
    let met = wanted;
    while (met * 2 > wanted && counts[met] === 0 && (met - 1) * 2 >= wanted) met--;
    const found = new Uint32Array(counts[met]!);
    let end = 0;
    for (let at = 0; at < size; at++) if (this.slotsMet[rows[at]!] === met) found[end++] = rows[at]!;
    return { rows: found, scores: this.scores, wanted, met: found.length === 0 ? wanted : met };
  }
}

/** A list of rows in a typed array that grows. */
class Rows {
  rows = new Uint32Array(256);
  size = 0;

  push(row: number): void {
    if (this.size === this.rows.length) {
      const wider = new Uint32Array(this.size * 2);
      wider.set(this.rows);
      this.rows = wider;
    }
    this.rows[this.size++] = row;
  }

  clear(): void {
    this.size = 0;
  }

  forEach(visit: (row: number) => void): void {
    for (let at = 0; at < this.size; at++) visit(this.rows[at]!);
  }
}
