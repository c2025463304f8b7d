import type { FacetCounts, RangeBounds } from './facet-counts.js';
import { NO_BARS } from './facet-counts.js';

type Counts<Kind extends FacetCounts['kind']> = Extract<FacetCounts, { kind: Kind }>;

/** The counts of a facet over several kinds, from those of each; those of ranges over the same bounds. */
export function mergedCounts(all: readonly FacetCounts[]): FacetCounts {
  const of = <Kind extends FacetCounts['kind']>(kind: Kind): Counts<Kind>[] =>
    all.filter((one): one is Counts<Kind> => one.kind === kind);
  switch (all[0]?.kind) {
    case 'values':
      return { kind: 'values', counts: added(of('values').map(({ counts }) => counts)) };
    case 'range': {
      const histogram = of('range').reduce<number[]>(
        (sum, one) => sum.map((count, at) => count + one.histogram[at]!),
        [...NO_BARS],
      );
      return { kind: 'range', bounds: outerBounds(of('range')), histogram };
    }
    case 'dates':
      return {
        kind: 'dates',
        bounds: outerBounds(of('dates')),
        months: added(of('dates').map(({ months }) => months)),
        years: added(of('dates').map(({ years }) => years)),
        decades: added(of('dates').map(({ decades }) => decades)),
      };
    case 'at-least': {
      const stars = Math.max(...of('at-least').map(({ counts }) => counts.length));
      const counts = Array.from({ length: stars }, (_, at) =>
        of('at-least').reduce((sum, one) => sum + (one.counts[at] ?? 0), 0),
      );
      return { kind: 'at-least', counts };
    }
    default:
      return { kind: 'none' };
  }
}

function added<Key>(all: readonly ReadonlyMap<Key, number>[]): Map<Key, number> {
  const sums = new Map<Key, number>();
  for (const counts of all) for (const [key, count] of counts) sums.set(key, (sums.get(key) ?? 0) + count);
  return sums;
}

/** The bounds that hold all others; null where there are none. */
function outerBounds(all: readonly { readonly bounds: RangeBounds | null }[]): RangeBounds | null {
  const known = all.flatMap(({ bounds }) => bounds ?? []);
  if (known.length === 0) return null;
  return {
    least: Math.min(...known.map(({ least }) => least)),
    greatest: Math.max(...known.map(({ greatest }) => greatest)),
  };
}
