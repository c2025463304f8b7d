import { Injectable, InjectionToken, signal } from '@angular/core';
import type { WritableSignal } from '@angular/core';
import { MOST_ON_SHORTLIST } from '@plindo/core/design';
import type { ChosenCards } from '@plindo/core/page';

/** Gives the cards of listings that this browser keeps. */
export type CardsByNumber = (ids: readonly number[]) => Promise<ChosenCards>;

export const CARDS_BY_NUMBER = new InjectionToken<CardsByNumber>('cards of chosen listings', {
  factory: () => () => Promise.resolve({ cards: [], forms: {} }),
});

const SHORTLIST = 'plindo-shortlist';
const RECENT = 'plindo-recently-seen';
const MOST_SEEN = 24;

/**
 * What this browser keeps for its visitor: numbers of listings on the shortlist, in the order in which they were put
 * there, and of those seen lately, the last one first. Nobody else is told of it. Empty until {@link begin}, so that a
 * page first says what the server said.
 */
@Injectable({ providedIn: 'root' })
export class VisitorLists {
  readonly shortlist = signal<readonly number[]>([]);
  readonly recent = signal<readonly number[]>([]);
  /** Whether it is known what is kept. */
  readonly isKnown = signal(false);

  /** Reads what is kept, and follows what other windows of the browser change. */
  begin(): void {
    this.read();
    addEventListener('storage', ({ key }) => {
      if (key === SHORTLIST || key === RECENT) this.read();
    });
  }

  /** Puts a listing on the shortlist, or takes it away; answers whether it is on it now. */
  toggle(id: number): boolean {
    const isKept = this.shortlist().includes(id);
    this.write(
      this.shortlist,
      SHORTLIST,
      isKept ? this.shortlist().filter((one) => one !== id) : [...this.shortlist(), id],
    );
    return !isKept;
  }

  keep(ids: readonly number[]): void {
    this.write(this.shortlist, SHORTLIST, [...new Set([...this.shortlist(), ...ids])]);
  }

  see(id: number): void {
    this.write(this.recent, RECENT, [id, ...this.recent().filter((one) => one !== id)].slice(0, MOST_SEEN));
  }

  private read(): void {
    this.shortlist.set(kept(SHORTLIST));
    this.recent.set(kept(RECENT));
    this.isKnown.set(true);
  }

  private write(list: WritableSignal<readonly number[]>, key: string, ids: readonly number[]): void {
    const most = ids.slice(0, MOST_ON_SHORTLIST);
    list.set(most);
    try {
      localStorage.setItem(key, JSON.stringify(most));
    } catch {
      // A browser that keeps nothing knows it for as long as the page is open.
    }
  }
}

function kept(key: string): readonly number[] {
  try {
    const found: unknown = JSON.parse(localStorage.getItem(key) ?? '[]');
    return Array.isArray(found)
      ? found.filter((id): id is number => Number.isSafeInteger(id)).slice(0, MOST_ON_SHORTLIST)
      : [];
  } catch {
    return [];
  }
}
