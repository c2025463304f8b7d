import type { Catalog, Column } from '../catalog/index.js';
import { Bitset, NO, YES } from '../catalog/index.js';
import type { Facet } from '../structure/index.js';
import type { FacetChoice } from './query.js';
import { NO_VALUE, YES_VALUE } from './query.js';

/** The rows that a facet's choice keeps; null when it keeps all, because there is no such column. */
export function rowsKept(catalog: Catalog, facet: Facet, choice: FacetChoice): Bitset | null {
  const column = catalog.column(facet.field);
  if (choice.kind === 'range') return column?.kind === 'number' ? rowsInRange(catalog, column.values, choice) : null;
  if (column?.kind === 'choices') return rowsWithChoices(catalog, column, choice.values, facet.join);
  if (column?.kind === 'yes-no') return rowsWithAnswers(catalog, column, choice.values);
  return null;
}

function rowsInRange(
  catalog: Catalog,
  values: Float64Array,
  { least, greatest }: Extract<FacetChoice, { kind: 'range' }>,
): Bitset {
  const kept = new Bitset(values.length);
  const from = least ?? -Infinity;
  const to = greatest ?? Infinity;
  // A word of 32 rows at a time; comparisons with NaN are false, so missing values fall out.
  for (let at = 0; at << 5 < catalog.rows; at++) {
    let word = 0;
    const end = Math.min(32, catalog.rows - (at << 5));
    for (let bit = 0; bit < end; bit++) {
      const value = values[(at << 5) + bit]!;
      if (value >= from && value <= to) word |= 1 << bit;
    }
    kept.words[at] = word;
  }
  return kept;
}

function rowsWithChoices(
  catalog: Catalog,
  column: Extract<Column, { kind: 'choices' }>,
  values: readonly string[],
  join: 'any' | 'all',
): Bitset {
  const sets = values.map((value) => column.find(value)).map((number) => (number < 0 ? null : column.rowsWith(number)));
  const [first, ...rest] = sets.filter((set) => set !== null);
  // A value that nothing has adds nothing to the others, and can't be met together with them.
  if (!first || (join === 'all' && sets.includes(null))) return new Bitset(catalog.existing.capacity);
  const kept = first.clone();
  for (const set of rest)
    if (join === 'all') kept.intersect(set);
    else kept.unite(set);
  return kept;
}

function rowsWithAnswers(
  catalog: Catalog,
  column: Extract<Column, { kind: 'yes-no' }>,
  answers: readonly string[],
): Bitset {
  const wantsYes = answers.includes(YES_VALUE);
  const wantsNo = answers.includes(NO_VALUE);
  const kept = new Bitset(column.values.length);
  for (let row = 0; row < catalog.rows; row++) {
    const value = column.values[row]!;
    if ((wantsYes && value === YES) || (wantsNo && value === NO)) kept.add(row);
  }
  return kept;
}
