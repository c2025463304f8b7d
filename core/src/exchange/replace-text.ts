import type { Field, FieldTypeName, ReadContext } from '../structure/index.js';
import { fieldType, readRequired } from '../structure/index.js';
import { foldText } from '../values/index.js';

/** What is looked for in cells of text, and what comes in its place. */
export interface Replacement {
  readonly find: string;
  readonly by: string;
  /** Whether case and accents have to be the same. */
  readonly isExact: boolean;
  /** Whether it has to be all of a cell. */
  readonly isWhole: boolean;
}

/** Types whose values are texts that somebody has written. */
export const WRITTEN_TYPES: readonly FieldTypeName[] = ['short-text', 'long-text', 'web-address', 'email', 'phone'];

/** What replacing makes of a cell. */
export type ReplacedCell =
  | { readonly outcome: 'changed'; readonly before: string; readonly after: string; readonly value: unknown }
  | { readonly outcome: 'refused'; readonly before: string; readonly after: string; readonly message: string };

/** What replacing makes of a value; null where it isn't found. What its field doesn't take is refused. */
export function replacedCell(
  value: unknown,
  field: Field,
  replacement: Replacement,
  context: ReadContext,
): ReplacedCell | null {
  const type = fieldType(field.type);
  if (!WRITTEN_TYPES.includes(field.type) || !type.holds(value)) return null;
  const before = type.toText(value, field);
  const after = replacedText(before, replacement);
  if (after === null || after === before) return null;
  const read = readRequired(after, field, context);
  return read.ok
    ? { outcome: 'changed', before, after, value: read.value }
    : { outcome: 'refused', before, after, message: read.issue.message };
}

/** A text with something in the place of what is looked for; null where it isn't found. */
export function replacedText(text: string, { find, by, isExact, isWhole }: Replacement): string | null {
  if (find === '') return null;
  const isSame = (a: string, b: string): boolean => (isExact ? a === b : foldText(a) === foldText(b));
  if (isWhole) return isSame(text.trim(), find.trim()) ? by : null;
  if (isExact) return text.includes(find) ? text.split(find).join(by) : null;
  return replacedFolded(text, find, by);
}

/** Folding changes lengths (ß becomes ss), so each place is tried as it stands. */
function replacedFolded(text: string, find: string, by: string): string | null {
  const wanted = foldText(find);
  if (wanted === '' || !foldText(text).includes(wanted)) return null;
  const letters = [...text];
  let [result, at, isFound] = ['', 0, false];
  while (at < letters.length) {
    const end = endOfMatch(letters, at, wanted);
    if (end === null) result += letters[at++];
    else {
      result += by;
      at = end;
      isFound = true;
    }
  }
  return isFound ? result : null;
}

function endOfMatch(letters: readonly string[], start: number, wanted: string): number | null {
  let folded = '';
  for (let end = start; end < letters.length && folded.length < wanted.length; end++) {
    folded = foldText(letters.slice(start, end + 1).join(''));
    if (folded === wanted && letters[start]!.trim() !== '') return end + 1;
  }
  return null;
}
