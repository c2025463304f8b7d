import type { Bitset, Catalog, ChoicesColumn, NumberColumn, YesNoColumn } from '../../catalog/index.js';
import { Bitset as Rows, NO, YES } from '../../catalog/index.js';
import type { Facet } from '../../structure/index.js';
import { startOfDay } from '../../time/index.js';
import type { FacetSource } from './facet-source.js';
import { asksOfNothing, noRows, rowsHaving, sourceOf } from './facet-source.js';
import { pointOf } from './points.js';
import type { FacetChoice } from '../address/query.js';
import { NO_VALUE, YES_VALUE } from '../address/query.js';
import type { QueryScene } from './scene.js';

type Choice<Kind extends FacetChoice['kind']> = Extract<FacetChoice, { kind: Kind }>;

/** The rows that a facet's choice keeps. The set is the caller's. A facet over something that is gone keeps all: null. */
export function rowsKept(facet: Facet, choice: FacetChoice, catalog: Catalog, scene: QueryScene): Bitset | null {
  const source = sourceOf(facet, catalog, scene);
  if (!source) {
    const onlyOrders = choice.kind === 'near' && choice.metres === null;
    return !onlyOrders && asksOfNothing(facet, catalog, scene) ? noRows(catalog) : null;
  }
  const { column } = source;
  const having = (targets: Bitset): Bitset => rowsHaving(source, targets, scene);
  switch (choice.kind) {
    case 'values':
      if (column.kind === 'choices') return rowsWithValues(source, column, choice, facet.join, having);
      return column.kind === 'yes-no' ? having(rowsWithAnswers(column, choice)) : null;
    case 'range':
      if (column.kind !== 'number') return null;
      return having(column.rowsBetween(choice.least ?? -Infinity, choice.greatest ?? Infinity));
    case 'dates':
      return column.kind === 'number' ? having(rowsInDays(facet, source, column, choice, scene)) : null;
    case 'near':
      return column.kind === 'place' ? rowsNear(source, choice, scene, having) : null;
  }
}

function rowsWithValues(
  { catalog, visible }: FacetSource,
  column: ChoicesColumn,
  { values }: Choice<'values'>,
  join: 'any' | 'all',
  having: (targets: Bitset) => Bitset,
): Bitset {
  const numbers = values.map((value) => column.find(value)).map((number) => (visible?.[number] === 0 ? -1 : number));
  const setOf = (number: number): Bitset => (number < 0 ? noRows(catalog) : column.rowsWith(number).clone());
  const [first = -1, ...others] = numbers;
  // The values may come from different linked listings, so each is looked for on its own.
  if (join === 'all') return others.reduce((all, one) => all.intersect(having(setOf(one))), having(setOf(first)));
  return having(others.reduce((all, one) => (one < 0 ? all : all.unite(column.rowsWith(one))), setOf(first)));
}

function rowsWithAnswers(column: YesNoColumn, { values: answers }: Choice<'values'>): Bitset {
  const { values } = column;
  const wanted = new Uint8Array(3);
  wanted[YES] = answers.includes(YES_VALUE) ? 1 : 0;
  wanted[NO] = answers.includes(NO_VALUE) ? 1 : 0;
  const kept = new Rows(values.length);
  for (let row = 0; row < values.length; row++) kept.words[row >>> 5]! |= wanted[values[row]!]! << (row & 31);
  return kept;
}

/** A span is kept when it touches the days. */
function rowsInDays(
  { field }: Facet,
  { catalog, time }: FacetSource,
  column: NumberColumn,
  { from, to }: Choice<'dates'>,
  { context }: QueryScene,
): Bitset {
  const [least, end] = dayBounds(from, to, time ?? 'days', context.zone);
  // The end is where the day after the last one begins, which is out.
  const before = end === Infinity ? column.rowsBetween(-Infinity, Infinity) : rowsBelow(column, end);
  const ends = catalog.endColumn(field) ?? column;
  return least === -Infinity ? before : before.intersect(ends.rowsBetween(least, Infinity));
}

function dayBounds(
  from: number | null,
  to: number | null,
  time: 'days' | 'moments',
  zone: string,
): [least: number, end: number] {
  return [
    from === null ? -Infinity : startOfDay(from, time, zone),
    to === null ? Infinity : startOfDay(to + 1, time, zone),
  ];
}

/** Times are whole numbers, so what lies below one lies at most one before it. */
function rowsBelow(column: NumberColumn, end: number): Bitset {
  return column.rowsBetween(-Infinity, end - 1);
}

function rowsNear(
  { catalog, column }: FacetSource,
  { at, metres }: Choice<'near'>,
  scene: QueryScene,
  having: (targets: Bitset) => Bitset,
): Bitset | null {
  if (column.kind !== 'place' || metres === null) return null;
  const point = pointOf(at, scene);
  return having(point ? column.rowsWithin(point.point, metres) : noRows(catalog));
}
