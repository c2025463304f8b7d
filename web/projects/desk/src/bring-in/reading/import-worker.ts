import { Injectable } from '@angular/core';
import type { OnDestroy } from '@angular/core';
import type { Issue } from '@plindo/core/values';
import type { Answer, AnswerTo, Ask } from './import-protocol';

/** A refusal that came from the worker. */
export class ImportRefusal extends Error {
  constructor(readonly issue: Issue) {
    super(issue.message);
  }
}

interface Waiting {
  resolve(result: unknown): void;
  reject(error: unknown): void;
}

/** The page's line to the worker. One worker a page; it ends with the page, or with the work that it does for it. */
@Injectable()
export class ImportWorker implements OnDestroy {
  private readonly worker = new Worker(new URL('./import.worker', import.meta.url), { type: 'module' });
  private readonly waiting = new Map<number, Waiting>();
  private lastId = 0;
  private held = 0;
  private isLeft = false;

  constructor() {
    this.worker.onmessage = ({ data }: MessageEvent<Answer>) => {
      const waiting = this.waiting.get(data.id);
      this.waiting.delete(data.id);
      if ('issue' in data) waiting?.reject(new ImportRefusal(data.issue));
      else waiting?.resolve(data.result);
    };
    this.worker.onerror = ({ message }) => {
      const issue: Issue = { code: 'server.unexpected', message: `The file could not be read: ${message}` };
      for (const { reject } of this.waiting.values()) reject(new ImportRefusal(issue));
      this.waiting.clear();
    };
  }

  ask<A extends Ask>(ask: A): Promise<AnswerTo[A['do']]> {
    const id = ++this.lastId;
    return new Promise((resolve, reject) => {
      this.waiting.set(id, { resolve: resolve as Waiting['resolve'], reject });
      this.worker.postMessage({ id, ask });
    });
  }

  /** Keeps the worker until some work is through, also when its page is left meanwhile. */
  async holdFor<T>(work: Promise<T>): Promise<T> {
    this.held++;
    try {
      return await work;
    } finally {
      this.held--;
      this.endIfLeft();
    }
  }

  ngOnDestroy(): void {
    this.isLeft = true;
    this.endIfLeft();
  }

  private endIfLeft(): void {
    if (this.isLeft && this.held === 0) this.worker.terminate();
  }
}
