import { TypoMeter, letterMask, masksFit, prefixQuality, typoQuality } from './word-match.js';

/** A word of a vocabulary that meets a wanted one, and how well, up to 1. */
export interface FoundWord {
  /** The number of the word in its segment. */
  readonly number: number;
  /** From 0 (not in) up to 1 (the word itself). */
  readonly quality: number;
}

/** A segment as it can be kept: its words in order, one a line, and its postings. */
export interface KeptSegment {
  readonly id: number;
  readonly words: string;
  readonly starts: Uint32Array;
  readonly rows: Uint32Array;
  readonly impacts: Uint8Array;
}

/** What the index asks of a part of it. */
export interface SegmentReader {
  readonly id: number;
  find(wanted: string, isPrefix: boolean, typos: number): FoundWord[];
  /** Postings of a word, by its number in this segment. */
  postings(number: number): Postings;
}

/** Rows that have a word, and beside them how much it says of each. */
export interface Postings {
  readonly rows: Uint32Array;
  readonly impacts: Uint8Array;
  /** Whether each row is greater than the one before it. */
  readonly isAscending: boolean;
}

/** Words in order with the rows that have them, in typed arrays; never changed once it is made. */
export class Segment implements SegmentReader {
  /** Numbers of words and the masks of their letters, by the length of the words: typos change it little. */
  private readonly byLength: ReadonlyMap<number, WordGroup>;
  private readonly isAscending: boolean;

  constructor(
    readonly id: number,
    readonly words: readonly string[],
    /** Where the postings of each word begin; one more at the end. */
    private readonly starts: Uint32Array,
    private readonly rows: Uint32Array,
    private readonly impacts: Uint8Array,
  ) {
    this.byLength = groupedByLength(words);
    this.isAscending = words.every((_, number) => isAscending(rows, starts[number]!, starts[number + 1]!));
  }

  kept(): KeptSegment {
    const { id, starts, rows, impacts } = this;
    return { id, words: this.words.join('\n'), starts, rows, impacts };
  }

  /** With arrays of its own: those that are given may be parts of a file. */
  static restored({ id, words, starts, rows, impacts }: KeptSegment): Segment {
    return new Segment(id, wordsOfKept(words), starts.slice(), rows.slice(), impacts.slice());
  }

  /** Postings in it, those that no longer count too. */
  get size(): number {
    return this.rows.length;
  }

  find(wanted: string, isPrefix: boolean, typos: number): FoundWord[] {
    const found: FoundWord[] = [];
    const from = this.positionOf(wanted);
    let end = from;
    if (this.words[from] === wanted) {
      found.push({ number: from, quality: 1 });
      end++;
    }
    if (isPrefix) {
      for (; end < this.words.length && this.words[end]!.startsWith(wanted); end++) {
        found.push({ number: end, quality: prefixQuality(wanted, this.words[end]!) });
      }
    }
    if (typos > 0) this.findTypos(wanted, typos, from, end, found);
    return found;
  }

  postings(number: number): Postings {
    const [from, to] = [this.starts[number]!, this.starts[number + 1]!];
    const { rows, impacts, isAscending } = this;
    return { rows: rows.subarray(from, to), impacts: impacts.subarray(from, to), isAscending };
  }

  /** Words with typos, those between `from` and `end` aside, which were found already. */
  private findTypos(wanted: string, most: number, from: number, end: number, found: FoundWord[]): void {
    const mask = letterMask(wanted);
    const meter = new TypoMeter();
    for (let length = wanted.length - most; length <= wanted.length + most; length++) {
      const { numbers, masks } = this.byLength.get(length) ?? NO_WORDS;
      for (let at = 0; at < numbers.length; at++) {
        if (!masksFit(mask, masks[at]!, most)) continue;
        const number = numbers[at]!;
        if (number >= from && number < end) continue;
        const typos = meter.typos(wanted, this.words[number]!, most);
        if (typos <= most) found.push({ number, quality: typoQuality(typos) });
      }
    }
  }

  private positionOf(word: string): number {
    let [low, high] = [0, this.words.length];
    while (low < high) {
      const middle = (low + high) >>> 1;
      if (this.words[middle]! < word) low = middle + 1;
      else high = middle;
    }
    return low;
  }
}

/** The words of a kept segment as a list. */
export function wordsOfKept(words: string): string[] {
  return words === '' ? [] : words.split('\n');
}

interface WordGroup {
  readonly numbers: Uint32Array;
  readonly masks: Uint32Array;
}

const NO_WORDS: WordGroup = { numbers: new Uint32Array(0), masks: new Uint32Array(0) };

function groupedByLength(words: readonly string[]): Map<number, WordGroup> {
  const numbers = new Map<number, number[]>();
  words.forEach((word, number) => {
    const own = numbers.get(word.length);
    if (own) own.push(number);
    else numbers.set(word.length, [number]);
  });
  const groupOf = (own: readonly number[]): WordGroup => ({
    numbers: Uint32Array.from(own),
    masks: Uint32Array.from(own, (number) => letterMask(words[number]!)),
  });
  return new Map([...numbers].map(([length, own]) => [length, groupOf(own)]));
}

/** A part to be merged: its words in order, and their postings by position among them. */
export interface MergePart {
  readonly id: number;
  readonly words: readonly string[];
  readonly size: number;
  postings(position: number): Postings;
}

/** Whoever merges in steps may do something else after so many postings; a step takes some milliseconds. */
const POSTINGS_A_STEP = 32_768;

/** One segment of the postings of several for which `isAlive` says that they still count, made in steps. */
export function* mergingSegment(
  id: number,
  parts: readonly MergePart[],
  isAlive: (row: number, part: number) => boolean,
): Generator<void, Segment> {
  const room = parts.reduce((sum, { size }) => sum + size, 0);
  const rows = new Uint32Array(room);
  const impacts = new Uint8Array(room);
  const words: string[] = [];
  const starts: number[] = [];
  const positions = parts.map(() => 0);
  let end = 0;
  let stepEnd = POSTINGS_A_STEP;
  for (;;) {
    if (end >= stepEnd) {
      stepEnd = end + POSTINGS_A_STEP;
      yield;
    }
    let word: string | undefined;
    parts.forEach((part, at) => {
      const own = part.words[positions[at]!];
      if (own !== undefined && (word === undefined || own < word)) word = own;
    });
    if (word === undefined) break;
    const start = end;
    parts.forEach((part, at) => {
      if (part.words[positions[at]!] !== word) return;
      const own = part.postings(positions[at]!++);
      for (let posting = 0; posting < own.rows.length; posting++) {
        const row = own.rows[posting]!;
        if (!isAlive(row, part.id)) continue;
        rows[end] = row;
        impacts[end++] = own.impacts[posting]!;
      }
    });
    if (end === start) continue;
    if (!isAscending(rows, start, end)) sortPostings(rows, impacts, start, end);
    words.push(word);
    starts.push(start);
  }
  starts.push(end);
  return new Segment(id, words, Uint32Array.from(starts), rows.slice(0, end), impacts.slice(0, end));
}

function isAscending(rows: Uint32Array, from: number, to: number): boolean {
  for (let at = from + 1; at < to; at++) if (rows[at]! <= rows[at - 1]!) return false;
  return true;
}

/** Puts a part of the postings in the order of their rows. */
function sortPostings(rows: Uint32Array, impacts: Uint8Array, from: number, to: number): void {
  // A row fits above the eight bits of its impact without loss: both stay below 2 ** 53.
  const sorted = Float64Array.from(rows.subarray(from, to), (row, at) => row * 256 + impacts[from + at]!).sort();
  sorted.forEach((posting, at) => {
    rows[from + at] = Math.floor(posting / 256);
    impacts[from + at] = posting % 256;
  });
}
