import type { Catalog, PlaceColumn } from '../../catalog/index.js';
import { bestMatches } from '../../catalog/index.js';
import type { Point } from '../../values/index.js';
import { slugOf } from '../../values/index.js';
import type { QueryScene } from './scene.js';

/** A point that distances are told from, with the title of the listing that it is of; '' for a bare position. */
export interface NamedPoint {
  readonly point: Point;
  readonly title: string;
}

/** Of the listings that a name finds, so many are looked at for one with a place. */
const MOST_TRIED = 50;
const POSITION = /^([+-]?\d{1,3}(?:\.\d+)?)\s*[,; ]\s*([+-]?\d{1,3}(?:\.\d+)?)$/;

/**
 * The point that a text names: a position, the slug of a listing with a place, or words that find one. Only listings on
 * the site are found; null where there is none.
 */
export function pointOf(text: string, scene: QueryScene): NamedPoint | null {
  const position = POSITION.exec(text.trim());
  if (position) {
    const [latitude, longitude] = [Number(position[1]), Number(position[2])];
    const isOnEarth = Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180;
    return isOnEarth ? { point: { latitude, longitude }, title: '' } : null;
  }
  const catalogs = scene.catalogs().filter((catalog) => placeColumnOf(catalog));
  for (const catalog of catalogs) {
    const row = catalog.rowOfSlug(slugOf(text));
    const found = row === undefined ? null : namedPoint(catalog, row, scene);
    if (found) return found;
  }
  return bestMatch(text, catalogs, scene);
}

function bestMatch(text: string, catalogs: readonly Catalog[], scene: QueryScene): NamedPoint | null {
  for (const catalog of catalogs) {
    const within = catalog.onSiteAt(scene.context.nowInMs);
    const matches = catalog.text.search(text, { within });
    if (!matches || matches.met < matches.wanted) continue;
    const best = bestMatches(matches, MOST_TRIED);
    for (const row of best) {
      const found = namedPoint(catalog, row, scene);
      if (found) return found;
    }
  }
  return null;
}

function namedPoint(catalog: Catalog, row: number, { context }: QueryScene): NamedPoint | null {
  const point = placeColumnOf(catalog)?.pointAt(row) ?? null;
  if (!point || !catalog.onSiteAt(context.nowInMs).has(row)) return null;
  return { point, title: catalog.title.textAt(row) ?? '' };
}

/** Where the listings of a catalog are: their built-in place, or else their first field with one. */
export function placeColumnOf(catalog: Catalog): PlaceColumn | null {
  const keys = ['@place', ...catalog.kind.fields.filter(({ type }) => type === 'place').map(({ key }) => key)];
  for (const key of keys) {
    const column = catalog.column(key);
    if (column?.kind === 'place') return column;
  }
  return null;
}
