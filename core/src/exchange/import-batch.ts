import type { ListingContent } from '../listings/index.js';
import type { Kind, ReadContext } from '../structure/index.js';
import { fieldType, isUnique, uniqueValuesOf } from '../structure/index.js';
import type { Issue } from '../values/index.js';
import { issue } from '../values/index.js';
import type { BadValuePolicy, ImportRow, RowReport } from './import-rows.js';
import { readImportRow } from './import-rows.js';

/** A row that can come in, as far as it can be told from itself. */
export interface ReadRow {
  /** Line in the file, from 1. */
  readonly line: number;
  readonly content: ListingContent;
}

/** Rows of a file, read: those that can come in, and why the others can't. */
export interface ReadBatch {
  readonly rows: readonly ReadRow[];
  readonly reports: readonly RowReport[];
}

/** Reads the rows of a batch by their kind. */
export function readBatch(
  rows: readonly ImportRow[],
  kind: Pick<Kind, 'fields' | 'startStatus'>,
  policy: BadValuePolicy,
  context: ReadContext,
): ReadBatch {
  const read: ReadRow[] = [];
  const reports: RowReport[] = [];
  for (const row of rows) {
    const outcome = readImportRow(row, kind, policy, context);
    if (outcome.kind === 'in') read.push({ line: row.line, content: outcome.content });
    else reports.push({ line: row.line, title: String(row.input.title ?? ''), issues: outcome.issues });
  }
  return { rows: read, reports };
}

/** The values of rows that only one listing may have, by field. */
export function wantedUniques({ rows }: ReadBatch, { fields }: Pick<Kind, 'fields'>): Map<string, string[]> {
  const wanted = new Map<string, string[]>();
  if (!fields.some(isUnique)) return wanted;
  for (const { content } of rows) {
    for (const [key, value] of uniqueValuesOf(content.values, fields)) {
      const list = wanted.get(key);
      if (list) list.push(value);
      else wanted.set(key, [value]);
    }
  }
  return wanted;
}

/**
 * The batch without rows that have a value which only one listing may have and another one has: one of `holderOf`, or
 * an earlier row of the batch. Refused by `value.taken`.
 */
export function withoutTaken(
  { rows, reports }: ReadBatch,
  { fields }: Pick<Kind, 'fields'>,
  holderOf: (field: string, value: string) => string | undefined,
): ReadBatch {
  const unique = fields.filter(isUnique);
  if (unique.length === 0) return { rows, reports };
  const own = new Map<string, string>();
  const free: ReadRow[] = [];
  const refused: RowReport[] = [];
  for (const row of rows) {
    const { line, content } = row;
    const values = [...uniqueValuesOf(content.values, unique)];
    const issues = values.flatMap(([key, value]): Issue[] => {
      const title = holderOf(key, value) ?? own.get(`${key} ${value}`);
      if (title === undefined) return [];
      const field = unique.find((one) => one.key === key)!;
      const found = fieldType(field.type).toText(content.values[key], field);
      return [issue('value.taken', { label: field.label, found, title }, { field: key, line })];
    });
    if (issues.length > 0) refused.push({ line, title: content.title, issues });
    else {
      for (const [key, value] of values) own.set(`${key} ${value}`, `line ${line}`);
      free.push(row);
    }
  }
  return { rows: free, reports: [...reports, ...refused].sort((a, b) => a.line - b.line) };
}
