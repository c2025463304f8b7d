import { normaliseLine } from '../../values/index.js';

/** A publisher can do nothing about a longer text. */
const LONGEST_KEPT = 60;
const ADDRESS_LIKE = /\S@\S/;
/** Six digits or more in a row, however they are parted: a telephone number, an account, a date of birth. */
const NUMBER_LIKE = /\d(?:[\s().\-/+]*\d){5,}/;

/**
 * The words of a search as Plindo keeps them: in small letters, without needless spaces, so that "Crane " and "crane" are one. Null where
 * there are none, and where they may tell of a person (an e-mail address, a telephone number): Plindo never keeps those.
 */
export function keptSearchWords(text: string): string | null {
  const words = normaliseLine(text).trim().toLowerCase();
  const isKept = words !== '' && words.length <= LONGEST_KEPT && !ADDRESS_LIKE.test(words) && !NUMBER_LIKE.test(words);
  return isKept ? words : null;
}
