/** A look that somebody who has signed in tries on the site; nobody else sees it. */
export interface TriedLook {
  readonly name: string;
  /** Declarations of a style attribute. */
  readonly style: string;
  /** Its own CSS, for the parts of a page. */
  readonly css: string;
}

const KEY = 'plindo-tried-look';

/** Wears a look in this browser until it is taken off. */
export function tryLook(look: TriedLook): void {
  localStorage.setItem(KEY, JSON.stringify(look));
}

/** The look that is tried in this browser; null for none, and where the browser keeps nothing. */
export function triedLook(): TriedLook | null {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? 'null') as TriedLook | null;
  } catch {
    return null;
  }
}

export function takeLookOff(): void {
  localStorage.removeItem(KEY);
}
