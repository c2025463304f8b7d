import fc from 'fast-check';
import { BERTH_FIELDS, contextIn } from '../../../testing/builders.js';
import { issuesOf } from '../../values/index.js';
import type { Field, FieldSettings } from '../fields/field.js';
import { makeField } from '../fields/field.js';
import type { FieldTypeName } from './names.js';
import { FIELD_TYPE_NAMES } from './names.js';
import { columnOf, fieldType } from './registry.js';
import { counterOf, withCounter } from './text-pattern.js';

const context = contextIn();
const choices = BERTH_FIELDS[1]!.settings.choices!;

const PARTS = [
  makeField({ key: 'what', label: 'What', type: 'short-text', required: true }),
  makeField({ key: 'price', label: 'Price', type: 'money' }),
];
const OWN_SETTINGS: Partial<Record<FieldTypeName, FieldSettings>> = {
  categories: {
    set: 1,
    choices: [
      { key: 'water', label: 'Water' },
      { key: 'salt', label: 'Salt', parent: 'water', formerKeys: ['brine'] },
      { key: 'fresh', label: 'Fresh', parent: 'water' },
    ],
  },
  group: { fields: PARTS },
  rows: { fields: [...PARTS, makeField({ key: 'size', label: 'Size', type: 'group', settings: { fields: PARTS } })] },
  reference: { pattern: 'B-####' },
  range: { ends: 'measure', unit: 'm' },
  computed: { expression: '1', result: 'decimal' },
  link: { link: 1, side: 'a' },
};

function field(type: FieldTypeName, settings: FieldSettings = {}): Field {
  const own = type.endsWith('choice') || type.endsWith('choices') ? { choices } : (OWN_SETTINGS[type] ?? {});
  return makeField({ key: 'tried', label: 'Tried', type, settings: { ...own, ...settings } });
}

/** The value that a type reads, or the message with which it refuses. */
function read(type: FieldTypeName, input: unknown, settings: FieldSettings = {}, locale = 'en-GB'): unknown {
  const result = fieldType(type).read(input, field(type, settings), contextIn(locale));
  return result.ok ? result.value : issuesOf(result)[0]!.message;
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
  categories: fc.subarray(['water', 'salt', 'fresh']),
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
  'rich-text': fc.oneof(
    fc.string(),
    fc.constantFrom(
      '<p>Calm & <b>deep</b></p>',
      '<h2>Fuel</h2><ul><li>Diesel</li></ul>',
      'a < b\n\nand "c"',
      '<a href="/x">x</a>',
    ),
    fc
      .array(fc.constantFrom('<p>', '</p>', '<li>', '<a href="', '">', '<script>', '&lt;', '<!--', 'x', ' '))
      .map((p) => p.join('')),
  ),
  range: fc
    .tuple(fc.integer({ min: 0, max: 900 }), fc.integer({ min: 0, max: 900 }), fc.constantFrom('from', 'to', 'both'))
    .map(([a, b, ends]) => ({
      ...(ends !== 'to' && { from: { value: Math.min(a, b) / 10, unit: 'm' } }),
      ...(ends !== 'from' && { to: { value: Math.max(a, b) / 10, unit: 'm' } }),
    })),
  'date-time': fc
    .date({ min: new Date('1000-01-01'), max: new Date('9999-12-31'), noInvalidDate: true })
    .map((d) => `${d.toISOString().slice(0, 16)}Z`),
  'time-of-day': fc
    .tuple(fc.nat(23), fc.nat(59))
    .map((parts) => parts.map((n) => String(n).padStart(2, '0')).join(':')),
  pictures: fc.array(
    fc.record({ hash: fc.constant('0'.repeat(32)), width: fc.constant(9), height: fc.constant(9), alt: fc.string() }),
  ),
  file: fc.record({
    hash: fc.constant('a'.repeat(32)),
    name: fc.constantFrom('Tide tables.pdf', '../x'),
    type: fc.constant('application/pdf'),
    bytes: fc.nat(),
  }),
  colour: fc.constantFrom('#0F6E6A', 'abc', '#fff'),
  rating: fc.integer({ min: 0, max: 10 }).map((halves) => halves / 2),
  link: fc.uniqueArray(fc.integer({ min: 1, max: 99 }), { maxLength: 3 }),
  reference: fc.integer({ min: 0, max: 99_999 }).map((n) => `B-${String(n).padStart(4, '0')}`),
  group: fc.record({ what: fc.constantFrom('Deck', 'Hull; keel'), price: fc.constantFrom('', '12.50') }),
  rows: fc.array(
    fc.record({ what: fc.constantFrom('Summer', 'a "b"'), size: fc.constantFrom(null, { what: 'x', price: 4 }) }),
    { maxLength: 4 },
  ),
  computed: fc.constant(null),
  place: fc.record({
    latitude: fc.double({ noNaN: true, min: -90, max: 90 }).map((value) => Number(value.toFixed(6))),
    longitude: fc.double({ noNaN: true, min: -180, max: 180 }).map((value) => Number(value.toFixed(6))),
    address: fc.constantFrom('', 'Quay Street 4', 'Pier; north end'),
  }),
};

const KEPT_APART = new Set<FieldTypeName>(['picture', 'pictures', 'file', 'link']);

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
      for (const foreign of [undefined, null, Symbol('x')]) expect(type.holds(foreign)).toBeFalse();
      if (name !== 'group') expect(type.holds({ minor: 'x' })).toBeFalse();
    });

    it(`reads its own text as the same value: ${name}`, () => {
      // What is kept apart is told by its hash, which alone cannot be read back.
      if (KEPT_APART.has(name)) return expect(type.label).toBeTruthy();
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

describe('A rich text', () => {
  it('keeps what is written and nothing that could do something', () => {
    expect(read('rich-text', '<p onclick="x()">Calm <b>pool</b><script>alert(1)</script></p>')).toBe(
      '<p>Calm <strong>pool</strong></p>',
    );
    expect(read('rich-text', '<a href="javascript:alert(1)">go</a>')).toBe('<a rel="nofollow ugc noopener">go</a>');
    for (const bad of ['<script>alert(1)</script>', '<img src=x onerror=alert(1)>', '<p> </p>']) {
      expect(read('rich-text', bad)).withContext(bad).toBeNull();
    }
  });

  it('makes paragraphs of plain text, and is read as plain text again', () => {
    expect(read('rich-text', 'First & last\n\nSecond')).toBe('<p>First &amp; last</p><p>Second</p>');
    expect(fieldType('rich-text').format('<h2>A</h2><p>b &lt; c</p>', field('rich-text'), context.formats)).toBe(
      'A\nb < c',
    );
    expect(read('rich-text', '<p>four</p>', { longest: 3 })).toContain('has 4 characters');
  });
});

describe('A range', () => {
  it('is read from one text or two ends, each a value of its own type', () => {
    expect(read('range', '4 – 6,5 m', { ends: 'measure', unit: 'm' }, 'pt-PT')).toEqual({
      from: { value: 4, unit: 'm' },
      to: { value: 6.5, unit: 'm' },
    });
    expect(read('range', '10..', { ends: 'whole-number' })).toEqual({ from: 10 });
    expect(read('range', '-5..-2', { ends: 'whole-number' })).toEqual({ from: -5, to: -2 });
    expect(read('range', '2026-12-04..2026-12-06', { ends: 'date' })).toEqual({ from: '2026-12-04', to: '2026-12-06' });
    expect(read('range', { from: '', to: '' }, { ends: 'date' })).toBeNull();
  });

  it('goes upward, and keeps the bounds of its ends', () => {
    expect(read('range', '9..4', { ends: 'decimal' })).toBe('Tried goes from 9 to 4, which lies before it. Swap them.');
    expect(read('range', '4..90', { ends: 'decimal', greatest: 60 })).toBe('Tried must be at most 60.');
    expect(read('range', 'wide', { ends: 'decimal' })).toContain('“wide” is not one');
  });
});

describe('Times', () => {
  it('of day are read from the clock of 24 hours and of 12', () => {
    for (const [text, time] of [
      ['18:00', '18:00'],
      ['6:30 pm', '18:30'],
      ['12 am', '00:00'],
      ['7h05', '07:05'],
    ]) {
      expect(read('time-of-day', text)).withContext(text!).toBe(time);
    }
    for (const bad of ['24:00', '12:60', '13 pm', 'noon', '7'])
      expect(read('time-of-day', bad)).toContain('is not one');
  });

  it('with a day are moments: as the clocks of the site show them, or with their offset', () => {
    expect(read('date-time', '2026-07-04 18:00')).toBe('2026-07-04T17:00Z');
    expect(read('date-time', '4/12/2026 6:30 pm')).toBe('2026-12-04T18:30Z');
    expect(read('date-time', '2026-07-04T18:00+02:00')).toBe('2026-07-04T16:00Z');
    expect(read('date-time', '2026-07-04')).toContain('must be a date and a time');
    const shown = fieldType('date-time').format('2026-07-04T17:00Z', field('date-time'), context.formats);
    expect(shown).toContain('18:00');
    expect(fieldType('date-time').toInput?.('2026-07-04T17:00Z', field('date-time'), context)).toBe('2026-07-04T18:00');
  });
});

describe('Bounds', () => {
  it('can be relative to the day on which a value is read', () => {
    expect(read('whole-number', 2027, { greatest: 'this year + 1' })).toBe(2027);
    expect(read('whole-number', 2028, { greatest: 'this year + 1' })).toBe('Tried must be at most 2027.');
    expect(read('date', '2026-11-22', { least: 'today' })).toBe('Tried must be at least 23 November 2026.');
    expect(read('date', '2027-02-23', { greatest: 'today + 3 months' })).toBe('2027-02-23');
    expect(read('date', '2027-02-24', { greatest: 'today + 3 months' })).toContain('at most 23 February 2027');
  });

  it('come with steps, lengths and patterns', () => {
    expect(read('decimal', 7.25, { step: 0.25 })).toBe(7.25);
    expect(read('decimal', 0.3, { step: 0.1 })).toBe(0.3);
    expect(read('decimal', 7.3, { step: 0.25 })).toBe('Tried must be a multiple of 0.25 from 0; “7.3” is not.');
    expect(read('short-text', 'ab', { shortest: 3 })).toContain('needs at least 3');
    expect(read('short-text', '12-AB', { pattern: '##-@@' })).toBe('12-AB');
    expect(read('short-text', '12-A', { pattern: '##-@@' })).toContain('must look like ##-@@');
  });
});

describe('A reference number', () => {
  it('has the counter of its pattern, with more places when they run out', () => {
    expect(counterOf('B-0042', 'B-####')).toBe(42);
    expect(withCounter('B-####', 42)).toBe('B-0042');
    expect(withCounter('B-##', 1234)).toBe('B-1234');
    expect(counterOf('B-1234', 'B-##')).toBe(1234);
    expect(read('reference', 'B-12', { pattern: 'B-####' })).toContain('must look like B-####');
  });
});

describe('A field of categories', () => {
  it('reads merged categories as those they were merged into, and counts what lies above', () => {
    expect(read('categories', ['brine'])).toEqual(['salt']);
    expect(read('categories', 'Fresh; Salt')).toEqual(['salt', 'fresh']);
    expect(read('categories', ['fresh', 'salt'], { ...OWN_SETTINGS.categories, most: 1 })).toContain('at most 1');
    const column = columnOf(field('categories'));
    expect(column?.kind === 'choices' && column.of(['salt', 'fresh'])).toEqual(['salt', 'water', 'fresh']);
  });
});

describe('A rating and a colour', () => {
  it('take halves up to their stars, and colours in three digits or six', () => {
    expect(read('rating', '3,5', {}, 'pt-PT')).toBe(3.5);
    for (const bad of [3.25, 6, -1, 'good']) expect(read('rating', bad)).toContain('from 0 to 5 in halves');
    expect(read('colour', 'ABC')).toBe('#aabbcc');
    expect(read('colour', 'red')).toContain('“red” is not one');
  });
});

describe('Groups and rows', () => {
  it('read every subfield by its own type, and tell each fault at its place', () => {
    const result = fieldType('rows').read(
      [{ what: 'Summer', price: '12.50' }, {}, { price: 'dear' }],
      field('rows'),
      context,
    );
    if (result.ok) return fail('It should be refused.');
    expect(issuesOf(result).map((found) => [found.field, found.message])).toEqual([
      ['tried.2.what', 'Tried, row 3: What is required.'],
      ['tried.2.price', 'Tried, row 3: Price must be an amount of money, such as 12.50; “dear” is not one.'],
    ]);
  });

  it('leave out rows in which nothing stands, and count the rest', () => {
    expect(read('rows', [{ what: 'A' }, { what: '' }])).toEqual([{ what: 'A' }]);
    expect(read('rows', [{ what: '' }])).toBeNull();
    expect(read('rows', [{ what: 'A' }], { ...OWN_SETTINGS.rows, fewest: 2 })).toContain('needs at least 2');
    expect(read('group', { what: 'A', colour: 'red' })).toContain('no field “colour” inside');
    expect(read('group', 'x')).toContain('must be a set of values');
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

  it('is read from several units of one dimension (10 ft 6 in = 3.2004 m; NIST SP 811: 1 ft = 0.3048 m)', () => {
    const measure = read('measure', '10 ft 6 in');
    expect(measure).toEqual({ value: 10.5, unit: 'ft' });
    expect(fieldType('measure').format(measure, field('measure'), context.formats)).toBe('3.2004 m');
    expect(read('measure', '10 ft 6 kg')).toContain('cannot be given');
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
