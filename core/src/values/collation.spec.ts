import { textOrder } from './collation.js';

describe('The order of texts in a locale', () => {
  // Tailorings of Unicode CLDR: where each locale puts its own letters.
  const cases: readonly (readonly [string, readonly string[]])[] = [
    ['sv', ['Alm', 'Zeta', 'Åkerö', 'Ängö', 'Öland']],
    ['de', ['Åkerö', 'Alm', 'Ängö', 'Öland', 'Zeta']],
    ['es', ['nadar', 'nube', 'ñandú', 'ola']],
    ['cs', ['cesta', 'hrad', 'chata', 'jez']],
    ['da', ['Zeta', 'Ærø', 'Øland', 'Aarhus']],
    ['lt', ['ilgas', 'yra', 'jis']],
  ];

  it('is that of the locale', () => {
    for (const [locale, expected] of cases) {
      const mixed = [...expected].reverse();
      expect(mixed.sort(textOrder(locale)))
        .withContext(locale)
        .toEqual([...expected]);
    }
  });

  it('counts numbers by their value, and minds case and accents only to break a tie', () => {
    expect(['Quay 10', 'quay 2', 'Quay 2', 'Quáy 2'].sort(textOrder('en'))).toEqual([
      'quay 2',
      'Quay 2',
      'Quáy 2',
      'Quay 10',
    ]);
  });
});
