import { once } from '../../values/index.js';
import type { Bitset } from '../bitset.js';
import type { TextMatches } from './text-matches.js';

/** Rows that have a word, with how much it says of each, of one segment. */
export interface PostingList {
  readonly rows: Uint32Array;
  readonly impacts: Uint8Array;
  /** Whether each row is greater than the one before it. */
  readonly isAscending: boolean;
  readonly quality: number;
  readonly segment: number;
  /** Whether all of them count, as no row of the segment has a later state. */
  readonly isClean: boolean;
}

/** Rows with how well each meets something, side by side, each row once. A strength counts `factor` times. */
interface Scored {
  readonly rows: Uint32Array;
  readonly strengths: Float32Array | Uint8Array;
  readonly factor: number;
  readonly isAscending: boolean;
}

/**
 * Adds up how well rows meet a query. A slot is met by any of its phrases, a phrase by all of its words, a word by the
 * best of its postings. The array by row is kept between searches, and left at zero after each step.
 */
export class WordScores {
  private byRow = new Float32Array(0);
  private scores = new Float32Array(0);
  private within: Uint32Array = new Uint32Array(0);
  private population: () => number = () => 0;
  /** Whether every latest state of a row counts, so that nothing has to be looked through. */
  private isWhole: () => boolean = () => false;

  /** `segmentOf` says which segment holds the latest state of a row; only those postings count. */
  constructor(private readonly segmentOf: () => Uint8Array) {}

  /** `documents` is the number of rows that are in the index. */
  begin(within: Bitset, documents: number): void {
    if (this.byRow.length < within.capacity) {
      this.byRow = new Float32Array(within.capacity);
      this.scores = new Float32Array(within.capacity);
    }
    this.within = within.words;
    // Counting takes longer than looking through a few postings.
    this.population = once(() => within.count());
    this.isWhole = () => this.population() === documents;
  }

  /** The rows of a word. */
  word(lists: readonly PostingList[]): Scored {
    const [only, ...others] = lists;
    if (!only) return EMPTY;
    return others.length === 0 ? this.single(only) : this.best(lists);
  }

  private single({ rows, impacts, quality, segment, isClean, isAscending }: PostingList): Scored {
    if (isClean && rows.length > FEW_POSTINGS && this.isWhole()) {
      return { rows, strengths: impacts, factor: quality, isAscending };
    }
    const { within } = this;
    const segmentOf = this.segmentOf();
    const found = new Uint32Array(rows.length);
    const strengths = new Float32Array(rows.length);
    let end = 0;
    for (let at = 0; at < rows.length; at++) {
      const row = rows[at]!;
      if (segmentOf[row] !== segment || (within[row >>> 5]! & (1 << (row & 31))) === 0) continue;
      found[end] = row;
      strengths[end++] = impacts[at]! * quality;
    }
    return partOf(found, strengths, end, isAscending);
  }

  /** Of several postings of a row the best counts. */
  private best(lists: readonly PostingList[]): Scored {
    const { byRow, within } = this;
    const segmentOf = this.segmentOf();
    const found = new Uint32Array(lists.reduce((sum, { rows }) => sum + rows.length, 0));
    const isAll = found.length > FEW_POSTINGS && this.isWhole();
    let end = 0;
    for (const { rows, impacts, quality, segment, isClean } of lists) {
      const takesAll = isClean && isAll;
      for (let at = 0; at < rows.length; at++) {
        const row = rows[at]!;
        if (!takesAll && (segmentOf[row] !== segment || (within[row >>> 5]! & (1 << (row & 31))) === 0)) continue;
        const strength = impacts[at]! * quality;
        const known = byRow[row]!;
        if (known === 0) found[end++] = row;
        if (strength > known) byRow[row] = strength;
      }
    }
    return this.takeOut(found.subarray(0, end));
  }

  /** What stands by row for these rows; it is zero afterwards. */
  private takeOut(rows: Uint32Array): Scored {
    const { byRow } = this;
    const strengths = new Float32Array(rows.length);
    for (let at = 0; at < rows.length; at++) {
      strengths[at] = byRow[rows[at]!]!;
      byRow[rows[at]!] = 0;
    }
    return { rows, strengths, factor: 1, isAscending: false };
  }

  /** Rows that have both; the weaker counts where `isWeaker` is set, else the sum. */
  both(a: Scored, b: Scored, isWeaker: boolean): Scored {
    const [few, many] = a.rows.length < b.rows.length ? [a, b] : [b, a];
    if (many.isAscending && few.rows.length * LOOK_UP_COST < many.rows.length) return lookedUp(few, many, isWeaker);
    const { byRow } = this;
    for (let at = 0; at < few.rows.length; at++) byRow[few.rows[at]!] = few.strengths[at]! * few.factor;
    const rows = new Uint32Array(few.rows.length);
    const strengths = new Float32Array(few.rows.length);
    let end = 0;
    for (let at = 0; at < many.rows.length; at++) {
      const row = many.rows[at]!;
      const known = byRow[row]!;
      if (known === 0) continue;
      const own = many.strengths[at]! * many.factor;
      rows[end] = row;
      strengths[end++] = isWeaker ? Math.min(own, known) : own + known;
    }
    for (const row of few.rows) byRow[row] = 0;
    return partOf(rows, strengths, end, many.isAscending);
  }

  /** Rows that have either, the better counts. */
  either(all: readonly Scored[]): Scored {
    const [only, ...others] = all;
    if (others.length === 0) return only ?? EMPTY;
    const { byRow } = this;
    const found = new Uint32Array(all.reduce((sum, { rows }) => sum + rows.length, 0));
    let end = 0;
    for (const { rows, strengths, factor } of all) {
      for (let at = 0; at < rows.length; at++) {
        const row = rows[at]!;
        const known = byRow[row]!;
        if (known === 0) found[end++] = row;
        const own = strengths[at]! * factor;
        if (own > known) byRow[row] = own;
      }
    }
    return this.takeOut(found.subarray(0, end));
  }

  /** A slot counts the more the fewer rows meet it. */
  weighted(scored: Scored): Scored {
    const rarity = Math.log(1 + (this.population() + 1) / (scored.rows.length + 0.5));
    return { ...scored, factor: scored.factor * rarity };
  }

  /** The rows that meet all slots; where there are none, those that meet the most, if that is half of them at least. */
  result(slots: readonly Scored[]): TextMatches {
    const wanted = slots.length;
    const byLength = [...slots].sort((a, b) => a.rows.length - b.rows.length);
    const all = byLength.reduce((met, slot) => this.both(met, slot, false));
    if (all.rows.length > 0 || wanted === 1) return this.matches(all, wanted, wanted);
    for (let met = wanted - 1; met * 2 >= wanted; met--) {
      const most = this.meeting(slots, met);
      if (most.rows.length > 0) return this.matches(most, wanted, met);
    }
    return this.matches(EMPTY, wanted, wanted);
  }

  /** The rows that meet exactly so many slots. */
  private meeting(slots: readonly Scored[], met: number): Scored {
    const counts = new Map<number, { count: number; strength: number }>();
    for (const { rows, strengths, factor } of slots) {
      rows.forEach((row, at) => {
        const known = counts.get(row) ?? { count: 0, strength: 0 };
        counts.set(row, { count: known.count + 1, strength: known.strength + strengths[at]! * factor });
      });
    }
    const found = [...counts].filter(([, { count }]) => count === met);
    return {
      rows: Uint32Array.from(found, ([row]) => row),
      strengths: Float32Array.from(found, ([, { strength }]) => strength),
      factor: 1,
      isAscending: false,
    };
  }

  private matches(all: Scored, wanted: number, met: number): TextMatches {
    const { rows, strengths } = all;
    return { rows, strengths, scores: once(() => this.spread(all)), wanted, met };
  }

  /** The strengths by row. What stands there of earlier searches is never asked for, so it may stay. */
  private spread({ rows, strengths, factor }: Scored): Float32Array {
    const { scores } = this;
    for (let at = 0; at < rows.length; at++) scores[rows[at]!] = strengths[at]! * factor;
    return scores;
  }
}

/** Rows that have both, by looking up those of the shorter list in the longer one, which ascends. */
function lookedUp(few: Scored, many: Scored, isWeaker: boolean): Scored {
  const rows = new Uint32Array(few.rows.length);
  const strengths = new Float32Array(few.rows.length);
  let [end, from] = [0, 0];
  for (let at = 0; at < few.rows.length; at++) {
    const row = few.rows[at]!;
    const place = placeOf(row, many.rows, from);
    if (few.isAscending) from = place;
    if (many.rows[place] !== row) continue;
    const [own, known] = [many.strengths[place]! * many.factor, few.strengths[at]! * few.factor];
    rows[end] = row;
    strengths[end++] = isWeaker ? Math.min(own, known) : own + known;
  }
  return partOf(rows, strengths, end, few.isAscending);
}

/** Where a row stands in an ascending list, or would; it isn't before `from`. Steps double, so that near ones are found fast. */
function placeOf(row: number, rows: Uint32Array, from: number): number {
  let [low, step] = [from, 1];
  while (low + step < rows.length && rows[low + step]! < row) {
    low += step;
    step *= 2;
  }
  let high = Math.min(low + step, rows.length);
  while (low < high) {
    const middle = (low + high) >>> 1;
    if (rows[middle]! < row) low = middle + 1;
    else high = middle;
  }
  return low;
}

function partOf(rows: Uint32Array, strengths: Float32Array, end: number, isAscending: boolean): Scored {
  return { rows: rows.subarray(0, end), strengths: strengths.subarray(0, end), factor: 1, isAscending };
}

const FEW_POSTINGS = 1000;
/** Looking a row up in a list takes about as long as passing over so many of its rows. */
const LOOK_UP_COST = 16;
const EMPTY: Scored = partOf(new Uint32Array(0), new Float32Array(0), 0, true);
