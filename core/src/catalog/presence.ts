import { Bitset } from './bitset.js';

/** Moments in milliseconds since 1970; infinite where a window is open. */
interface Window {
  readonly from: number;
  readonly until: number;
}

export interface KeptPresence {
  /** The words of the set of rows that are present at some time. */
  readonly candidates: Uint32Array;
  readonly windows: readonly (readonly [row: number, from: number, until: number])[];
}

/**
 * Rows that are present in a window of time: from a moment on (in), until a moment (out), both open where they aren't
 * given. Which rows those are is worked out once for each stretch of time in which nothing changes.
 */
export class Presence {
  /** Rows that are present at some time. */
  private candidates: Bitset;
  /** Those of them that are not always. */
  private readonly windows = new Map<number, Window>();
  private rows: Bitset;
  /** The stretch for which {@link rows} holds: from `since` on (in) until `next` (out). */
  private since = -Infinity;
  private next = Infinity;

  constructor(private capacity: number) {
    this.candidates = new Bitset(capacity);
    this.rows = new Bitset(capacity);
  }

  grow(capacity: number): void {
    this.capacity = capacity;
    this.candidates = this.candidates.grown(capacity);
    this.rows = this.rows.grown(capacity);
  }

  kept(): KeptPresence {
    const windows = Array.from(this.windows, ([row, { from, until }]) => [row, from, until] as const);
    return { candidates: this.candidates.words.slice(), windows };
  }

  /** To be called on one that is empty. */
  restore({ candidates, windows }: KeptPresence): void {
    this.candidates = new Bitset(this.capacity, candidates.slice());
    for (const [row, from, until] of windows) this.windows.set(row, { from, until });
    this.forget();
  }

  /** `from` and `until` are moments, or null. */
  put(row: number, isCandidate: boolean, from: number | null, until: number | null): void {
    const wasWindowed = this.windows.delete(row);
    const isWindowed = isCandidate && (from !== null || until !== null);
    this.candidates.put(row, isCandidate);
    if (isWindowed) this.windows.set(row, { from: from ?? -Infinity, until: until ?? Infinity });
    this.rows.put(row, isCandidate);
    if (isWindowed || wasWindowed) this.forget();
  }

  /** The rows that are present at a moment. The set belongs to this: copy it before changing it. */
  at(momentInMs: number): Bitset {
    if (momentInMs < this.since || momentInMs >= this.next) this.workOut(momentInMs);
    return this.rows;
  }

  /** The next moment after the given one at which a row comes or goes; infinite when there is none. */
  nextChange(momentInMs: number): number {
    this.at(momentInMs);
    return this.next;
  }

  /** The stretch may be another one now: it is found again at the next question. */
  private forget(): void {
    [this.since, this.next] = [Infinity, -Infinity];
  }

  private workOut(moment: number): void {
    this.rows = this.candidates.clone();
    [this.since, this.next] = [-Infinity, Infinity];
    for (const [row, { from, until }] of this.windows) {
      if (moment < from || moment >= until) this.rows.delete(row);
      // A window that ends before it begins is never open, and changes nothing.
      if (from >= until) continue;
      for (const change of [from, until]) {
        if (change <= moment) this.since = Math.max(this.since, change);
        else this.next = Math.min(this.next, change);
      }
    }
  }
}
