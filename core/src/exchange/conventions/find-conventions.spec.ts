import { contextIn } from '../../../testing/builders.js';
import { rereadPlan, withColumnUse } from '../columns/edit-plan.js';
import type { ImportPlan } from '../columns/import-plan.js';
import { proposeColumn, proposePlan } from '../columns/propose-columns.js';
import type { FileTable } from '../tables/file-table.js';
import { readCsv } from '../tables/csv.js';
import { dryRun } from '../dry-run.js';
import { RowReader } from '../row-reader.js';

const EN = contextIn('en-GB');

function tableOf(text: string): FileTable {
  const read = readCsv(text);
  if (!read.ok) throw new Error(read.issue.message);
  return read.value;
}
const rows = (count: number, row: (at: number) => string): string =>
  Array.from({ length: count }, (_, at) => row(at)).join('\n');
const typeOf = ({ columns, fields }: ImportPlan, header: string): string | undefined => {
  const column = columns.find((one) => one.header === header);
  return fields.find(({ key }) => key === column?.fieldKey)?.type;
};
const valuesOf = (table: FileTable, plan: ImportPlan, key: string, count = 3): unknown[] => {
  const reader = new RowReader(table, plan, EN);
  return Array.from({ length: count }, (_, at) => reader.row(at, 'live').input.values?.[key]);
};

describe('How a file is written', () => {
  const german = tableOf(
    `Name;Einwohner;Breite;Länge;Preis;Seit;Notiz\n${rows(30, (at) =>
      [
        `Ort ${at}`,
        `${at + 1}.${100 + at}`,
        `5${at % 5},25${at}`,
        `9,1${at}`,
        `${at},50 €`,
        `${(at % 28) + 1}.03.2024`,
        at % 3 ? `${at},5` : 'N/A',
      ].join(';'),
    )}`,
  );

  it('is found from all columns together, whatever the site writes', () => {
    const { conventions } = proposePlan(german, EN);
    expect(conventions.decimal).toBe(',');
    expect(conventions.dateOrder).toBe('dmy');
    expect(conventions.numbers.isDecided).toBeTrue();
    expect(conventions.columns).toBe(5);
    expect(conventions.foundWords).toEqual([{ word: 'N/A', times: 10 }]);
  });

  it('decides for columns that do not tell it themselves, and none of those is in doubt', () => {
    const plan = proposePlan(german, EN);
    expect(['Einwohner', 'Breite', 'Preis', 'Seit', 'Notiz'].map((header) => typeOf(plan, header))).toEqual([
      ...['whole-number', 'place', 'money', 'date', 'decimal'],
    ]);
    expect(valuesOf(german, plan, 'einwohner')).toEqual([1100, 2101, 3102]);
    expect(plan.columns.map(({ doubt }) => doubt).filter((doubt) => doubt !== null)).toEqual([]);
    expect(plan.columns.find(({ header }) => header === 'Notiz')?.emptied).toBe(10);
    expect(dryRun(german, plan, 'refuse-row', EN).coming).toBe(30);
  });

  it('is in doubt where nothing in the file tells, and a person decides for all of it at once', () => {
    const table = tableOf(
      `name,visitors,day\n${rows(20, (at) => `Place ${at},${at + 1}.${200 + at},0${(at % 9) + 1}/02/2024`)}`,
    );
    const plan = proposePlan(table, EN);
    expect(plan.columns.map(({ doubt }) => doubt)).toEqual([null, 'numbers', 'dates']);
    expect(valuesOf(table, plan, 'visitors')).toEqual([1.2, 2.201, 3.202]);
    const again = rereadPlan(table, EN, plan, { decimal: ',', dateOrder: 'mdy' });
    expect(typeOf(again, 'visitors')).toBe('whole-number');
    expect(valuesOf(table, again, 'visitors')).toEqual([1200, 2201, 3202]);
    expect(valuesOf(table, again, 'day')).toEqual(['2024-01-02', '2024-02-02', '2024-03-02']);
    expect(again.columns.map(({ doubt }) => doubt)).toEqual([null, null, null]);
  });

  it('can differ in a column, by what the column says itself or by what a person says', () => {
    const table = tableOf(`name;a;b;c\n${rows(20, (at) => `Place ${at};${at},5;${at},25;${at}.75`)}`);
    const plan = proposePlan(table, EN);
    expect(plan.columns.map(({ reading }) => reading.decimal)).toEqual([',', ',', ',', '.']);
    expect(valuesOf(table, plan, 'c', 2)).toEqual([0.75, 1.75]);
    const proposed = proposeColumn(table, 1, EN, { ...plan.conventions, decimal: '.' }, null);
    expect(proposed.type).toBe('short-text');
    const chosen = withColumnUse(plan, 1, { use: 'field', proposed });
    const again = rereadPlan(table, EN, chosen, { emptyWords: [] });
    expect([again.columns[1]?.isChosen, again.columns[1]?.reading.decimal]).toEqual([true, '.']);
    expect(rereadPlan(table, EN, chosen, { decimal: '.' }).columns[3]?.reading.decimal).toBe('.');
  });

  it('keeps what a person has decided when the file is read again', () => {
    const plan = proposePlan(german, EN);
    const left = withColumnUse(plan, 4, { use: 'nothing' });
    const again = rereadPlan(german, EN, left, { emptyWords: [] });
    expect(again.columns[4]?.use).toBe('nothing');
    expect(typeOf(again, 'Notiz')).not.toBe('decimal');
    expect(again.columns[6]?.emptied).toBe(0);
  });

  it('refuses what is written otherwise than the rest, though the site could read it', () => {
    const table = tableOf(`name;size\n${rows(40, (at) => `Place ${at};${at === 7 ? '7.5' : `${at},5`}`)}`);
    const plan = proposePlan(table, EN);
    const run = dryRun(table, plan, 'refuse-row', EN);
    expect([run.coming, run.refused]).toEqual([39, 1]);
    expect(run.reports[0]?.issues[0]?.message).toBe(
      'Size: “7.5” is not written the way the rest of the file is. Write it the same way, or choose another way of reading this column.',
    );
    expect(dryRun(table, plan, 'leave-empty', EN).incomplete).toBe(1);
  });
});

describe('A file that programs write oddly', () => {
  it('may end lines in CRLF and LF mixed', () => {
    expect(tableOf('a,b\r\n1,2\n3,"4"\r\n5,6\n').rows).toEqual([
      ['1', '2'],
      ['3', '4'],
      ['5', '6'],
    ]);
    expect(tableOf('a,b\r1,2\r3,4').rows.length).toBe(2);
  });

  it('may say in its first line what parts its cells', () => {
    const table = tableOf('sep=;\r\na;b\r\n1,5;2\r\n');
    expect([table.delimiter, table.headers, table.rows, table.lines]).toEqual([';', ['a', 'b'], [['1,5', '2']], [3]]);
  });

  it('may have a delimiter behind its last column', () => {
    const table = tableOf('a;b;\n1;2;\n3;4;\n');
    expect(table.headers).toEqual(['a', 'b']);
    expect(readCsv('a;b;\n1;2;\n3;4;5\n').ok).toBeFalse();
  });
});
