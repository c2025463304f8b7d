import type { LongPiece } from './long-work';

/** Before this time nothing can be said about the pace. */
const TOLD_AFTER_IN_MS = 1500;

/** How fast a piece of work goes, and how long it will still take. */
export interface Pace {
  /** A second. */
  readonly rate: number;
  /** Null where nobody can say how much there is. */
  readonly leftInMs: number | null;
}

/** The pace of a piece of work at a moment of its page's clock; null while it is too early to tell. */
export function paceOf({ done, total, startedAt, endedAt }: LongPiece, now: number): Pace | null {
  const tookInMs = (endedAt ?? now) - startedAt;
  if (done === 0 || tookInMs < TOLD_AFTER_IN_MS) return null;
  const rate = (1000 * done) / tookInMs;
  return { rate, leftInMs: total === null ? null : (1000 * Math.max(0, total - done)) / rate };
}

/** "about 40 seconds", "about 3 minutes": nobody waits by the second. */
export function aboutHowLong(inMs: number): string {
  const seconds = Math.ceil(inMs / 1000);
  if (seconds <= 5) return 'a few seconds';
  if (seconds < 90) return `about ${Math.ceil(seconds / 10) * 10} seconds`;
  return `about ${Math.round(seconds / 60)} minutes`;
}
