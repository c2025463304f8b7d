import fc from 'fast-check';
import { BERTH_FIELDS } from '../../../testing/builders.js';
import type { Field, FieldSettings } from '../field.js';
import { makeField } from '../field.js';
import type { FieldTypeName } from './names.js';
import { FIELD_TYPE_NAMES } from './names.js';
import { readContext } from './read-context.js';
import { fieldType } from './registry.js';

const context = readContext('en-GB');
const choices = BERTH_FIELDS[1]!.settings.choices!;

function field(type: FieldTypeName, settings: FieldSettings = {}): Field {
  const own = type.endsWith('choice') || type.endsWith('choices') ? { choices } : {};
  return makeField({ key: 'tried', label: 'Tried', type, settings: { ...own, ...settings } });
}

/** The value that a type reads, or the message with which it refuses. */
function read(type: FieldTypeName, input: unknown, settings: FieldSettings = {}, locale = 'en-GB'): unknown {
  const result = fieldType(type).read(input, field(type, settings), readContext(locale));
  return result.ok ? result.value : result.issue.message;
}

/** Inputs that each type takes; a new type has to add some here. */
const GOOD_INPUTS: Record<FieldTypeName, fc.Arbitrary<unknown>> = {
  'short-text': fc.string({ maxLength: 80 }),
  'long-text': fc.string({ maxLength: 400, unit: 'grapheme' }),
  'whole-number': fc.maxSafeInteger(),
  decimal: fc.double({ noNaN: true, noDefaultInfinity: true }),
  money: fc.record({ minor: fc.integer(), currency: fc.constant('EUR') }),
  measure: fc.record({
    value: fc.double({ noNaN: true, min: -1e6, max: 1e6 }).map((value) => Number(value.toFixed(6))),
    unit: fc.constantFrom('m', 'ft', 'nmi'),
  }),
  'yes-no': fc.boolean(),
  'one-choice': fc.constantFrom(...choices.flatMap(({ key, label }) => [key, label])),
  'several-choices': fc.subarray(choices.map(({ key }) => key)),
  date: fc
    .date({ min: new Date('1000-01-01'), max: new Date('9999-12-31'), noInvalidDate: true })
    .map((d) => d.toISOString().slice(0, 10)),
  'web-address': fc.webUrl(),
  email: fc.constantFrom('office@example.org', 'a.b+c@sub.example.co'),
  phone: fc.constantFrom('+351 210 000 000', '(0)30 1234-567', '555 0100 x12'),
  picture: fc.record({
    hash: fc.constant('0'.repeat(32)),
    width: fc.integer({ min: 1, max: 9000 }),
    height: fc.constant(10),
    alt: fc.string(),
  }),
  place: fc.record({
    latitude: fc.double({ noNaN: true, min: -90, max: 90 }).map((value) => Number(value.toFixed(6))),
    longitude: fc.double({ noNaN: true, min: -180, max: 180 }).map((value) => Number(value.toFixed(6))),
    address: fc.constantFrom('', 'Quay Street 4', 'Pier; north end'),
  }),
};

describe('Each field type', () => {
  for (const name of FIELD_TYPE_NAMES) {
    const type = fieldType(name);
    const readBack = (input: unknown): unknown => {
      const result = type.read(input, field(name), context);
      return result.ok ? result.value : result.issue.message;
    };

    it(`reads what it has read again, unchanged: ${name}`, () => {
      fc.assert(
        fc.property(GOOD_INPUTS[name], (input) => {
          const value = readBack(input);
          if (value !== null) expect(readBack(value)).toEqual(value);
        }),
      );
    });

    it(`knows its own values, and takes nothing else for one: ${name}`, () => {
      fc.assert(
        fc.property(GOOD_INPUTS[name], (input) => {
          const value = readBack(input);
          if (value !== null) expect(type.holds(value)).toBeTrue();
        }),
      );
      for (const foreign of [undefined, null, Symbol('x'), { minor: 'x' }]) expect(type.holds(foreign)).toBeFalse();
    });

    it(`reads its own text as the same value: ${name}`, () => {
      if (name === 'picture')
        return expect(type.toText(readBack({ hash: 'a'.repeat(32), width: 1, height: 1 }), field(name))).toBe(
          'a'.repeat(32),
        );
      return fc.assert(
        fc.property(GOOD_INPUTS[name], (input) => {
          const value = readBack(input);
          if (value !== null) expect(readBack(type.toText(value, field(name)))).toEqual(value);
        }),
      );
    });

    it(`takes nothing for nothing, and never throws: ${name}`, () => {
      for (const empty of [null, undefined, '', '  ']) expect(readBack(empty)).toBeNull();
      fc.assert(fc.property(fc.anything(), (input) => void type.read(input, field(name), context)));
    });
  }
});

describe('Numbers', () => {
  it('are read as the locale writes them and as programs do', () => {
    expect(read('decimal', '1 234,50', {}, 'pt-PT')).toBe(1234.5);
    expect(read('decimal', '1.234,50', {}, 'de-DE')).toBe(1234.5);
    expect(read('decimal', '1,234.50')).toBe(1234.5);
    expect(read('decimal', '1234.5', {}, 'de-DE')).toBe(1234.5);
    expect(read('whole-number', '1,204')).toBe(1204);
  });

  it('are refused with the rule in a sentence', () => {
    expect(read('whole-number', '12.5')).toBe('Tried must be a whole number; “12.5” has decimals.');
    expect(read('whole-number', 'twelve')).toContain('“twelve” is not one');
    expect(read('decimal', '1,2,3')).toContain('must be a number');
    expect(read('decimal', 41, { greatest: 40 })).toBe('Tried must be at most 40.');
    expect(read('decimal', '1.239', { decimals: 2 })).toBe('Tried has more than 2 decimals.');
  });
});

describe('A money field', () => {
  it('is kept in minor units of its currency (ISO 4217: EUR 2, JPY 0, KWD 3)', () => {
    expect(read('money', '€ 1,250.5')).toEqual({ minor: 125050, currency: 'EUR' });
    expect(read('money', '1250', { currency: 'JPY' })).toEqual({ minor: 1250, currency: 'JPY' });
    expect(read('money', '1.234 KWD', { currency: 'KWD' })).toEqual({ minor: 1234, currency: 'KWD' });
    expect(read('money', 0.1 + 0.2)).toContain('must be an amount');
    expect(read('money', '12 USD')).toBe('Tried is kept in EUR; “USD” is in another currency.');
  });
});

describe('A measure', () => {
  it('keeps number and unit as typed and is shown in the unit of its field', () => {
    expect(read('measure', '40 ft')).toEqual({ value: 40, unit: 'ft' });
    expect(fieldType('measure').format({ value: 40, unit: 'ft' }, field('measure'), context.formats)).toBe('12.192 m');
    expect(read('measure', '12')).toEqual({ value: 12, unit: 'm' });
    expect(read('measure', '12 kg')).toBe('Tried cannot be given in “kg”; use m.');
    expect(read('measure', '66 ft', { greatest: 20 })).toBe('Tried must be at most 20 m.');
  });
});

describe('A choice field', () => {
  it('are found by key or label, whatever the case and accents', () => {
    expect(read('one-choice', 'WATER')).toBe('water');
    expect(read('several-choices', 'Power; water')).toEqual(['water', 'power']);
    expect(read('several-choices', ['fuel', 'fuel'])).toEqual(['fuel']);
    expect(read('one-choice', 'Gold')).toContain('has no choice “Gold”');
  });
});

describe('A date', () => {
  it('is read in the order of its field or of the locale, and must exist', () => {
    expect(read('date', '4/12/2026')).toBe('2026-12-04');
    expect(read('date', '12/4/2026', { dateOrder: 'mdy' })).toBe('2026-12-04');
    expect(read('date', '29.02.2024')).toBe('2024-02-29');
    expect(read('date', '2023-02-29')).toContain('“2023-02-29” is not one');
  });
});

describe('Addresses', () => {
  it('of the web need a scheme that is safe to follow', () => {
    expect(read('web-address', 'www.example.org/a')).toBe('https://www.example.org/a');
    for (const bad of ['javascript:alert(1)', 'ftp://example.org', 'http://', 'example', 'https://a b']) {
      expect(read('web-address', bad)).withContext(bad).toContain('must be a web address');
    }
  });

  it('of mail and phone have the shape of one', () => {
    for (const bad of ['a@b', 'a b@example.org', '@example.org']) expect(read('email', bad)).toContain('e-mail');
    for (const bad of ['1234', 'call me', '+1234567890123456']) expect(read('phone', bad)).toContain('phone');
  });
});

describe('A place', () => {
  it('is a point on the earth, from one text or two numbers', () => {
    expect(read('place', '38.71, -9.14')).toEqual({ latitude: 38.71, longitude: -9.14, address: '' });
    expect(read('place', '38,71; -9,14; Rua 1')).toEqual({ latitude: 38.71, longitude: -9.14, address: 'Rua 1' });
    expect(read('place', { latitude: '91', longitude: '0' })).toContain('latitude from −90 to 90');
    expect(read('place', { latitude: '', longitude: '' })).toBeNull();
  });
});
