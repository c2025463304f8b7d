import fc from 'fast-check';
import { contextIn } from '../../testing/builders.js';
import { fieldByKey } from '../structure/index.js';
import type { FileTable } from './tables/file-table.js';
import { readCsv, writeCsv } from './tables/csv.js';
import { LARGEST_FILE_IN_BYTES, decodeText } from './tables/decode.js';
import { dryRun } from './dry-run.js';
import { readImportRow } from './import-rows.js';
import { proposePlan } from './columns/propose-columns.js';
import { RowReader } from './row-reader.js';

const context = contextIn();

function table(text: string): FileTable {
  const read = readCsv(text);
  if (!read.ok) throw new Error(read.issue.message);
  return read.value;
}

function complaint(text: string): string {
  const read = readCsv(text);
  return read.ok ? 'read' : read.issue.message;
}

const bytes = (...parts: (string | number[])[]): Uint8Array =>
  Uint8Array.from(parts.flatMap((part) => (typeof part === 'string' ? [...new TextEncoder().encode(part)] : part)));

function decoded(data: Uint8Array): string {
  const result = decodeText(data);
  return result.ok ? `${result.value.encoding}: ${result.value.text}` : result.issue.message;
}

describe('Decoding a file', () => {
  it('knows UTF-8 and UTF-16 by their marks, UTF-8 without one, and takes the rest for Windows-1252', () => {
    expect(decoded(bytes('a,é'))).toBe('UTF-8: a,é');
    expect(decoded(bytes([0xef, 0xbb, 0xbf], 'a'))).toBe('UTF-8: a');
    expect(decoded(bytes([0xff, 0xfe, 0x61, 0, 0xe9, 0]))).toBe('UTF-16LE: aé');
    expect(decoded(bytes([0xfe, 0xff, 0, 0x61]))).toBe('UTF-16BE: a');
    const unmarked = (text: string, isBig: boolean): Uint8Array =>
      Uint8Array.from(
        [...text]
          .flatMap((one) => [one.charCodeAt(0) & 255, one.charCodeAt(0) >> 8])
          .map((_, at, all) => all[isBig ? at ^ 1 : at]!),
      );
    expect(decoded(unmarked('имя;цена\nКафе;3\n', false))).toBe('UTF-16LE: имя;цена\nКафе;3\n');
    expect(decoded(unmarked('name;é\n', true))).toBe('UTF-16BE: name;é\n');
    expect(decoded(bytes('a,', [0x80, 0xe9]))).toBe('Windows-1252: a,€é');
  });

  it('names the first line of another encoding', () => {
    expect(decoded(bytes('name\nné\n', [0xe9], '\n'))).toContain('line 3 is not UTF-8');
  });

  it('refuses what is no text, is empty or is too large, and says what to do', () => {
    expect(decoded(bytes('PK', [3, 4], 'x'))).toContain('zip or a spreadsheet workbook. Save it as CSV');
    expect(decoded(bytes('a', [0], 'b'))).toContain('zero bytes');
    expect(decoded(bytes(' \n'))).toContain('The file is empty');
    expect(decoded(new Uint8Array(LARGEST_FILE_IN_BYTES + 1))).toContain('at most 50 MB');
  });
});

describe('Reading CSV', () => {
  // RFC 4180, section 2, rules 1 to 7 with its own examples.
  it('follows the rules of RFC 4180', () => {
    expect(table('h1,h2,h3\r\naaa,bbb,ccc\r\nzzz,yyy,xxx\r\n').rows).toEqual([
      ['aaa', 'bbb', 'ccc'],
      ['zzz', 'yyy', 'xxx'],
    ]);
    expect(table('h1,h2,h3\r\nzzz,yyy,xxx').rows).toEqual([['zzz', 'yyy', 'xxx']]);
    expect(table('h1,h2,h3\r\n"aaa","b\r\nbb","ccc"\r\nzzz,yyy,xxx').rows[0]).toEqual(['aaa', 'b\r\nbb', 'ccc']);
    expect(table('h1,h2,h3\r\n"aaa","b""bb","ccc"').rows).toEqual([['aaa', 'b"bb', 'ccc']]);
  });

  it('finds out the delimiter', () => {
    for (const mark of [',', ';', '\t']) expect(table(`a${mark}b\n1${mark}2\n3${mark}4`).delimiter).toBe(mark);
  });

  it('knows the line of each row, also after a value of several lines', () => {
    expect(table('a,b\n1,"x\ny"\n\n2,z').lines).toEqual([2, 5]);
  });

  it('refuses a broken quote and a bad header with its place', () => {
    expect(complaint('a,b\n1,2\n3,"x\n4,5\n')).toContain('begins in line 3 is never closed');
    expect(complaint('a,b\n"x"y,2\n')).toContain('line 2 has text after its closing quote');
    expect(complaint('a,,c\n1,2,3')).toContain('column 2 has no name');
    expect(complaint('a,b,a\n1,2,3')).toContain('called “a” (1 and 3)');
    expect(complaint('a,b\n')).toContain('nothing below it');
    const wide = Array.from({ length: 201 }, (_, at) => `c${at}`).join(',');
    expect(complaint(`${wide}\n${wide}`)).toContain('201 columns; at most 200');
  });

  it('reads back what was written, formulas made harmless', () => {
    const plain = fc
      .string({ unit: 'grapheme' })
      .map((text) => text.replace(/^[=+\-@\t\r]+/, '').replaceAll('\u0000', ''));
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.constant('x'), plain, plain), { minLength: 1 }), (rows) => {
        const read = readCsv(writeCsv(['first', 'second', 'third'], rows));
        expect(read.ok && read.value.rows).toEqual(rows);
      }),
    );
    expect(writeCsv(['a'], [['=1+1'], ['-12.5']])).toBe("a\r\n'=1+1\r\n-12.5");
    const hard = [
      ["'+", "''=1", '\r'],
      ['x', '-', 'y\r'],
      ['"', ',\r', '\r\n'],
    ];
    expect(table(writeCsv(['first', 'second', 'third'], hard)).rows).toEqual(hard);
  });
});

describe('Proposing fields for a file', () => {
  const many = (count: number, row: (at: number) => string): string =>
    Array.from({ length: count }, (_, at) => row(at)).join('\n');
  const file = table(
    `name;type;facilities;lat;lon;opened;price;length;open;site;seats;code;about\n${many(40, (at) =>
      [
        `Berth ${at}`,
        ['Quay', 'Buoy', 'quay'][at % 3],
        at % 2 ? 'Water, Power' : 'Fuel',
        38 + at / 100,
        -9 - at / 100,
        `${(at % 28) + 1}/3/2026`,
        `€ ${at + 1}.50`,
        `${at + 4} ft`,
        at % 2 ? 'yes' : 'no',
        `https://example.org/${at}`,
        `1,${100 + at}`,
        `0${at + 10}`,
        'x'.repeat(200 + at),
      ].join(';'),
    )}`,
  );
  const plan = proposePlan(file, context);
  const typeOf = (header: string): string => {
    const column = plan.columns.find((candidate) => candidate.header === header);
    return column?.use === 'field' ? (fieldByKey(plan, column.fieldKey ?? '')?.type ?? '') : (column?.use ?? '');
  };

  it('finds a type for each column', () => {
    expect(file.headers.map((header) => `${header}: ${typeOf(header)}`)).toEqual([
      'name: title',
      'type: one-choice',
      'facilities: several-choices',
      'lat: latitude',
      'lon: longitude',
      'opened: date',
      'price: money',
      'length: measure',
      'open: yes-no',
      'site: web-address',
      'seats: whole-number',
      'code: short-text',
      'about: long-text',
    ]);
  });

  it('says why in numbers', () => {
    const reason = (header: string): string => plan.columns.find((column) => column.header === header)?.reason ?? '';
    expect(reason('seats')).toBe('40 of 40 values are whole numbers from 1,100 to 1,139.');
    expect(reason('type')).toBe('40 values are only 2 different ones.');
    expect(reason('lat')).toContain('Together with “lon”');
  });

  it('takes numbers of four digits for years where the column is called so, and writes them as such', () => {
    const read = proposePlan(
      table(`name,built,seats\n${many(9, (at) => `Van ${at},${2004 + at},${2004 + at}`)}`),
      context,
    );
    const [, built, seats] = read.columns;
    expect(built?.reason).toBe('9 of 9 values are years from 2004 to 2012.');
    expect(fieldByKey(read, 'built')?.settings).toEqual({ greatest: 'this year + 10' });
    expect(seats?.reason).toBe('9 of 9 values are whole numbers from 2,004 to 2,012.');
    expect(fieldByKey(read, 'seats')?.settings).toEqual({});
    const other = proposePlan(table(`name,built\n${many(9, (at) => `Van ${at},${at === 4 ? 15000 : 2004}`)}`), context);
    expect(fieldByKey(other, 'built')?.settings).toEqual({});
  });

  it('tells a date that could be read two ways', () => {
    const read = proposePlan(table(`name,day\n${many(5, (at) => `Name ${at},0${at + 1}/02/2026`)}`), context);
    expect(read.columns[1]?.reason).toContain('day, month, year');
    expect(read.columns[1]?.doubt).toBe('dates');
    expect(read.conventions.dates).toEqual({ columns: 0, of: 1, isDecided: false });
  });

  it('counts in a dry run what will and will not come in, and why, and brings in what it said', () => {
    const bad = table(`name,seats\n${many(20, (at) => `Name ${at},${at}`)}\n,5\nTwelve,many\nMore,1,2`);
    const badPlan = proposePlan(bad, context);
    const strict = dryRun(bad, badPlan, 'refuse-row', context);
    expect([strict.rows, strict.coming, strict.refused]).toEqual([23, 20, 3]);
    expect(strict.reports.map(({ line, issues }) => `${line}: ${issues[0]?.message}`)).toEqual([
      '22: A listing needs a title.',
      '23: Seats must be a number, such as 12; “many” is not one.',
      '24: This row has 3 cells; the header has 2. Put a value that holds a separator between quotes.',
    ]);
    const lenient = dryRun(bad, badPlan, 'leave-empty', context);
    expect([lenient.coming, lenient.incomplete, lenient.refused]).toEqual([21, 1, 2]);
    const outcome = readImportRow(
      new RowReader(bad, badPlan, context).row(21, 'live'),
      badPlan,
      'leave-empty',
      context,
    );
    expect(outcome.kind === 'in' && outcome.content.values).toEqual({});
  });

  it('refuses a cell of a million characters by its row, and reads the others', () => {
    const huge = table(`name,about\n${many(5, (at) => `Name ${at},text`)}\nBig,"${'x'.repeat(1_048_576)}"`);
    const run = dryRun(huge, proposePlan(huge, context), 'refuse-row', context);
    expect([run.coming, run.reports[0]?.issues[0]?.message]).toEqual([
      5,
      'About has 1048576 characters; at most 100000 fit.',
    ]);
  });
});
