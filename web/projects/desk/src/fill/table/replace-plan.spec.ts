import { readContext } from '@plindo/core/structure';
import { makeListing } from '../../../../../../core/testing/builders';
import { kindSummary } from '../../../../../harness/models';
import { isWritten, planReplacing, withColumns } from './replace-plan';
import { TITLE, columnsOf } from './table-columns';

const KIND = kindSummary({}, [
  { key: 'note', label: 'Note', type: 'short-text' },
  { key: 'mail', label: 'Mail', type: 'email' },
  { key: 'beds', label: 'Beds', type: 'whole-number' },
]).kind;

describe('Replacing in the table', () => {
  const columns = [TITLE, ...columnsOf(KIND, 'UTC')].filter(isWritten);
  const context = readContext({ locale: 'en', zone: 'UTC', nowInMs: 0 });
  const rows = [
    makeListing({ id: 1, title: 'North quay', values: { note: 'By the quay', mail: 'quay@example.org', beds: 4 } }),
    makeListing({ id: 2, title: 'Slip', values: { note: 'None' } }),
  ];
  const what = { find: 'quay', by: 'wall', isExact: false, isWhole: false };

  it('changes each column of text, one part a listing', () => {
    expect(columns.map(({ field }) => field.key)).toEqual(['@title', 'note', 'mail']);
    const { cells, parts } = planReplacing(rows, columns, what, context);
    expect(cells.map(({ label, after }) => `${label}: ${after}`)).toEqual([
      'Title: North wall',
      'Note: By the wall',
      'Mail: wall@example.org',
    ]);
    expect(parts).toEqual([
      {
        ...{ id: 1, version: rows[0]!.version },
        input: { title: 'North wall', values: { note: 'By the wall', mail: 'wall@example.org' } },
      },
    ]);
  });

  it('keeps to one column, and says what a field would not take', () => {
    expect(planReplacing(rows, withColumns(columns, 'note'), what, context).cells.length).toBe(1);
    const { refused, parts } = planReplacing(rows, withColumns(columns, 'mail'), { ...what, by: ' ' }, context);
    expect([refused.length, parts.length]).toEqual([1, 0]);
  });
});
