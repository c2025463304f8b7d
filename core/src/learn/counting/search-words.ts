import { normaliseLine } from '../../values/index.js';

/** Longer ones are no words that a publisher could do anything about. */
const LONGEST_KEPT = 60;
const ADDRESS_LIKE = /\S@\S/;
/** Six digits or more in a row, however they are parted: a telephone number, an account, a date of birth. */
const NUMBER_LIKE = /\d(?:[\s().\-/+]*\d){5,}/;

/**
 * Words of a search as they are kept, so that "Crane " and "crane" are one: in small letters, without needless spaces. Null for words
 * that may tell of a person (an e-mail address, a telephone number), and for none: those are never kept.
 */
export function keptSearchWords(text: string): string | null {
  const words = normaliseLine(text).replace(/\s+/g, ' ').trim().toLowerCase();
  const isKept = words !== '' && words.length <= LONGEST_KEPT && !ADDRESS_LIKE.test(words) && !NUMBER_LIKE.test(words);
  return isKept ? words : null;
}
