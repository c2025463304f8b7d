/** How many letters may be wrong in a word of this length. */
export function typosAllowed(word: string): number {
  if (word.length >= 8) return 2;
  return word.length >= 4 ? 1 : 0;
}

/**
 * How well a word of a text meets a wanted one: 1 when it is the same, less when it only begins with it (where that is
 * allowed) or has typos, 0 when it does not.
 */
export function meets(wanted: string, word: string, isPrefix: boolean): number {
  if (wanted === word) return 1;
  if (isPrefix && word.startsWith(wanted)) return prefixQuality(wanted, word);
  const most = typosAllowed(wanted);
  const typos = most === 0 ? 1 : typosWithin(wanted, word, most);
  return typos > most ? 0 : TYPO_QUALITY[typos]!;
}

const TYPO_QUALITY: readonly number[] = [1, 0.45, 0.2];

/** A beginning says the more of a word the more of it is there. */
export function prefixQuality(wanted: string, word: string): number {
  return 0.5 + (0.45 * wanted.length) / word.length;
}

export function typoQuality(typos: number): number {
  return TYPO_QUALITY[typos] ?? 0;
}

/**
 * The typos between two words: letters too many, missing, wrong, or two neighbours swapped (the optimal string alignment
 * distance). Anything above `most` is given as `most + 1`.
 */
export function typosWithin(a: string, b: string, most: number): number {
  if (Math.abs(a.length - b.length) > most) return most + 1;
  let start = 0;
  let [endA, endB] = [a.length, b.length];
  while (start < endA && start < endB && a.charCodeAt(start) === b.charCodeAt(start)) start++;
  while (endA > start && endB > start && a.charCodeAt(endA - 1) === b.charCodeAt(endB - 1))
    [endA, endB] = [endA - 1, endB - 1];
  if (endA - start === 0 || endB - start === 0) return Math.min(Math.max(endA, endB) - start, most + 1);
  return alignment(a.slice(start, endA), b.slice(start, endB), most);
}

function alignment(a: string, b: string, most: number): number {
  let before: number[] = [];
  let row = Array.from({ length: b.length + 1 }, (_, at) => at);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    let least = i;
    for (let j = 1; j <= b.length; j++) {
      const isSame = a.charCodeAt(i - 1) === b.charCodeAt(j - 1);
      let cost = Math.min(row[j]! + 1, next[j - 1]! + 1, row[j - 1]! + (isSame ? 0 : 1));
      const isSwapped =
        i > 1 && j > 1 && a.charCodeAt(i - 1) === b.charCodeAt(j - 2) && a.charCodeAt(i - 2) === b.charCodeAt(j - 1);
      if (isSwapped) cost = Math.min(cost, before[j - 2]! + 1);
      next.push(cost);
      least = Math.min(least, cost);
    }
    // A swap reaches back two rows, so both have to be beyond it.
    if (least > most && Math.min(...row) > most) return most + 1;
    [before, row] = [row, next];
  }
  return Math.min(row[b.length]!, most + 1);
}

/** The letters of a word as bits. One typo puts in at most one and takes out at most one. */
export function letterMask(word: string): number {
  let mask = 0;
  for (let at = 0; at < word.length; at++) mask |= 1 << (word.charCodeAt(at) & 31);
  return mask;
}

/** Whether two masks leave room for so few typos. */
export function masksFit(a: number, b: number, most: number): boolean {
  return bitsUpTo(a & ~b, most) && bitsUpTo(b & ~a, most);
}

function bitsUpTo(bits: number, most: number): boolean {
  let left = bits;
  for (let count = 0; count < most && left !== 0; count++) left &= left - 1;
  return left === 0;
}
