import type { Bitset, Catalog } from '../../catalog/index.js';
import { placeColumnOf } from '../filters/points.js';

/** A part of a map, in degrees (WGS 84). One whose west lies east of its east goes over the 180th meridian. */
export interface Box {
  readonly south: number;
  readonly west: number;
  readonly north: number;
  readonly east: number;
}

/** Some ten metres: enough for what is seen on a screen. */
const DECIMALS = 4;

/** Reads a part of a map as it stands in addresses ("47.3,-31.4,47.5,-31.1"); null for what is none. */
export function boxFromUrl(text: string | undefined): Box | null {
  const numbers = (text ?? '').split(',').map((part) => (part.trim() === '' ? NaN : Number(part)));
  if (numbers.length !== 4 || !numbers.every(Number.isFinite)) return null;
  const [south, west, north, east] = numbers as [number, number, number, number];
  const isOnEarth = south >= -90 && north <= 90 && Math.abs(west) <= 180 && Math.abs(east) <= 180;
  return isOnEarth && south < north && west !== east ? { south, west, north, east } : null;
}

export function boxToUrl({ south, west, north, east }: Box): string {
  return [south, west, north, east].map((degrees) => String(Number(degrees.toFixed(DECIMALS)))).join(',');
}

/** The rows of a catalog whose place lies in a part of a map; null where the catalog has no places. */
export function rowsInBox(box: Box, catalog: Catalog): Bitset | null {
  const column = placeColumnOf(catalog);
  if (!column) return null;
  const { south, west, north, east } = box;
  const isOver = west > east;
  return column.rowsWhere(({ latitude, longitude }) => {
    const isBetween = isOver ? longitude >= west || longitude <= east : longitude >= west && longitude <= east;
    return latitude >= south && latitude <= north && isBetween;
  });
}
