/** A page that is being made, and how many still wait for it. */
interface UnderWay<Page> {
  readonly page: Promise<Page>;
  readonly dropped: AbortController;
  waiting: number;
}

/** Pages that are being made: each once, for all who ask for it meanwhile; one for which nobody waits any more is dropped. */
export class PagesUnderWay<Page> {
  private readonly byKey = new Map<string, UnderWay<Page>>();

  /** `gone` tells that this visitor waits no longer; `make` is told when nobody does. */
  async join(key: string, gone: AbortSignal, make: (dropped: AbortSignal) => Promise<Page>): Promise<Page> {
    const one = this.byKey.get(key) ?? this.begin(key, make);
    one.waiting++;
    const leave = (): void => {
      if (--one.waiting > 0) return;
      // Whoever comes now begins another.
      if (this.byKey.get(key) === one) this.byKey.delete(key);
      one.dropped.abort();
    };
    if (gone.aborted) leave();
    else gone.addEventListener('abort', leave, { once: true });
    try {
      return await one.page;
    } finally {
      gone.removeEventListener('abort', leave);
    }
  }

  private begin(key: string, make: (dropped: AbortSignal) => Promise<Page>): UnderWay<Page> {
    const dropped = new AbortController();
    const isOver = (): void => {
      if (this.byKey.get(key) === one) this.byKey.delete(key);
    };
    const page = make(dropped.signal);
    const one: UnderWay<Page> = { page, dropped, waiting: 0 };
    this.byKey.set(key, one);
    page.then(isOver, isOver);
    return one;
  }
}
