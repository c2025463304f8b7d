import type { OwnWords, Wording } from '../../values/index.js';
import { languageOf } from '../../values/index.js';
import type { SettingsOf } from '../settings/setting.js';
import { readSettings, setting, words } from '../settings/setting.js';

const LONGEST_SENTENCE = 500;

function isSentence(input: unknown): input is string {
  return typeof input === 'string' && input.length <= LONGEST_SENTENCE;
}

function isWording(input: unknown): input is Wording {
  if (typeof input !== 'object' || input === null || Array.isArray(input)) return isSentence(input);
  return 'other' in input && Object.values(input).every(isSentence);
}

const saidSetting = setting<OwnWords>(
  {},
  'sentences by their keys, each a text or plural forms {one, other}',
  (input) => {
    if (typeof input !== 'object' || input === null || Array.isArray(input)) return undefined;
    return Object.values(input).every(isWording) ? (input as OwnWords) : undefined;
  },
);

/** The language of a tag (BCP 47) alone: "de"; undefined for what is none. */
function languageIn(input: unknown): string | undefined {
  try {
    return typeof input === 'string' && languageOf(input) === input ? input : undefined;
  } catch {
    return undefined;
  }
}

/** What the sentences of a site in one language are made of. */
export const WORDS_FORM = {
  name: words(80),
  purpose: words(300),
  language: setting('en', 'a language such as "en" or "de"', languageIn),
  /** Sentences in the place of those that Plindo ships, by key. */
  said: saidSetting,
};

/** The publisher's own sentences in one language. */
export type WordsDesign = SettingsOf<typeof WORDS_FORM>;

/** Words with every property at its plain default but those given. Throws a `SettingFault` for what cannot be. */
export function makeWords(given: Partial<WordsDesign>): WordsDesign {
  return readSettings(WORDS_FORM, given, 'words');
}
