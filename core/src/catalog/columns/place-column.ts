import type { Place } from '../../structure/index.js';
import type { Point } from '../../values/index.js';
import { distanceInMetres } from '../../values/index.js';
import { Bitset } from '../bitset.js';

/** A degree of latitude is nowhere shorter than this. */
const LEAST_METRES_A_DEGREE = 110_000;

export interface KeptPlaces {
  readonly latitudes: Float64Array;
  readonly longitudes: Float64Array;
}

/** A point a row; NaN stands for no place. */
export class PlaceColumn {
  readonly kind = 'place';
  private latitudes: Float64Array;
  private longitudes: Float64Array;

  constructor(capacity: number) {
    this.latitudes = new Float64Array(capacity).fill(NaN);
    this.longitudes = new Float64Array(capacity).fill(NaN);
  }

  grow(capacity: number): void {
    this.latitudes = grown(this.latitudes, capacity);
    this.longitudes = grown(this.longitudes, capacity);
  }

  kept(): KeptPlaces {
    return { latitudes: this.latitudes.slice(), longitudes: this.longitudes.slice() };
  }

  restore({ latitudes, longitudes }: KeptPlaces): void {
    [this.latitudes, this.longitudes] = [latitudes.slice(), longitudes.slice()];
  }

  put(row: number, place: Place | null): void {
    this.latitudes[row] = place?.latitude ?? NaN;
    this.longitudes[row] = place?.longitude ?? NaN;
  }

  hasAny(row: number): boolean {
    return !Number.isNaN(this.latitudes[row]);
  }

  pointAt(row: number): Point | null {
    const [latitude, longitude] = [this.latitudes[row]!, this.longitudes[row]!];
    return latitude === latitude ? { latitude, longitude } : null;
  }

  /** The rows whose place is of a certain sort. */
  rowsWhere(fits: (point: Point) => boolean): Bitset {
    const rows = new Bitset(this.latitudes.length);
    const point = { latitude: NaN, longitude: NaN };
    for (let row = 0; row < this.latitudes.length; row++) {
      point.latitude = this.latitudes[row]!;
      point.longitude = this.longitudes[row]!;
      // NaN is never between two numbers.
      if (point.latitude === point.latitude && fits(point)) rows.add(row);
    }
    return rows;
  }

  /** Metres from a point; NaN for a row without a place. */
  distanceAt(row: number, from: Point): number {
    const point = this.pointAt(row);
    return point ? distanceInMetres(from, point) : NaN;
  }

  /** The rows at most so many metres from a point. */
  rowsWithin(from: Point, metres: number): Bitset {
    const rows = new Bitset(this.latitudes.length);
    const band = metres / LEAST_METRES_A_DEGREE;
    for (let row = 0; row < this.latitudes.length; row++) {
      // Most rows lie too far north or south: comparing latitudes rules them out without trigonometry. NaN compares as false.
      if (Math.abs(this.latitudes[row]! - from.latitude) <= band && this.distanceAt(row, from) <= metres) rows.add(row);
    }
    return rows;
  }
}

function grown(from: Float64Array, capacity: number): Float64Array {
  const larger = new Float64Array(capacity).fill(NaN);
  larger.set(from);
  return larger;
}
