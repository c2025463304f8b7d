import type { UnitCode } from './index.js';
import {
  Formats,
  convertMeasure,
  foldText,
  firstFreeSlug,
  isSlug,
  issue,
  keyOf,
  minorDigits,
  minorFromText,
  slugOf,
  textOrder,
  wordsOf,
} from './index.js';

describe('Units', () => {
  // NIST Special Publication 811 (2008), appendix B.8, factors as printed there.
  const factors: readonly [UnitCode, UnitCode, number][] = [
    ['ft', 'm', 0.3048],
    ['mi', 'km', 1.609344],
    ['nmi', 'km', 1.852],
    ['in', 'cm', 2.54],
    ['lb', 'kg', 0.45359237],
    ['mph', 'km/h', 1.609344],
    ['kn', 'm/s', 0.5144444444444445],
    ['acre', 'm2', 4046.873],
  ];
  for (const [from, to, factor] of factors) {
    it(`one ${from} is ${factor} ${to}`, () => {
      expect(convertMeasure({ value: 1, unit: from }, to)).toBeCloseTo(factor, 12);
    });
  }

  it('temperatures are moved by their offset: 212 °F is 100 °C, −40 is the same in both', () => {
    expect(convertMeasure({ value: 212, unit: 'F' }, 'C')).toBeCloseTo(100, 9);
    expect(convertMeasure({ value: -40, unit: 'C' }, 'F')).toBeCloseTo(-40, 9);
  });

  it('of different dimensions do not convert', () => {
    expect(() => convertMeasure({ value: 1, unit: 'm' }, 'kg')).toThrowError(RangeError);
  });
});

describe('Money', () => {
  it('has the decimals of ISO 4217:2015, list one, also where ICU shows fewer by custom', () => {
    expect(['EUR', 'JPY', 'KWD', 'CLF', 'ISK', 'TND', 'PKR'].map(minorDigits)).toEqual([2, 0, 3, 4, 0, 3, 2]);
  });

  it('is read without rounding, and refused when it would need it', () => {
    expect(minorFromText('0.29', 'EUR')).toBe(29);
    expect(minorFromText('-12.5', 'EUR')).toBe(-1250);
    expect(minorFromText('0.001', 'EUR')).toBeNull();
    expect(minorFromText('9999999999999999', 'EUR')).toBeNull();
  });

  it('is written in the locale’s manner, without empty decimals', () => {
    expect(new Formats('en-GB').money({ minor: 4000, currency: 'EUR' })).toBe('€40');
    expect(new Formats('en-GB').money({ minor: 4050, currency: 'EUR' })).toBe('€40.50');
  });
});

describe('Text', () => {
  it('is folded for search whatever its case and accents', () => {
    expect(foldText('Ærøskøbing STRASSE Straße')).toBe('aeroskobing strasse strasse');
    expect(wordsOf('Drive-in, Café №2')).toEqual(['drive', 'in', 'cafe', 'no2']);
  });

  it('makes slugs that can stand in an address', () => {
    expect(slugOf('  Quay Nº 4 – North! ')).toBe('quay-no-4-north');
    expect(isSlug('quay-4')).toBeTrue();
    for (const bad of ['', 'Quay', 'a--b', '-a', 'a/b', 'a b']) expect(isSlug(bad)).withContext(bad).toBeFalse();
    expect(firstFreeSlug('quay', (slug) => ['quay', 'quay-2'].includes(slug))).toBe('quay-3');
  });

  it('finds a free slug among thousands by asking for a few', () => {
    const taken = new Set(['boat', ...Array.from({ length: 5000 }, (_, at) => `boat-${at + 2}`)]);
    let asked = 0;
    const free = firstFreeSlug('boat', (slug) => {
      asked++;
      return taken.has(slug);
    });
    expect(free).toBe('boat-5002');
    expect(asked).toBeLessThan(40);
    expect(firstFreeSlug('boat', (slug) => slug === 'boat' || slug === 'boat-3')).toBe('boat-2');
  });

  it('makes keys that programs can read and that no object has already', () => {
    expect(keyOf('Greatest length (m)')).toBe('greatest_length_m');
    expect(keyOf('2nd berth')).toBe('field_2nd_berth');
    expect(keyOf('Constructor')).toBe('constructor_field');
  });
});

describe('The order of texts', () => {
  // Unicode CLDR collation charts: the rules of each locale that differ from the root order.
  const cases: readonly [string, string[]][] = [
    ['en', ['Quay 2', 'Quay 10', 'résumé', 'Resumes']],
    ['sv', ['Zebra', 'Ångström', 'Ärla', 'Östra']],
    ['de', ['Ärger', 'Azur', 'Östra', 'Zebra']],
    ['es', ['nube', 'ñandú', 'oso']],
    ['cs', ['hora', 'chata', 'ide']],
    ['da', ['Zebra', 'Æble', 'Øre', 'Ål']],
  ];
  for (const [locale, sorted] of cases) {
    it(`follows ${locale}`, () => {
      expect([...sorted].reverse().sort(textOrder(locale))).toEqual(sorted);
    });
  }
});

describe('An issue', () => {
  it('has the catalogue’s sentence with its parts filled in, long quotes cut', () => {
    expect(issue('value.required', { label: 'Price' }, { field: 'price' })).toEqual({
      code: 'value.required',
      message: 'Price is required.',
      params: { label: 'Price' },
      field: 'price',
    });
    const { message, params } = issue('value.not-a-date', { label: 'D', found: 'x'.repeat(1e6) });
    expect(message.length).toBeLessThan(220);
    expect(params?.['found']?.length).toBeLessThan(130);
  });
});
