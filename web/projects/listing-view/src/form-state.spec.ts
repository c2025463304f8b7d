import { searchOfForm } from './form-state';

describe('The state of a form as an address', () => {
  it('joins values of one name and the two ends of a range, and leaves out what is empty', () => {
    const entries = [
      ['q', 'fuel dock'],
      ['facility', 'water'],
      ['facility', 'power'],
      ['price-from', '10'],
      ['price-to', ''],
      ['length-from', ''],
      ['length-to', ''],
      ['sort', 'price-up'],
    ] as const;
    expect(searchOfForm(entries)).toBe('q=fuel+dock&facility=water,power&price=10..&sort=price-up');
  });

  it('escapes what an address cannot hold', () => {
    expect(searchOfForm([['q', 'a&b=c #1']])).toBe('q=a%26b%3Dc+%231');
  });
});
