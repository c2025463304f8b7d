import { DestroyRef, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { Observable } from 'rxjs';
import { EMPTY, Subject, catchError, switchMap, timer } from 'rxjs';

const TYPING_PAUSE_IN_MS = 200;

/** What becomes of an answer, and of a refusal. */
export interface AnswerTaker<Answer> {
  next(answer: Answer): void;
  error(error: unknown): void;
}

/**
 * Asks the server once typing pauses. What was asked before is let go, so that no late answer takes the place of a newer
 * one; with the component that made it, it ends. To be made where Angular injects.
 */
export class PausedQuestion<Asked, Answer> {
  private readonly asked = new Subject<Asked>();

  constructor(ask: (asked: Asked) => Observable<Answer>, taker: AnswerTaker<Answer>) {
    const answerTo = (asked: Asked): Observable<Answer> =>
      timer(TYPING_PAUSE_IN_MS).pipe(
        switchMap(() => ask(asked)),
        catchError((error: unknown) => {
          taker.error(error);
          return EMPTY;
        }),
      );
    this.asked
      .pipe(switchMap(answerTo), takeUntilDestroyed(inject(DestroyRef)))
      .subscribe((answer) => taker.next(answer));
  }

  ask(asked: Asked): void {
    this.asked.next(asked);
  }
}
