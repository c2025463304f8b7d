import { contextIn } from '../../testing/builders.js';
import type { Field } from '../structure/index.js';
import { fieldType, makeField } from '../structure/index.js';
import { proposePlan } from './columns/propose-columns.js';
import { tableAsCsv, tableAsWorkbook } from './export-table.js';
import { RowReader } from './row-reader.js';
import type { OpenedFile } from './tables/open-file.js';
import { openFile } from './tables/open-file.js';

const choices = [
  { key: 'quay', label: 'Quay' },
  { key: 'buoy', label: 'Buoy' },
];
const FIELDS: readonly Field[] = [
  makeField({ key: 'name', label: 'Name', type: 'short-text' }),
  makeField({ key: 'guests', label: 'Guests', type: 'whole-number' }),
  makeField({ key: 'depth', label: 'Depth', type: 'decimal' }),
  makeField({ key: 'price', label: 'Price', type: 'money', settings: { currency: 'GBP' } }),
  makeField({ key: 'length', label: 'Length', type: 'measure', settings: { unit: 'm' } }),
  makeField({ key: 'opened', label: 'Opened', type: 'date' }),
  makeField({ key: 'seen', label: 'Seen', type: 'date-time' }),
  makeField({ key: 'open', label: 'Open', type: 'yes-no' }),
  makeField({ key: 'type', label: 'Type', type: 'one-choice', settings: { choices } }),
  makeField({ key: 'where', label: 'Where', type: 'place' }),
  makeField({ key: 'zip', label: 'Postcode', type: 'short-text' }),
  makeField({ key: 'note', label: 'Note', type: 'short-text' }),
];
type Row = Readonly<Record<string, unknown>>;
const ROWS: readonly Row[] = Array.from({ length: 12 }, (_, at) => ({
  name: `Berth ${at}`,
  guests: 1000 + at * 7,
  depth: at + 0.125,
  price: { minor: 1250 + at, currency: 'GBP' },
  length: { value: at + 0.5, unit: 'm' },
  opened: `2024-03-${String(at + 1).padStart(2, '0')}`,
  seen: `2024-03-10T${String(at).padStart(2, '0')}:30Z`,
  open: at % 2 === 0,
  type: choices[at % 2]!.key,
  where: { latitude: 38.5 + at / 100, longitude: -9.25, address: '' },
  zip: `0${1000 + at}`,
  note: at === 3 ? '=1+1' : at === 4 ? '@home' : `Note ${at}`,
}));
const COLUMNS = FIELDS.map((field) => ({ field, valueOf: (row: Row): unknown => row[field.key] }));

/** What comes of a file when it is brought in, read by a site in Germany, in the words of one in Britain. */
async function broughtIn(bytes: Uint8Array): Promise<unknown[]> {
  const read = await openFile(bytes);
  if (!read.ok) throw new Error(read.issue.message);
  const [{ table }] = (read.value satisfies OpenedFile).tables;
  if (!table.ok) throw new Error(table.issue.message);
  const context = contextIn('de-DE');
  const plan = proposePlan(table.value, context);
  const reader = new RowReader(table.value, plan, context);
  return table.value.rows.map((_, at) => {
    const { input } = reader.row(at, 'live');
    const values = plan.fields.map((field) => {
      const found = fieldType(field.type).read(input.values?.[field.key], field, context);
      return found.ok ? found.value : found.issue.message;
    });
    return [input.title, ...values];
  });
}

describe('A table in a file', () => {
  const meant = ROWS.map((row) => Object.values(row));

  it('comes back the same from CSV, formulas made harmless on the way', async () => {
    const csv = tableAsCsv(ROWS, COLUMNS);
    expect(csv).toContain("'=1+1");
    expect(await broughtIn(new TextEncoder().encode(csv))).toEqual(meant);
  });

  it('comes back the same from a workbook, in which no text is a formula', async () => {
    expect(await broughtIn(await tableAsWorkbook('Berths: all', ROWS, COLUMNS))).toEqual(meant);
  });
});
