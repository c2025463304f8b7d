/** A sentence, or one a plural form of a number, as `Intl.PluralRules` names them; `other` is always there. */
export type Wording = string | PluralWording;
export type PluralWording = { readonly other: string } & Readonly<Partial<Record<Intl.LDMLPluralRule, string>>>;

/** What stands in the places of a sentence, by their names; `count` chooses the plural form. */
export type WordValues = Readonly<Record<string, string | number>>;

/** The names of the places that a wording has: those of "Show {count} more" are "count". */
export function placesIn(wording: Wording): string[] {
  const texts = typeof wording === 'string' ? [wording] : Object.values(wording);
  const names = texts.flatMap((text) => [...text.matchAll(PLACE)].map(([, name]) => name!));
  return [...new Set(names)];
}

/** A sentence with values in its places. One that isn't given stays as it is written, so that it is seen. */
export function filled(text: string, valueOf: (name: string) => string | undefined): string {
  return text.replace(PLACE, (place, name: string) => valueOf(name) ?? place);
}

const PLACE = /\{([a-z-]+(?:\.[a-z0-9_]+)?)\}/gi;
