import Papa from 'papaparse';
import { MOST_FIELDS } from '../structure/index.js';
import type { Issue, Result } from '../values/index.js';
import { issue, normaliseLine, ok, refuse } from '../values/index.js';

/** A file as rows of text cells. */
export interface CsvTable {
  readonly delimiter: string;
  readonly headers: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** The line in the file at which each row begins, counted from 1. */
  readonly lines: readonly number[];
}

const DELIMITERS = [',', ';', '\t', '|'];

/**
 * Reads delimited text as RFC 4180 has it, with the delimiter found out. Refuses the whole file, with the line, when a
 * quote is broken, and when its header leaves a column unnamed or names two alike. Rows that are empty are passed over.
 */
export function readCsv(text: string): Result<CsvTable> {
  const body = text.startsWith('\ufeff') ? text.slice(1) : text;
  if (body.trim() === '') return refuse(issue('file.empty'));
  const scan = scanRows(body);
  if (scan.broken) return refuse(scan.broken);
  const [header, ...rows] = scan.rows;
  if (!header) return refuse(issue('file.empty'));
  const headers = header.map(normaliseLine);
  const wrong = headerIssue(headers);
  if (wrong) return refuse(wrong);
  if (rows.length === 0) return refuse(issue('file.no-rows'));
  return ok({ delimiter: scan.delimiter, headers, rows, lines: scan.lines.slice(1) });
}

interface Scan {
  readonly rows: string[][];
  readonly lines: number[];
  delimiter: string;
  broken: Issue | null;
}

function scanRows(body: string): Scan {
  const scan: Scan = { rows: [], lines: [], delimiter: ',', broken: null };
  let counted = 0;
  let line = 1;
  const lineAt = (index: number): number => {
    for (; counted < index; counted++) if (body.charCodeAt(counted) === 10) line++;
    return line;
  };
  Papa.parse<string[]>(body, {
    delimitersToGuess: DELIMITERS,
    step: ({ data, errors, meta }, parser) => {
      const quote = errors.find(({ type }) => type === 'Quotes');
      if (quote) {
        scan.broken = quoteIssue(quote.code, lineAt(quote.index ?? 0));
        parser.abort();
        return;
      }
      scan.delimiter = meta.delimiter;
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

function quoteIssue(code: string, line: number): Issue {
  const reason = code === 'MissingQuotes' ? 'is never closed.' : 'has text after its closing quote.';
  return issue('file.quote', { line, reason }, { line });
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

/** Characters at which a spreadsheet program takes a cell for a formula (OWASP, CSV Injection). */
const FORMULA_START = /^[=+\-@\t\r]/;

/** Writes rows as RFC 4180 text; cells that a spreadsheet would run as formulas get an apostrophe before them. */
export function writeCsv(headers: readonly string[], rows: readonly (readonly string[])[]): string {
  const safe = (cell: string): string =>
    FORMULA_START.test(cell) && !/^[+-]?[\d.,\s]+$/.test(cell) ? `'${cell}` : cell;
  return Papa.unparse({ fields: [...headers], data: rows.map((row) => row.map(safe)) }, { newline: '\r\n' });
}
