import type { ColumnSample } from '../../structure/index.js';
import { ENOUGH, countFitting } from '../../structure/index.js';
import type { Axis, NumberMarks } from '../../values/index.js';
import { foldText, parseDegrees, wordsOf } from '../../values/index.js';

const WORDS: Readonly<Record<Axis, ReadonlySet<string>>> = {
  latitude: new Set(['lat', 'latitude', 'breite', 'breitengrad', 'latitud', 'latitudine']),
  longitude: new Set(['lon', 'lng', 'longitude', 'laenge', 'lange', 'langengrad', 'longitud', 'longitudine']),
};
/** Words that mean an axis only where they are all of a header. */
const ALONE: Readonly<Record<string, Axis>> = { y: 'latitude', x: 'longitude', long: 'longitude' };

/** The axis that a header names; null for none. */
export function axisOf(header: string): Axis | null {
  const words = wordsOf(header);
  const named = (['latitude', 'longitude'] as const).find((axis) => words.some((word) => WORDS[axis].has(word)));
  return named ?? ALONE[foldText(header)] ?? null;
}

/** The two columns that together give a place; null where there are none. */
export function findPlace(
  samples: readonly ColumnSample[],
  marksOf: (column: number) => NumberMarks,
): { readonly latitude: number; readonly longitude: number } | null {
  const find = (axis: Axis): number =>
    samples.findIndex((sample, at) => axisOf(sample.header) === axis && areDegrees(sample, axis, marksOf(at)));
  const [latitude, longitude] = [find('latitude'), find('longitude')];
  return latitude < 0 || longitude < 0 ? null : { latitude, longitude };
}

function areDegrees(sample: ColumnSample, axis: Axis, marks: NumberMarks): boolean {
  const fitting = countFitting(sample, (value) => parseDegrees(value, axis, marks) !== null);
  return sample.filled > 0 && fitting >= sample.filled * ENOUGH;
}
