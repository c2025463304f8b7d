import { hash, randomBytes } from 'node:crypto';
import type { Visit } from './counted-visits.js';

/** The same visitor counts once in so long for the same thing. */
const ONCE_IN_MS = 30 * 60_000;
/** Of more than that the oldest are forgotten: some 150 MB. */
const MOST_REMEMBERED = 1_000_000;
/** 72 bits: of a million visitors hardly two are ever taken for one. */
const LETTERS_OF_HASH = 12;

const newSalt = (): string => randomBytes(32).toString('base64');

/**
 * Tells visitors apart for half an hour, in memory alone: by a hash of address and browser with a salt that is thrown away when
 * the day is over, so that nobody can be found again by it.
 */
export class Visitors {
  private salt = newSalt();
  private day = NaN;
  /** By visitor and thing, when it was counted; the oldest first. */
  private readonly seen = new Map<string, number>();

  /** What a visitor goes by on a day of the site. */
  nameOf({ address, headers }: Visit, day: number): string {
    if (day !== this.day) {
      [this.day, this.salt] = [day, newSalt()];
      this.seen.clear();
    }
    return hash('sha256', [this.salt, address, headers['user-agent']].join('\n'), 'base64').slice(0, LETTERS_OF_HASH);
  }

  /** Whether something is new of a visitor at a moment, in milliseconds since 1970; notes it then. */
  isNew(visitor: string, thing: string, atInMs: number): boolean {
    this.forget(atInMs);
    const visit = `${visitor}${thing}`;
    if (this.seen.has(visit)) return false;
    this.seen.set(visit, atInMs);
    return true;
  }

  /** Forgets everybody. */
  forgetAll(): void {
    this.seen.clear();
  }

  private forget(nowInMs: number): void {
    for (const [visit, at] of this.seen) {
      // A clock that is set back makes moments of the future.
      const isOver = nowInMs - at >= ONCE_IN_MS || at > nowInMs;
      if (!isOver && this.seen.size <= MOST_REMEMBERED) return;
      this.seen.delete(visit);
    }
  }
}
