import type { Result } from '../../values/index.js';
import { issue, ok, refuse, sizeWords } from '../../values/index.js';
import { readCsv } from './csv.js';
import { LARGEST_FILE_IN_BYTES, decodeText } from './decode.js';
import type { FileTable } from './file-table.js';
import { readRecords, recordFormat } from './records.js';

/** A table of a file: a sheet of a workbook by its name, '' for the only one. */
export interface NamedTable {
  readonly name: string;
  readonly table: Result<FileTable>;
}

/** A file that was read. */
export interface OpenedFile {
  /** What it is, for people: "CSV, UTF-8", "workbook". */
  readonly format: string;
  readonly tables: readonly [NamedTable, ...NamedTable[]];
}

/** The first bytes of workbooks: zips (XLSX, ODS), and the older compound files of XLS. */
const WORKBOOKS: readonly (readonly number[])[] = [
  [0x50, 0x4b, 0x03, 0x04],
  [0xd0, 0xcf, 0x11, 0xe0],
];

/**
 * Reads a file whatever it is: delimited text, records as JSON, NDJSON or GeoJSON, or a workbook. Refused with
 * `file.too-large`, `file.not-text`, `file.empty`, `file.not-records`, `file.not-a-workbook`, and what {@link readCsv} says.
 */
export async function openFile(bytes: Uint8Array): Promise<Result<OpenedFile>> {
  if (bytes.length > LARGEST_FILE_IN_BYTES) {
    const params = { found: sizeWords(bytes.length), greatest: sizeWords(LARGEST_FILE_IN_BYTES) };
    return refuse(issue('file.too-large', params));
  }
  if (WORKBOOKS.some((signature) => signature.every((byte, at) => bytes[at] === byte))) return openWorkbook(bytes);
  const decoded = decodeText(bytes);
  if (!decoded.ok) return decoded;
  const { text, encoding } = decoded.value;
  return openText(text, encoding);
}

/** The same for a text, such as one from the clipboard. */
export function openText(text: string, encoding = ''): Result<OpenedFile> {
  const records = recordFormat(text);
  const table = records ? readRecords(text, records) : readCsv(text);
  if (!table.ok) return table;
  const format = [records ?? 'CSV', encoding].filter(Boolean).join(', ');
  return ok({ format, tables: [{ name: '', table }] });
}

async function openWorkbook(bytes: Uint8Array): Promise<Result<OpenedFile>> {
  // Large, and needed by those alone who bring in a workbook.
  const { readWorkbook } = await import('./workbook.js');
  let sheets: NamedTable[];
  try {
    sheets = readWorkbook(bytes);
  } catch (error) {
    return refuse(issue('file.not-a-workbook', { reason: (error as Error).message }));
  }
  const [first, ...others] = sheets;
  return first ? ok({ format: 'workbook', tables: [first, ...others] }) : refuse(issue('file.empty'));
}
