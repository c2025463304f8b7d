import type { Bitset, Catalog } from '../../catalog/index.js';
import { Bitset as Rows } from '../../catalog/index.js';
import type { ShownTime } from '../../structure/index.js';

/** The rows that a list can hold at a moment. The set is the caller's. */
export function shownRows(catalog: Catalog, shows: ShownTime, nowInMs: number): Bitset {
  const present = shows === 'past' ? new Rows(catalog.existing.capacity) : catalog.onSiteAt(nowInMs).clone();
  const hasPast = shows !== 'present' && (catalog.kind.expiry?.saysOver ?? false);
  return hasPast ? present.unite(catalog.leftAt(nowInMs)) : present;
}
