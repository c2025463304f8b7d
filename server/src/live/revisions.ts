/** So long it is remembered when a revision was followed by the next. */
const REMEMBERED_IN_MS = 1000;
/** Of so many listings it is remembered when they changed; of all others, that it was not after the oldest of these. */
const MOST_LISTINGS = 20_000;

/** Listings that changed, with the kinds that they are or were of. */
export interface ChangedListings {
  readonly kinds: Iterable<number>;
  readonly listings: Iterable<number>;
}

/** Of which listings something was made: all of some kinds (of every kind: null), and some by their numbers. */
export interface Reads {
  readonly kinds: readonly number[] | null;
  readonly listings: readonly number[];
  /** Whether it tells, or goes by, how often listings were looked at; left out for no. */
  readonly views?: boolean;
}

/** Counts the states of what visitors see, and knows what changed from one to another. */
export class Revisions {
  /** Goes up whenever a page could look otherwise. */
  current = 0;
  /** The latest revision that is more than another state of some listings. */
  private structural = 0;
  /** By kind, the latest revision that changed listings of it; and by listing. */
  private readonly ofKinds = new Map<number, number>();
  private readonly ofListings = new Map<number, number>();
  /** No listing that is not among those changed after this one. */
  private ofOthers = 0;
  /** When the latest ones began, in milliseconds since 1970, by revision. */
  private readonly lately = new Map<number, number>();

  constructor(private readonly clock: () => Date) {}

  /** Null tells that more than some listings changed. */
  next(changed: ChangedListings | null): void {
    const now = this.clock().getTime();
    this.lately.set(++this.current, now);
    for (const [revision, at] of this.lately) if (now - at > REMEMBERED_IN_MS) this.lately.delete(revision);
    if (!changed) this.structural = this.current;
    for (const kindId of changed?.kinds ?? []) this.ofKinds.set(kindId, this.current);
    for (const id of changed?.listings ?? []) this.noteListing(id);
  }

  /** Whether nothing that was read has changed since a revision. */
  isSame({ kinds, listings }: Reads, since: number): boolean {
    if (since === this.current) return true;
    if (since < this.structural || kinds === null) return false;
    const isSameKind = (id: number): boolean => (this.ofKinds.get(id) ?? 0) <= since;
    const isSameListing = (id: number): boolean => (this.ofListings.get(id) ?? this.ofOthers) <= since;
    return kinds.every(isSameKind) && listings.every(isSameListing);
  }

  /** Whether a revision was the current one until a second ago or less, and only listings have changed since. */
  isYoung(revision: number): boolean {
    const since = this.lately.get(revision + 1);
    const isSame = revision >= this.structural;
    return isSame && since !== undefined && this.clock().getTime() - since <= REMEMBERED_IN_MS;
  }

  private noteListing(id: number): void {
    // Those that changed last come last.
    this.ofListings.delete(id);
    this.ofListings.set(id, this.current);
    if (this.ofListings.size <= MOST_LISTINGS) return;
    const [oldest, revision] = this.ofListings.entries().next().value!;
    this.ofListings.delete(oldest);
    this.ofOthers = revision;
  }
}
