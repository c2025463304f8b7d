import type { Store } from '../../store/index.js';

/** Tries of one thing, such as signing in, by who tries. */
export interface Tries {
  /** Counts a try; says how many there were in the present stretch of time, and when that ends. */
  count(who: string): Promise<{ readonly hits: number; readonly resetAt: number }>;
  /** Takes a try back, as one that succeeds doesn't count. */
  discount(who: string): Promise<void>;
  forget(who: string): Promise<void>;
}

const LONGEST_KEY = 100;

/** Counts tries in the store, so that all nodes count together and a restart forgets none. */
export class Throttles {
  constructor(
    private readonly store: Store,
    private readonly clock: () => Date,
  ) {}

  triesOf(what: string, stretchInMs: number): Tries {
    const { throttles } = this.store;
    const keyOf = (who: string): string => `${what} ${who}`.slice(0, LONGEST_KEY);
    return {
      count: (who) => throttles.count(keyOf(who), this.clock().getTime(), stretchInMs),
      discount: (who) => throttles.discount(keyOf(who)),
      forget: (who) => throttles.forget(keyOf(who)),
    };
  }
}
