import type { RenderedPage } from './render-messages.js';
import type { PageSource } from './render-thread.js';
import { RenderThread } from './render-thread.js';

const THREADS = 2;
const MOST_WAITING = 20;

/** Too many pages wait to be rendered for another one. */
export class Busy extends Error {
  constructor() {
    super(`There are ${MOST_WAITING} pages waiting to be rendered.`);
  }
}

interface Waiting {
  readonly url: string;
  readonly source: PageSource;
  readonly dropped: AbortSignal;
  done(page: Promise<RenderedPage>): void;
}

/**
 * Renders pages of the site in threads of their own, so that edits and queries need not wait for it. Pages wait for
 * their turn in the order in which they were asked for; one for which nobody waits any more loses its turn.
 */
export class SiteRenderer {
  private readonly threads: readonly RenderThread[];
  private waiting: Waiting[] = [];

  /** `folder` is the build of the site, with `server` below it. */
  constructor(folder: string) {
    this.threads = Array.from({ length: THREADS }, () => new RenderThread(folder));
  }

  /** The page at an address. Throws a {@link Busy}. */
  async render(url: string, source: PageSource, dropped: AbortSignal): Promise<RenderedPage> {
    this.letGo();
    if (this.waiting.length >= MOST_WAITING) throw new Busy();
    return new Promise((done) => {
      this.waiting.push({ url, source, dropped, done });
      this.begin();
    });
  }

  /** Renders a page in every thread, so that the first visitors needn't wait while its program is read. */
  async warmUp(url: string, source: PageSource): Promise<void> {
    const never = new AbortController().signal;
    await Promise.all(this.threads.map(() => this.render(url, source, never)));
  }

  private begin(): void {
    this.letGo();
    const thread = this.threads.find(({ isIdle }) => isIdle);
    const next = thread && this.waiting.shift();
    if (!thread || !next) return;
    const page = thread.render(next.url, next.source);
    next.done(page);
    const goOn = (): void => this.begin();
    page.then(goOn, goOn);
  }

  /** Takes those out for which nobody waits any more. */
  private letGo(): void {
    const isGone = ({ dropped }: Waiting): boolean => dropped.aborted;
    for (const { done } of this.waiting.filter(isGone))
      done(Promise.reject(new Error('Nobody waits for it any more.')));
    this.waiting = this.waiting.filter((one) => !isGone(one));
  }
}
