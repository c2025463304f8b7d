import type { Catalog, ChoicesColumn, Column, PlaceColumn } from '../../catalog/index.js';
import { Bitset, YES } from '../../catalog/index.js';
import type { Bounds, ColumnValue } from '../../listings/index.js';
import { boundsOf, preparedTest, readDistance } from '../../listings/index.js';
import type { Condition, Field, FieldTest, LinkTest } from '../../structure/index.js';
import { fieldAt, isGroup, isLinkTest, plainField } from '../../structure/index.js';
import type { PageParameters } from './parameters.js';
import { withParameters } from './parameters.js';
import { pointOf } from './points.js';
import { Reach } from './reach.js';
import type { QueryScene } from './scene.js';

/** What conditions are asked with: the scene, and what the page gives. */
export interface ConditionScene {
  readonly scene: QueryScene;
  readonly parameters: PageParameters;
}

/** The rows for which a condition holds. The set is the caller's. A test of something that is gone holds for none. */
export function rowsWhere(condition: Condition, catalog: Catalog, asked: ConditionScene): Bitset {
  if (isLinkTest(condition)) return rowsLinked(condition, catalog, asked);
  if (!isGroup(condition)) return rowsOfTest(condition, catalog, asked);
  const parts = condition.of.map((part) => rowsWhere(part, catalog, asked));
  if (condition.join === 'all') return parts.reduce((all, part) => all.intersect(part), catalog.existing.clone());
  const any = parts.reduce((all, part) => all.unite(part), none(catalog));
  return condition.join === 'any' ? any : catalog.existing.clone().subtract(any);
}

function none(catalog: Catalog): Bitset {
  return new Bitset(catalog.existing.capacity);
}

function rowsLinked({ link, where }: LinkTest, catalog: Catalog, asked: ConditionScene): Bitset {
  const reach = Reach.along([link], catalog, asked.scene);
  if (!reach) return none(catalog);
  const targets = rowsWhere(where, reach.target, asked);
  return reach.rowsReaching(targets.intersect(reach.target.onSiteAt(asked.scene.context.nowInMs)));
}

function rowsOfTest(given: FieldTest, catalog: Catalog, asked: ConditionScene): Bitset {
  if (given.op === 'is-current') return rowOfCurrent(catalog, asked.parameters);
  const test = withParameters(given, catalog, asked);
  const field = fieldAt(catalog.kind, test?.field ?? '');
  if (!test || !field) return none(catalog);
  const column = columnFor(test, catalog);
  if (test.op === 'is-empty' || test.op === 'is-not-empty') return rowsWithValue(test, column, catalog, asked);
  if (column?.kind === 'number') return rowsInBounds(boundsOf(test, field, asked.scene.context), column, catalog);
  if (column?.kind === 'place') return test.op === 'within' ? rowsAround(test, column, catalog, asked) : none(catalog);
  return rowsByTrying(test, field, column, catalog, asked);
}

function rowOfCurrent(catalog: Catalog, { listing }: PageParameters): Bitset {
  const rows = none(catalog);
  const row = listing === null ? undefined : catalog.rowOf(listing);
  if (row !== undefined) rows.add(row);
  return rows;
}

function columnFor({ field, alone }: FieldTest, catalog: Catalog): Column | undefined {
  return alone ? (catalog.ownCategories(field) ?? catalog.column(field)) : catalog.column(field);
}

function rowsWithValue(
  { field, op }: FieldTest,
  column: Column | undefined,
  catalog: Catalog,
  { scene }: ConditionScene,
): Bitset {
  const special = specialValue(field, catalog, scene);
  const filled = catalog.filledRows(field);
  const rows = none(catalog);
  catalog.existing.forEach((row) => {
    if (special !== null || (column?.hasAny(row) ?? filled?.has(row) ?? false)) rows.add(row);
  });
  return op === 'is-not-empty' ? rows : catalog.existing.clone().subtract(rows);
}

function rowsInBounds(
  { least, withLeast, greatest, withGreatest, isTurned }: Bounds,
  column: Extract<Column, { kind: 'number' }>,
  catalog: Catalog,
): Bitset {
  const rows = column.rowsBetween(least, greatest);
  if (!withLeast && Number.isFinite(least)) rows.subtract(column.rowsBetween(least, least));
  if (!withGreatest && Number.isFinite(greatest)) rows.subtract(column.rowsBetween(greatest, greatest));
  const kept = isTurned ? column.rowsBetween(-Infinity, Infinity).subtract(rows) : rows;
  return kept.intersect(catalog.existing);
}

function rowsAround({ value }: FieldTest, column: PlaceColumn, catalog: Catalog, { scene }: ConditionScene): Bitset {
  const distance = readDistance(value);
  const found = distance && pointOf(distance.at, scene);
  return found ? column.rowsWithin(found.point, distance.metres) : none(catalog);
}

/** Asks the one definition of a test, of each combination of choices once, of other values row by row. */
function rowsByTrying(
  test: FieldTest,
  field: Field,
  column: Exclude<Column, PlaceColumn> | undefined,
  catalog: Catalog,
  { scene }: ConditionScene,
): Bitset {
  const holds = preparedTest(test, field, scene.context);
  if (column?.kind === 'choices') return rowsOfChoices(column, field, holds).intersect(catalog.existing);
  const valueAt = specialValue(test.field, catalog, scene) ?? (column && valueIn(column));
  const rows = none(catalog);
  if (!valueAt) return rows;
  catalog.existing.forEach((row) => {
    const own = valueAt(row);
    if (own !== undefined && holds(own, () => String(own))) rows.add(row);
  });
  return rows;
}

function rowsOfChoices(column: ChoicesColumn, field: Field, holds: ReturnType<typeof preparedTest>): Bitset {
  const labels = new Map((plainField(field).settings.choices ?? []).map(({ key, label }) => [key, label]));
  const { combinations, keys } = column;
  const marks = new Uint8Array(combinations.end);
  for (let combination = 1; combination < combinations.end; combination++) {
    const own = Array.from(combinations.sequenceOf(combination), (number) => keys[number]!);
    // Linked listings are kept by their slugs, whose words are those of their titles.
    const words = (): string => own.map((key) => labels.get(key) ?? key.replaceAll('-', ' ')).join(' ');
    if (own.length > 0 && holds(own, words)) marks[combination] = 1;
  }
  return column.rowsOfCombinations(marks);
}

type ValueAt = (row: number) => ColumnValue | undefined;

/** What is kept beside the columns; null for everything else. */
function specialValue(key: string, catalog: Catalog, { context }: QueryScene): ValueAt | null {
  if (key === '@status') return (row) => [catalog.statusAt(row)];
  if (key !== '@featured') return null;
  const featured = catalog.featuredAt(context.nowInMs);
  return (row) => featured.has(row);
}

function valueIn(column: Exclude<Column, PlaceColumn>): ValueAt {
  switch (column.kind) {
    case 'text':
      return (row) => column.textAt(row) ?? undefined;
    case 'yes-no':
      return (row) => (column.hasAny(row) ? column.values[row] === YES : undefined);
    case 'number':
      return (row) => (column.hasAny(row) ? column.values[row] : undefined);
    case 'choices':
      return (row) => (column.hasAny(row) ? column.keysAt(row) : undefined);
  }
}
