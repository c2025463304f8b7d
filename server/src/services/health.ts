import type { Live } from '../live/live.js';
import type { Store } from '../store/index.js';

/** How the program itself is. */
export class Health {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {}

  /** Whether requests can be answered: the database is reached. `revision` goes up with every change. */
  async ready(): Promise<{ readonly ok: boolean; readonly revision: number }> {
    return { ok: await this.store.isReached(), revision: this.live.revision };
  }

  /** Whether an error means that the database can't be reached at this moment. */
  isStoreAway(error: unknown): boolean {
    return this.store.isAway(error);
  }
}
