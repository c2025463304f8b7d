import type { Listing } from '../listings/index.js';
import type { Kind } from '../structure/index.js';
import { Catalog } from './catalog.js';

/** A catalog of listings that are all at hand. */
export function buildCatalog(
  kind: Kind,
  listings: Iterable<Listing>,
  locale: string,
  expected = 0,
  zone = 'UTC',
): Catalog {
  const catalog = new Catalog(kind, { locale, zone }, expected);
  for (const listing of listings) catalog.put(listing);
  return catalog.finish();
}
