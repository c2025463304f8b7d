import type { Kind } from '../../structure/index.js';
import { makeField, makeKindDefinition } from '../../structure/index.js';
import { NamingKind } from './link-ideas.js';

const kind = (id: number, one: string, fields: Kind['fields']): Kind => ({
  ...makeKindDefinition({ one, many: `${one}s`, slug: `${one.toLowerCase()}s`, fields }),
  ...{ id, version: 1 },
});

function towns(titles: readonly string[]): NamingKind {
  const naming = new NamingKind(kind(1, 'Town', [makeField({ key: 'id', label: 'Id', type: 'whole-number' })]));
  titles.forEach((title, at) => naming.add({ id: at + 1, title, values: { id: at + 1 } }));
  return naming;
}

function clinics(type: 'short-text' | 'whole-number', label: string, values: readonly unknown[]): NamingKind {
  const naming = new NamingKind(kind(2, 'Clinic', [makeField({ key: 'at', label, type })]));
  values.forEach((value, at) => naming.add({ id: at + 1, title: `Clinic ${at}`, values: { at: value } }));
  return naming;
}

describe('What a field names', () => {
  const three = towns(['Ostrey', 'Sallow', 'Mirrow']);

  it('is found by titles, also where some are missing', () => {
    const found = clinics('short-text', 'Where', ['ostrey', 'Sallow', 'Ostrey', 'Lost']).ideasAbout(three);
    expect(found).toEqual([{ kindId: 2, field: 'at', otherKindId: 1, namedBy: '@title', texts: 4, found: 3 }]);
  });

  it('is found by a key of theirs, where the label speaks of it', () => {
    expect(clinics('whole-number', 'Town id', [1, 2, 2]).ideasAbout(three)[0]?.namedBy).toBe('id');
    expect(clinics('whole-number', 'Beds', [1, 2, 2]).ideasAbout(three)).toEqual([]);
    expect(clinics('short-text', 'Working channel', ['1', '2', '3']).ideasAbout(three)).toEqual([]);
    expect(clinics('short-text', 'Town', ['1', '2', '3']).ideasAbout(three)[0]?.namedBy).toBe('id');
  });

  it('is nothing where too few agree, or where what they agree with names several', () => {
    expect(clinics('short-text', 'Where', ['Ostrey', 'Sallow', 'A', 'B']).ideasAbout(three)).toEqual([]);
    expect(clinics('short-text', 'Where', ['Ostrey']).ideasAbout(three)).toEqual([]);
    const double = towns(['Ostrey', 'Ostrey', 'Sallow', 'Sallow']);
    expect(clinics('short-text', 'Where', ['Ostrey', 'Sallow']).ideasAbout(double)).toEqual([]);
  });
});
