import { Injectable, computed, signal } from '@angular/core';
import { sentenceOf } from '@plindo/api';
import type { Observable } from 'rxjs';
import { defer, finalize, tap } from 'rxjs';

/** Where a piece of work stands. */
export type WorkState = 'running' | 'done' | 'failed' | 'cancelled';

/** A piece of work that takes a while, as it is shown. */
export interface LongPiece {
  readonly id: number;
  /** What it does: "Bringing in places.csv". */
  readonly title: string;
  /** What is counted, in the plural: "rows". */
  readonly unit: string;
  readonly done: number;
  /** Null where nobody can say how much there is. */
  readonly total: number | null;
  /** By the clock of the page, in milliseconds. */
  readonly startedAt: number;
  readonly endedAt: number | null;
  readonly state: WorkState;
  /** What came of it, or why it failed; '' while it runs. */
  readonly sentence: string;
  /** Where its result is looked at; null for nowhere. */
  readonly link: string | null;
  readonly canCancel: boolean;
}

/** What a piece of work tells while it runs. */
export interface WorkReport {
  /** How much is done, and of how much. */
  progress(done: number, total?: number | null): void;
  /** Whether somebody has cancelled it. */
  isCancelled(): boolean;
}

/** What is known of a piece of work before it begins. */
export interface WorkPlan {
  readonly title: string;
  readonly unit: string;
  readonly total: number | null;
  readonly canCancel?: boolean;
  readonly link?: string | null;
}

/** What a request may take before it is shown as work. */
const SHOWN_AFTER_IN_MS = 1000;

/** What came of a piece of work. */
export interface WorkEnd {
  readonly sentence: string;
  readonly link?: string | null;
}

/** Work of this Desk that takes a while: it goes on when its page is left, and is found again in the bar. */
@Injectable({ providedIn: 'root' })
export class LongWork {
  private readonly all = signal<readonly LongPiece[]>([]);
  private readonly cancelled = new Set<number>();
  private lastId = 0;

  readonly pieces = this.all.asReadonly();
  readonly running = computed(() => this.all().filter(({ state }) => state === 'running'));

  /** Does a piece of work and shows how far it is; passes on its end, or what it fails with. */
  async run<End extends WorkEnd>(plan: WorkPlan, work: (report: WorkReport) => Promise<End>): Promise<End> {
    const id = this.begin(plan);
    try {
      const end = await work({
        progress: (done, total) => this.change(id, { done, ...(total !== undefined && { total }) }),
        isCancelled: () => this.cancelled.has(id),
      });
      const state = this.cancelled.has(id) ? 'cancelled' : 'done';
      this.end(id, { state, sentence: end.sentence, ...(end.link !== undefined && { link: end.link }) });
      return end;
    } catch (error) {
      this.end(id, { state: 'failed', sentence: sentenceOf(error) });
      throw error;
    }
  }

  /** Shows a request that takes longer than a moment as work; nobody can say how far it is. */
  follow<T>(sent: Observable<T>, title: string, sentence: string): Observable<T> {
    return defer(() => {
      let id: number | null = null;
      let end: Partial<LongPiece> = { state: 'failed', sentence: 'It was refused; nothing was changed.' };
      const waiting = setTimeout(() => (id = this.begin({ title, unit: '', total: null })), SHOWN_AFTER_IN_MS);
      return sent.pipe(
        tap(() => (end = { state: 'done', sentence })),
        finalize(() => {
          clearTimeout(waiting);
          if (id !== null) this.end(id, end);
        }),
      );
    });
  }

  cancel(id: number): void {
    this.cancelled.add(id);
    this.change(id, { canCancel: false });
  }

  /** Takes what has ended off the list. */
  forgetEnded(): void {
    this.all.update((pieces) => pieces.filter(({ state }) => state === 'running'));
  }

  private begin({ canCancel = false, link = null, ...own }: WorkPlan): number {
    const id = ++this.lastId;
    const fresh = { done: 0, startedAt: performance.now(), endedAt: null, state: 'running', sentence: '' } as const;
    this.all.update((pieces) => [{ ...own, ...fresh, id, canCancel, link }, ...pieces]);
    return id;
  }

  private end(id: number, change: Partial<LongPiece>): void {
    this.change(id, { ...change, canCancel: false, endedAt: performance.now() });
  }

  private change(id: number, change: Partial<LongPiece>): void {
    this.all.update((pieces) => pieces.map((piece) => (piece.id === id ? { ...piece, ...change } : piece)));
  }
}
