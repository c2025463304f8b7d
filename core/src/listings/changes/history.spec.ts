import { BERTH_FIELDS, contextIn, makeKind, makeListing } from '../../../testing/builders.js';
import { makeField } from '../../structure/index.js';
import { differencesOf } from './history.js';

describe('The differences between two states of a listing', () => {
  const rows = makeField({
    key: 'tariff',
    label: 'Tariff',
    type: 'rows',
    settings: { fields: [makeField({ key: 'night', label: 'A night', type: 'money' })] },
  });
  const kind = makeKind([...BERTH_FIELDS, rows]);
  const before = makeListing({
    id: 1,
    title: 'Quay',
    values: { price: { minor: 1200, currency: 'EUR' }, tariff: [{ night: { minor: 900, currency: 'EUR' } }] },
  });

  it('are told field by field as readers see them', () => {
    const after = {
      ...before,
      body: '<p>Deep</p>',
      status: 'hidden' as const,
      values: {
        price: { minor: 1300, currency: 'EUR' },
        tariff: [{ night: { minor: 950, currency: 'EUR' } }],
        services: true,
      },
    };
    expect(differencesOf(before, after, kind, contextIn())).toEqual([
      { label: 'Body', before: '', after: 'Deep' },
      { label: 'Status', before: 'Live', after: 'Hidden' },
      { label: 'Nearby services', before: '', after: 'Yes' },
      { label: 'Price', before: '€12', after: '€13' },
      { label: 'Tariff', before: '€9', after: '€9.50' },
    ]);
  });

  it('of a new listing are all that it has, and of the same one none', () => {
    expect(differencesOf(null, before, kind, contextIn()).map(({ label }) => label)).toEqual([
      'Title',
      'Address',
      'Status',
      'Featured',
      'Price',
      'Tariff',
    ]);
    expect(differencesOf(before, { ...before, version: 9 }, kind, contextIn())).toEqual([]);
  });
});
