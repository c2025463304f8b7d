import { writeFileSync } from 'node:fs';
import { HARBOURS } from './places.js';
import { Dice } from '@plindo/core/values';

/**
 * Draws the invented coast of Merrow Sound as GeoJSON (RFC 7946): the land on both sides of the sound, and islands. Run
 * by hand when the coast is to change; the file that it writes is committed: `node demo/dist/base-map.js`.
 */
type Point = [number, number];

/** Far enough that nobody who looks at the whole sound sees where the map ends. */
const WEST = -32.4;
const EAST = -30.1;
const SOUTH = 46.7;
const NORTH = 48.1;
const STEPS = 14;

/** The harbours on the shores of the sound: up the one from the sea to its head, down the other to the sea again. */
const UP = ['Greyfin Marina', 'Pellan Pool', 'Corrin Steps', 'Sallow Creek', 'Hollin Staithe'];
const DOWN = ['Ostrey Quay', 'Little Averne', 'Tarnwick Haven', 'Windle Sound Club', 'Mirrow Basin', 'Kessel Light'];

/** A ragged line through points, straight at each of them; the same dice give the same line. */
function coast(dice: Dice, through: readonly Point[]): Point[] {
  const stretches = through.slice(1).map((to, at) => ragged(dice, through[at]!, to));
  return [through[0]!, ...stretches.flat()].map(rounded);
}

function ragged(dice: Dice, from: Point, to: Point): Point[] {
  const [east, north] = [to[0] - from[0], to[1] - from[1]];
  const raggedness = Math.min(0.13, 0.012 / Math.hypot(east, north));
  return Array.from({ length: STEPS }, (_, step): Point => {
    const share = (step + 1) / STEPS;
    const wobble = (Math.sin(share * 9) * 0.6 + (dice.next() - 0.5)) * raggedness * Math.sin(Math.PI * share);
    return [from[0] + east * share - north * wobble, from[1] + north * share + east * wobble];
  });
}

function placesOf(names: readonly string[]): Point[] {
  return names.map((name): Point => {
    const { longitude, latitude } = HARBOURS.find((harbour) => harbour.name === name)!;
    return [longitude, latitude];
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
const [head] = placesOf(['Hollin Staithe']);
const northShore = coast(dice, [[WEST, 47.43], [-31.42, 47.4], ...placesOf(UP)]);
const southShore = coast(dice, [head!, ...placesOf(DOWN), [-31.19, 47.27], [-31.24, SOUTH]]);
// One piece, so that no line divides the land at the head of the sound.
const shore = [...northShore, ...southShore.slice(1)];
const [brannock] = placesOf(['Brannock Island']);
const features = [
  land('Mainland', [...shore, [EAST, SOUTH], [EAST, NORTH], [WEST, NORTH], shore[0]!]),
  land('Brannock', island(dice, [brannock![0], brannock![1] + 0.012], 0.009)),
  land('The Skerries', island(dice, [-31.318, 47.312], 0.003)),
  land('Little Skerry', island(dice, [-31.303, 47.306], 0.0015)),
  ...HARBOURS.map(({ name, longitude, latitude }) => ({
    type: 'Feature',
    properties: { name, kind: 'harbour' },
    geometry: { type: 'Point', coordinates: [longitude, latitude] },
  })),
];
const file = new URL('../base-map.geojson', import.meta.url);
writeFileSync(file, `${JSON.stringify({ type: 'FeatureCollection', features })}\n`);
