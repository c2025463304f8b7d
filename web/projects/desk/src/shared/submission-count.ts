import { Injectable, inject, signal } from '@angular/core';
import { SubmissionsApi } from '@plindo/api';
import type { SubmissionCounts } from '@plindo/core/contract';

/** How many submissions wait for review, for the tab of the stage and its list. */
@Injectable({ providedIn: 'root' })
export class SubmissionCount {
  private readonly api = inject(SubmissionsApi);

  readonly counts = signal<SubmissionCounts>({ waiting: 0, suspected: 0 });

  reload(): void {
    this.api.counts().subscribe({
      next: (counts) => this.counts.set(counts),
      // A count that cannot be had is no reason to disturb.
      error: () => undefined,
    });
  }
}
