import type { ListingContent, ListingInput, Status } from '../listings/index.js';
import { readListing } from '../listings/index.js';
import type { Field, ReadContext } from '../structure/index.js';
import type { Issue } from '../values/index.js';
import { issue } from '../values/index.js';
import type { CsvTable } from './csv.js';
import type { ImportPlan } from './propose-columns.js';

/** What happens to a row in which some values can't be read. */
export type BadValuePolicy = 'refuse-row' | 'leave-empty';

/** A row on its way in: the line it came from and its cells by where they go. */
export interface ImportRow {
  readonly line: number;
  readonly input: ListingInput;
  /** Given when the row has more cells than the header has columns. */
  readonly surplus?: { readonly found: number; readonly wanted: number };
}

const ROW_PARTS = new Set(['line', 'input', 'surplus']);
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

function rowFault({ line, input, surplus, ...others }: Record<string, unknown>): string | null {
  const [unknown] = Object.keys(others);
  if (unknown !== undefined) return `there is no “${unknown}” in a row; there are ${[...ROW_PARTS].join(', ')}.`;
  if (!Number.isSafeInteger(line) || (line as number) < 1) return '“line” must be a whole number from 1.';
  if (surplus !== undefined && !isSurplus(surplus)) return '“surplus” must be two whole numbers, found and wanted.';
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
  readonly line: number;
  readonly title: string;
  readonly issues: readonly Issue[];
}

export type RowOutcome =
  | { readonly kind: 'in'; readonly content: ListingContent; readonly leftOut: readonly Issue[] }
  | { readonly kind: 'refused'; readonly issues: readonly Issue[] };

/** The cells of a row as the input of a listing. A row with more cells than the header has an issue instead. */
export function importRow(table: CsvTable, at: number, plan: ImportPlan, status: Status): ImportRow {
  const cells = table.rows[at] ?? [];
  const values: Record<string, unknown> = {};
  const input: { title?: string; summary?: string } = {};
  for (const { column, use, fieldKey } of plan.columns) {
    const cell = cells[column] ?? '';
    if (use === 'title') input.title = cell;
    if (use === 'summary') input.summary = cell;
    if (fieldKey === null) continue;
    if (use === 'field') values[fieldKey] = cell;
    if (use === 'latitude' || use === 'longitude') {
      values[fieldKey] = { ...(values[fieldKey] as object | undefined), [use]: cell };
    }
  }
  const row = { line: table.lines[at] ?? 0, input: { ...input, values, status } };
  const hasSurplus = cells.slice(table.headers.length).some((cell) => cell.trim() !== '');
  return hasSurplus ? { ...row, surplus: { found: cells.length, wanted: table.headers.length } } : row;
}

/** Reads one row: as a whole, or, where the policy allows it, without the values that can't be read. */
export function readImportRow(
  { line, input, surplus }: ImportRow,
  kind: { readonly fields: readonly Field[] },
  policy: BadValuePolicy,
  context: ReadContext,
): RowOutcome {
  if (surplus) return { kind: 'refused', issues: [issue('row.too-many-cells', surplus, { line })] };
  const read = readListing(input, kind, context);
  if (read.issues.length === 0) return { kind: 'in', content: read.content, leftOut: [] };
  const refusedKeys = new Set(read.issues.map((found) => found.field));
  if (policy === 'leave-empty') {
    const values = Object.fromEntries(Object.entries(input.values ?? {}).filter(([key]) => !refusedKeys.has(key)));
    const again = readListing({ ...input, values }, kind, context);
    if (again.issues.length === 0) return { kind: 'in', content: again.content, leftOut: read.issues };
  }
  return { kind: 'refused', issues: read.issues.map((found) => ({ ...found, line })) };
}

export interface DryRun {
  readonly rows: number;
  readonly coming: number;
  /** Rows that come in with some values left out. */
  readonly incomplete: number;
  /** The first refused or incomplete rows; `refused` has the number of all. */
  readonly refused: number;
  readonly reports: readonly RowReport[];
  /** Positions in the table of all rows that would be refused. */
  readonly refusedRows: readonly number[];
}

export const MOST_REPORTS = 200;

/** Tries a plan on every row of the file without keeping anything. */
export function dryRun(table: CsvTable, plan: ImportPlan, policy: BadValuePolicy, context: ReadContext): DryRun {
  const reports: RowReport[] = [];
  const refusedRows: number[] = [];
  let incomplete = 0;
  table.rows.forEach((_, at) => {
    const row = importRow(table, at, plan, 'live');
    const outcome = readImportRow(row, plan, policy, context);
    const issues = outcome.kind === 'in' ? outcome.leftOut : outcome.issues;
    if (outcome.kind === 'refused') refusedRows.push(at);
    else if (issues.length > 0) incomplete++;
    if (issues.length > 0 && reports.length < MOST_REPORTS) {
      reports.push({ line: row.line, title: String(row.input.title ?? ''), issues });
    }
  });
  const rows = table.rows.length;
  return { rows, coming: rows - refusedRows.length, incomplete, refused: refusedRows.length, reports, refusedRows };
}
