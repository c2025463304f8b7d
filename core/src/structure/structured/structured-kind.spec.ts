import { makeKind } from '../../../testing/builders.js';
import type { Field, Kind } from '../index.js';
import {
  fieldsForProperty,
  makeField,
  missingStructure,
  proposedStructure,
  structuredKind,
  structuredTypeOf,
  withFieldReplaced,
  withKeyRenamed,
  withoutField,
} from '../index.js';

const field = (key: string, label: string, type: Field['type']): Field => makeField({ key, label, type });
const kindOf = (one: string, fields: readonly Field[], parts: Kind['parts'] = []): Kind => ({
  ...makeKind(fields, { parts }),
  one,
  many: `${one}s`,
});

describe('What a kind is for search engines', () => {
  it('is proposed by what it is called, else by its fields', () => {
    const phone = field('tel', 'Telephone', 'phone');
    const proposed = (one: string, fields: readonly Field[], parts: Kind['parts'] = []): string =>
      proposedStructure(kindOf(one, fields, parts)).type;
    expect(proposed('Course', [])).toBe('Course');
    expect(proposed('Kurs', [])).toBe('Course');
    expect(proposed('Boat', [])).toBe('Vehicle');
    expect(proposed('Thing', [phone], ['place'])).toBe('LocalBusiness');
    expect(proposed('Thing', [field('on', 'On', 'date')], ['place'])).toBe('Event');
    expect(proposed('Thing', [], ['place'])).toBe('Place');
    expect(proposed('Thing', [field('price', 'Price', 'money')])).toBe('Product');
    expect(proposed('Thing', [field('note', 'Note', 'short-text')])).toBe('');
  });

  it('is filled by the fields that fit by type and name, one of which may fill several properties', () => {
    const kind = kindOf('Course', [
      ...[field('held', 'Held at', 'link'), field('teacher', 'Taught by', 'link'), field('ends', 'Ends', 'date')],
      ...[field('begins', 'Begins', 'date'), field('fee', 'Fee', 'money')],
    ]);
    expect(proposedStructure(kind).fields).toEqual({
      ...{ provider: 'held', offers: 'fee', startDate: 'begins', endDate: 'ends', instructor: 'teacher' },
    });
    expect(missingStructure(proposedStructure(kindOf('Event', []))).map(({ name }) => name)).toEqual([
      ...['startDate', 'location'],
    ]);
    const [provider] = structuredTypeOf('Course').properties;
    expect(fieldsForProperty(provider!, kind).map(({ key }) => key)).toEqual(['held', 'teacher']);
  });

  it('is what the kind says itself, and follows its fields', () => {
    const fields = [field('tel', 'Telephone', 'phone'), field('note', 'Note', 'short-text')];
    const structured = { type: 'LocalBusiness', fields: { telephone: 'tel', openingHours: 'note' } } as const;
    const kind = { ...kindOf('Thing', fields), structured };
    expect(structuredKind(kind)).toEqual(structured);
    expect(withKeyRenamed(kind, 'tel', 'call').structured?.fields).toEqual({ telephone: 'call', openingHours: 'note' });
    expect(withoutField(kind, 'tel').structured?.fields).toEqual({ openingHours: 'note' });
    const replaced = withFieldReplaced(kind, field('note', 'Note', 'whole-number'), () => true);
    expect(replaced.structured?.fields).toEqual({ telephone: 'tel' });
    expect(withKeyRenamed({ ...kind, structured: null }, 'tel', 'call').structured).toBeNull();
  });
});
