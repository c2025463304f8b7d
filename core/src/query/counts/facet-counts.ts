import type { ChoicesColumn, NumberColumn, YesNoColumn } from '../../catalog/index.js';
import { NO, YES } from '../../catalog/index.js';
import type { Facet } from '../../structure/index.js';
import { MOST_STARS } from '../../structure/index.js';
import { PeriodFinder, decadeStart, nextPeriod, periodStart } from '../../time/index.js';
import type { FacetSource } from '../filters/facet-source.js';
import { NO_VALUE, YES_VALUE } from '../address/query.js';
import type { FoundRows } from '../lists/found-rows.js';
import type { QueryScene } from '../filters/scene.js';

export const HISTOGRAM_BARS = 20;
export const NO_BARS: readonly number[] = new Array<number>(HISTOGRAM_BARS).fill(0);

/** Least and greatest value of a range, in the column's unit. */
export interface RangeBounds {
  readonly least: number;
  readonly greatest: number;
}

/** Counts beside the values of a facet, or what a range, a strip of months or a rating shows. */
export type FacetCounts =
  | { readonly kind: 'values'; readonly counts: ReadonlyMap<string, number> }
  | {
      readonly kind: 'range';
      /** Null when no listing has a value. */
      readonly bounds: RangeBounds | null;
      /** Listings in each of 20 equal parts from least to greatest. */
      readonly histogram: readonly number[];
    }
  | {
      readonly kind: 'dates';
      /** First and last day; null when no listing has one. */
      readonly bounds: RangeBounds | null;
      /** Months, years and decades with listings, by their first day. */
      readonly months: ReadonlyMap<number, number>;
      readonly years: ReadonlyMap<number, number>;
      readonly decades: ReadonlyMap<number, number>;
    }
  /** By number of stars, the listings with at least as many. */
  | { readonly kind: 'at-least'; readonly counts: readonly number[] }
  /** Distances have no counts of their own: choosing one needs a point first. */
  | { readonly kind: 'none' };

/**
 * Counts what a facet's values would give, over the rows that satisfy what the facet has to respect. The parts of a range
 * are those of `within`, where it is given, else of what the rows have.
 */
export function countFacet(
  facet: Facet,
  source: FacetSource,
  rows: FoundRows,
  scene: QueryScene,
  within: RangeBounds | null = null,
): FacetCounts {
  const { column } = source;
  if (facet.control === 'distance') return { kind: 'none' };
  if (column.kind === 'choices') {
    return { kind: 'values', counts: namedCounts(source, column, countChoices(source, column, rows)) };
  }
  if (column.kind === 'yes-no') return { kind: 'values', counts: countAnswers(source, column, rows) };
  if (column.kind !== 'number') return { kind: 'none' };
  if (facet.control === 'dates') return countPeriods(facet, source, column, rows, scene);
  if (facet.control === 'rating') return { kind: 'at-least', counts: countAtLeast(source, column, rows) };
  return countRange(source, column, rows, within);
}

function namedCounts({ visible }: FacetSource, column: ChoicesColumn, counts: Uint32Array): Map<string, number> {
  const named = new Map<string, number>();
  column.keys.forEach((key, number) => {
    if (visible?.[number] !== 0) named.set(key, counts[number]!);
  });
  return named;
}

function countChoices({ reach }: FacetSource, column: ChoicesColumn, rows: FoundRows): Uint32Array {
  if (!reach) return rows.countChoices(column);
  const counts = new Uint32Array(column.keys.length);
  reach.forEachGroup(rows.list(), (targets, count) => {
    const numbers = new Set(targets.flatMap((row) => [...column.numbersAt(row)]));
    for (const number of numbers) counts[number]! += count;
  });
  return counts;
}

function countAnswers({ reach }: FacetSource, { values }: YesNoColumn, rows: FoundRows): Map<string, number> {
  const tally = reach ? new Uint32Array(YES + 1) : talliedAnswers(values, rows.list());
  reach?.forEachGroup(rows.list(), (targets, count) => {
    for (const answer of new Set(targets.map((row) => values[row]!))) tally[answer]! += count;
  });
  return new Map([
    [YES_VALUE, tally[YES]!],
    [NO_VALUE, tally[NO]!],
  ]);
}

/** A plain loop of its own, which becomes fast machine code sooner than one beside a closure. */
function talliedAnswers(values: Uint8Array, rows: Uint32Array): Uint32Array {
  const tally = new Uint32Array(YES + 1);
  for (const row of rows) tally[values[row]!]!++;
  return tally;
}

/** How many of the rows have each value; a missing one is none. */
function tallied(values: Float64Array, rows: Uint32Array): Map<number, number> {
  const counts = new Map<number, number>();
  for (const row of rows) {
    const value = values[row]!;
    if (value === value) counts.set(value, (counts.get(value) ?? 0) + 1);
  }
  return counts;
}

function countRange(
  { reach }: FacetSource,
  { values }: NumberColumn,
  rows: FoundRows,
  within: RangeBounds | null,
): FacetCounts {
  if (!reach) return rangeOf(values, rows.list(), within);
  const histogram = [...NO_BARS];
  let { least, greatest } = within ?? NO_BOUNDS;
  const numbersOf = (targets: readonly number[]): number[] =>
    targets.map((row) => values[row]!).filter((value) => value === value);
  reach.forEachGroup(rows.list(), (targets) => {
    least = Math.min(least, ...numbersOf(targets));
    greatest = Math.max(greatest, ...numbersOf(targets));
  });
  if (least > greatest) return { kind: 'range', bounds: null, histogram };
  reach.forEachGroup(rows.list(), (targets, count) => {
    // A listing counts once in each bar that it has a value in.
    for (const bar of new Set(numbersOf(targets).map((value) => barOf(value, least, greatest))))
      histogram[bar]! += count;
  });
  return { kind: 'range', bounds: { least, greatest }, histogram };
}

const NO_BOUNDS: RangeBounds = { least: Infinity, greatest: -Infinity };

function barOf(value: number, least: number, greatest: number): number {
  const scale = greatest > least ? HISTOGRAM_BARS / (greatest - least) : 0;
  return Math.min(HISTOGRAM_BARS - 1, Math.floor((value - least) * scale));
}

/** The same over the rows of the column itself, in plain loops. */
function rangeOf(values: Float64Array, rows: Uint32Array, within: RangeBounds | null): FacetCounts {
  let { least, greatest } = within ?? NO_BOUNDS;
  for (const row of rows) {
    const value = values[row]!;
    if (value < least) least = value;
    if (value > greatest) greatest = value;
  }
  if (least > greatest) {
    return { kind: 'range', bounds: null, histogram: NO_BARS };
  }
  const scale = greatest > least ? HISTOGRAM_BARS / (greatest - least) : 0;
  const bars = new Uint32Array(HISTOGRAM_BARS + 1);
  for (const row of rows) {
    const value = values[row]!;
    if (value === value) bars[((value - least) * scale) | 0]!++;
  }
  // The greatest value itself stands in the last bar.
  bars[HISTOGRAM_BARS - 1]! += bars[HISTOGRAM_BARS]!;
  return { kind: 'range', bounds: { least, greatest }, histogram: [...bars.subarray(0, HISTOGRAM_BARS)] };
}

function countAtLeast(source: FacetSource, column: NumberColumn, rows: FoundRows): number[] {
  const whole = source.reach ? new Uint32Array(MOST_STARS + 1) : talliedStars(column.values, rows.list());
  source.reach?.forEachGroup(rows.list(), (targets, count) => {
    const greatest = Math.max(...targets.map((row) => column.values[row]!).filter((value) => value === value));
    if (greatest >= 0) whole[Math.floor(greatest)]! += count;
  });
  const counts = [...whole.subarray(0, whole.findLastIndex((count) => count > 0) + 1)];
  // Whoever has more stars has at least as many, too.
  for (let stars = counts.length - 2; stars >= 0; stars--) counts[stars]! += counts[stars + 1]!;
  return counts;
}

/** How many of the rows have each whole number of stars, halves left aside. */
function talliedStars(values: Float64Array, rows: Uint32Array): Uint32Array {
  const tally = new Uint32Array(MOST_STARS + 1);
  for (const row of rows) {
    const value = values[row]!;
    if (value === value) tally[value | 0]!++;
  }
  return tally;
}

function countPeriods(
  { field }: Facet,
  source: FacetSource,
  column: NumberColumn,
  rows: FoundRows,
  scene: QueryScene,
): FacetCounts {
  const time = source.time ?? 'days';
  const ends = source.catalog.endColumn(field);
  const [months, years, decades] = [new Map<number, number>(), new Map<number, number>(), new Map<number, number>()];
  let [least, greatest] = [Infinity, -Infinity];
  const bounds = new PeriodFinder('month', time, scene.context);
  const visit = (spans: readonly (readonly [number, number])[], count: number): void => {
    const touched = new Set<number>();
    for (const [from, to] of spans) {
      least = Math.min(least, from);
      greatest = Math.max(greatest, to);
      const last = bounds.periodOf(to);
      for (let month = bounds.periodOf(from); month <= last; month = nextPeriod(month, 'month')) touched.add(month);
    }
    const touchedYears = new Set([...touched].map((month) => periodStart(month, 'year')));
    add(months, touched, count);
    add(years, touchedYears, count);
    add(decades, new Set([...touchedYears].map(decadeStart)), count);
  };
  const spanAt = (row: number): readonly [number, number] => {
    return [column.values[row]!, ends?.values[row] ?? column.values[row]!];
  };
  if (source.reach) {
    source.reach.forEachGroup(rows.list(), (targets, count) => {
      visit(
        targets.map(spanAt).filter(([from]) => from === from),
        count,
      );
    });
  } else if (ends) {
    for (const row of rows.list()) if (column.hasAny(row)) visit([spanAt(row)], 1);
  } else for (const [day, count] of tallied(column.values, rows.list())) visit([[day, day]], count);
  const isEmpty = least > greatest;
  return {
    kind: 'dates',
    months,
    years,
    decades,
    bounds: isEmpty ? null : { least: bounds.dayOf(least), greatest: bounds.dayOf(greatest) },
  };
}

function add(counts: Map<number, number>, periods: Iterable<number>, count: number): void {
  for (const period of periods) counts.set(period, (counts.get(period) ?? 0) + count);
}
