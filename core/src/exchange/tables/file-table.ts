import { MOST_FIELDS } from '../../structure/index.js';
import type { Issue, Result } from '../../values/index.js';
import { issue, normaliseLine, ok, refuse } from '../../values/index.js';

/** A file, or a sheet of one, as rows of text cells. */
export interface FileTable {
  /** What parts the cells; '' in a file where cells stand by themselves. */
  readonly delimiter: string;
  readonly headers: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** The line in the file, or the row of the sheet, at which each row begins, counted from 1. */
  readonly lines: readonly number[];
  /** By column, whether its cells came as numbers, dates and yes or no, so that no convention is needed; absent for texts. */
  readonly typed?: readonly boolean[];
}

/** What a table is made of: its header as it stands in the file. */
export interface TableParts extends Omit<FileTable, 'headers'> {
  readonly header: readonly string[];
}

/**
 * A table, refused when it has no rows, when its header leaves a column unnamed, and when it names two alike. Refused
 * by `file.no-rows`.
 */
export function tableOf({ header, ...parts }: TableParts): Result<FileTable> {
  const headers = withoutEmptyEnd(header.map(normaliseLine), parts.rows);
  const wrong = headerIssue(headers);
  if (wrong) return refuse(wrong);
  return parts.rows.length === 0 ? refuse(issue('file.no-rows')) : ok({ ...parts, headers });
}

/** The header without columns at its end that have neither a name nor a value: a delimiter stands behind the last one. */
function withoutEmptyEnd(headers: readonly string[], rows: readonly (readonly string[])[]): string[] {
  let length = headers.length;
  while (length > 1 && headers[length - 1] === '' && rows.every((row) => (row[length - 1] ?? '').trim() === ''))
    length--;
  return headers.slice(0, length);
}

function headerIssue(headers: readonly string[]): Issue | null {
  if (headers.length > MOST_FIELDS) {
    return issue('file.too-many-columns', { found: headers.length, greatest: MOST_FIELDS });
  }
  const unnamed = headers.indexOf('');
  if (unnamed >= 0) return issue('file.header-missing', { column: unnamed + 1 }, { line: 1 });
  const second = headers.findIndex((header, at) => headers.indexOf(header) !== at);
  if (second < 0) return null;
  const header = headers[second] ?? '';
  const params = { header, column: headers.indexOf(header) + 1, other: second + 1 };
  return issue('file.header-duplicate', params, { line: 1 });
}
