import { Worker } from 'node:worker_threads';
import type { PageModel } from '@plindo/core/page';
import type { FromRenderer, RenderedPage, ToRenderer } from './render-messages.js';

/** Gives the models that a rendering asks for. */
export type PageSource = (path: string, search: string) => Promise<PageModel>;

interface Rendering {
  readonly source: PageSource;
  done(page: RenderedPage | null): void;
  failed(error: unknown): void;
}

/**
 * Renders pages of the site in a thread of its own, so that edits and queries need not wait for it. A thread that ends
 * is replaced with the next rendering.
 */
export class SiteRenderer {
  private worker: Worker | null = null;
  private last = 0;
  private readonly renderings = new Map<number, Rendering>();

  /** `folder` is the build of the site, with `server` below it. */
  constructor(private readonly folder: string) {
    this.worker = this.begin();
  }

  /** The page at an address; null when the address is none of the site. */
  render(url: string, source: PageSource): Promise<RenderedPage | null> {
    const id = ++this.last;
    return new Promise((done, failed) => {
      this.renderings.set(id, { source, done, failed });
      this.tell({ kind: 'render', id, url });
    });
  }

  private tell(message: ToRenderer): void {
    this.worker ??= this.begin();
    this.worker.postMessage(message);
  }

  private begin(): Worker {
    const worker = new Worker(new URL('./render-worker.js', import.meta.url), { workerData: this.folder });
    worker.on('message', (message: FromRenderer) => void this.take(message));
    worker.on('error', (error) => this.end(worker, error));
    worker.on('exit', () => this.end(worker, new Error('The thread that renders pages has ended.')));
    worker.unref();
    return worker;
  }

  private async take(message: FromRenderer): Promise<void> {
    const { kind, id } = message;
    const rendering = this.renderings.get(id);
    if (!rendering) return;
    if (kind === 'ask') return this.answer(id, rendering, message.path, message.search);
    this.renderings.delete(id);
    if (kind === 'rendered') rendering.done(message.page);
    else rendering.failed(new Error(message.reason));
  }

  private async answer(id: number, rendering: Rendering, path: string, search: string): Promise<void> {
    try {
      this.tell({ kind: 'model', id, model: await rendering.source(path, search) });
    } catch (error) {
      this.renderings.delete(id);
      rendering.failed(error);
      this.tell({ kind: 'model', id, model: null });
    }
  }

  private end(worker: Worker, error: unknown): void {
    // One that failed also exits, when another may be at work already.
    if (this.worker !== worker) return;
    this.worker = null;
    const all = [...this.renderings.values()];
    this.renderings.clear();
    for (const { failed } of all) failed(error);
  }
}
