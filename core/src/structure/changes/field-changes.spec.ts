import { BERTH_FIELDS, makeKind } from '../../../testing/builders.js';
import { checkKind } from '../kinds/check-kind.js';
import { makeField } from '../fields/field.js';
import { usesOfField, withKeyRenamed, withoutField } from './field-changes.js';

const kind = makeKind(
  [
    ...BERTH_FIELDS,
    makeField({ key: 'week', label: 'Week', type: 'computed', settings: { expression: 'price * 7', result: 'money' } }),
    makeField({ key: 'tip', label: 'Tip', type: 'short-text', showWhen: { field: 'price', op: 'above', value: 20 } }),
  ],
  { defaultOrder: [{ by: 'field:price', direction: 'up' }] },
);

describe('A field that is used', () => {
  it('says where', () => {
    expect(usesOfField(kind, 'price')).toEqual([
      'the facet “Price”',
      'the sort choice “Price, lowest first”',
      'the sort choice “Price, highest first”',
      'the order of the index page',
      'the show-when of Tip',
      'the computed field Week',
    ]);
    expect(usesOfField(kind, 'tip')).toEqual([]);
  });

  it('can get another key, and everything that used it goes on working', () => {
    const renamed = withKeyRenamed(kind, 'price', 'nightly');
    expect(checkKind(renamed, [])).toEqual([]);
    expect(usesOfField(renamed, 'price')).toEqual([]);
    expect(usesOfField(renamed, 'nightly').length).toBe(usesOfField(kind, 'price').length);
    expect(renamed.facets.find(({ field }) => field === 'nightly')?.key).toBe('price');
    expect(withKeyRenamed(renamed, 'nightly', 'price')).toEqual({ ...kind });
  });

  it('takes its facets and orders with it when it goes, and leaves the rest right', () => {
    const without = withoutField(withoutField(kind, 'week'), 'price');
    expect(checkKind(without, [])).toEqual([]);
    expect(without.fields.find(({ key }) => key === 'tip')?.showWhen).toBeNull();
    expect(checkKind(withoutField(kind, 'price'), [])[0]?.message).toContain('no field with the key “price”');
  });
});
