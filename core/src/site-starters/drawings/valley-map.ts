import { Dice } from '../../values/index.js';

type Point = readonly [longitude: number, latitude: number];

const [WEST, EAST, SOUTH, NORTH] = [8.9, 9.95, 46.5, 47.1];
const STEPS = 60;
const HALF_WIDTH = 0.0028;

/**
 * The ground of the valley in which the examples of all starters lie: the land on both sides of an invented river, as
 * GeoJSON (RFC 7946).
 */
export function valleyMap(): object {
  const dice = new Dice(61);
  const middle = Array.from({ length: STEPS + 1 }, (_, at): Point => {
    const latitude = SOUTH + ((NORTH - SOUTH) * at) / STEPS;
    return [9.474 + 0.022 * Math.sin(at * 0.9) + 0.004 * dice.next(), latitude];
  });
  const bank = (side: number): Point[] =>
    middle.map(([x, y]) => rounded([x + side * HALF_WIDTH * (0.7 + dice.next() * 0.6), y]));
  // Outer rings run counter-clockwise (3.1.6).
  const west = [...bank(-1), rounded([WEST, NORTH]), rounded([WEST, SOUTH])];
  const east = [...bank(1).reverse(), rounded([EAST, SOUTH]), rounded([EAST, NORTH])];
  return { type: 'FeatureCollection', features: [land('West bank', west), land('East bank', east)] };
}

function land(name: string, ring: readonly Point[]): object {
  const geometry = { type: 'Polygon', coordinates: [[...ring, ring[0]]] };
  return { type: 'Feature', properties: { name, kind: 'land' }, geometry };
}

function rounded([longitude, latitude]: Point): Point {
  return [Number(longitude.toFixed(5)), Number(latitude.toFixed(5))];
}
