import { makeField, readContext } from '../structure/index.js';
import { replacedCell, replacedText } from './replace-text.js';

const ANY = { isExact: false, isWhole: false };

describe('Finding and replacing', () => {
  it('replaces every place, without regard to case and accents unless asked for', () => {
    expect(replacedText('Café by the cafe', { ...ANY, find: 'cafe', by: 'Tea room' })).toBe('Tea room by the Tea room');
    expect(replacedText('Café by the cafe', { ...ANY, isExact: true, find: 'cafe', by: 'bar' })).toBe(
      'Café by the bar',
    );
    expect(replacedText('Hauptstraße 4', { ...ANY, find: 'strasse', by: 'weg' })).toBe('Hauptweg 4');
    expect(replacedText('North', { ...ANY, find: 'south', by: 'x' })).toBeNull();
  });

  it('replaces a whole cell alone where that is asked for, and nothing for nothing', () => {
    expect(replacedText('Quay', { ...ANY, isWhole: true, find: 'quay', by: 'Wall' })).toBe('Wall');
    expect(replacedText('Quay wall', { ...ANY, isWhole: true, find: 'quay', by: 'Wall' })).toBeNull();
    expect(replacedText('Quay', { ...ANY, find: '', by: 'x' })).toBeNull();
  });

  it('takes what is replaced as it stands, also where it looks like a pattern', () => {
    expect(replacedText('1.2.3 (a)', { ...ANY, find: '.', by: '$&' })).toBe('1$&2$&3 (a)');
    expect(replacedText('1.2.3 (a)', { ...ANY, isExact: true, find: '(a)', by: '[b]' })).toBe('1.2.3 [b]');
  });

  it('says why a cell would not take it', () => {
    const context = readContext({ locale: 'en', zone: 'UTC', nowInMs: 0 });
    const mail = makeField({ key: 'mail', label: 'Mail', type: 'email' });
    const dots = { ...ANY, find: '@', by: ' at ' };
    expect(replacedCell('ada@example.org', mail, dots, context)?.outcome).toBe('refused');
    expect(replacedCell('ada@example.org', mail, { ...ANY, find: 'ada', by: 'bob' }, context)).toEqual({
      ...{ outcome: 'changed', before: 'ada@example.org', after: 'bob@example.org', value: 'bob@example.org' },
    });
    const count = makeField({ key: 'n', label: 'N', type: 'whole-number' });
    expect(replacedCell(12, count, { ...ANY, find: '1', by: '2' }, context)).toBeNull();
  });
});
