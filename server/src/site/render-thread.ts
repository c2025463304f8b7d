import { Worker } from 'node:worker_threads';
import type { FromRenderer, RenderedPage, ToRenderer } from './render-messages.js';

/** Gives the model of the page at an address, as JSON: a text goes to another thread in a third of the time. */
export type PageSource = (url: string) => Promise<string>;

interface Rendering {
  readonly id: number;
  readonly url: string;
  readonly source: PageSource;
  /** Of the page at its address, made while the thread makes ready for it. */
  readonly model: Promise<string>;
  /** Why there is no model, which is why the rendering fails. */
  cause: unknown;
  done(page: RenderedPage): void;
  failed(error: unknown): void;
}

/** A thread that renders pages, one at a time. One that ends is replaced with the next rendering. */
export class RenderThread {
  private worker: Worker | null = null;
  private rendering: Rendering | null = null;
  private last = 0;

  /** `folder` is the build of the site, with `server` below it. */
  constructor(private readonly folder: string) {
    this.worker = this.begin();
  }

  get isIdle(): boolean {
    return this.rendering === null;
  }

  /** Only to be called when it is idle. */
  render(url: string, source: PageSource): Promise<RenderedPage> {
    const id = ++this.last;
    return new Promise((done, failed) => {
      this.worker ??= this.begin();
      this.worker.postMessage({ kind: 'render', id, url } satisfies ToRenderer);
      const model = source(url);
      // One that can't be made is told of when the thread asks for it.
      model.catch(() => undefined);
      this.rendering = { id, url, source, model, cause: null, done, failed };
    });
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
    const { rendering } = this;
    if (rendering?.id !== message.id) return;
    if (message.kind === 'ask') return this.answer(rendering, message.url);
    this.rendering = null;
    // Without its model the framework renders an empty page and calls it done.
    if (message.kind === 'rendered' && rendering.cause === null) rendering.done(message.page);
    else rendering.failed(rendering.cause ?? new Error(message.kind === 'failed' ? message.reason : ''));
  }

  private async answer(rendering: Rendering, url: string): Promise<void> {
    const asked = url === rendering.url ? rendering.model : rendering.source(url);
    const model = await asked.catch((error: unknown) => {
      rendering.cause = error;
      return null;
    });
    this.worker?.postMessage({ kind: 'model', id: rendering.id, model } satisfies ToRenderer);
  }

  private end(worker: Worker, error: unknown): void {
    // One that failed also exits, when another may be at work already.
    if (this.worker !== worker) return;
    this.worker = null;
    const { rendering } = this;
    this.rendering = null;
    rendering?.failed(error);
  }
}
