import { contextIn } from '../../../testing/builders.js';
import { fieldType } from '../../structure/index.js';
import { readCsv } from '../tables/csv.js';
import { RowReader } from '../row-reader.js';
import type { ImportPlan } from './import-plan.js';
import { proposePlan } from './propose-columns.js';

const EN = contextIn('en-GB');

interface Case {
  readonly says: string;
  readonly header?: string;
  /** The cells of the column. */
  readonly cells: readonly string[];
  readonly delimiter?: string;
  /** Other columns, by header. */
  readonly beside?: Readonly<Record<string, readonly string[]>>;
  /** The type that it becomes, "place" for half of one. */
  readonly type: string;
  /** What the first cells come to. */
  readonly values: readonly unknown[];
}

/** "Item 1", "Item 2" … of the title's column, and the cells again and again until there are enough rows. */
const ROWS = 24;
const repeated = (cells: readonly string[]): string[] =>
  Array.from({ length: ROWS }, (_, at) => cells[at % cells.length]!);
const mixed = (often: readonly string[], seldom: readonly string[]): string[] => [
  ...seldom,
  ...repeated(often).slice(seldom.length),
];

// The table of the issue "the first hour": what cells became, and what their owner meant; with what else is common practice.
const CASES: readonly Case[] = [
  {
    says: 'dots for thousands, where another column has decimal commas',
    cells: ['2.997', '15.000', '1.500'],
    beside: { Weight: ['3,5', '12,25'] },
    delimiter: ';',
    type: 'whole-number',
    values: [2997, 15000, 1500],
  },
  {
    says: 'two dots for thousands decide by themselves',
    cells: ['2.997', '15.000', '1.234.567'],
    type: 'whole-number',
    values: [2997, 15000, 1234567],
  },
  {
    says: 'decimal commas under latitude',
    header: 'Lat',
    cells: ['34,98300013', '35,5'],
    beside: { Lng: ['24,9', '25,12345678'] },
    delimiter: ';',
    type: 'place',
    values: [34.98300013, 35.5],
  },
  {
    says: 'three decimals under latitude are no thousands',
    header: 'Latitude',
    cells: ['38,700', '38,712'],
    beside: { Longitude: ['9.100W', '9.250W'] },
    delimiter: ';',
    type: 'place',
    values: [38.7, 38.712],
  },
  {
    says: 'letters of the compass under longitude',
    header: 'Longitude',
    cells: ['9.100W', '9.250W'],
    beside: { Latitude: ['38,700', '38,712'] },
    delimiter: ';',
    type: 'place',
    values: [-9.1, -9.25],
  },
  {
    says: 'degrees, minutes and seconds',
    header: 'lat',
    cells: [`38°42'36"N`, `38°30'00"N`],
    beside: { lon: [`9°06'00"W`, `9°30'00"W`] },
    type: 'place',
    values: [38.71, 38.5],
  },
  {
    says: 'money with a decimal comma',
    cells: ['3,10 €', '10,00 €', '1.250,00 €'],
    type: 'money',
    values: [
      { minor: 310, currency: 'EUR' },
      { minor: 1000, currency: 'EUR' },
      { minor: 125000, currency: 'EUR' },
    ],
  },
  {
    says: 'money with its sign before it',
    cells: ['€ 3.10', '€ 1,250.00'],
    type: 'money',
    values: [
      { minor: 310, currency: 'EUR' },
      { minor: 125000, currency: 'EUR' },
    ],
  },
  {
    says: 'leading zeros in a twentieth of a column',
    header: 'Area',
    cells: mixed(['12134', '55012', '99801'], ['02134']),
    type: 'one-choice',
    values: ['02134'],
  },
  {
    says: 'codes by their header',
    header: 'Postcode',
    cells: ['12134', '55012', '99801'],
    type: 'one-choice',
    values: ['12134'],
  },
  {
    says: 'codes by their header, all different',
    header: 'SKU',
    cells: Array.from({ length: ROWS }, (_, at) => String(40_000 + at * 7)),
    type: 'short-text',
    values: ['40000'],
  },
  {
    says: 'numbers of more than 15 digits',
    header: 'Number',
    cells: Array.from({ length: ROWS }, (_, at) => `97801430072${10000 + at}`),
    type: 'short-text',
    values: ['9780143007210000'],
  },
  {
    says: 'letters that look like an exponent',
    header: 'Unit',
    cells: Array.from({ length: ROWS }, (_, at) => `12E${at + 1}`),
    type: 'short-text',
    values: ['12E1'],
  },
  {
    says: 'versions',
    header: 'Since',
    cells: mixed(['1.9', '1.1', '1.10', '2.0'], []),
    type: 'one-choice',
    values: ['1-9'],
  },
  {
    says: 'prices of two decimals, some round',
    header: 'Price',
    cells: ['1.10', '2.50', '3.25'],
    type: 'decimal',
    values: [1.1, 2.5, 3.25],
  },
  {
    says: 'telephone numbers from abroad',
    header: 'Contact',
    cells: Array.from({ length: ROWS }, (_, at) => `+44 20 7946 10${at + 10}`),
    type: 'phone',
    values: ['+44 20 7946 1010'],
  },
  {
    says: 'moments with their zone',
    cells: ['2024-03-10T10:00:00+02:00', '2024-03-11T12:30:00+02:00'],
    type: 'date-time',
    values: ['2024-03-10T08:00Z', '2024-03-11T10:30Z'],
  },
  {
    says: 'days that a program wrote with midnight',
    cells: ['2024-03-10T00:00:00', '2024-03-11T00:00:00'],
    type: 'date',
    values: ['2024-03-10', '2024-03-11'],
  },
  {
    says: 'words for nothing among numbers',
    cells: mixed(['12', '30', '45'], ['N/A', '-', 'NULL', 'n.a.', '?', 'k. A.']),
    type: 'whole-number',
    values: [null, null, null, null, null, null, 12],
  },
  { says: 'percentages', cells: ['12 %', '7.5 %', '100 %'], type: 'decimal', values: [12, 7.5, 100] },
  {
    says: 'dates with the names of months',
    cells: ['1 Mar 2024', '15 Apr 2024', 'March 3, 2025'],
    type: 'date',
    values: ['2024-03-01', '2024-04-15', '2025-03-03'],
  },
  {
    says: 'dates with the names of months in German',
    cells: ['1. März 2024', '15. Mai 2024', '3. Dez. 2025'],
    type: 'date',
    values: ['2024-03-01', '2024-05-15', '2025-12-03'],
  },
  {
    says: 'months',
    cells: ['Mar 2024', 'Apr 2024', 'December 2025'],
    type: 'date',
    values: ['2024-03-01', '2024-04-01', '2025-12-01'],
  },
  {
    says: 'years of two digits',
    cells: ['31/12/99', '01/02/24', '15/06/68'],
    type: 'date',
    values: ['1999-12-31', '2024-02-01', '2068-06-15'],
  },
  {
    says: 'less than nothing in parentheses',
    cells: ['(1,234)', '2,500', '10,000.50'],
    type: 'decimal',
    values: [-1234, 2500, 10000.5],
  },
  { says: 'a cross or nothing', cells: ['x', ''], type: 'yes-no', values: [true, false] },
  { says: 'Y and N', cells: ['Y', 'N'], type: 'yes-no', values: [true, false] },
  ...[
    ['ja', 'nein'],
    ['oui', 'non'],
    ['sí', 'no'],
    ['sì', 'no'],
    ['sim', 'não'],
    ['ja', 'nee'],
    ['tak', 'nie'],
    ['da', 'nu'],
    ['ja', 'nej'],
    ['ano', 'ne'],
    ['igen', 'nem'],
    ['ναι', 'όχι'],
    ['да', 'нет'],
    ['yes', 'no'],
  ].map(([yes = '', no = '']): Case => ({
    says: `${yes} and ${no}`,
    cells: [yes, no],
    type: 'yes-no',
    values: [true, false],
  })),
  {
    says: 'lengths',
    cells: ['12 m', '7.5 m', '30 m'],
    type: 'measure',
    values: [
      { value: 12, unit: 'm' },
      { value: 7.5, unit: 'm' },
    ],
  },
  {
    says: 'feet and inches',
    cells: ['6 ft 3 in', '5 ft 11 in'],
    type: 'measure',
    values: [{ value: 6.25, unit: 'ft' }],
  },
  {
    says: 'money in thousands stays as it is written',
    cells: Array.from({ length: ROWS }, (_, at) => `€1.${at}k`),
    type: 'short-text',
    values: ['€1.0k'],
  },
  {
    says: 'dates that begin with the day, as one of them shows',
    cells: ['03/04/2024', '25/12/2024'],
    type: 'date',
    values: ['2024-04-03', '2024-12-25'],
  },
  {
    says: 'dates that begin with the month, as one of them shows',
    cells: ['03/04/2024', '12/25/2024'],
    type: 'date',
    values: ['2024-03-04', '2024-12-25'],
  },
  {
    says: 'lists parted by commas',
    cells: ['water, power', 'fuel', 'power, fuel'],
    type: 'several-choices',
    values: [['power', 'water']],
  },
];

function planOf({ header = 'Value', cells, beside = {}, delimiter = ',' }: Case): {
  plan: ImportPlan;
  values: unknown[];
} {
  const quoted = (cell: string): string => `"${cell.replaceAll('"', '""')}"`;
  const columns = [
    ['Name', Array.from({ length: ROWS }, (_, at) => `Item ${at + 1} of all`)],
    [header, repeated(cells)],
    ...Object.entries(beside).map(([name, some]) => [name, repeated(some)]),
  ] as [string, string[]][];
  const lines = Array.from({ length: ROWS }, (_, at) => columns.map(([, all]) => quoted(all[at]!)).join(delimiter));
  const read = readCsv([columns.map(([name]) => quoted(name)).join(delimiter), ...lines].join('\n'));
  if (!read.ok) throw new Error(read.issue.message);
  const plan = proposePlan(read.value, EN);
  const reader = new RowReader(read.value, plan, EN);
  const { use, fieldKey } = plan.columns[1]!;
  const field = plan.fields.find(({ key }) => key === fieldKey)!;
  const values = Array.from({ length: ROWS }, (_, at) => {
    const row = reader.row(at, 'live');
    if (row.unread) return `unread ${JSON.stringify(row.unread)}`;
    const value = row.input.values?.[field.key];
    if (use !== 'field') return Math.round((value as Record<string, number>)[use]! * 1e8) / 1e8;
    const kept = fieldType(field.type).read(value, field, contextIn('pt-PT'));
    return kept.ok ? kept.value : kept.issue.message;
  });
  return { plan, values };
}

describe('A column comes in as its owner meant it:', () => {
  for (const one of CASES) {
    it(one.says, () => {
      const { plan, values } = planOf(one);
      const [, column] = plan.columns;
      expect(plan.fields.find(({ key }) => key === column!.fieldKey)?.type as string)
        .withContext(column!.reason)
        .toBe(one.type);
      expect(values.slice(0, one.values.length)).toEqual([...one.values]);
    });
  }
});
