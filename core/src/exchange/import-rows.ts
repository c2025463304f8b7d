import type { ListingContent, ListingInput } from '../listings/index.js';
import { readListing } from '../listings/index.js';
import type { Field, ReadContext } from '../structure/index.js';
import { fieldType } from '../structure/index.js';
import type { Issue } from '../values/index.js';
import { issue, issuesOf } from '../values/index.js';

/** What happens to a row in which some values can't be read. */
export type BadValuePolicy = 'refuse-row' | 'leave-empty';

/** A row on its way in: the line it came from and its cells by where they go. */
export interface ImportRow {
  /** Line in the file, from 1. */
  readonly line: number;
  readonly input: ListingInput;
  /** By the keys of fields, cells that are not written as the file writes such values. */
  readonly unread?: Readonly<Record<string, string>>;
  /** Given when the row has more cells than the header has columns. */
  readonly surplus?: { readonly found: number; readonly wanted: number };
}

const ROW_PARTS = new Set(['line', 'input', 'unread', 'surplus']);
const TEXT_PARTS = new Set(['slug', 'title', 'summary', 'author', 'status']);
const OTHER_PARTS = new Set([
  ...['picture', 'body', 'place', 'shownFrom', 'shownUntil', 'featured', 'featuredFrom', 'featuredUntil', 'handOrder'],
]);

/** What is wrong with the form of rows that come as JSON, for a sentence; null when they can be read as {@link ImportRow}s. */
export function importRowsFault(rows: readonly unknown[]): string | null {
  for (const [at, row] of rows.entries()) {
    const fault = isPlain(row) ? rowFault(row) : 'it is not an object.';
    if (fault !== null) return `row ${at + 1} of the batch cannot be read: ${fault}`;
  }
  return null;
}

/** The same of rows with the listings that they are about, for {@link MatchedRow}s. */
export function matchedRowsFault(rows: readonly unknown[]): string | null {
  for (const [at, matched] of rows.entries()) {
    const { row, id, ...others } = isPlain(matched) ? matched : {};
    const isId = id === null || Number.isSafeInteger(id);
    const isRight = isPlain(row) && isId && Object.keys(others).length === 0;
    const fault = isRight ? rowFault(row) : 'it must be an object with “row” and “id”, a number or null.';
    if (fault !== null) return `row ${at + 1} cannot be read: ${fault}`;
  }
  return null;
}

function rowFault({ line, input, surplus, unread, ...others }: Record<string, unknown>): string | null {
  const [unknown] = Object.keys(others);
  if (unknown !== undefined) return `there is no “${unknown}” in a row; there are ${[...ROW_PARTS].join(', ')}.`;
  if (!Number.isSafeInteger(line) || (line as number) < 1) return '“line” must be a whole number from 1.';
  if (surplus !== undefined && !isSurplus(surplus)) return '“surplus” must be two whole numbers, found and wanted.';
  const isUnread =
    unread === undefined || (isPlain(unread) && Object.values(unread).every((text) => typeof text === 'string'));
  if (!isUnread) return '“unread” must be an object of texts.';
  if (!isPlain(input)) return '“input” must be an object.';
  for (const [key, value] of Object.entries(input)) {
    if (TEXT_PARTS.has(key)) {
      if (value != null && typeof value !== 'string') return `“${key}” must be a text.`;
    } else if (key === 'values') {
      if (value != null && !isPlain(value)) return '“values” must be an object.';
    } else if (!OTHER_PARTS.has(key)) return `there is no “${key}” in a listing.`;
  }
  return null;
}

function isPlain(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

function isSurplus(value: unknown): boolean {
  return isPlain(value) && Number.isSafeInteger(value['found']) && Number.isSafeInteger(value['wanted']);
}

/** Why a row is refused, or which of its values were left out. */
export interface RowReport {
  /** Line in the file, from 1. */
  readonly line: number;
  readonly title: string;
  readonly issues: readonly Issue[];
}

export type RowOutcome =
  | { readonly kind: 'in'; readonly content: ListingContent; readonly leftOut: readonly Issue[] }
  | { readonly kind: 'refused'; readonly issues: readonly Issue[] };

/**
 * Reads one row: as a whole, or, where the policy allows it, without the values that can't be read. What a row says
 * nothing of stays as it is in a listing that is there. Refused by `row.too-many-cells`.
 */
export function readImportRow(
  { line, input, unread, surplus }: ImportRow,
  kind: { readonly fields: readonly Field[] },
  policy: BadValuePolicy,
  context: ReadContext,
  before: ListingContent | null = null,
): RowOutcome {
  if (surplus) return { kind: 'refused', issues: [issue('row.too-many-cells', surplus, { line })] };
  const read = readListing(input, kind, context, before);
  const issues = unread ? [...unreadIssues(unread, kind, context), ...read.issues] : read.issues;
  if (issues.length === 0) return { kind: 'in', content: read.content, leftOut: [] };
  const refusedKeys = new Set(issues.map((found) => found.field));
  if (policy === 'leave-empty') {
    const values = Object.fromEntries(Object.entries(input.values ?? {}).filter(([key]) => !refusedKeys.has(key)));
    const again = readListing({ ...input, values }, kind, context, before);
    if (again.issues.length === 0) return { kind: 'in', content: again.content, leftOut: issues };
  }
  return { kind: 'refused', issues: issues.map((found) => ({ ...found, line })) };
}

/** Why cells can't be read: what their field says of them, or that the rest of the file is written otherwise. */
function unreadIssues(
  unread: Readonly<Record<string, string>>,
  { fields }: { readonly fields: readonly Field[] },
  context: ReadContext,
): Issue[] {
  return Object.entries(unread).flatMap(([key, found]): Issue[] => {
    const field = fields.find((one) => one.key === key);
    if (!field) return [];
    const read = fieldType(field.type).read(found, field, context);
    return read.ok ? [issue('value.unread', { label: field.label, found }, { field: key })] : [...issuesOf(read)];
  });
}
