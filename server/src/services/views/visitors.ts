import { hash, randomBytes } from 'node:crypto';
import type { Visit } from './counted-visits.js';

/** The same visitor on the same listing counts once in so long. */
const ONCE_IN_MS = 30 * 60_000;
/** Of more visits than that the oldest are forgotten: some 100 MB. */
const MOST_REMEMBERED = 1_000_000;
/** 72 bits: of a million visits hardly two are ever taken for one. */
const LETTERS_OF_HASH = 12;

const newSalt = (): string => randomBytes(32).toString('base64');

/**
 * Tells visitors apart for half an hour, in memory alone: by a hash of address and browser with a salt that is thrown away when
 * the day is over, so that nobody can be found again by it.
 */
export class Visitors {
  private salt = newSalt();
  private day = NaN;
  /** By visitor and listing, when the visit was counted; the oldest first. */
  private readonly seen = new Map<string, number>();

  /** Whether a visit to a listing is a new one; notes it then. `day` is the one of the site, `nowInMs` since 1970. */
  isNew({ address, headers }: Visit, listingId: number, { day, nowInMs }: { day: number; nowInMs: number }): boolean {
    if (day !== this.day) {
      [this.day, this.salt] = [day, newSalt()];
      this.seen.clear();
    }
    this.forget(nowInMs);
    const whole = hash('sha256', [this.salt, address, headers['user-agent'], listingId].join('\n'), 'base64');
    const visit = whole.slice(0, LETTERS_OF_HASH);
    if (this.seen.has(visit)) return false;
    this.seen.set(visit, nowInMs);
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
