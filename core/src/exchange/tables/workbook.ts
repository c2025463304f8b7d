import type { CellObject, WorkSheet } from '@e965/xlsx';
import { read, utils } from '@e965/xlsx';
import type { Result } from '../../values/index.js';
import type { FileTable } from './file-table.js';
import { tableOf } from './file-table.js';

/** A sheet of a workbook that holds something. */
export interface Sheet {
  readonly name: string;
  readonly table: Result<FileTable>;
}

/**
 * The sheets of a workbook (XLSX, XLS, ODS) with their cells as texts: dates as ISO dates, numbers with a point, formulas
 * by the values that were kept of them. Throws what the library says of a file that it can't read.
 */
export function readWorkbook(bytes: Uint8Array): Sheet[] {
  const book = read(bytes, { type: 'array', cellDates: true, UTC: true, cellNF: true, cellText: true, dense: true });
  const all = book.SheetNames.map((name) => ({ name, rows: rowsOf(book.Sheets[name]!) }));
  return all.filter(({ rows }) => rows.length > 0).map(({ name, rows }) => ({ name, table: sheetTable(rows) }));
}

/** A row of a sheet that holds something: where it stands, from 1, its cells and their texts. */
interface SheetRow {
  readonly line: number;
  readonly cells: readonly (CellObject | undefined)[];
  readonly texts: readonly string[];
}

function rowsOf(sheet: WorkSheet): SheetRow[] {
  const grid = (sheet['!data'] ?? []) as (CellObject | undefined)[][];
  const first = sheet['!ref'] ? utils.decode_range(sheet['!ref']).s.c : 0;
  const rows = grid.map((all, at): SheetRow => {
    const cells = (all ?? []).slice(first);
    return { line: at + 1, cells, texts: Array.from(cells, textOf) };
  });
  return rows.filter((row) => filledOf(row) > 0);
}

function filledOf({ texts }: SheetRow): number {
  return texts.reduce((count, text) => count + Number(text !== ''), 0);
}

/** Above a table a title may stand: the header is the first row that is half as wide as the widest. */
function sheetTable(rows: readonly SheetRow[]): Result<FileTable> {
  const widest = greatest(rows, filledOf);
  const [head, ...below] = rows.slice(rows.findIndex((row) => filledOf(row) * 2 >= widest));
  const width = greatest([head!, ...below], ({ texts }) => texts.length);
  const header = Array.from({ length: width }, (_, column) => {
    const name = head!.texts[column] ?? '';
    const isUsed = below.some(({ texts }) => (texts[column] ?? '') !== '');
    return name === '' && isUsed ? `Column ${utils.encode_col(column)}` : name;
  });
  const typed = header.map((_, column) => below.some(({ cells }) => isTyped(cells[column])));
  const rowTexts = below.map(({ texts }) => texts);
  return tableOf({ delimiter: '', header, rows: rowTexts, lines: below.map(({ line }) => line), typed });
}

/** The greatest of what rows measure; a call can't take as many arguments as a sheet has rows. */
function greatest(rows: readonly SheetRow[], measure: (row: SheetRow) => number): number {
  return rows.reduce((most, row) => Math.max(most, measure(row)), 0);
}

function isTyped(cell: CellObject | undefined): boolean {
  return cell !== undefined && (cell.t === 'n' || cell.t === 'd' || cell.t === 'b') && !isCode(cell);
}

/** A number that is shown with zeros before it ("00000") is a code. */
function isCode({ z }: CellObject): boolean {
  return typeof z === 'string' && /^0{2,}$/.test(z);
}

function textOf(cell: CellObject | undefined): string {
  switch (cell?.t) {
    case 'n':
      return numberText(cell);
    case 'd':
      return dateText(cell.v as Date);
    case 'b':
      return cell.v ? 'yes' : 'no';
    case 's':
      return String(cell.v ?? '').trim();
    case 'e':
      return cell.w ?? '';
    default:
      return '';
  }
}

/** Of a number of a spreadsheet so many digits are true (IEEE 754 double precision). */
const TRUE_DIGITS = 15;
/** A currency of a format: [$€-407], "€", $, or a code of three letters. */
const CURRENCY = /\[\$([^\]-]+)(?:-[^\]]*)?\]|"([€$£¥₹]|[A-Z]{3})"|([€$£¥₹])/;
/** A word behind the number, such as a unit: 0.0" m". */
const WORD_BEHIND = /(?:[0#]|General)\s*"\s*([^"]+?)\s*"\s*$/;

function numberText(cell: CellObject): string {
  if (isCode(cell)) return cell.w ?? String(cell.v);
  const format = typeof cell.z === 'string' ? cell.z.split(';')[0]! : '';
  const value = Number(cell.v);
  if (format.endsWith('%')) return `${plain(value * 100)}%`;
  const [, inBrackets, quoted, bare] = CURRENCY.exec(format) ?? [];
  const currency = (inBrackets ?? quoted ?? bare)?.trim();
  if (currency !== undefined && /^([€$£¥₹]|[A-Z]{3})$/.test(currency)) return `${plain(value)} ${currency}`;
  const word = WORD_BEHIND.exec(format)?.[1];
  return word === undefined ? plain(value) : `${plain(value)} ${word}`;
}

function plain(value: number): string {
  const exact = Number(value.toPrecision(TRUE_DIGITS));
  const text = String(exact);
  return text.includes('e') ? exact.toFixed(Math.abs(exact) < 1 ? TRUE_DIGITS : 0).replace(/\.?0+$/, '') : text;
}

const FIRST_DAY_OF_SHEETS = Date.UTC(1899, 11, 31);

/** A day, a day with its time, or a time alone, which spreadsheets keep as one of the day before their first. */
function dateText(date: Date): string {
  // Spreadsheets keep moments as fractions of days, which are a few milliseconds off.
  const rounded = new Date(Math.round(date.getTime() / 1000) * 1000);
  const [day = '', time = ''] = rounded.toISOString().split('T');
  const clock = time.slice(0, 5);
  if (rounded.getTime() < FIRST_DAY_OF_SHEETS) return clock;
  return clock === '00:00' ? day : `${day} ${clock}`;
}
