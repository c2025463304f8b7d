import type { ReadContext } from '../structure/index.js';
import type { ImportPlan } from './columns/import-plan.js';
import type { FileTable } from './tables/file-table.js';
import type { BadValuePolicy, RowReport } from './import-rows.js';
import { readImportRow } from './import-rows.js';
import { RowReader } from './row-reader.js';

export interface DryRun {
  readonly rows: number;
  /** Rows that would come in. */
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
export function dryRun(table: FileTable, plan: ImportPlan, policy: BadValuePolicy, context: ReadContext): DryRun {
  const reports: RowReport[] = [];
  const refusedRows: number[] = [];
  let incomplete = 0;
  const reader = new RowReader(table, plan, context);
  table.rows.forEach((_, at) => {
    if (reader.isSure(at)) return;
    const row = reader.row(at, 'live');
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
