// Not from the whole libraries, which would be fetched with it.
import { isMarkedSignedIn } from '@plindo/api/signed-in-mark';
import { narrowScreen, whenIdle } from '@plindo/listing-view/browser';

/** What tells that a visitor is at the page. */
const SIGNS = ['pointerdown', 'pointermove', 'keydown', 'focusin', 'scroll', 'wheel'] as const;

/**
 * Waits until the program of the site is wanted: at once, but on narrow screens, whose devices are slow, only when
 * somebody is at the page, or something on it says nothing without it. Whoever reads what came waits for nothing there.
 * Its files are fetched meanwhile.
 */
export async function whenWanted(): Promise<void> {
  const isAwaited = document.querySelector('[data-needs-program-at-once]') !== null;
  if (!narrowScreen().matches || isMarkedSignedIn() || isAwaited) return;
  void loaded().then(fetchForAll);
  await firstSign();
}

function firstSign(): Promise<void> {
  return new Promise((resolve) => {
    const heard = (): void => {
      for (const sign of SIGNS) removeEventListener(sign, heard, true);
      resolve();
    };
    for (const sign of SIGNS) addEventListener(sign, heard, { capture: true, passive: true });
  });
}

/** When all that belongs to the page has come, and the browser has nothing else to do. */
async function loaded(): Promise<void> {
  if (document.readyState !== 'complete')
    await new Promise((resolve) => addEventListener('load', resolve, { once: true }));
  await new Promise<void>((resolve) => whenIdle(resolve));
}

/** Fetches what the page names for wide screens only (the server's `page-template.ts`). */
function fetchForAll(): void {
  for (const link of document.querySelectorAll('link[rel=modulepreload][media]')) {
    const own = link.cloneNode() as Element;
    own.removeAttribute('media');
    link.replaceWith(own);
  }
}
