import { foldText, once } from '../../values/index.js';

/** Languages whose names of months are known in files, beside that of the site: those of most speakers in Europe. */
const LOCALES = [
  ...['en', 'de', 'fr', 'es', 'it', 'pt', 'nl', 'pl', 'ro', 'sv', 'da', 'nb', 'fi', 'cs', 'hu', 'el', 'uk', 'ru'],
] as const;
const MONTHS = 12;

/** Names of months, long and short, alone and within a date, as CLDR has them; one that is of two months is left out. */
export function monthNames(): ReadonlyMap<string, number> {
  const found = new Map<string, number>();
  const doubtful = new Set<string>();
  for (const locale of LOCALES) {
    for (const month of ['long', 'short'] as const) {
      const alone = new Intl.DateTimeFormat(locale, { month, timeZone: 'UTC' });
      const inDate = new Intl.DateTimeFormat(locale, { month, day: 'numeric', timeZone: 'UTC' });
      for (let at = 0; at < MONTHS; at++) {
        const day = Date.UTC(2024, at, 15);
        const part = inDate.formatToParts(day).find(({ type }) => type === 'month')?.value ?? '';
        for (const name of [alone.format(day), part].map(nameKey)) {
          if (!/\p{L}/u.test(name)) continue;
          if ((found.get(name) ?? at) !== at) doubtful.add(name);
          found.set(name, at);
        }
      }
    }
  }
  for (const name of doubtful) found.delete(name);
  return new Map([...found].map(([name, at]) => [name, at + 1]));
}

/** A name as it is looked up: "Sept." is "sept". */
export function nameKey(name: string): string {
  return foldText(name).replace(/\.$/, '');
}

/** The same for who asks seldom: looked up in CLDR when the first name is asked for, which takes some 20 ms. */
export function lazyMonthNames(): (name: string) => number | null {
  const names = once(monthNames);
  return (name) => names().get(nameKey(name)) ?? null;
}
