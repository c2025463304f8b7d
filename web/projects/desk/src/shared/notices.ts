import { Injectable, inject } from '@angular/core';
import { MatSnackBar } from '@angular/material/snack-bar';
import { sentenceOf } from '@plindo/api';
import type { Changed } from '@plindo/core/contract';
import type { Observable } from 'rxjs';
import { tap } from 'rxjs';
import { LongWork } from './long-work/long-work';
import { UndoStack } from './undo-stack';

const SHOWN_IN_MS = 8000;

/** Short messages at the foot of the page: what was done, with a way back, and what was refused. */
@Injectable({ providedIn: 'root' })
export class Notices {
  private readonly bar = inject(MatSnackBar);
  private readonly stack = inject(UndoStack);
  private readonly work = inject(LongWork);

  /** Says what a change did and offers to take it back; `after` runs when that is done, and when it is done again. */
  changed(sentence: string, changeId: number, after: () => void): void {
    this.stack.push({ sentence, changeId, after });
    const shown = this.bar.open(sentence, 'Undo', { duration: SHOWN_IN_MS });
    shown.onAction().subscribe(() => this.run(this.stack.undoShown(changeId), 'Undone'));
  }

  /** Sends a change and says what it did; `after` runs when it is undone, and when it is done again. */
  tell(sent: Observable<Changed<unknown>>, sentence: string, after: () => void): void {
    sent.subscribe({
      next: ({ changeId }) => this.changed(sentence, changeId, after),
      error: (error: unknown) => this.refused(error),
    });
  }

  /** The same of a change whose subject is shown anew in one way, now and then. */
  tellAndShow(sent: Observable<Changed<unknown>>, sentence: string, shown: () => void): void {
    this.tell(sent.pipe(tap(shown)), sentence, shown);
  }

  undo(): void {
    this.run(this.stack.undo(), 'Undone');
  }

  redo(): void {
    this.run(this.stack.redo(), 'Done again');
  }

  /** Says a sentence that nothing can be done about. */
  said(sentence: string): void {
    this.bar.open(sentence, 'Close', { duration: SHOWN_IN_MS });
  }

  refused(error: unknown): void {
    this.bar.open(sentenceOf(error), 'Close', { politeness: 'assertive' });
  }

  private run(sent: Observable<unknown> | null, sentence: string): void {
    if (!sent) return;
    this.work.follow(sent, sentence === 'Undone' ? 'Undoing' : 'Doing it again', `${sentence}.`).subscribe({
      next: () => this.said(sentence),
      error: (error: unknown) => this.refused(error),
    });
  }
}
