import type { CanDeactivateFn } from '@angular/router';

/** A page that may hold work that isn't saved. */
export interface MayHoldWork {
  /** Whether it can be left, asking first where something would be lost. */
  mayLeave(): boolean;
}

/** A guard: a page can be left when it says so. */
export const mayLeave: CanDeactivateFn<MayHoldWork> = (page) => page.mayLeave();
