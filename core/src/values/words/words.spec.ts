import type { Word } from '../index.js';
import { ENGLISH, Formats, SiteWords, issue, placesIn, shippedWords, toldToVisitors, viewWords } from '../index.js';

const KEYS = Object.keys(ENGLISH) as Word[];

describe('The words of a site', () => {
  it('have the same values in each language that ships, and plural forms that the language knows', () => {
    const german = shippedWords('de');
    expect(Object.keys(german).sort()).toEqual([...KEYS].sort());
    for (const language of ['en', 'de']) {
      const { pluralCategories } = new Intl.PluralRules(language).resolvedOptions();
      const table = shippedWords(language);
      for (const key of KEYS) {
        const [wording, english] = [table[key], shippedWords('en')[key]];
        const unknown = placesIn(wording).filter((place) => !placesIn(english).includes(place));
        expect(unknown).withContext(`${language} ${key}`).toEqual([]);
        const forms = typeof wording === 'string' ? [] : Object.keys(wording);
        expect(forms.filter((form) => !pluralCategories.some((known) => known === form))).toEqual([]);
      }
    }
  });

  // The forms of Polish are those of CLDR's plural rules: 1 one, 2–4 few, 5–21 many, 22 few again (Unicode CLDR, "pl").
  it('choose the plural form as CLDR has it', () => {
    const forms = { one: '{count} strona', few: '{count} strony', many: '{count} stron', other: '{count} strony' };
    const polish = new SiteWords('pl', { 'pager.more': forms });
    expect([1, 2, 5, 12, 21, 22].map((count) => polish.say('pager.more', { count }))).toEqual([
      ...['1 strona', '2 strony', '5 stron', '12 stron', '21 stron', '22 strony'],
    ]);
  });

  it('say English for a language that does not ship, and the sentences of its publisher in their place', () => {
    const own = new SiteWords('fr-FR', { 'pager.next': 'Suivant' });
    expect([own.say('pager.next'), own.say('pager.previous')]).toEqual(['Suivant', 'Previous']);
  });

  it('tell visitors what is not right, without what only publishers can do; anything else as everybody is told', () => {
    const [german, own] = [
      new SiteWords('de-DE'),
      new SiteWords('fr-FR', { 'refused.value.required': '{label} manque.' }),
    ];
    const required = issue('value.required', { label: 'Preis' });
    expect([german, own].map((words) => toldToVisitors(words, required))).toEqual(['Preis fehlt.', 'Preis manque.']);
    const choice = issue('value.not-a-choice', { label: 'Fuel', found: 'wood' });
    expect(choice.message).toContain('Shape');
    expect(toldToVisitors(own, choice)).toBe('Fuel has no choice “wood”. Pick one of its choices.');
    expect(toldToVisitors(german, issue('value.too-long', { label: 'N', found: 300, greatest: 120 }))).toBe(
      'N hat 300 Zeichen; höchstens 120 passen hinein.',
    );
    const other = issue('kind.label');
    expect(toldToVisitors(german, other)).toBe(other.message);
  });

  it('write numbers as the locale does, and leave labels as a language writes them', () => {
    const [english, german] = ['en-GB', 'de-DE'].map((locale) => new SiteWords(locale));
    const count = { count: 1234, found: 1000, one: 'berth', many: 'berths' };
    expect(english!.say('count.some', count)).toBe('1,000 of 1,234 berths');
    expect(german!.say('count.all', { ...count, many: 'Liegeplätze' })).toBe('1.234 Liegeplätze');
    expect(['Berths', 'VIP rooms'].map((label) => english!.inSentence(label))).toEqual(['berths', 'VIP rooms']);
    expect(german!.inSentence('Liegeplätze')).toBe('Liegeplätze');
  });

  it('send to browsers only what those do not know', () => {
    expect(new SiteWords('en-GB').sent.said).toEqual({});
    expect(new SiteWords('en-GB', { 'pager.next': 'On', 'value.yes': 'Aye' }).sent.said).toEqual({
      'pager.next': 'On',
    });
    const { sent } = new SiteWords('de-AT');
    expect(sent.locale).toBe('de-AT');
    expect(viewWords(sent).say('facets.label')).toBe('Filter');
  });

  it('are those in which values are written', () => {
    expect(new Formats('de-DE').words.say('value.yes')).toBe('Ja');
    expect(new Formats('en-GB', 'UTC', new SiteWords('en-GB', { 'value.yes': 'Aye' })).words.say('value.yes')).toBe(
      'Aye',
    );
  });
});
