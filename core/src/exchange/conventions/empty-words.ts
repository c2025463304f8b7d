import { foldText } from '../../values/index.js';

/** What people and programs write where they have no value, folded; common practice. */
const FORMAL: ReadonlySet<string> = new Set([
  ...['n/a', 'n.a.', 'n. a.', '#n/a', '#nv', '#n/d', 'null', '(null)', 'k.a.', 'k. a.', 's/d', 'n/d', 'n.v.t.'],
  ...['-', '--', '–', '—', '?', '??', '(blank)', '(leer)'],
]);
/** The same, but choices and names can be called so: NA is Namibia, and "None" can be an answer. */
const INFORMAL: ReadonlySet<string> = new Set([
  ...[
    'na',
    'nan',
    'nil',
    'none',
    'nd',
    'n.d.',
    'unknown',
    'unbekannt',
    'keine angabe',
    'keine',
    'desconocido',
    'inconnu',
  ],
  ...['sconosciuto', 'onbekend', 'brak', 'tbd', 'tba', '.', '...', '…'],
]);

/** No word of the two lists is longer; most cells are, and needn't be folded. */
const LONGEST = 14;

/** Where a word stands: among numbers and dates any of them means nothing, among choices only some; in texts none does. */
export type EmptyWhere = 'values' | 'choices';

/** Whether a cell holds a word that stands for nothing. */
export function isEmptyWord(text: string, where: EmptyWhere): boolean {
  if (text.length > LONGEST) return false;
  const folded = foldText(text);
  return FORMAL.has(folded) || (where === 'values' && INFORMAL.has(folded));
}

/** Those of some words that stand for nothing at a place; none where there is no such place. */
export function emptyWordsIn(words: readonly string[], where: EmptyWhere | null): string[] {
  return where === null ? [] : words.filter((word) => isEmptyWord(word, where));
}
