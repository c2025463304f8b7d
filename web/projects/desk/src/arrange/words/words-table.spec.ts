import { foundSections, withLine, wordSections } from './words-table';
import type { Form, WordLine } from './words-table';

describe('The table of what a site says', () => {
  const lineOf = (key: string, form: Form = '', own = {}, language = 'en'): WordLine =>
    wordSections(language, own)
      .flatMap(({ entries }) => entries)
      .find((entry) => entry.key === key)!
      .lines.find((line) => line.form === form)!;

  it('has every sentence once, those with plural forms in all of the language', () => {
    const keys = wordSections('en', {}).flatMap(({ entries }) => entries.map(({ key }) => key));
    expect(new Set(keys).size).toBe(keys.length);
    expect(keys).toContain('busy.text');
    expect(lineOf('count.listings', 'one').shipped).toBe('listing');
    const polish = wordSections('pl', {}).flatMap(({ entries }) => entries);
    expect(polish.find(({ key }) => key === 'count.listings')!.lines.map(({ form }) => form)).toEqual([
      ...['one', 'few', 'many', 'other'],
    ] as Form[]);
  });

  it('finds by what is shipped, by what is said instead, and by the key', () => {
    const sections = wordSections('en', { 'pager.next': 'Onwards' });
    const keysOf = (text: string, onlyOwn = false): string[] =>
      foundSections(sections, text, onlyOwn).flatMap(({ entries }) => entries.map(({ key }) => key));
    expect(keysOf('onwards')).toEqual(['pager.next']);
    expect(keysOf('NEXT picture')).toEqual(['gallery.next']);
    expect(keysOf('', true)).toEqual(['pager.next']);
    expect(keysOf('pager.prev')).toEqual(['pager.previous']);
    expect(keysOf('no such words')).toEqual([]);
  });

  it('keeps what is written, and nothing where it is what is shipped', () => {
    const own = withLine({}, lineOf('pager.next'), 'Onwards', 'en');
    expect(own).toEqual({ 'pager.next': 'Onwards' });
    expect(withLine(own, lineOf('pager.next', '', own), '', 'en')).toEqual({});
    expect(withLine(own, lineOf('pager.next', '', own), 'Next', 'en')).toEqual({});
  });

  it('keeps the other forms of a sentence whose one form is written', () => {
    const own = withLine({}, lineOf('count.listings', 'one'), 'berth', 'en');
    expect(own).toEqual({ 'count.listings': { one: 'berth', other: 'listings' } });
    const both = withLine(own, lineOf('count.listings', 'other', own), 'berths', 'en');
    expect(both).toEqual({ 'count.listings': { one: 'berth', other: 'berths' } });
    const one = withLine(both, lineOf('count.listings', 'other', both), '', 'en');
    expect(withLine(one, lineOf('count.listings', 'one', one), 'listing', 'en')).toEqual({});
  });
});
