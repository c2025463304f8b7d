const KEY = 'plindo-shown-drafts';

/** Whether this browser shows the site with all drafts in their places, to somebody who has signed in. */
export function showsDrafts(): boolean {
  try {
    return localStorage.getItem(KEY) !== null;
  } catch {
    return false;
  }
}

/** Shows drafts from now on, or no more. */
export function showDrafts(isWanted: boolean): void {
  if (isWanted) localStorage.setItem(KEY, 'yes');
  else localStorage.removeItem(KEY);
}
