import type { FeedChange, FeedReason, Store } from '../store/index.js';

/** Whoever waits for a change goes on after this long even when it isn't applied; it is committed all the same. */
const LONGEST_WAIT_IN_MS = 60_000;

/** What a reader hands changes to. */
export interface Follower {
  /**
   * Takes in a change, after all before it. Answers what goes on meanwhile, such as catalogs that are built anew: the
   * next change needn't wait for it, but whoever made this one does. Applying one twice is no different from once.
   */
  apply(change: FeedChange): Promise<{ readonly rest: Promise<unknown> }>;
  /** Reads everything from the store anew, as a change couldn't be applied; answers the place of what it read. */
  startOver(error: unknown): Promise<number>;
  /** Tells that the feed can't be read at the moment. */
  tellAway(error: unknown): void;
}

/** Follows the feed of changes of the store: hands each change on, once, in the order of commits. */
export class FeedReader {
  /** The place of the latest change that was applied. */
  position = 0;
  private reading: Promise<void> | null = null;
  /** Why it is to be read once more when it has been read. */
  private wanted: FeedReason | null = null;
  private readonly rests = new Map<number, Promise<unknown>>();
  private waiting: { readonly number: number; readonly done: () => void }[] = [];
  private stopFollowing: (() => Promise<void>) | null = null;

  constructor(
    private readonly store: Store,
    private readonly follower: Follower,
  ) {}

  /** Goes on after a place, which everything that was read so far has. */
  start(position: number): void {
    this.position = position;
    this.stopFollowing = this.store.follow((reason) => this.wake(reason));
    this.wake('look');
  }

  async stop(): Promise<void> {
    await this.stopFollowing?.();
    await this.reading;
  }

  /** When the change at a place has been applied. */
  async caughtUp(number: number): Promise<void> {
    if (this.position < number) {
      await new Promise<void>((resolve) => {
        const late = setTimeout(resolve, LONGEST_WAIT_IN_MS);
        const done = (): void => {
          clearTimeout(late);
          resolve();
        };
        this.waiting.push({ number, done });
        this.wake('look');
      });
    }
    await this.rests.get(number);
  }

  private wake(reason: FeedReason): void {
    this.wanted = this.wanted === 'look' ? 'look' : reason;
    this.reading ??= this.read().finally(() => (this.reading = null));
  }

  private async read(): Promise<void> {
    for (let reason = this.nextReason(); reason !== null; reason = this.nextReason()) {
      try {
        while (await this.readSome(reason));
      } catch (error) {
        // The next look at the feed tries the same again.
        this.follower.tellAway(error);
      }
    }
  }

  private nextReason(): FeedReason | null {
    const { wanted } = this;
    this.wanted = null;
    return wanted;
  }

  /** Answers whether there was anything. */
  private async readSome(reason: FeedReason): Promise<boolean> {
    const changes = await this.store.feedAfter(this.position, reason);
    for (const change of changes) await this.take(change);
    return changes.length > 0;
  }

  private async take(change: FeedChange): Promise<void> {
    const { number } = change;
    try {
      const { rest } = await this.follower.apply(change);
      const settled = rest.finally(() => this.rests.delete(number));
      this.rests.set(number, settled);
      this.moveTo(number);
    } catch (error) {
      if (this.store.isAway(error)) throw error;
      this.moveTo(Math.max(number, await this.follower.startOver(error)));
    }
  }

  private moveTo(position: number): void {
    this.position = position;
    const reached = this.waiting.filter(({ number }) => number <= position);
    this.waiting = this.waiting.filter(({ number }) => number > position);
    for (const { done } of reached) done();
  }
}
