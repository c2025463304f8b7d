import { kindSummary } from '../../../../../harness/models';
import { offersFor } from './field-offers';
import { TYPE_GROUPS } from './type-descriptions';

const BERTHS = kindSummary({ one: 'Berth', many: 'Berths' }, [
  { key: 'price', label: 'Price a night', type: 'money', settings: { currency: 'EUR' } },
  { key: 'harbour', label: 'Price board', type: 'link', settings: { link: 1, side: 'a' } },
]).kind;

describe('What a new field can be made of', () => {
  const typesOf = (text: string): string[] => offersFor(text, [BERTHS]).groups.flatMap(({ types }) => [...types]);

  it('is every type as long as nothing is asked for', () => {
    expect(offersFor(' ', [BERTHS])).toEqual({ groups: TYPE_GROUPS, likes: [] });
  });

  it('is found by the name of a type, by what it is for, and by what people call it', () => {
    expect(typesOf('whole')).toContain('whole-number');
    expect(typesOf('photo')).toEqual(['picture', 'pictures']);
    expect(typesOf('URL')).toEqual(['web-address']);
    expect(typesOf('nothing like it')).toEqual([]);
  });

  it('is also a field that is there, but for links, which belong to two kinds', () => {
    const { likes } = offersFor('price', [BERTHS]);
    expect(likes.map(({ field, many }) => [field.key, many])).toEqual([['price', 'Berths']]);
    expect(typesOf('price')).toEqual(['money']);
  });
});
