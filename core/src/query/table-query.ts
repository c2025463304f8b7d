import type { Catalog, Column, PlaceColumn } from '../catalog/index.js';
import { Bitset, YES } from '../catalog/index.js';
import type { ColumnValue, Status } from '../listings/index.js';
import { preparedTest } from '../listings/index.js';
import type { Field, Operator, OrderKey, OrderSubject, ReadContext } from '../structure/index.js';
import { BUILT_IN_FIELDS, OPERATORS, fieldAt, fieldOfSubject } from '../structure/index.js';
import { cutPage } from './cut-page.js';
import { FoundRows } from './found-rows.js';
import { rankingsOf } from './rankings.js';
import type { QueryResult } from './run-query.js';
import { rowsOf, searchOf } from './run-query.js';
import { sceneOf } from './scene.js';

/** A condition on one column of the listing table; the value stands as it would be typed. */
export interface TableFilter {
  readonly by: OrderSubject;
  readonly op: Operator;
  readonly value?: unknown;
}

/** What the listing table of the Desk asks: any status, any order, a window of rows. */
export interface TableQuery {
  readonly text: string;
  /** Null shows all but the binned ones. */
  readonly status: Status | null;
  /** All of them have to hold. */
  readonly filters: readonly TableFilter[];
  readonly order: readonly OrderKey[];
  readonly offset: number;
  readonly limit: number;
}

export const BLANK_TABLE_QUERY: TableQuery = {
  text: '',
  status: null,
  filters: [],
  order: [{ by: 'title', direction: 'up' }],
  offset: 0,
  limit: 100,
};

const MOST_FILTERS = 40;

/** Whether JSON from outside is a list of filters. */
export function areTableFilters(input: unknown): input is TableFilter[] {
  if (!Array.isArray(input) || input.length > MOST_FILTERS) return false;
  return input.every((one: unknown) => {
    if (typeof one !== 'object' || one === null) return false;
    const { by, op, value: _, ...others } = one as Record<string, unknown>;
    return typeof by === 'string' && OPERATORS.some((known) => known === op) && Object.keys(others).length === 0;
  });
}

/** Answers the listing table. */
export function runTableQuery(
  catalog: Catalog,
  query: TableQuery,
  context: ReadContext,
): Pick<QueryResult, 'total' | 'ids'> {
  const rows = rowsOfStatus(catalog, query.status);
  const matches = query.text === '' ? null : searchOf(catalog, query.text, rows);
  if (matches) rows.intersect(rowsOf(matches, catalog));
  for (const filter of query.filters) rows.intersect(rowsWhere(catalog, filter, context));
  const keys = rankingsOf(catalog, query.order, { scene: sceneOf(catalog, context), matches, near: null });
  const found = new FoundRows(rows);
  const page = cutPage(found, catalog, keys, query.offset, query.limit);
  return { total: found.size, ids: page.map((row) => catalog.ids[row]!) };
}

function rowsOfStatus(catalog: Catalog, wanted: Status | null): Bitset {
  const rows = catalog.existing.clone();
  catalog.existing.forEach((row) => {
    const status = catalog.statusAt(row);
    const isWanted = wanted === null ? status !== 'binned' : status === wanted;
    if (!isWanted) rows.delete(row);
  });
  return rows;
}

/** A subject of the table: the field whose rules it follows, and the value of a row; undefined for a missing one. */
interface Subject {
  readonly field: Field;
  readonly valueAt: (row: number) => ColumnValue | undefined;
  readonly textAt: (row: number) => string;
}

/** The rows for which a filter holds; none when there is no such column. */
function rowsWhere(catalog: Catalog, { by, op, value }: TableFilter, context: ReadContext): Bitset {
  const kept = new Bitset(catalog.existing.capacity);
  const subject = subjectOf(catalog, by, context);
  if (!subject) return kept;
  const { field, valueAt, textAt } = subject;
  const holds = preparedTest({ op, value }, field, context);
  catalog.existing.forEach((row) => {
    const own = valueAt(row);
    const isMissing = own === undefined;
    const isKept =
      op === 'is-empty' ? isMissing : !isMissing && (op === 'is-not-empty' || holds(own, () => textAt(row)));
    if (isKept) kept.add(row);
  });
  return kept;
}

function subjectOf(catalog: Catalog, by: OrderSubject, { nowInMs }: ReadContext): Subject | null {
  const { featured, status } = BUILT_IN_FIELDS;
  if (by === 'featured') {
    const rows = catalog.featuredAt(nowInMs);
    return { field: featured, valueAt: (row) => rows.has(row), textAt: () => '' };
  }
  if (by === 'status') return { field: status, valueAt: (row) => [catalog.statusAt(row)], textAt: () => '' };
  const key = fieldOfSubject(by);
  return key === null ? null : subjectOfField(catalog, key);
}

function subjectOfField(catalog: Catalog, key: string): Subject | null {
  const field = fieldAt(catalog.kind, key);
  const column = catalog.column(key);
  if (!field) return null;
  if (column && column.kind !== 'place') return subjectOver(field, column);
  // What there is no column of can only be there or not.
  const filled = catalog.filledRows(key);
  const isThere = (row: number): boolean => column?.hasAny(row) ?? filled?.has(row) ?? false;
  return { field, valueAt: (row) => (isThere(row) ? '' : undefined), textAt: () => '' };
}

function subjectOver(field: Field, column: Exclude<Column, PlaceColumn>): Subject {
  switch (column.kind) {
    case 'number':
      return { field, valueAt: (row) => numberAt(column.values, row), textAt: () => '' };
    case 'text':
      return { field, valueAt: (row) => column.textAt(row) ?? undefined, textAt: (row) => column.textAt(row) ?? '' };
    case 'yes-no':
      return {
        field,
        valueAt: (row) => (column.values[row] === 0 ? undefined : column.values[row] === YES),
        textAt: () => '',
      };
    case 'choices': {
      const labels = new Map((field.settings.choices ?? []).map(({ key, label }) => [key, label]));
      const keysAt = (row: number): readonly string[] => column.keysAt(row);
      return {
        field,
        valueAt: (row) => (column.hasAny(row) ? keysAt(row) : undefined),
        // Linked listings are kept by their slugs, whose words are those of their titles.
        textAt: (row) =>
          keysAt(row)
            .map((key) => labels.get(key) ?? key.replaceAll('-', ' '))
            .join(' '),
      };
    }
  }
}

function numberAt(values: Float64Array, row: number): number | undefined {
  const value = values[row]!;
  return value !== value ? undefined : value;
}
