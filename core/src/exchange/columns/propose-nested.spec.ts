import { readContext } from '../../structure/index.js';
import { readImportRow } from '../import-rows.js';
import { RowReader } from '../row-reader.js';
import type { FileTable } from '../tables/file-table.js';
import { openText } from '../tables/open-file.js';
import { proposePlan } from './propose-columns.js';

const CONTEXT = readContext({ locale: 'en', zone: 'UTC', nowInMs: 0 });

function tableOf(records: unknown): FileTable {
  const read = openText(JSON.stringify(records));
  const table = read.ok ? read.value.tables[0].table : read;
  if (!table.ok) throw new Error(table.issue.message);
  return table.value;
}

describe('Records inside of records', () => {
  const table = tableOf(
    Array.from({ length: 12 }, (_, at) => ({
      name: `Berth ${at}`,
      address: { street: `${at} Quay`, postCode: `0213${at}`, gated: at % 2 === 0 },
      tariff: [
        { season: 'Summer', price: 40 + at, opened: '2026-05-01' },
        { season: 'Winter', price: 12.5 },
      ].slice(0, 1 + (at % 2)),
    })),
  );
  const plan = proposePlan(table, CONTEXT);

  it('become groups, lists of them rows, with fields of the types that their values have', () => {
    const [address, tariff] = plan.fields;
    expect(plan.fields.map(({ key, type }) => [key, type])).toEqual([
      ['address', 'group'],
      ['tariff', 'rows'],
    ]);
    expect(address!.settings.fields!.map(({ key, type }) => [key, type])).toEqual([
      ['street', 'short-text'],
      ['postcode', 'short-text'],
      ['gated', 'yes-no'],
    ]);
    expect(tariff!.settings.fields!.map(({ key, type }) => [key, type])).toEqual([
      ['season', 'one-choice'],
      ['price', 'decimal'],
      ['opened', 'date'],
    ]);
    expect(plan.columns[1]!.reason).toContain('12 of 12 values are records, with Street, Postcode, Gated inside.');
  });

  it('come in with all that they hold', () => {
    const row = new RowReader(table, plan, CONTEXT).row(1, 'live');
    const read = readImportRow(row, plan, 'refuse-row', CONTEXT);
    if (read.kind === 'refused') throw new Error(read.issues[0]!.message);
    expect(read.content.values).toEqual({
      address: { street: '1 Quay', postcode: '02131', gated: false },
      tariff: [
        { season: 'summer', price: 41, opened: '2026-05-01' },
        { season: 'winter', price: 12.5 },
      ],
    });
  });

  it('are no more than texts where some are none', () => {
    const mixed = tableOf([
      { name: 'A', at: { street: 'x' } },
      { name: 'B', at: 'somewhere' },
      { name: 'C', at: 'there' },
    ]);
    expect(proposePlan(mixed, CONTEXT).fields[0]!.type).toBe('short-text');
  });
});
