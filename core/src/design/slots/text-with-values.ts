import { withoutUndefined } from '../../structure/index.js';
import type { DateForm, UnitCode } from '../../values/index.js';

/** What of several values is written: all of them, the first, or how many there are. */
export const MANY = ['all', 'first', 'count'] as const;
export type Many = (typeof MANY)[number];

/** One value of a listing, and how it is written. What stands before and after it goes with it when it is empty. */
export interface ValueInText {
  /** Keys of the link fields through which the listings are reached that have it, up to two; none for the listing's own. */
  readonly through: readonly string[];
  /** Key of the field; built-in parts have a mark before it ("@title"), and so have {@link PAGE_VALUES}. */
  readonly field: string;
  /** Key of a field inside a group or rows; of categories "colour" or "icon" in the place of the label; '' for all of it. */
  readonly inside: string;
  readonly many: Many;
  readonly before: string;
  readonly after: string;
  /** Of a measure: the unit that it is converted to; null for its field's. */
  readonly unit: UnitCode | null;
  /** Decimals of a number, an amount or a measure; null for as many as it has. */
  readonly digits: number | null;
  /** How a date, a moment or a span of them is written. */
  readonly dates: DateForm;
}

export interface Words {
  readonly words: string;
}

/** Words and values in a row, as one line. */
export type TextWithValues = readonly TextPart[];
export type TextPart = Words | ValueInText;

/** What only the page knows of a listing: how far it is from the place that a visitor named, and its last days. */
const PAGE_VALUES = ['@distance', '@daysLeft'] as const;
export type PageValue = (typeof PAGE_VALUES)[number];

export function isPageValue(key: string): key is PageValue {
  return PAGE_VALUES.some((known) => known === key);
}

/** What has to be said of a value in a text; the rest has defaults. */
export type ValueSketch = Pick<ValueInText, 'field'> & Partial<ValueInText>;

/** A value in a text with every property at its plain default but those given. */
export function makeValueInText(given: ValueSketch): ValueInText {
  return {
    ...{ through: [], inside: '', many: 'all', before: '', after: '', unit: null, digits: null, dates: '' },
    ...withoutUndefined(given),
  };
}

export function isValue(part: TextPart): part is ValueInText {
  return 'field' in part;
}

/** A text with values as it is sketched: words as they are, and values with what differs from their defaults. */
export type TextSketch = readonly (string | Words | ValueSketch)[];

export function makeText(given: TextSketch): TextWithValues {
  return given.map((part) => {
    if (typeof part === 'string') return { words: part };
    return 'field' in part ? makeValueInText(part) : part;
  });
}

/** The words of a text, without its values. */
export function plainWords(text: TextWithValues): string {
  return text.map((part) => (isValue(part) ? '' : part.words)).join('');
}

/** The one value that a text consists of; null where there are words beside it, or several. */
export function onlyValue(text: TextWithValues): ValueInText | null {
  const [first, ...others] = text;
  return first !== undefined && isValue(first) && others.length === 0 ? first : null;
}

/** Whether a value is a part or a field of the listing itself, and nothing is done to it. */
export function isOwn(value: ValueInText | null, field: string): boolean {
  return value?.field === field && value.through.length === 0 && value.inside === '';
}
