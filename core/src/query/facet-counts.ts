import type { Catalog, Column } from '../catalog/index.js';
import { NO, YES } from '../catalog/index.js';
import type { Facet } from '../structure/index.js';
import { NO_VALUE, YES_VALUE } from './query.js';

export const HISTOGRAM_BARS = 20;

/** Counts beside the values of a facet, or the bounds and histogram of a range. */
export type FacetCounts =
  | { readonly kind: 'values'; readonly counts: ReadonlyMap<string, number> }
  | {
      readonly kind: 'range';
      /** Least and greatest value in the column's unit; null when no listing has one. */
      readonly bounds: { readonly least: number; readonly greatest: number } | null;
      /** Listings in each of 20 equal parts from least to greatest. */
      readonly histogram: readonly number[];
    };

/** Counts what a facet's values would give, over the rows that satisfy what the facet has to respect. */
export function countFacet(catalog: Catalog, facet: Facet, rows: Uint32Array): FacetCounts {
  const column = catalog.column(facet.field);
  if (facet.control === 'range') return countRange(column, rows);
  const counts = new Map<string, number>();
  if (column?.kind === 'choices') {
    countChoices(column, rows).forEach((count, number) => counts.set(column.keys[number]!, count));
  }
  if (column?.kind === 'yes-no') {
    const tally = [0, 0, 0];
    for (const row of rows) tally[column.values[row]!]!++;
    counts.set(YES_VALUE, tally[YES]!).set(NO_VALUE, tally[NO]!);
  }
  return { kind: 'values', counts };
}

function countChoices(column: Extract<Column, { kind: 'choices' }>, rows: Uint32Array): Uint32Array {
  const { starts, lengths, pool } = column;
  const counts = new Uint32Array(column.keys.length);
  for (const row of rows) {
    const end = starts[row]! + lengths[row]!;
    for (let place = starts[row]!; place < end; place++) counts[pool[place]!]!++;
  }
  return counts;
}

function countRange(column: Column | undefined, rows: Uint32Array): FacetCounts {
  const histogram = new Array<number>(HISTOGRAM_BARS).fill(0);
  if (column?.kind !== 'number') return { kind: 'range', bounds: null, histogram };
  const { values } = column;
  let least = Infinity;
  let greatest = -Infinity;
  for (const row of rows) {
    const value = values[row]!;
    if (value < least) least = value;
    if (value > greatest) greatest = value;
  }
  if (least > greatest) return { kind: 'range', bounds: null, histogram };
  const scale = greatest > least ? HISTOGRAM_BARS / (greatest - least) : 0;
  const last = HISTOGRAM_BARS - 1;
  for (const row of rows) {
    const value = values[row]!;
    if (value === value) histogram[Math.min(last, Math.floor((value - least) * scale))]!++;
  }
  return { kind: 'range', bounds: { least, greatest }, histogram };
}
