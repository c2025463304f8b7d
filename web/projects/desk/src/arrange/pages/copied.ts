import type { Piece, Strip } from '@plindo/core/design';

/** A part of a page that was copied, to be pasted on this page or on another one. */
export type Copied = { readonly of: 'strip'; readonly strip: Strip } | { readonly of: 'piece'; readonly piece: Piece };

const KEY = 'plindo-copied-part';

/** What was copied last in this browser, also on another page; null for nothing. */
export function copiedPart(): Copied | null {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? 'null') as Copied | null;
  } catch {
    return null;
  }
}

export function copyPart(copied: Copied): void {
  try {
    localStorage.setItem(KEY, JSON.stringify(copied));
  } catch {
    // Where the browser keeps nothing, nothing can be pasted; doubling works all the same.
  }
}
