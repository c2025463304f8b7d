/** Where columns stand one below the other, as the sheet has it (`styles/_page.scss`). */
export function narrowScreen(): MediaQueryList {
  return matchMedia('(max-width: 46rem)');
}

const AT_LATEST_IN_MS = 2000;

/** Does something when the browser has nothing else to do. */
export function whenIdle(work: () => void): void {
  if ('requestIdleCallback' in globalThis) requestIdleCallback(work, { timeout: AT_LATEST_IN_MS });
  else setTimeout(work);
}
