import type { Live } from '../live/live.js';

/** Something that takes a walk through all listings: worked out again only when anything was changed since the last time. */
export class PerRevision<T> {
  private last: { readonly revision: number; readonly value: Promise<T> } | null = null;

  constructor(
    private readonly live: Live,
    private readonly workOut: () => Promise<T>,
  ) {}

  get(): Promise<T> {
    const { revision } = this.live;
    if (this.last?.revision !== revision) {
      const value = this.workOut();
      this.last = { revision, value };
      // What failed is tried again at the next call.
      value.catch(() => (this.last = null));
    }
    return this.last.value;
  }
}
