import { DestroyRef, Injectable, inject, signal } from '@angular/core';
import { CatalogApi } from '@plindo/api';

/** The whole catalog is looked through for problems, so not after each change. */
const COUNTED_EVERY_IN_MS = 60_000;

/** How many problems there are in the catalog, for the tab of the stage. */
@Injectable({ providedIn: 'root' })
export class ProblemCount {
  private readonly api = inject(CatalogApi);
  private countedAt = -Infinity;
  private waiting: ReturnType<typeof setTimeout> | undefined;

  readonly count = signal(0);

  constructor() {
    inject(DestroyRef).onDestroy(() => clearTimeout(this.waiting));
  }

  /** Counts soon: at once, or when the last time is long enough ago. */
  wake(): void {
    clearTimeout(this.waiting);
    const pause = Math.max(0, this.countedAt + COUNTED_EVERY_IN_MS - performance.now());
    this.waiting = setTimeout(() => this.load(), pause);
  }

  private load(): void {
    this.countedAt = performance.now();
    this.api.problems().subscribe({
      next: ({ problems }) => this.count.set(problems.reduce((sum, { total }) => sum + total, 0)),
      // The page of problems says why they can't be looked for.
      error: () => this.count.set(0),
    });
  }
}
