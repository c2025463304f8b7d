import { rowsOfQuery } from '../../query/index.js';
import type { QueryScene } from '../../query/index.js';
import { placeColumnOf } from '../../query/index.js';
import { listingPath } from '../cards/slot-value.js';
import type { ListArea } from './list-area.js';

/** So many are drawn at most; each is a few bytes of the page. */
const MOST_POINTS = 2000;

/** A listing on a map. */
export interface PointModel {
  readonly id: number;
  readonly title: string;
  /** Null when it has no page. */
  readonly href: string | null;
  /** Degrees, WGS 84. */
  readonly latitude: number;
  readonly longitude: number;
}

export interface PointsModel {
  readonly points: readonly PointModel[];
  /** Listings with a place that are found, of which more than are drawn. */
  readonly total: number;
}

/** What a list finds that has a place, whichever part of the map is chosen, so that what lies around it is seen too. */
export function mapPoints({ list, query }: ListArea, scene: QueryScene): PointsModel {
  const points: PointModel[] = [];
  let total = 0;
  for (const { catalog, rows } of rowsOfQuery(list, { ...query, box: null }, scene)) {
    const column = placeColumnOf(catalog);
    const { kind } = catalog;
    if (!column) continue;
    rows.forEach((row) => {
      const point = column.pointAt(row);
      if (!point || ++total > MOST_POINTS) return;
      const href = kind.hasListingPages ? listingPath(kind, { address: catalog.addressAt(row) }) : null;
      const { latitude, longitude } = point;
      points.push({ id: catalog.ids[row]!, title: catalog.title.textAt(row) ?? '', href, latitude, longitude });
    });
  }
  return { points, total };
}
