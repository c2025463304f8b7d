import type { BookType } from '@e965/xlsx';
import { utils, write } from '@e965/xlsx';
import { contextIn } from '../../../testing/builders.js';
import { proposePlan } from '../columns/propose-columns.js';
import { RowReader } from '../row-reader.js';
import type { FileTable } from './file-table.js';
import type { OpenedFile } from './open-file.js';
import { openFile } from './open-file.js';

const EN = contextIn('en-GB');
const day = (text: string): Date => new Date(`${text}Z`);

/** A workbook as spreadsheet programs write it, made by the library's own writer. */
function workbook(bookType: BookType): Uint8Array {
  const book = utils.book_new();
  const rows = Array.from({ length: 20 }, (_, at) => [
    ...[`Spa ${at}`, 1000 + at * 1.5, day(`2024-03-${String(at + 1).padStart(2, '0')}T00:00`), at / 100, 9.5 + at],
    ...[
      at % 2 === 0,
      1000 + at,
      day(`2024-03-10T${String(at).padStart(2, '0')}:30`),
      { t: 'n', v: at + 40, f: `40+${at}` },
    ],
    ...[at === 3 ? null : `Note ${at}`, `${at},5`],
  ]);
  const header = ['Name', 'Visitors', 'Opened', 'Share', 'Price', 'Open', 'Zip', 'Seen', 'Sum', 'Note', 'Depth'];
  const sheet = utils.aoa_to_sheet([['All spas of the county'], [], header, ...rows], { UTC: true });
  // The library writes no formats of this kind into ODS.
  for (let row = 3; bookType === 'xlsx' && row < 23; row++) {
    const format = (column: number, z: string): void => {
      (sheet[utils.encode_cell({ r: row, c: column })] as { z: string }).z = z;
    };
    format(2, 'yyyy-mm-dd');
    format(3, '0.0%');
    format(4, '#,##0.00 [$€-407]');
    format(6, '00000');
    format(7, 'yyyy-mm-dd hh:mm');
  }
  utils.book_append_sheet(book, utils.aoa_to_sheet([]), 'Empty');
  utils.book_append_sheet(book, sheet, 'Spas');
  utils.book_append_sheet(
    book,
    utils.aoa_to_sheet([
      ['a', 'b'],
      ['x', 1],
    ]),
    'Other',
  );
  return new Uint8Array(write(book, { type: 'array', bookType, cellStyles: true }) as ArrayBuffer);
}

async function opened(bytes: Uint8Array): Promise<OpenedFile> {
  const read = await openFile(bytes);
  if (!read.ok) throw new Error(read.issue.message);
  return read.value;
}

function tableIn({ tables }: OpenedFile, name: string): FileTable {
  const found = tables.find((one) => one.name === name)!.table;
  if (!found.ok) throw new Error(found.issue.message);
  return found.value;
}

describe('A workbook', () => {
  it('is read sheet by sheet, those that hold something', async () => {
    const { format, tables } = await opened(workbook('xlsx'));
    expect(format).toBe('workbook');
    expect(tables.map(({ name }) => name)).toEqual(['Spas', 'Other']);
    const table = tableIn(await opened(workbook('ods')), 'Spas');
    expect(table.headers).toEqual([
      'Name',
      'Visitors',
      'Opened',
      'Share',
      'Price',
      'Open',
      'Zip',
      'Seen',
      'Sum',
      'Note',
      'Depth',
    ]);
    // The header stands below a title and an empty row.
    expect(table.lines.slice(0, 2)).toEqual([4, 5]);
  });

  it('has numbers, dates, percentages, money, codes and formulas as they are meant', async () => {
    const table = tableIn(await opened(workbook('xlsx')), 'Spas');
    expect(table.rows[1]).toEqual([
      ...['Spa 1', '1001.5', '2024-03-02', '1%', '10.5 €', 'no', '01001', '2024-03-10 01:30', '41', 'Note 1', '1,5'],
    ]);
    const plan = proposePlan(table, EN);
    const types = plan.columns.map(({ fieldKey }) => plan.fields.find(({ key }) => key === fieldKey)?.type ?? 'title');
    expect(types).toEqual([
      ...([
        'title',
        'decimal',
        'date',
        'decimal',
        'money',
        'yes-no',
        'short-text',
        'date-time',
        'whole-number',
      ] as const),
      ...(['short-text', 'decimal'] as const),
    ]);
    const { values } = new RowReader(table, plan, EN).row(1, 'live').input;
    expect(values).toEqual({
      visitors: 1001.5,
      opened: '2024-03-02',
      share: 1,
      price: { minor: 1050, currency: 'EUR' },
      open: 'no',
      zip: '01001',
      seen: '2024-03-10T01:30Z',
      sum: 41,
      note: 'Note 1',
      // A text in it was written with a comma, which the numbers of the other columns say nothing of.
      depth: 1.5,
    });
  });

  it('that is none is refused', async () => {
    const zip = await openFile(Uint8Array.from([0x50, 0x4b, 3, 4, 0, 0, 0, 0, 1, 2, 3]));
    expect(!zip.ok && zip.issue.message).toContain('The workbook could not be read:');
  });
});
