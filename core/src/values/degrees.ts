import type { NumberMarks } from './numbers.js';
import { parseNumber } from './numbers.js';

export type Axis = 'latitude' | 'longitude';

/** The letters of the compass that stand at an axis, and on which side of it. */
const SIDES: Readonly<Record<Axis, Readonly<Record<string, 1 | -1>>>> = {
  latitude: { N: 1, S: -1 },
  longitude: { E: 1, W: -1 },
};
const MOST: Readonly<Record<Axis, number>> = { latitude: 90, longitude: 180 };

const SIGN = '[+\\-−]?';
const NUMBER = '\\d+(?:[.,]\\d+)?';
/** Decimal degrees: a mark in them never stands between thousands. */
const PLAIN = /^[+-]?\d{1,3}(?:[.,]\d+)?$/;
/** Degrees, minutes and seconds: 38°42'26.5", 38 42 26.5, 38°42.44', 38.707°. */
const DEGREES = new RegExp(
  `^([NSEW])?\\s*(${SIGN})(${NUMBER})\\s*(?:[°º]\\s*|\\s(?=\\d)|$|(?=[NSEW]))` +
    `(?:(${NUMBER})\\s*(?:['′’]\\s*|\\s(?=\\d)|$|(?=[NSEW])))?(?:(${NUMBER})\\s*(?:"|″|”|''|′′|’’)?\\s*)?([NSEW])?$`,
  'i',
);

/**
 * Degrees of latitude or longitude (north and east above zero): a number, with a letter of the compass or without, or
 * degrees, minutes and seconds. Null for what is none, and for what lies outside of the axis.
 */
export function parseDegrees(text: string, axis: Axis, marks: NumberMarks): number | null {
  if (PLAIN.test(text)) return within(Number(text.replace(',', '.')), axis);
  const [, before, sign = '', whole = '', minutes, seconds, after] = DEGREES.exec(text.trim()) ?? [];
  if (whole === '' || (before && after)) return within(parseNumber(text, marks), axis);
  const letter = (before ?? after)?.toUpperCase();
  const side = letter === undefined ? 1 : SIDES[axis][letter];
  if (side === undefined || (letter !== undefined && sign !== '')) return null;
  const parts = [whole, minutes, seconds].filter((part) => part !== undefined);
  const numbers = parts.map((part) => parseNumber(part, partMarks(part, marks)) ?? NaN);
  const isSplit = numbers.slice(0, -1).every(Number.isInteger) && numbers.slice(1).every((part) => part < 60);
  if (!isSplit) return null;
  const degrees = numbers.reduce((sum, part, at) => sum + part / 60 ** at, 0);
  return within(side * (sign === '-' || sign === '−' ? -degrees : degrees), axis);
}

/** Degrees hold no thousands: a mark in them stands before their decimals, whatever it is. */
function partMarks(part: string, marks: NumberMarks): NumberMarks {
  if (part.includes('.')) return { decimal: '.', group: '', written: '.' };
  return part.includes(',') ? { decimal: ',', group: '', written: ',' } : marks;
}

function within(degrees: number | null, axis: Axis): number | null {
  return degrees !== null && Math.abs(degrees) <= MOST[axis] ? degrees : null;
}
