/** A number with its unit, both as typed. */
export interface Measure {
  readonly value: number;
  readonly unit: UnitCode;
}

export type Dimension = 'length' | 'area' | 'volume' | 'mass' | 'speed' | 'temperature' | 'duration' | 'power' | 'data';

interface Unit {
  readonly dimension: Dimension;
  /** One of the unit in the dimension's base unit. */
  readonly factor: number;
  /** Added after multiplying; only temperatures have one. */
  readonly offset?: number;
  readonly symbol: string;
}

/**
 * The units and their exact factors to the base unit of their dimension (metre, square metre, litre, kilogram, metre a
 * second, kelvin, second, watt, byte). Source of the factors: NIST Special Publication 811 (2008), appendix B.8.
 */
export const UNITS = {
  mm: { dimension: 'length', factor: 0.001, symbol: 'mm' },
  cm: { dimension: 'length', factor: 0.01, symbol: 'cm' },
  m: { dimension: 'length', factor: 1, symbol: 'm' },
  km: { dimension: 'length', factor: 1000, symbol: 'km' },
  in: { dimension: 'length', factor: 0.0254, symbol: 'in' },
  ft: { dimension: 'length', factor: 0.3048, symbol: 'ft' },
  yd: { dimension: 'length', factor: 0.9144, symbol: 'yd' },
  mi: { dimension: 'length', factor: 1609.344, symbol: 'mi' },
  nmi: { dimension: 'length', factor: 1852, symbol: 'nmi' },
  m2: { dimension: 'area', factor: 1, symbol: 'm²' },
  ha: { dimension: 'area', factor: 10000, symbol: 'ha' },
  km2: { dimension: 'area', factor: 1e6, symbol: 'km²' },
  ft2: { dimension: 'area', factor: 0.09290304, symbol: 'ft²' },
  acre: { dimension: 'area', factor: 4046.873, symbol: 'acres' },
  l: { dimension: 'volume', factor: 1, symbol: 'l' },
  ml: { dimension: 'volume', factor: 0.001, symbol: 'ml' },
  m3: { dimension: 'volume', factor: 1000, symbol: 'm³' },
  gal: { dimension: 'volume', factor: 3.785412, symbol: 'US gal' },
  g: { dimension: 'mass', factor: 0.001, symbol: 'g' },
  kg: { dimension: 'mass', factor: 1, symbol: 'kg' },
  t: { dimension: 'mass', factor: 1000, symbol: 't' },
  oz: { dimension: 'mass', factor: 0.028349523125, symbol: 'oz' },
  lb: { dimension: 'mass', factor: 0.45359237, symbol: 'lb' },
  'm/s': { dimension: 'speed', factor: 1, symbol: 'm/s' },
  'km/h': { dimension: 'speed', factor: 1 / 3.6, symbol: 'km/h' },
  mph: { dimension: 'speed', factor: 0.44704, symbol: 'mph' },
  kn: { dimension: 'speed', factor: 1852 / 3600, symbol: 'kn' },
  K: { dimension: 'temperature', factor: 1, symbol: 'K' },
  C: { dimension: 'temperature', factor: 1, offset: 273.15, symbol: '°C' },
  F: { dimension: 'temperature', factor: 5 / 9, offset: 459.67 * (5 / 9), symbol: '°F' },
  s: { dimension: 'duration', factor: 1, symbol: 's' },
  min: { dimension: 'duration', factor: 60, symbol: 'min' },
  h: { dimension: 'duration', factor: 3600, symbol: 'h' },
  d: { dimension: 'duration', factor: 86400, symbol: 'days' },
  W: { dimension: 'power', factor: 1, symbol: 'W' },
  kW: { dimension: 'power', factor: 1000, symbol: 'kW' },
  hp: { dimension: 'power', factor: 745.6999, symbol: 'hp' },
  MB: { dimension: 'data', factor: 1e6, symbol: 'MB' },
  GB: { dimension: 'data', factor: 1e9, symbol: 'GB' },
  TB: { dimension: 'data', factor: 1e12, symbol: 'TB' },
} as const satisfies Record<string, Unit>;

export type UnitCode = keyof typeof UNITS;

export function isUnit(code: string): code is UnitCode {
  return Object.hasOwn(UNITS, code);
}

function unitOf(code: UnitCode): Unit {
  return UNITS[code];
}

/** The unit codes that can stand for one another. */
export function unitsLike(code: UnitCode): UnitCode[] {
  return (Object.keys(UNITS) as UnitCode[]).filter((other) => unitOf(other).dimension === unitOf(code).dimension);
}

/** The unit that a text names, by code or by symbol; null when none does. */
export function unitFromText(text: string): UnitCode | null {
  const wanted = text.trim();
  const codes = Object.keys(UNITS) as UnitCode[];
  return (
    codes.find((code) => code === wanted || unitOf(code).symbol === wanted) ??
    codes.find((code) => code.toLowerCase() === wanted.toLowerCase()) ??
    null
  );
}

/** A measure's number in another unit of the same dimension, unrounded. Throws a RangeError across dimensions. */
export function convertMeasure({ value, unit }: Measure, to: UnitCode): number {
  if (unit === to) return value;
  const from = unitOf(unit);
  const target = unitOf(to);
  if (from.dimension !== target.dimension) throw new RangeError(`${unit} cannot be given in ${to}`);
  return (value * from.factor + (from.offset ?? 0) - (target.offset ?? 0)) / target.factor;
}

export function unitSymbol(unit: UnitCode): string {
  return unitOf(unit).symbol;
}
