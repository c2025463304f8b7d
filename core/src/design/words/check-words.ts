import type { Issue, Word, Wording } from '../../values/index.js';
import { issue, placesIn, shippedWords } from '../../values/index.js';
import { nameIssues } from '../check-name.js';
import type { WordsDesign } from './words-design.js';

/**
 * Everything that is wrong with the words of a site: `words.unknown` for a key that nothing says, `words.empty`,
 * `words.place` for a value that its sentence doesn't have, `words.plural` for a plural form that the language hasn't.
 */
export function checkWords(design: WordsDesign): Issue[] {
  const shipped = shippedWords(design.language);
  const said = Object.entries(design.said).flatMap(([key, wording]) => {
    const field = `said.${key}`;
    return Object.hasOwn(shipped, key)
      ? wordingIssues(wording, shipped[key as Word], { language: design.language, hasFields: saysFields(key) }).map(
          (own) => ({ ...own, field }),
        )
      : [issue('words.unknown', { key }, { field })];
  });
  return [...nameIssues(design), ...said];
}

/** Whether a sentence can say values of fields: those of mails about a listing can. */
function saysFields(key: string): boolean {
  return /^notice\.(leaves-soon|has-left|featured-ended)\.(subject|text)$/.test(key);
}

/** What is wrong with what is said in the place of a shipped sentence, which stands in the reasons for its key. */
function wordingIssues(
  wording: Wording,
  shipped: Wording,
  { language, hasFields }: { readonly language: string; readonly hasFields: boolean },
): Issue[] {
  const sentence = typeof shipped === 'string' ? shipped : shipped.other;
  const [forms, texts] = typeof wording === 'string' ? [[], [wording]] : [Object.keys(wording), Object.values(wording)];
  const { pluralCategories } = new Intl.PluralRules(language).resolvedOptions();
  const strange = forms.filter((form) => !pluralCategories.some((known) => known === form));
  const places = placesIn(shipped);
  const isField = (place: string): boolean => hasFields && place.startsWith('field.');
  const unknown = placesIn(wording).filter((place) => !places.includes(place) && !isField(place));
  const list = (names: readonly string[]): string => names.map((name) => `{${name}}`).join(', ') || '–';
  return [
    ...(texts.some((text) => text.trim() === '') ? [issue('words.empty', { sentence })] : []),
    ...unknown.map((place) => issue('words.place', { sentence, place: `{${place}}`, places: list(places) })),
    ...strange.map((form) => issue('words.plural', { sentence, form, language, forms: pluralCategories.join(', ') })),
  ];
}
