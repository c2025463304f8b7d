import type { Listing } from '../../listings/index.js';
import { readListing } from '../../listings/index.js';
import type { Kind } from '../../structure/index.js';
import { makeField, makeKindDefinition, readContext } from '../../structure/index.js';
import type { FileTable } from '../tables/file-table.js';
import { RowReader } from '../row-reader.js';
import { readCsv } from '../tables/csv.js';
import { compareRow } from './compare-row.js';
import type { MatchedRow } from './match-rows.js';
import { RowMatcher, waysToMatch, withoutBlanks } from './match-rows.js';
import { planForKind, planForKindProblem, withTarget } from './plan-for-kind.js';

const CONTEXT = readContext({ locale: 'en', zone: 'UTC', nowInMs: Date.UTC(2026, 10, 30) });
const KIND: Kind = {
  ...makeKindDefinition({
    ...{ one: 'Berth', many: 'Berths', slug: 'berths' },
    fields: [
      makeField({ key: 'number', label: 'No.', type: 'short-text', unique: true }),
      makeField({ key: 'length', label: 'Length', type: 'decimal' }),
      makeField({ key: 'note', label: 'Note', type: 'short-text' }),
      makeField({ key: 'where', label: 'Where', type: 'place' }),
    ],
  }),
  ...{ id: 1, version: 1 },
};

function table(csv: string): FileTable {
  const read = readCsv(csv);
  if (!read.ok) throw new Error('The table can be read.');
  return read.value;
}

function listing(id: number, title: string, values: object): Listing {
  const { content } = readListing({ title, values: { ...values } }, KIND, CONTEXT);
  const stamps = { address: '', createdAt: 0, changedAt: 0, publishedAt: null, binnedAt: null };
  return { ...content, ...stamps, id, kindId: 1, version: 3 };
}

describe('A file that goes into a kind that is there', () => {
  const CSV = 'no.;TITLE;length;lat;lng;colour\nA1;Berth 1;12,5;51.2;-3.1;red\nA2;Berth 2;9,0;51.3;-3.2;blue\n';

  it('goes where its columns are called alike, by its own conventions', () => {
    const plan = planForKind(table(CSV), KIND, CONTEXT);
    expect(plan.columns.map(({ use, fieldKey }) => [use, fieldKey])).toEqual([
      ['field', 'number'],
      ['title', null],
      ['field', 'length'],
      ['latitude', 'where'],
      ['longitude', 'where'],
      ['nothing', null],
    ]);
    const row = new RowReader(table(CSV), plan, CONTEXT).row(0, 'live');
    expect(row.input.values).toEqual({ number: 'A1', length: 12.5, where: { latitude: 51.2, longitude: -3.1 } });
  });

  it('goes elsewhere where somebody says so, one column to a field', () => {
    const plan = withTarget(planForKind(table(CSV), KIND, CONTEXT), 5, { use: 'field', fieldKey: 'length' });
    expect(plan.columns.map(({ fieldKey }) => fieldKey)).toEqual(['number', null, null, 'where', 'where', 'length']);
  });

  it('can be matched by what it has, first by what is surest', () => {
    const plan = planForKind(table(CSV), KIND, CONTEXT);
    expect(waysToMatch(plan, KIND)).toEqual(['number', '@title']);
    expect(planForKindProblem(plan, 'number')).toBeNull();
    expect(planForKindProblem(plan, 'note')).toContain('No column holds Note');
    expect(planForKindProblem(withTarget(plan, 3, { use: 'nothing', fieldKey: null }), 'number')).toContain('latitude');
  });
});

describe('Matching rows', () => {
  const names = [
    { id: 1, version: 1, name: 'A1' },
    { id: 2, version: 1, name: 'A2' },
    { id: 3, version: 1, name: 'B' },
    { id: 4, version: 1, name: 'B' },
  ];
  const row = (line: number, number: string): MatchedRow['row'] => ({ line, input: { values: { number } } });

  it('finds each listing once, tells what it cannot, and knows what is missing', () => {
    const matcher = new RowMatcher(names, KIND, 'number');
    const found = [row(2, 'a1'), row(3, 'A1'), row(4, 'B'), row(5, 'C'), row(6, 'c'), row(7, '')].map((one) => {
      const matched = matcher.match(one);
      return 'issue' in matched ? matched.issue.code : matched.id;
    });
    expect(found).toEqual([1, 'again.twice', 'again.several', null, 'again.twice', null]);
    expect(matcher.missing().map(({ id }) => id)).toEqual([2, 3, 4]);
  });
});

describe('Comparing a row', () => {
  const before = listing(7, 'Berth 1', { number: 'A1', length: 12, note: 'By the crane' });
  const compare = (values: object, title = 'Berth 1', unread?: Record<string, string>): ReturnType<typeof compareRow> =>
    compareRow(
      {
        id: 7,
        row: withoutBlanks({
          line: 2,
          input: { title, values: { ...values }, status: 'live' },
          ...(unread && { unread }),
        }),
      },
      before,
      KIND,
      'leave-empty',
      CONTEXT,
    );

  it('tells what is the same, and field by field what changes', () => {
    expect(compare({ number: 'A1', length: 12, note: '' }).outcome).toBe('same');
    const changed = compare({ number: 'A1', length: 12.5, note: 'By the slip' }, 'Berth One');
    expect(changed.outcome).toBe('changed');
    expect([changed.id, changed.version]).toEqual([7, 3]);
    expect(changed.input).toEqual({ title: 'Berth One', values: { length: 12.5, note: 'By the slip' } });
    expect(changed.differences).toEqual([
      { label: 'Title', before: 'Berth 1', after: 'Berth One' },
      { label: 'Length', before: '12', after: '12.5' },
      { label: 'Note', before: 'By the crane', after: 'By the slip' },
    ]);
  });

  it('leaves a value as it is that cannot be read, and says so', () => {
    const left = compare({ note: 'By the slip' }, 'Berth 1', { length: 'long' });
    expect(left.input).toEqual({ values: { note: 'By the slip' } });
    expect(left.issues.length).toBe(1);
    const row = { line: 2, input: { values: {} }, unread: { length: 'long' } };
    expect(compareRow({ id: 7, row }, before, KIND, 'refuse-row', CONTEXT).outcome).toBe('refused');
  });

  it('makes a new listing of a row that is about none', () => {
    const input = { title: 'Berth 9', values: { number: 'A9' } };
    const made = compareRow({ id: null, row: { line: 3, input } }, null, KIND, 'refuse-row', CONTEXT);
    expect(made).toEqual({
      ...{ line: 3, title: 'Berth 9', outcome: 'new', id: null, version: null, input },
      ...{ differences: [], issues: [] },
    });
    const untitled = { line: 3, input: { values: { number: 'A9' } } };
    expect(compareRow({ id: null, row: untitled }, null, KIND, 'refuse-row', CONTEXT).outcome).toBe('refused');
  });
});
