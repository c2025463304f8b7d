import type { Issue } from '../errors.js';
import type { Word } from './english.js';
import { ENGLISH } from './english.js';
import type { ViewWord } from './english-view.js';
import { ENGLISH_VIEW } from './english-view.js';
import { GERMAN } from './german.js';
import type { RefusalWord } from './refusals.js';
import { ENGLISH_REFUSALS } from './refusals.js';
import type { SentWords } from './view-words.js';
import type { Wording } from './wording.js';
import type { WordTable } from './words.js';
import { Words } from './words.js';

/** Sentences in the place of those that Plindo ships. */
export type OwnWords = Readonly<Partial<Record<Word, Wording>>>;

/** The language of a locale: "de" of "de-AT". */
export function languageOf(locale: string): string {
  return new Intl.Locale(locale).language;
}

/** The sentences that Plindo ships for a language; the English ones for a language that it doesn't speak. */
export function shippedWords(language: string): WordTable<Word> {
  return language === 'de' ? GERMAN : ENGLISH;
}

/** A refusal as it is told to the visitors of a site; one that they cannot meet as it is told to everybody. */
export function toldToVisitors(words: SiteWords, { code, message, params = {} }: Issue): string {
  const key = `refused.${code}`;
  return Object.hasOwn(ENGLISH_REFUSALS, key) ? words.say(key as RefusalWord, params) : message;
}

/** All that a site says to visitors in its locale, with the publisher's own sentences in the place of the shipped ones. */
export class SiteWords extends Words<Word> {
  /** What pages bring of it for their components. */
  readonly sent: SentWords;

  constructor(locale: string, own: OwnWords = {}) {
    const all = { ...shippedWords(languageOf(locale)), ...own };
    super(locale, all);
    const keys = Object.keys(ENGLISH_VIEW) as ViewWord[];
    const unknown = keys.filter((key) => all[key] !== ENGLISH_VIEW[key]);
    this.sent = { locale, said: Object.fromEntries(unknown.map((key) => [key, all[key]])) };
  }
}
