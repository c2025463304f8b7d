import { makeField } from '../../structure/index.js';
import { FieldToLink } from './field-to-link.js';
import { NameIndex } from './name-index.js';

describe('What names a listing', () => {
  const names = new NameIndex();
  names.add(1, 'Port Ævre');
  names.add(2, 'Mirrow');
  names.add(3, 'mirrow');
  names.add(4, 'Pellan Pool');
  names.add(5, 'Pellan  Pool');
  names.add(6, '');

  it('finds it as it is written, or else without regard to case and accents', () => {
    expect(names.find('Port Ævre')).toEqual({ id: 1 });
    expect(names.find(' port aevre ')).toEqual({ id: 1 });
    expect(names.find('Mirrow')).toEqual({ id: 2 });
    expect(names.find('mirrow')).toEqual({ id: 3 });
  });

  it('finds none where several can be meant, and none for nothing', () => {
    expect(names.find('MIRROW')).toBe('several');
    expect(names.find('Pellan Pool')).toBe('several');
    expect(names.find('Elsewhere')).toBe('none');
    expect(names.find('')).toBe('none');
  });
});

describe('A field that becomes a link', () => {
  const names = new NameIndex();
  names.add(1, 'Ostrey');
  names.add(2, 'Sallow');
  const town = makeField({ key: 'town', label: 'Town', type: 'short-text' });
  const apply = (change: FieldToLink, value?: unknown): ReturnType<FieldToLink['apply']> =>
    change.apply({ values: { beds: 4, ...(value !== undefined && { town: value }) }, aside: {} });

  it('connects what it names, and keeps aside what it does not find', () => {
    const change = new FieldToLink(town, names);
    expect(apply(change, 'ostrey')).toEqual({ ids: [1], content: { values: { beds: 4 }, aside: {} } });
    expect(apply(change, 'Nowhere')).toEqual({
      ids: [],
      content: { values: { beds: 4 }, aside: { town: { type: 'short-text', text: 'Nowhere' } } },
    });
    apply(change, 'Nowhere');
    expect(apply(change).ids).toEqual([]);
    expect(change.report).toEqual({
      ...{ connected: 1, incomplete: 2, empty: 1, connections: 1 },
      unmatched: [{ text: 'Nowhere', listings: 2, why: 'none' }],
    });
  });

  it('connects each of several choices', () => {
    const choices = ['Ostrey', 'Sallow', 'Lost'].map((label) => ({ key: label.toLowerCase(), label }));
    const several = makeField({ key: 'town', label: 'Towns', type: 'several-choices', settings: { choices } });
    const change = new FieldToLink(several, names);
    const { ids, content } = apply(change, ['ostrey', 'lost', 'sallow']);
    expect(ids).toEqual([1, 2]);
    expect(content.aside).toEqual({ town: { type: 'several-choices', text: 'Lost' } });
    expect(change.report.incomplete).toBe(1);
  });
});
