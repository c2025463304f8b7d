/** A point on the earth in degrees (WGS 84). */
export interface Point {
  readonly latitude: number;
  readonly longitude: number;
}

/** The ellipsoid of WGS 84 (NIMA TR8350.2): equatorial radius in metres, and flattening. */
const RADIUS = 6_378_137;
const FLATTENING = 1 / 298.257_223_563;
const DEGREE = Math.PI / 180;
/** Beyond this angle the correction grows without bound, and the plain sphere is nearer. */
const NEARLY_OPPOSITE = 3.1;
const MEAN_RADIUS = 6_371_009;

/**
 * The distance between two points along the earth, in metres: that on a sphere of the reduced latitudes, corrected for
 * the flattening to the first order. Source: W. D. Lambert, "The distance between two widely separated points on the
 * surface of the earth", J. Washington Academy of Sciences 32 (1942).
 */
export function distanceInMetres(a: Point, b: Point): number {
  const [first, second] = [reducedLatitude(a), reducedLatitude(b)];
  const halfTurn = ((b.longitude - a.longitude) * DEGREE) / 2;
  const angle = centralAngle(first, second, halfTurn);
  if (angle === 0) return 0;
  if (angle > NEARLY_OPPOSITE) return MEAN_RADIUS * angle;
  const [mean, half] = [(first + second) / 2, (second - first) / 2];
  const x = ((angle - Math.sin(angle)) * square(Math.sin(mean) * Math.cos(half))) / square(Math.cos(angle / 2));
  const y = ((angle + Math.sin(angle)) * square(Math.cos(mean) * Math.sin(half))) / square(Math.sin(angle / 2));
  return RADIUS * (angle - (FLATTENING / 2) * (x + y));
}

function reducedLatitude({ latitude }: Point): number {
  return Math.atan((1 - FLATTENING) * Math.tan(latitude * DEGREE));
}

/** By the haversine formula, which keeps its precision for near points. */
function centralAngle(first: number, second: number, halfTurn: number): number {
  const chord =
    square(Math.sin((second - first) / 2)) + Math.cos(first) * Math.cos(second) * square(Math.sin(halfTurn));
  return 2 * Math.asin(Math.min(1, Math.sqrt(chord)));
}

function square(value: number): number {
  return value * value;
}

/** Units in which distances are told, in metres (international nautical mile; NIST SP 811 for the mile). */
export const DISTANCE_UNITS = { km: 1000, mi: 1609.344, nmi: 1852 } as const;
export type DistanceUnit = keyof typeof DISTANCE_UNITS;
