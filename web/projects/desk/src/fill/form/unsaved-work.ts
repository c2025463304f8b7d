import { Injectable } from '@angular/core';
import type { Draft } from './form-draft';

interface Kept {
  readonly draft: Draft;
  /** What the listing was like when it was being changed; null for a new one. */
  readonly base: Draft | null;
}

/** Work that was not saved yet, kept in the browser so that a reload or a crash loses none of it. */
@Injectable({ providedIn: 'root' })
export class UnsavedWork {
  keep(kindId: string, listingId: string, kept: Kept): void {
    try {
      localStorage.setItem(keyOf(kindId, listingId), JSON.stringify(kept));
    } catch {
      // A full or forbidden storage only means that a reload would lose the work, as it would without it.
    }
  }

  find(kindId: string, listingId: string): Kept | null {
    const text = localStorage.getItem(keyOf(kindId, listingId));
    return text === null ? null : (JSON.parse(text) as Kept);
  }

  forget(kindId: string, listingId: string): void {
    localStorage.removeItem(keyOf(kindId, listingId));
  }
}

function keyOf(kindId: string, listingId: string): string {
  return `plindo unsaved ${kindId} ${listingId}`;
}
