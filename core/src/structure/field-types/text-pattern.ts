/**
 * Patterns of texts that anyone can write: # is a digit, @ a letter, * either, anything else itself. They are read
 * from left to right once, so that none can take long.
 */

const MARKS: Readonly<Record<string, RegExp>> = { '#': /\p{Nd}/u, '@': /\p{L}/u, '*': /[\p{L}\p{Nd}]/u };

/** Whether a text looks like a pattern. */
export function fitsPattern(text: string, pattern: string): boolean {
  const letters = [...text];
  const marks = [...pattern];
  return letters.length === marks.length && marks.every((mark, at) => fits(letters[at] ?? '', mark));
}

function fits(letter: string, mark: string): boolean {
  return MARKS[mark]?.test(letter) ?? letter === mark;
}

const COUNTER = /#+/;

/** The counter of a reference number ("B-####" of "B-0042" is 42); null when the text doesn't look like the pattern. */
export function counterOf(text: string, pattern: string): number | null {
  const run = COUNTER.exec(pattern);
  if (!run) return null;
  const head = pattern.slice(0, run.index);
  const tail = pattern.slice(run.index + run[0].length);
  if (text.length < head.length + tail.length || !text.startsWith(head) || !text.endsWith(tail)) return null;
  const digits = text.slice(head.length, text.length - tail.length);
  return /^\d{1,15}$/.test(digits) && digits.length >= run[0].length ? Number(digits) : null;
}

/** The reference number with a counter; one that has outgrown its places takes more. */
export function withCounter(pattern: string, counter: number): string {
  return pattern.replace(COUNTER, (run) => String(counter).padStart(run.length, '0'));
}

/** Whether a pattern has exactly one counter. */
export function hasOneCounter(pattern: string): boolean {
  return (pattern.match(/#+/g) ?? []).length === 1;
}
