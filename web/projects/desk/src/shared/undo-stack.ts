import { Injectable, computed, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { CatalogApi } from '@plindo/api';
import type { Observable } from 'rxjs';
import { tap } from 'rxjs';

/** A change that was made in this Desk, and what the page that made it does when it is taken back. */
export interface DoneChange {
  readonly sentence: string;
  readonly changeId: number;
  readonly after: () => void;
}

interface Entry extends DoneChange {
  /** Address of the page that made it; on another page its `after` means nothing. */
  readonly url: string;
}

const MOST_ENTRIES = 100;

/**
 * The changes that somebody made since the Desk was opened, to be undone last first and done again. The whole log, of
 * everybody, is under Run.
 */
@Injectable({ providedIn: 'root' })
export class UndoStack {
  private readonly api = inject(CatalogApi);
  private readonly router = inject(Router);
  private readonly done = signal<readonly Entry[]>([]);
  private readonly undone = signal<readonly Entry[]>([]);

  readonly next = computed(() => this.done().at(-1) ?? null);
  readonly nextAgain = computed(() => this.undone().at(-1) ?? null);
  /** Goes up when something was undone or done again on another page than the one that did it. */
  readonly revision = signal(0);

  push(change: DoneChange): void {
    const entry = { ...change, url: this.router.url };
    this.done.update((entries) => [...entries, entry].slice(-MOST_ENTRIES));
    this.undone.set([]);
  }

  undo(): Observable<unknown> | null {
    const entry = this.next();
    return entry ? this.move(entry, this.done, this.undone) : null;
  }

  /** Undoes a change whose notice is still shown, wherever its page has gone meanwhile. */
  undoShown(changeId: number): Observable<unknown> | null {
    const entry = this.done().find((one) => one.changeId === changeId);
    return entry ? this.move({ ...entry, url: this.router.url }, this.done, this.undone) : null;
  }

  redo(): Observable<unknown> | null {
    const entry = this.nextAgain();
    return entry ? this.move(entry, this.undone, this.done) : null;
  }

  /** Undoing an undoing is doing again, so both ways are the same. */
  private move(entry: Entry, from: typeof this.done, to: typeof this.done): Observable<unknown> {
    return this.api.undo(entry.changeId).pipe(
      tap(({ changeId }) => {
        from.update((entries) => entries.filter((one) => one.changeId !== entry.changeId));
        to.update((entries) => [...entries, { ...entry, changeId }]);
        if (entry.url === this.router.url) entry.after();
        else this.revision.update((count) => count + 1);
      }),
    );
  }
}
