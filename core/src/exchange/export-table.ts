import type { ExportColumn } from './export-text.js';
import { exportText } from './export-text.js';
import { writeCsv } from './tables/csv.js';

/** A table as CSV (RFC 4180), cells that a spreadsheet would run as formulas made harmless. */
export function tableAsCsv<Row>(rows: readonly Row[], columns: readonly ExportColumn<Row>[]): string {
  return writeCsv(
    columns.map(({ field }) => field.label),
    rows.map((row) => columns.map((column) => exportText(column.valueOf(row), column.field))),
  );
}

/** The same as a workbook (XLSX), with numbers, dates and yes or no as such. */
export async function tableAsWorkbook<Row>(
  name: string,
  rows: readonly Row[],
  columns: readonly ExportColumn<Row>[],
): Promise<Uint8Array> {
  // Large, and needed by those alone who want a workbook.
  const { writeWorkbook } = await import('./tables/write-workbook.js');
  return writeWorkbook(name, rows, columns);
}
