import { Injectable, inject } from '@angular/core';
import { MatSnackBar } from '@angular/material/snack-bar';
import { CatalogApi, sentenceOf } from '@plindo/api';

const SHOWN_IN_MS = 8000;

/** Short messages at the foot of the page: what was done, with a way back, and what was refused. */
@Injectable({ providedIn: 'root' })
export class Notices {
  private readonly bar = inject(MatSnackBar);
  private readonly api = inject(CatalogApi);

  /** Says what a change did and offers to take it back; `after` runs when that is done. */
  changed(sentence: string, changeId: number, after: () => void): void {
    const shown = this.bar.open(sentence, 'Undo', { duration: SHOWN_IN_MS });
    shown.onAction().subscribe(() => {
      this.api.undo(changeId).subscribe({
        next: () => {
          this.bar.open('Undone', undefined, { duration: SHOWN_IN_MS });
          after();
        },
        error: (error: unknown) => this.refused(error),
      });
    });
  }

  /** Says a sentence that nothing can be done about. */
  said(sentence: string): void {
    this.bar.open(sentence, 'Close', { duration: SHOWN_IN_MS });
  }

  refused(error: unknown): void {
    this.bar.open(sentenceOf(error), 'Close', { politeness: 'assertive' });
  }
}
