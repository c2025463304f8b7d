import type { Live } from '../live/live.js';
import type { Reads } from '../live/revisions.js';

/** Counting changes nothing that pages are kept by; those that tell of it are looked at again after so long. */
const VIEWS_HOLD_IN_MS = 10_000;

/** Something that was made for visitors. It holds until something that it was made of changes, or until a given moment. */
export class Held<Thing> {
  /** The latest state of what visitors see for which it is known to hold. */
  private revision: number;
  /**
   * The moment at which it was begun, and the one from which on it may look different though nothing was changed, in
   * milliseconds since 1970. A clock that is set back makes it one of the future, of which nothing is known.
   */
  private readonly from: number;
  private readonly until: number;
  private made: Thing | undefined;

  /** To be called before it is made: what changes meanwhile may or may not be in it. */
  constructor(
    private readonly live: Live,
    private readonly reads: Reads,
    since = live.revision,
  ) {
    this.revision = since;
    this.from = live.nowInMs();
    const until = live.holdsUntil(this.from);
    this.until = reads.views ? Math.min(until, this.from + VIEWS_HOLD_IN_MS) : until;
  }

  is(thing: Thing): this {
    this.made = thing;
    return this;
  }

  /** The thing, as long as it holds. */
  now(): Thing | undefined {
    const { revisions } = this.live;
    if (!this.isTimely() || !revisions.isSame(this.reads, this.revision)) return undefined;
    this.revision = revisions.current;
    return this.made;
  }

  /** The thing, as long as it holds and for a second after a change of listings, unless it was one of some. */
  justBefore(unless: Reads): Thing | undefined {
    const { revisions } = this.live;
    const isYoung = revisions.isYoung(this.revision) && revisions.isSame(unless, this.revision);
    return this.isTimely() && isYoung ? this.made : undefined;
  }

  /** The thing as it was made, whether it holds or not. */
  get last(): Thing | undefined {
    return this.made;
  }

  private isTimely(): boolean {
    const now = this.live.nowInMs();
    return this.from <= now && now < this.until;
  }
}
