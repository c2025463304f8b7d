import { kindSummary } from '../../../../../harness/models';
import { columnsOf } from './table-columns';
import { filterSentence, filterSubject } from './table-filters';

const choices = [
  { key: 'quay', label: 'Quay wall' },
  { key: 'buoy', label: 'Buoy' },
];
const { kind } = kindSummary({}, [
  { key: 'type', label: 'Type', type: 'one-choice', settings: { choices } },
  { key: 'about', label: 'About', type: 'rich-text' },
  { key: 'tags', label: 'Tags', type: 'categories', settings: { set: 1 } },
]);
const [handOrder, type, about, tags] = columnsOf(kind, 'UTC');

describe('The columns of the table', () => {
  it('are told apart from those that every listing has, whatever a field is called', () => {
    const named = kindSummary({}, [{ key: 'status', label: 'Status', type: 'short-text' }]).kind;
    const keys = columnsOf(named, 'UTC').map(({ field }) => field.key);
    expect(new Set(keys).size).toBe(keys.length);
  });

  it('are changed in the cell when a value is short, else with the control of the form', () => {
    expect([handOrder, type, about, tags].map((column) => column?.editing)).toEqual([
      'cell',
      'cell',
      'dialog',
      'dialog',
    ]);
    expect(columnsOf(kind, 'UTC').at(-1)?.editing).toBeNull();
  });

  it('can be asked about even where nothing can be sorted by them', () => {
    expect(about?.sort).toBeNull();
    expect(filterSubject(about!)).toBe('field:about');
  });

  it('say in a sentence how the table is narrowed by them', () => {
    const by = filterSubject(type!);
    expect(filterSentence({ by, op: 'is-one-of', value: ['quay', 'buoy'] }, type!)).toBe(
      'Type is one of Quay wall, Buoy',
    );
    expect(filterSentence({ by, op: 'is-empty' }, type!)).toBe('Type is empty');
    const range = { by: '@handOrder' as const, op: 'between' as const, value: ['1', '9'] };
    expect(filterSentence(range, handOrder!)).toBe('Hand order is between 1 and 9');
  });
});
