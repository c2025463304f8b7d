import fc from 'fast-check';
import { contextIn, makeListing } from '../../../testing/builders.js';
import type { Field, FieldSettings, FieldTypeName } from '../../structure/index.js';
import { makeField } from '../../structure/index.js';
import { TypeChange, convertValue, withProposedChoices } from './type-change.js';

const context = contextIn();
const field = (type: FieldTypeName, settings: FieldSettings = {}): Field =>
  makeField({ key: 'size', label: 'Size', type, settings });
const converted = (value: unknown, from: Field, to: Field): unknown => {
  const conversion = convertValue(value, from, to, context);
  return conversion.outcome === 'impossible' ? conversion.outcome : [conversion.outcome, conversion.value];
};

describe('Changing the type of a field', () => {
  const text = field('short-text');

  it('converts what says the same in the new type, and tells what loses something', () => {
    expect(converted('1,204', text, field('whole-number'))).toEqual(['exact', 1204]);
    expect(converted('007', text, field('whole-number'))).toEqual(['lossy', 7]);
    expect(converted('12 kg', text, field('decimal'))).toBe('impossible');
    expect(converted(12.6, field('decimal'), field('whole-number'))).toEqual(['lossy', 13]);
    expect(converted(12, field('decimal'), field('whole-number'))).toEqual(['exact', 12]);
    expect(converted({ minor: 1250, currency: 'EUR' }, field('money'), field('decimal'))).toEqual(['exact', 12.5]);
    const feet = { value: 40, unit: 'ft' };
    expect(converted(feet, field('measure', { unit: 'm' }), field('decimal'))).toEqual(['lossy', 12.192]);
    expect(converted('2026-07-04', field('date'), field('date-time'))).toEqual(['exact', '2026-07-03T23:00Z']);
    expect(converted('2026-07-04T17:30Z', field('date-time'), field('date'))).toEqual(['lossy', '2026-07-04']);
    expect(converted('a\nb', field('long-text'), text)).toEqual(['lossy', 'a b']);
    expect(converted('<p>Deep <strong>pool</strong></p>', field('rich-text'), text)).toEqual(['lossy', 'Deep pool']);
    expect(converted(true, field('yes-no'), text)).toEqual(['exact', 'yes']);
    expect(converted([{ what: 'x' }, { what: 'y' }], field('rows'), field('group'))).toBe('impossible');
  });

  it('makes choices of the texts that there are', () => {
    const to = withProposedChoices(field('one-choice'), text, ['Quay', 'Buoy', 'quay', undefined]);
    expect(to.settings.choices?.map(({ label }) => label)).toEqual(['Buoy', 'Quay']);
    expect(converted('QUAY', text, to)).toEqual(['exact', 'quay']);
  });

  it('keeps aside what cannot be converted, and takes it back when a later type can read it', () => {
    const listing = makeListing({ id: 1, values: { size: 'twelve', other: 1 } });
    const toNumber = new TypeChange(text, field('decimal'), context);
    const after = toNumber.apply(listing)!;
    expect(after).toEqual({ values: { other: 1 }, aside: { size: { type: 'short-text', text: 'twelve' } } });
    expect(toNumber.report.impossible).toBe(1);
    expect(toNumber.report.examples.impossible[0]?.after).toContain('“twelve” is not one');
    const back = new TypeChange(field('decimal'), text, context);
    expect(back.apply({ ...listing, ...after })).toEqual({ values: { size: 'twelve', other: 1 }, aside: {} });
    expect(back.report.returning).toBe(1);
  });

  it('loses no value, whatever the types: each is converted or kept aside', () => {
    const types: Field[] = [
      text,
      field('long-text'),
      field('rich-text'),
      field('whole-number'),
      field('decimal'),
      field('yes-no'),
      field('date'),
      field('money', { currency: 'EUR' }),
      field('measure', { unit: 'm' }),
      field('time-of-day'),
    ];
    const inputs = fc.oneof(
      fc.string(),
      fc.double({ noNaN: true, noDefaultInfinity: true }),
      fc.constantFrom('yes', '2026-01-31', '12:30', '4 ft'),
    );
    fc.assert(
      fc.property(fc.constantFrom(...types), fc.constantFrom(...types), inputs, (from, to, input) => {
        const first = new TypeChange(text, from, context).apply({
          title: '',
          values: { size: String(input) },
          aside: {},
        })!;
        const then = new TypeChange(from, to, context).apply({ title: '', ...first }) ?? first;
        const kept = [then.values['size'], then.aside['size']].filter((part) => part !== undefined);
        expect(kept.length).toBe(1);
      }),
    );
  });
});
