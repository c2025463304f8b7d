const KEY = 'plindo-signed-in';

/**
 * Notes in this browser that somebody has signed in, so that public pages offer what editors need without asking the
 * server on every visit. It opens nothing: the server checks every request by the session.
 */
export function markSignedIn(isSignedIn: boolean): void {
  try {
    if (isSignedIn) localStorage.setItem(KEY, 'yes');
    else localStorage.removeItem(KEY);
  } catch {
    // A browser that keeps nothing only lacks the offer.
  }
}

export function isMarkedSignedIn(): boolean {
  try {
    return localStorage.getItem(KEY) === 'yes';
  } catch {
    return false;
  }
}
