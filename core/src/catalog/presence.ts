import { Bitset } from './bitset.js';

/**
 * Rows that are present in a window of time: from a moment on (in), until a moment (out), both open where they aren't
 * given. Which rows those are is worked out once for each stretch of time in which nothing changes.
 */
export class Presence {
  /** Rows that can be present at all, and of these the ones that have a window. */
  private candidates: Bitset;
  private windowed: Bitset;
  private from: Float64Array;
  private until: Float64Array;
  private rows: Bitset;
  /** The stretch for which {@link rows} holds: from `since` on (in) until `next` (out). */
  private since = -Infinity;
  private next = Infinity;

  constructor(capacity: number) {
    this.candidates = new Bitset(capacity);
    this.windowed = new Bitset(capacity);
    this.rows = new Bitset(capacity);
    this.from = new Float64Array(capacity);
    this.until = new Float64Array(capacity);
  }

  grow(capacity: number): void {
    this.candidates = this.candidates.grown(capacity);
    this.windowed = this.windowed.grown(capacity);
    this.rows = this.rows.grown(capacity);
    this.from = grown(this.from, capacity);
    this.until = grown(this.until, capacity);
  }

  /** `from` and `until` are moments in milliseconds since 1970, or null. */
  put(row: number, isCandidate: boolean, from: number | null, until: number | null): void {
    const wasWindowed = this.windowed.has(row);
    const isWindowed = isCandidate && (from !== null || until !== null);
    this.candidates.put(row, isCandidate);
    this.windowed.put(row, isWindowed);
    this.from[row] = from ?? -Infinity;
    this.until[row] = until ?? Infinity;
    this.rows.put(row, isCandidate);
    // The stretch may be another one now: it is found again at the next question.
    if (isWindowed || wasWindowed) [this.since, this.next] = [Infinity, -Infinity];
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

  private workOut(moment: number): void {
    this.rows = this.candidates.clone();
    this.since = -Infinity;
    this.next = Infinity;
    this.windowed.forEach((row) => {
      const [from, until] = [this.from[row]!, this.until[row]!];
      if (moment < from || moment >= until) this.rows.delete(row);
      // A window that ends before it begins is never open, and changes nothing.
      if (from >= until) return;
      for (const change of [from, until]) {
        if (change <= moment) this.since = Math.max(this.since, change);
        else this.next = Math.min(this.next, change);
      }
    });
  }
}

function grown(from: Float64Array, capacity: number): Float64Array {
  const larger = new Float64Array(capacity);
  larger.set(from);
  return larger;
}
