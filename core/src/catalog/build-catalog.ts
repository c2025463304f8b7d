import type { Listing } from '../listings/index.js';
import type { Kind } from '../structure/index.js';
import { Catalog } from './catalog.js';

const ROWS_A_STEP = 1000;

/**
 * Builds a catalog in steps: each `next()` takes in a thousand listings, so that a server can answer requests in
 * between. The last one returns the finished catalog.
 */
export function* catalogInSteps(
  kind: Kind,
  listings: Iterable<Listing>,
  locale: string,
  expected = 0,
): Generator<void, Catalog, void> {
  const catalog = new Catalog(kind, locale, expected);
  let count = 0;
  for (const listing of listings) {
    catalog.put(listing);
    if (++count % ROWS_A_STEP === 0) yield;
  }
  return catalog.finish();
}

/** {@link catalogInSteps} in one go. */
export function buildCatalog(kind: Kind, listings: Iterable<Listing>, locale: string, expected = 0): Catalog {
  const steps = catalogInSteps(kind, listings, locale, expected);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
