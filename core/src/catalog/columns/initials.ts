import { foldText } from '../../values/index.js';

/** Stands for everything that does not begin with a letter. */
export const NO_LETTER = '0-9';

/**
 * The letters under which a locale files its texts. A letter with a mark stands under the plain one where the locale
 * takes it for the same letter (É under E), and has a place of its own where it doesn't (Ö in Swedish, Ñ in Spanish).
 */
export class Initials {
  private readonly known = new Map<string, string>();
  private readonly collator: Intl.Collator;

  constructor(locale: string) {
    this.collator = new Intl.Collator(locale, { sensitivity: 'base', usage: 'sort' });
  }

  of(text: string): string {
    // Quotes and other marks before the first letter or digit are passed over.
    const first = /[\p{L}\p{N}]\p{M}*/u.exec(text.normalize('NFC'))?.[0] ?? '';
    let initial = this.known.get(first);
    if (initial === undefined) this.known.set(first, (initial = this.initialOf(first)));
    return initial;
  }

  private initialOf(first: string): string {
    if (!/\p{L}/u.test(first)) return NO_LETTER;
    const folded = foldText(first).slice(0, 1);
    const isSame = folded !== '' && this.collator.compare(folded, first) === 0;
    return (isSame ? folded : first).toLocaleLowerCase();
  }
}
