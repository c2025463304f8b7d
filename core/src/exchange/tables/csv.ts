import Papa from 'papaparse';
import type { Issue, Result } from '../../values/index.js';
import { issue, refuse } from '../../values/index.js';
import type { FileTable } from './file-table.js';
import { tableOf } from './file-table.js';

const DELIMITERS = [',', ';', '\t', '|'];
/** A first line with which spreadsheet programs say what parts the cells (common practice). */
const ANNOUNCED = /^"?sep=([^\r\n"])"?\r?\n/i;

/**
 * Reads delimited text as RFC 4180 has it, with the delimiter found out. Refuses the whole file, with the line, when a
 * quote is broken, and when its header leaves a column unnamed or names two alike. Rows that are empty are passed over.
 * Refused by `file.empty`.
 */
export function readCsv(text: string): Result<FileTable> {
  const whole = text.startsWith('\ufeff') ? text.slice(1) : text;
  const [announced = '', said] = ANNOUNCED.exec(whole) ?? [];
  const body = whole.slice(announced.length);
  if (body.trim() === '') return refuse(issue('file.empty'));
  const scan = scanRows(body, said ?? '', announced === '' ? 1 : 2);
  if (scan.broken) return refuse(scan.broken);
  const [header, ...rows] = scan.rows;
  if (!header) return refuse(issue('file.empty'));
  return tableOf({ delimiter: scan.delimiter, header, rows, lines: scan.lines.slice(1) });
}

interface Scan {
  readonly rows: string[][];
  readonly lines: number[];
  delimiter: string;
  broken: Issue | null;
}

/** Lines that end in CRLF and in LF may stand in one file; only one without any LF ends them in CR. */
function scanRows(body: string, delimiter: string, firstLine: number): Scan {
  const scan: Scan = { rows: [], lines: [], delimiter: ',', broken: null };
  let counted = 0;
  let line = firstLine;
  const lineAt = (index: number): number => {
    for (; counted < index; counted++) if (body.charCodeAt(counted) === 10) line++;
    return line;
  };
  Papa.parse<string[]>(body, {
    delimiter,
    delimitersToGuess: DELIMITERS,
    newline: body.includes('\n') ? '\n' : '\r',
    step: ({ data, errors, meta }, parser) => {
      const quote = errors.find(({ type }) => type === 'Quotes');
      if (quote) {
        scan.broken = quoteIssue(quote.code, lineAt(quote.index ?? 0));
        parser.abort();
        return;
      }
      scan.delimiter = meta.delimiter;
      const last = data[data.length - 1];
      if (last?.endsWith('\r') && isBareAt(last, meta, body)) data[data.length - 1] = last.slice(0, -1);
      for (const [at, cell] of data.entries()) if (DISARMED.test(cell)) data[at] = cell.slice(1);
      const isBlank = data.every((cell) => cell.trim() === '');
      if (!isBlank) {
        scan.rows.push(data);
        scan.lines.push(line);
      }
      lineAt(meta.cursor);
    },
  });
  return scan;
}

/** Whether the last cell of a row stands as it is before the end of its line; one that was quoted has a quote behind it. */
function isBareAt(cell: string, { cursor, delimiter }: Papa.ParseMeta, body: string): boolean {
  const end = body[cursor - 1] === '\n' ? cursor - 1 : cursor;
  const start = end - cell.length;
  const before = start === 0 ? '\n' : body[start - 1];
  return (before === '\n' || before === delimiter) && body.startsWith(cell, start);
}

function quoteIssue(code: string, line: number): Issue {
  const reason = code === 'MissingQuotes' ? 'is never closed.' : 'has text after its closing quote.';
  return issue('file.quote', { line, reason }, { line });
}

/**
 * Cells that a spreadsheet program takes for formulas by their first character (OWASP, CSV Injection), and those that
 * could be taken for such a cell that was made harmless: each gets one more apostrophe.
 */
const FORMULA_LIKE = /^'*[=+\-@\t\r]/;
/** Such a cell as {@link writeCsv} writes it. */
const DISARMED = /^'+[=+\-@\t\r]/;

/** Writes rows as RFC 4180 text; cells that a spreadsheet would run as formulas get an apostrophe before them. */
export function writeCsv(headers: readonly string[], rows: readonly (readonly string[])[]): string {
  const safe = (cell: string): string =>
    FORMULA_LIKE.test(cell) && !/^[+-]?[\d.,\s]+$/.test(cell) ? `'${cell}` : cell;
  return Papa.unparse({ fields: [...headers], data: rows.map((row) => row.map(safe)) }, { newline: '\r\n' });
}
