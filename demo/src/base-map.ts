import { writeFileSync } from 'node:fs';
import { HARBOURS } from './places.js';
import { Dice } from './random.js';

/**
 * Draws the invented coast of Merrow Sound as GeoJSON (RFC 7946): the land on both sides of the sound, and islands. Run
 * by hand when the coast is to change; the file that it writes is committed: `node demo/dist/base-map.js`.
 */
type Point = [number, number];

const WEST = -31.42;
const EAST = -31.08;
const SOUTH = 47.28;
const NORTH = 47.52;
const STEPS = 60;

/** A ragged line between two points; the same dice give the same line. */
function coast(dice: Dice, from: Point, to: Point, raggedness: number): Point[] {
  return Array.from({ length: STEPS + 1 }, (_, step) => {
    const share = step / STEPS;
    const wobble = Math.sin(share * 17) * 0.6 + (dice.next() - 0.5);
    const along = [from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share] as const;
    const fade = Math.sin(Math.PI * share);
    return rounded([along[0] + wobble * raggedness * fade, along[1] - wobble * raggedness * 0.5 * fade]);
  });
}

function island(dice: Dice, [longitude, latitude]: Point, size: number): Point[] {
  const ring = Array.from({ length: 24 }, (_, at): Point => {
    const angle = (at / 24) * 2 * Math.PI;
    const radius = size * (0.7 + dice.next() * 0.5);
    return rounded([longitude + Math.cos(angle) * radius * 1.5, latitude + Math.sin(angle) * radius]);
  });
  return [...ring, ring[0]!];
}

function rounded([longitude, latitude]: Point): Point {
  return [Number(longitude.toFixed(5)), Number(latitude.toFixed(5))];
}

/** The ring in the direction that RFC 7946, 3.1.6, asks of an outer one: counter-clockwise. */
function counterClockwise(ring: Point[]): Point[] {
  const twiceTheArea = ring.reduce((sum, [x, y], at) => {
    const [nextX, nextY] = ring[(at + 1) % ring.length]!;
    return sum + x * nextY - nextX * y;
  }, 0);
  return twiceTheArea < 0 ? [...ring].reverse() : ring;
}

function land(name: string, outline: Point[]): object {
  const ring = counterClockwise(outline);
  return { type: 'Feature', properties: { name, kind: 'land' }, geometry: { type: 'Polygon', coordinates: [ring] } };
}

const dice = new Dice(47);
const northShore = coast(dice, [EAST, 47.41], [WEST, 47.46], 0.014);
const southShore = coast(dice, [WEST, 47.3], [EAST, 47.345], 0.012);
const brannock = HARBOURS.find(({ name }) => name === 'Brannock Island')!;
const features = [
  land('North shore', [...northShore, [WEST, NORTH], [EAST, NORTH], northShore[0]!]),
  land('South shore', [...southShore, [EAST, SOUTH], [WEST, SOUTH], southShore[0]!]),
  land('Brannock', island(dice, [brannock.longitude, brannock.latitude + 0.012], 0.009)),
  land('The Skerries', island(dice, [-31.25, 47.325], 0.003)),
  ...HARBOURS.map(({ name, longitude, latitude }) => ({
    type: 'Feature',
    properties: { name, kind: 'harbour' },
    geometry: { type: 'Point', coordinates: [longitude, latitude] },
  })),
];
const file = new URL('../base-map.geojson', import.meta.url);
writeFileSync(file, `${JSON.stringify({ type: 'FeatureCollection', features })}\n`);
