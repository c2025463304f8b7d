/** So long it is remembered when a revision was followed by the next. */
const REMEMBERED_IN_MS = 1000;

/** Counts the states of what visitors see. */
export class Revisions {
  /** Goes up whenever a page could look otherwise. */
  current = 0;
  /** The latest revision that is more than another state of some listings. */
  private structural = 0;
  /** When the latest ones began, in milliseconds since 1970, by revision. */
  private readonly lately = new Map<number, number>();

  constructor(private readonly clock: () => Date) {}

  /** `isOfListings` tells that nothing but some listings changed. */
  next(isOfListings: boolean): void {
    const now = this.clock().getTime();
    this.lately.set(++this.current, now);
    if (!isOfListings) this.structural = this.current;
    for (const [revision, at] of this.lately) if (now - at > REMEMBERED_IN_MS) this.lately.delete(revision);
  }

  /** Whether a revision was the current one until a second ago or less, and only listings have changed since. */
  isYoung(revision: number): boolean {
    const since = this.lately.get(revision + 1);
    const isSame = revision >= this.structural;
    return isSame && since !== undefined && this.clock().getTime() - since <= REMEMBERED_IN_MS;
  }
}
