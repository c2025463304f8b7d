import pluralize from 'pluralize';

/** The plural of an English noun, the last word of several; '' in other languages, where people type it. */
export function pluralOf(one: string, locale: string): string {
  const noun = one.trim();
  return noun === '' || !/^en\b/i.test(locale) ? '' : pluralize.plural(noun);
}
