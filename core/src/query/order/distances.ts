import type { Catalog } from '../../catalog/index.js';
import type { Facet } from '../../structure/index.js';
import { sourceOf } from '../filters/facet-source.js';
import type { NamedPoint } from '../filters/points.js';
import { pointOf } from '../filters/points.js';
import type { Query } from '../address/query.js';
import type { QueryScene } from '../filters/scene.js';

/** The point that a visitor chose in a facet of distances, and the places that are told from it. */
export interface Near extends NamedPoint {
  readonly facet: Facet;
}

/** The point of the first distance that is chosen on a page; null when none is. */
export function nearOf(facets: readonly Facet[], query: Query, scene: QueryScene): Near | null {
  for (const facet of facets) {
    const choice = query.choices.get(facet.key);
    const found = choice?.kind === 'near' ? pointOf(choice.at, scene) : null;
    if (found) return { ...found, facet };
  }
  return null;
}

/**
 * Gives the metres from a point to the place of each row, or to the nearest place that it reaches through links on the
 * site; NaN for none. Null where there are no places at all.
 */
export function distancesFrom(
  { facet, point }: Near,
  catalog: Catalog,
  scene: QueryScene,
): ((row: number) => number) | null {
  const source = sourceOf(facet, catalog, scene);
  if (source?.column.kind !== 'place') return null;
  const { column, reach } = source;
  if (!reach) return (row) => column.distanceAt(row, point);
  return (row) => {
    const distances = reach.targetsOf(row).map((target) => column.distanceAt(target, point));
    const known = distances.filter((metres) => metres === metres);
    return known.length === 0 ? NaN : Math.min(...known);
  };
}
