import { wordsOf } from '../../values/index.js';
import type { Bitset } from '../bitset.js';
import { FreshSegment } from './fresh-segment.js';
import type { KeptTexts } from './known-texts.js';
import { KnownTexts, printOf, textMark } from './known-texts.js';
import type { MergePart } from './segment.js';
import { Segment, mergingSegment } from './segment.js';
import type { TextDocument } from './text-document.js';
import { impactsOf } from './text-document.js';
import type { TextMatches } from './text-matches.js';
import type { PostingList } from './word-scores.js';
import { WordScores } from './word-scores.js';
import { typosAllowed } from './word-match.js';

/** At least so many documents come in while the index is built before they are merged into a segment. */
const FRESH_AT_BUILD = 8192;
/** So many segments at most come of it, which leaves room for those known from before. */
const SEGMENTS_AT_BUILD = 128;
/** Documents that come in before they are merged, once the index is finished. */
const FRESH_LATER = 1024;
/** A segment is merged into the one before it when that is not at least so many times as large. */
const SIZE_STEP = 4;
/** Segments of which less is left are merged at once. */
const LEAST_SHARE_KEPT = 0.5;
const NO_SEGMENT = 0;
const MOST_SEGMENTS = 255;

export interface SearchOptions {
  /** Only these rows count. */
  readonly within: Bitset;
  /** Groups of words and phrases that stand for one another, folded as {@link wordsOf} folds. */
  readonly synonyms?: readonly (readonly (readonly string[])[])[];
  /** Whether typos are forgiven; yes unless told otherwise. */
  readonly typos?: boolean;
  /** Whether the last word may be unfinished; yes unless told otherwise. */
  readonly unfinished?: boolean;
}

/** What one place of a query accepts: any of several words or phrases. */
type Slot = readonly (readonly string[])[];

/**
 * Finds rows by words: case, accents and hyphens don't matter, the last word may be unfinished, typos are forgiven. Words
 * and their postings lie in a few segments of typed arrays, the largest first; a change goes into the fresh one, and
 * small segments are merged so that there are never many.
 */
export class TextIndex {
  private readonly segments: Segment[] = [];
  private fresh = new FreshSegment(1);
  /** By row, the segment that holds its latest state. */
  private segmentOf = new Uint8Array(0);
  /** How many documents were read, rather than known from before. */
  documentsRead = 0;
  /** By row, the print of its document. */
  private prints = new Float64Array(0);
  /** While the index is being filled, what another one has read already. */
  private known: KnownTexts | null = null;
  /** Rows in the index, and the segments of which a row has a later state elsewhere, or is gone. */
  private documents = 0;
  private readonly touched = new Set<number>();
  private readonly freshAtBuild: number;
  private isFinished = false;
  private readonly scratch = new WordScores(() => this.segmentOf);

  /** `kept` is what an earlier index has read; documents that it knows are not read again. `expected` rows will come. */
  constructor(kept: KeptTexts | null = null, expected = 0) {
    this.segmentOf = new Uint8Array(expected);
    this.prints = new Float64Array(expected);
    this.freshAtBuild = Math.max(FRESH_AT_BUILD, Math.ceil(expected / SEGMENTS_AT_BUILD));
    if (kept?.mark === textMark()) this.known = new KnownTexts(kept);
  }

  put(row: number, document: TextDocument): void {
    if (row >= this.segmentOf.length) this.widen(row);
    const print = printOf(document);
    // Most changes of a listing leave its texts as they are.
    if (this.segmentOf[row] !== NO_SEGMENT && this.prints[row] === print) return;
    this.remove(row);
    this.documents++;
    this.prints[row] = print;
    if (this.known?.take(print, row)) return;
    this.documentsRead++;
    this.fresh.add(row, impactsOf(document));
    this.segmentOf[row] = this.fresh.id;
    if (this.fresh.documentCount >= (this.isFinished ? FRESH_LATER : this.freshAtBuild)) atOnce(this.settling());
  }

  remove(row: number): void {
    if (this.known?.release(row)) this.documents--;
    const segment = this.segmentOf[row] ?? NO_SEGMENT;
    if (segment === NO_SEGMENT) return;
    this.documents--;
    this.touched.add(segment);
    this.segmentOf[row] = NO_SEGMENT;
  }

  /**
   * Merges what was put in so far, in steps between which others may have their turn; to be called once, when all
   * documents are in. Until it is through, the index is neither asked nor changed.
   */
  *finishing(): Generator<void, void> {
    const share = this.takeKnown();
    this.isFinished = true;
    const hasParts = this.fresh.documentCount > 0 || this.segments.length > 1;
    if (share < LEAST_SHARE_KEPT && hasParts) yield* this.merging(0);
    else if (this.fresh.documentCount > 0) yield* this.settling();
  }

  /** The same at once. */
  finish(): void {
    atOnce(this.finishing());
  }

  /** What was read so far, for another index of the same listings. Merges what came in last. */
  kept(): KeptTexts {
    if (this.fresh.documentCount > 0) atOnce(this.settling());
    return {
      mark: textMark(),
      prints: this.prints.slice(),
      segmentOf: this.segmentOf.slice(),
      segments: this.segments.map((segment) => segment.kept()),
      touched: [...this.touched],
    };
  }

  /** The index that was kept, for the very same rows. */
  static restored({ prints, segmentOf, segments, touched }: KeptTexts): TextIndex {
    const index = new TextIndex(null, segmentOf.length);
    index.prints.set(prints);
    index.segmentOf.set(segmentOf);
    index.segments.push(...segments.map((segment) => Segment.restored(segment)));
    index.fresh = new FreshSegment(index.freeId([]));
    index.documents = segmentOf.reduce((count, segment) => count + (segment === NO_SEGMENT ? 0 : 1), 0);
    for (const id of touched) index.touched.add(id);
    index.isFinished = true;
    return index;
  }

  /** Null when the text holds no word to look for. */
  search(text: string, options: SearchOptions): TextMatches | null {
    const words = wordsOf(text);
    if (words.length === 0) return null;
    const slots = slotsOf(words, options.synonyms ?? []);
    const { within, typos = true, unfinished = true } = options;
    const { scratch } = this;
    scratch.begin(within, this.documents);
    const found = slots.map((slot, at) => {
      const isLast = unfinished && at === slots.length - 1;
      const phrases = slot.map((phrase) =>
        phrase
          .map((word, place) => this.lists(word, isLast && place === phrase.length - 1, typos))
          .map((lists) => scratch.word(lists))
          .reduce((met, word) => scratch.both(met, word, true)),
      );
      const either = scratch.either(phrases);
      // A weight that all have in common changes nothing.
      return slots.length > 1 ? scratch.weighted(either) : either;
    });
    return scratch.result(found);
  }

  /** Takes over the segments of which documents were found again; answers which share of theirs was. */
  private takeKnown(): number {
    const { known } = this;
    this.known = null;
    if (!known) return 0;
    const ids = new Map<number, number>();
    const idFor = (kept: number): number => {
      if (!ids.has(kept)) ids.set(kept, this.freeId([this.fresh.id, ...ids.values()]));
      return ids.get(kept)!;
    };
    this.segments.unshift(...known.segments(idFor));
    known.forEachTaken((row, kept) => (this.segmentOf[row] = idFor(kept)));
    return known.shareTaken;
  }

  private lists(word: string, isPrefix: boolean, forgivesTypos: boolean): PostingList[] {
    const most = forgivesTypos ? typosAllowed(word) : 0;
    const lists: PostingList[] = [];
    for (const segment of [...this.segments, this.fresh]) {
      const isClean = !this.touched.has(segment.id);
      for (const { number, quality } of segment.find(word, isPrefix, most)) {
        const { rows, impacts, isAscending } = segment.postings(number);
        lists.push({ rows, impacts, isAscending, quality, segment: segment.id, isClean });
      }
    }
    return lists;
  }

  /** Makes a segment of the fresh documents, merging smaller segments into it. */
  private *settling(): Generator<void, void> {
    let from = this.segments.length;
    let { size } = this.fresh;
    while (this.isFinished && from > 0 && this.segments[from - 1]!.size < size * SIZE_STEP) {
      size += this.segments[--from]!.size;
    }
    yield* this.merging(from);
  }

  private *merging(from: number): Generator<void, void> {
    const merged = this.segments.splice(from);
    const parts: MergePart[] = [...merged.map(asPart), this.fresh.asPart()];
    const id = this.freeId([...merged.map((segment) => segment.id), this.fresh.id]);
    const { segmentOf } = this;
    const made = yield* mergingSegment(id, parts, (row, part) => segmentOf[row] === part);
    const old = new Set(parts.map((part) => part.id));
    for (let row = 0; row < segmentOf.length; row++) if (old.has(segmentOf[row]!)) segmentOf[row] = id;
    for (const gone of [...old, id]) this.touched.delete(gone);
    this.segments.push(made);
    this.fresh = new FreshSegment(this.freeId([]));
  }

  private freeId(others: readonly number[]): number {
    const taken = new Set([...this.segments.map(({ id }) => id), ...others]);
    for (let id = 1; id <= MOST_SEGMENTS; id++) if (!taken.has(id)) return id;
    throw new Error('A text index has no room for another segment; merge some first.');
  }

  private widen(row: number): void {
    const wider = new Uint8Array(Math.max(64, Math.ceil((row + 1) * 1.5)));
    wider.set(this.segmentOf);
    this.segmentOf = wider;
    const prints = new Float64Array(wider.length);
    prints.set(this.prints);
    this.prints = prints;
  }
}

function atOnce(steps: Iterable<void>): void {
  for (const _ of steps);
}

function asPart(segment: Segment): MergePart {
  const { id, words, size } = segment;
  return { id, words, size, postings: (position) => segment.postings(position) };
}

/** The places of a query: its words, and where words or phrases have synonyms, those beside them. */
function slotsOf(words: readonly string[], synonyms: NonNullable<SearchOptions['synonyms']>): Slot[] {
  const slots: Slot[] = [];
  for (let at = 0; at < words.length;) {
    const found = longestSynonym(words.slice(at), synonyms);
    slots.push(found ? found.group : [[words[at]!]]);
    at += found?.length ?? 1;
  }
  return slots;
}

function longestSynonym(
  words: readonly string[],
  synonyms: NonNullable<SearchOptions['synonyms']>,
): { group: Slot; length: number } | null {
  let best: { group: Slot; length: number } | null = null;
  for (const group of synonyms) {
    for (const phrase of group) {
      const fits = phrase.length > 0 && phrase.every((word, at) => words[at] === word);
      if (fits && phrase.length > (best?.length ?? 0)) best = { group, length: phrase.length };
    }
  }
  return best;
}
