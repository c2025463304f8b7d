/** Printable ASCII that neither begins nor ends with a blank, as most texts are: it is as it is kept. */
const AS_KEPT = /^[!-~](?:[ -~]*[!-~])?$/;

/** Unicode NFC, trimmed, line ends as \n: how every text is kept. */
export function normaliseText(text: string): string {
  if (AS_KEPT.test(text)) return text;
  return text.normalize('NFC').replace(/\r\n?/g, '\n').trim();
}

/** Words that begin with a capital as they stand inside a sentence; for labels of a publisher ask `Words.inSentence`. */
export function withSmallInitial(words: string): string {
  return words.charAt(0).toLowerCase() + words.slice(1);
}

/** {@link normaliseText} for a text of one line: inner white space becomes single spaces. */
export function normaliseLine(text: string): string {
  if (AS_KEPT.test(text) && !text.includes('  ')) return text;
  return normaliseText(text).replace(/\s+/g, ' ');
}

const NUL = '\u0000';

/** Whether a text, or any text inside a value of JSON, has the character U+0000, which no store keeps in texts. */
export function hasNul(value: unknown): boolean {
  if (typeof value === 'string') return value.includes(NUL);
  if (typeof value !== 'object' || value === null) return false;
  return Object.entries(value).some(([key, part]) => key.includes(NUL) || hasNul(part));
}

const LETTERS_WITHOUT_DECOMPOSITION: Readonly<Record<string, string>> = {
  ß: 'ss',
  æ: 'ae',
  œ: 'oe',
  ø: 'o',
  đ: 'd',
  ð: 'd',
  ł: 'l',
  þ: 'th',
  ı: 'i',
};

/** Text without anything that could be folded but capitals; most is. */
const PLAIN = /^[\x20-\x7e]*$/;

/** Lower case without accents, so that “Ærø” and “aero” meet. For search and slugs, never for keeping. */
export function foldText(text: string): string {
  if (PLAIN.test(text)) return text.toLowerCase();
  return text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[ßæœøđðłþı]/g, (letter) => LETTERS_WITHOUT_DECOMPOSITION[letter] ?? letter);
}

/** The words of a text for search, folded; hyphens and apostrophes separate, so that “drive-in” is two words. */
export function wordsOf(text: string): string[] {
  return foldText(text).match(/[\p{L}\p{N}]+/gu) ?? [];
}

const LONGEST_SLUG = 80;

/** A readable part of an address: folded, hyphenated, at most 80 characters; '' when nothing is left. */
export function slugOf(text: string): string {
  return wordsOf(text).join('-').slice(0, LONGEST_SLUG).replace(/-+$/, '');
}

/** Whether a text can stand as a slug as it is. */
export function isSlug(text: string): boolean {
  return text.length <= LONGEST_SLUG && /^[\p{Ll}\p{Lo}\p{N}]+(-[\p{Ll}\p{Lo}\p{N}]+)*$/u.test(text);
}

/**
 * The first of `wanted`, `wanted-2`, `wanted-3` … that `isTaken` doesn't know, where these are taken without gaps; one that
 * follows a taken one, where they aren't. Of thousands that are taken a few are asked for.
 */
export function firstFreeSlug(wanted: string, isTaken: (slug: string) => boolean): string {
  const base = wanted === '' ? 'listing' : wanted;
  if (!isTaken(base)) return base;
  let [taken, free] = [1, 2];
  for (; isTaken(`${base}-${free}`); free *= 2) taken = free;
  while (free - taken > 1) {
    const middle = Math.floor((free + taken) / 2);
    if (isTaken(`${base}-${middle}`)) taken = middle;
    else free = middle;
  }
  return `${base}-${free}`;
}

/** A text as it stands in HTML, between tags. */
export function escapeHtml(text: string): string {
  return text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');
}

/** A key that programs read: folded words joined by underscores, never starting with a digit. */
export function keyOf(label: string): string {
  const key = wordsOf(label)
    .join('_')
    .replace(/[^a-z0-9_]/g, '')
    .slice(0, 40);
  // "constructor" and its like would be found on every object.
  if (key in {}) return `${key}_field`;
  return /^[a-z]/.test(key) ? key : `field_${key}`.replace(/_$/, '');
}
