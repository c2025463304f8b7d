import { withSmallInitial } from '../text.js';
import type { Wording, WordValues } from './wording.js';
import { filled } from './wording.js';

/** Sentences by their keys. */
export type WordTable<Key extends string> = Readonly<Record<Key, Wording>>;

/**
 * What a site says to its visitors, by keys, in one language. Numbers among the values are written as the locale does;
 * the one that is called `count` chooses the plural form.
 */
export class Words<Key extends string> {
  private plurals: Intl.PluralRules | null = null;
  private numbers: Intl.NumberFormat | null = null;

  constructor(
    readonly locale: string,
    private readonly table: WordTable<Key>,
  ) {}

  say(key: Key, values: WordValues = {}): string {
    const wording = this.table[key];
    const text = typeof wording === 'string' ? wording : (wording[this.formFor(values['count'])] ?? wording.other);
    return filled(text, (name) => this.written(values[name]));
  }

  /** What is said under a key, with its places. */
  wording(key: Key): Wording {
    return this.table[key];
  }

  /** A label inside a sentence: "Berths" becomes "berths", "VIP rooms" stays, and German nouns do. */
  inSentence(label: string): string {
    return !KEEPS_CAPITALS.test(this.locale) && /^\p{Lu}\p{Ll}/u.test(label) ? withSmallInitial(label) : label;
  }

  private formFor(count: string | number | undefined): Intl.LDMLPluralRule {
    if (typeof count !== 'number') return 'other';
    this.plurals ??= new Intl.PluralRules(this.locale);
    return this.plurals.select(count);
  }

  private written(value: string | number | undefined): string | undefined {
    if (typeof value !== 'number') return value;
    this.numbers ??= new Intl.NumberFormat(this.locale);
    return this.numbers.format(value);
  }
}

/** Languages that write nouns with capitals inside sentences, too. */
const KEEPS_CAPITALS = /^(de|lb)\b/i;
