import type { FieldSettings, FieldTypeName } from '../../structure/index.js';
import { makeField } from '../../structure/index.js';
import { contextIn } from '../../../testing/builders.js';
import { fieldType } from '../../structure/index.js';
import { ComputedValues } from './computed-values.js';

const input = (key: string, type: FieldTypeName, settings: FieldSettings = {}): ReturnType<typeof makeField> =>
  makeField({ key, label: key, type, settings });
const result = (expression: string, settings: FieldSettings): ReturnType<typeof makeField> =>
  makeField({ key: 'out', label: 'Out', type: 'computed', settings: { expression, ...settings } });

describe('Computed values', () => {
  const fields = [
    input('speed', 'measure', { unit: 'mph' }),
    input('length', 'measure', { unit: 'm' }),
    input('price', 'money', { currency: 'EUR' }),
    input('nights', 'whole-number'),
    input('starts', 'date'),
    input('ends', 'date'),
    input('opens', 'time-of-day'),
    input('kind', 'one-choice', { choices: [{ key: 'quay', label: 'Quay wall' }] }),
    input('tariff', 'rows', { fields: [input('amount', 'money', { currency: 'EUR' })] }),
  ];
  const worked = (expression: string, settings: FieldSettings, values: Record<string, unknown>): unknown => {
    const { values: found, errors } = new ComputedValues([...fields, result(expression, settings)]).of(values);
    return errors['out'] ?? found['out'];
  };

  it('convert units exactly (NIST SP 811: 390 mph is 627.64 km/h, 10 ft 6 in is 3.2004 m)', () => {
    const settings = { result: 'measure', unit: 'km/h', decimals: 2 } as const;
    expect(worked('speed', settings, { speed: { value: 390, unit: 'mph' } })).toEqual({ value: 627.64, unit: 'km/h' });
    const length = worked('10 ft + 6 inch', { result: 'measure', unit: 'm' }, {});
    expect(length).toEqual({ value: 3.2004, unit: 'm' });
    expect(
      fieldType('computed').format(length, result('1', { result: 'measure', unit: 'm' }), contextIn().formats),
    ).toBe('3.2004 m');
    const speed = worked('length / 2 s', { result: 'measure', unit: 'm/s' }, { length: { value: 9, unit: 'm' } });
    expect(speed).toEqual({ value: 4.5, unit: 'm/s' });
  });

  it('round money to its minor unit, without a cent lost to floating point', () => {
    const price = { minor: 1995, currency: 'EUR' };
    expect(worked('price * 7', { result: 'money', currency: 'EUR' }, { price })).toEqual({
      minor: 13965,
      currency: 'EUR',
    });
    const tariff = [{ amount: { minor: 110, currency: 'EUR' } }, { amount: { minor: 220, currency: 'EUR' } }];
    expect(worked('sum(tariff.amount)', { result: 'money' }, { tariff })).toEqual({ minor: 330, currency: 'EUR' });
  });

  it('count dates in days, times of day in hours, and read choices by their labels', () => {
    expect(worked('ends - starts + 1', {}, { starts: '2026-02-27', ends: '2026-03-02' })).toBe(4);
    expect(worked('opens + 0.5', {}, { opens: '18:30' })).toBe(19);
    expect(worked('equalText(kind, "Quay wall")', { result: 'yes-no' }, { kind: 'quay' })).toBeTrue();
  });

  it('come to nothing when an input is missing, and say why when they cannot be worked out', () => {
    expect(worked('nights * 2', {}, {})).toBeUndefined();
    expect(worked('sum(tariff.amount)', {}, {})).toBeUndefined();
    expect(worked('count(tariff.amount)', {}, {})).toBe(0);
    expect(worked('nights / 0', {}, { nights: 1 })).toContain('finite');
    const mixed = worked(
      'length + nights',
      { result: 'measure', unit: 'm' },
      { length: { value: 1, unit: 'm' }, nights: 2 },
    );
    expect(mixed).toContain('Out could not be worked out');
    expect(worked('length', { result: 'measure', unit: 'kg' }, { length: { value: 1, unit: 'm' } })).toContain('in kg');
  });

  it('are worked out from values as they are now, and never stand in the way of others', () => {
    const twice = new ComputedValues([
      input('nights', 'whole-number'),
      makeField({ key: 'bad', label: 'Bad', type: 'computed', settings: { expression: 'nights / 0' } }),
      makeField({ key: 'good', label: 'Good', type: 'computed', settings: { expression: 'nights + 1' } }),
    ]);
    expect(twice.complete({ values: { nights: 2, good: 99 } }).values).toEqual({ nights: 2, good: 3 });
  });
});
