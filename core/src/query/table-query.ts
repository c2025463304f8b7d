import type { Catalog, Column } from '../catalog/index.js';
import { Bitset, YES } from '../catalog/index.js';
import type { ColumnValue, Status } from '../listings/index.js';
import { BUILT_IN_FIELDS, STATUSES, preparedTest } from '../listings/index.js';
import type { Field, Operator, OrderKey, OrderSubject, ReadContext } from '../structure/index.js';
import { OPERATORS, fieldByKey } from '../structure/index.js';
import { cutPage, rowOrder } from './order.js';
import type { QueryResult } from './run-query.js';
import { rowsOf } from './run-query.js';

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
export function runTableQuery(catalog: Catalog, query: TableQuery, context: ReadContext): Omit<QueryResult, 'counts'> {
  const matches = query.text === '' ? null : catalog.text.search(query.text);
  const rows = rowsOfStatus(catalog, query.status);
  if (matches) rows.intersect(rowsOf(matches, catalog));
  for (const filter of query.filters) rows.intersect(rowsWhere(catalog, filter, context));
  const order = rowOrder(catalog, query.order, matches);
  const found = rows.toRows();
  const page = cutPage(found, order, query.offset, query.limit);
  return { total: found.length, ids: page.map((row) => catalog.ids[row]!) };
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
  const subject = subjectOf(catalog, by);
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

function subjectOf(catalog: Catalog, by: OrderSubject): Subject | null {
  const { title, handOrder, featured, status, createdAt, changedAt, binnedAt } = BUILT_IN_FIELDS;
  switch (by) {
    case 'title':
      return subjectOver(title, catalog.title);
    case 'hand-order':
      return subjectOver(handOrder, catalog.handOrder);
    case 'newest':
      return subjectOver(createdAt, catalog.createdAt);
    case 'changed':
      return subjectOver(changedAt, catalog.changedAt);
    case 'binned':
      return subjectOver(binnedAt, catalog.binnedAt);
    case 'featured':
      return { field: featured, valueAt: (row) => catalog.featured.has(row), textAt: () => '' };
    case 'status':
      return { field: status, valueAt: (row) => [STATUSES[catalog.statuses[row]!]!], textAt: () => '' };
    case 'relevance':
      return null;
    default:
      return subjectOfField(catalog, by.slice('field:'.length));
  }
}

function subjectOfField(catalog: Catalog, key: string): Subject | null {
  const field = fieldByKey(catalog.kind, key);
  const column = catalog.column(key);
  if (!field) return null;
  if (column) return subjectOver(field, column);
  const filled = catalog.filledRows(key);
  // What there is no column of can only be there or not.
  return filled ? { field, valueAt: (row) => (filled.has(row) ? '' : undefined), textAt: () => '' } : null;
}

function subjectOver(field: Field, column: Column): Subject {
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
        valueAt: (row) => (column.lengths[row] === 0 ? undefined : keysAt(row)),
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
