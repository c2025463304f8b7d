import type { OwnWords } from '../../values/index.js';
import { SiteWords } from '../../values/index.js';
import type { Design } from '../index.js';
import { SHOWN_PARTS, checkWords, makeWords, ownWords, partName, readWords } from '../index.js';

const wordsOf = (said: Readonly<Record<string, unknown>>, language = 'en'): ReturnType<typeof makeWords> =>
  makeWords({ name: 'Ours', language, said: said as OwnWords });

describe('The publisher’s own words', () => {
  it('call the parts that every listing has, all of which the shipped ones have', () => {
    const [english, own] = [new SiteWords('en'), new SiteWords('en', { 'part.featured': 'Our choice' })];
    expect(SHOWN_PARTS.map((part) => partName(part, english))).toEqual(SHOWN_PARTS.map(({ label }) => label));
    expect(partName({ key: '@featured' }, own)).toBe('Our choice');
    expect(partName({ key: 'price' }, own)).toBeUndefined();
  });

  const codes = (said: Readonly<Record<string, unknown>>, language?: string): unknown[] =>
    checkWords(wordsOf(said, language)).map(({ code, field, message }) => [code, field, message]);

  it('may say anything that a sentence can say', () => {
    expect(
      codes({ 'pager.next': 'On', 'list.all': 'All {count}', 'count.listings': { one: 'a', other: 'b' } }),
    ).toEqual([]);
    expect(
      codes({ 'pager.more': { one: '{count}', few: '{count}', many: '{count}', other: '{count}' } }, 'pl'),
    ).toEqual([]);
  });

  it('are refused with the sentence and what is wrong with it', () => {
    expect(codes({ 'pager.nxt': 'On' })).toEqual([
      [
        'words.unknown',
        'said.pager.nxt',
        'There is no sentence with the key “pager.nxt”. Look it up in the list of sentences.',
      ],
    ]);
    expect(codes({ 'list.all': 'All {total}' })).toEqual([
      [
        'words.place',
        'said.list.all',
        'The new wording of “See all {count}” cannot have {total}. It can have {count}.',
      ],
    ]);
    expect(codes({ 'pager.more': { few: '{count}', other: '{count}' } })).toEqual([
      [
        'words.plural',
        'said.pager.more',
        'The new wording of “Show {count} more”: the language “en” has no plural form “few”. It has one, other.',
      ],
    ]);
    expect(codes({ 'pager.next': ' ' })).toEqual([
      [
        'words.empty',
        'said.pager.next',
        'The new wording of “Next” is empty. Write something, or remove it to get Plindo’s own.',
      ],
    ]);
    // Names that every object has are no sentences.
    expect(codes({ constructor: 'x', toString: 'y' }).length).toBe(2);
  });

  it('are read with the place of what cannot be', () => {
    const messageOf = (given: unknown): string => {
      const read = readWords(given);
      return read.ok ? '' : read.issue.message;
    };
    expect(messageOf({ name: 'A', language: 'German' })).toContain('words.language must be a language such as');
    expect(messageOf({ name: 'A', language: 'de-AT' })).toContain('words.language must be');
    expect(messageOf({ name: 'A', said: { 'pager.next': { one: 'x' } } })).toContain('words.said must be sentences');
    expect(messageOf({ name: 'A', said: ['x'] })).toContain('words.said must be sentences');
  });

  it('serve the locales of their language, the first ones of it', () => {
    const frame = { type: 'words', version: 1, kindId: null } as const;
    const designs: Design[] = [
      { ...frame, id: 2, position: 2, definition: wordsOf({ 'pager.next': 'Second' }, 'de') },
      { ...frame, id: 1, position: 1, definition: wordsOf({ 'pager.next': 'First' }, 'de') },
    ];
    expect(ownWords('de-AT', designs)).toEqual({ 'pager.next': 'First' });
    expect(ownWords('en-GB', designs)).toEqual({});
  });
});
