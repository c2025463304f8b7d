import type { CountedThing, SearchInList } from '@plindo/core/learn';

/** Lists follow the typing: what somebody searches is what stands there after so long. */
const SETTLES_IN_MS = 2500;

/** When something was done: a moment, in milliseconds since 1970, and its day of the site. */
export interface DoneAt {
  readonly day: number;
  readonly atInMs: number;
}

interface UnderWay extends DoneAt {
  readonly search: SearchInList;
}

/** What of a search counts, and for whom. */
export interface Settled extends DoneAt {
  readonly visitor: string;
  readonly things: readonly CountedThing[];
}

/** Holds searches back while somebody may still be typing, so that "cr" and "cran" don't count beside "crane". */
export class SearchesUnderWay {
  /** The latest of each visitor in each list. */
  private readonly latest = new Map<string, UnderWay>();

  /** Notes what a visitor searches, and gives what counts of what they searched in that list before. */
  note(visitor: string, search: SearchInList, { day, atInMs }: DoneAt): Settled[] {
    const key = `${visitor}${search.list}`;
    const before = this.latest.get(key);
    // The newest are the last ones, so that the oldest are found first.
    this.latest.delete(key);
    this.latest.set(key, { search, day, atInMs });
    const isTyping = before && atInMs - before.atInMs < SETTLES_IN_MS && goesOn(before.search.words, search.words);
    return before && !isTyping
      ? [{ visitor, day: before.day, atInMs: before.atInMs, things: before.search.things }]
      : [];
  }

  /** Those that have settled by a moment; all of them where none is given. */
  settled(byInMs = Infinity): Settled[] {
    const found: Settled[] = [];
    for (const [key, { search, day, atInMs }] of this.latest) {
      // A clock that is set back makes moments of the future.
      if (byInMs - atInMs < SETTLES_IN_MS && byInMs >= atInMs) break;
      const visitor = key.slice(0, key.length - search.list.length);
      found.push({ visitor, day, atInMs, things: search.things });
      this.latest.delete(key);
    }
    return found;
  }

  forgetAll(): void {
    this.latest.clear();
  }
}

/** Whether somebody went on typing, or took letters back; the same words again are no typing. */
function goesOn(before: string, now: string): boolean {
  return before !== '' && now !== '' && (now.startsWith(before) || before.startsWith(now));
}
