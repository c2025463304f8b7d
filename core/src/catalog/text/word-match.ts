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
  const typos = most === 0 ? 1 : new TypoMeter().typos(wanted, word, most);
  return typos > most ? 0 : TYPO_QUALITY[typos]!;
}

const TYPO_QUALITY: readonly number[] = [1, 0.45, 0.2];

/** The larger the part of a word that its beginning makes up, the better the match. */
export function prefixQuality(wanted: string, word: string): number {
  return 0.5 + (0.45 * wanted.length) / word.length;
}

export function typoQuality(typos: number): number {
  return TYPO_QUALITY[typos] ?? 0;
}

/** Counts typos; made once for many words, as it keeps the rows that it works with. */
export class TypoMeter {
  private before = new Uint8Array(64);
  private row = new Uint8Array(64);
  private next = new Uint8Array(64);

  /**
   * The typos between two words: letters too many, missing, wrong, or two neighbours swapped (the optimal string
   * alignment distance). Anything above `most` is given as `most + 1`.
   */
  typos(a: string, b: string, most: number): number {
    let [endA, endB] = [a.length, b.length];
    if (Math.abs(endA - endB) > most) return most + 1;
    let start = 0;
    while (start < endA && start < endB && a.charCodeAt(start) === b.charCodeAt(start)) start++;
    while (endA > start && endB > start && a.charCodeAt(endA - 1) === b.charCodeAt(endB - 1)) {
      endA--;
      endB--;
    }
    // When one word is used up, each letter that is left of the other one counts as a typo.
    if (endA === start || endB === start) return Math.min(Math.max(endA, endB) - start, most + 1);
    return this.aligned(a.slice(start, endA), b.slice(start, endB), most);
  }

  /** The textbook recurrence, row by row. */
  private aligned(a: string, b: string, most: number): number {
    if (b.length >= this.row.length) return this.withRoomFor(b.length).aligned(a, b, most);
    for (let j = 0; j <= b.length; j++) this.row[j] = j;
    let leastBefore = 0;
    for (let i = 1; i <= a.length; i++) {
      const least = this.fillRow(a, b, i);
      // A swap reaches back two rows, so both have to be beyond it.
      if (least > most && leastBefore > most) return most + 1;
      leastBefore = least;
      [this.before, this.row, this.next] = [this.row, this.next, this.before];
    }
    return Math.min(this.row[b.length]!, most + 1);
  }

  private fillRow(a: string, b: string, i: number): number {
    const { before, row, next } = this;
    const own = a.charCodeAt(i - 1);
    const ownBefore = i > 1 ? a.charCodeAt(i - 2) : -1;
    next[0] = i;
    let least = i;
    for (let j = 1; j <= b.length; j++) {
      const other = b.charCodeAt(j - 1);
      let cost = row[j - 1]! + (own === other ? 0 : 1);
      if (row[j]! + 1 < cost) cost = row[j]! + 1;
      if (next[j - 1]! + 1 < cost) cost = next[j - 1]! + 1;
      const isSwapped = j > 1 && ownBefore === other && own === b.charCodeAt(j - 2);
      if (isSwapped && before[j - 2]! + 1 < cost) cost = before[j - 2]! + 1;
      next[j] = cost;
      if (cost < least) least = cost;
    }
    return least;
  }

  private withRoomFor(width: number): this {
    [this.before, this.row, this.next] = [0, 1, 2].map(() => new Uint8Array(width * 2)) as [
      Uint8Array<ArrayBuffer>,
      Uint8Array<ArrayBuffer>,
      Uint8Array<ArrayBuffer>,
    ];
    return this;
  }
}

/** The letters of a word as bits. One typo puts in at most one and takes out at most one. */
export function letterMask(word: string): number {
  let mask = 0;
  for (let at = 0; at < word.length; at++) mask |= 1 << (word.charCodeAt(at) & 31);
  return mask;
}

/** Whether two masks leave room for one or two typos. */
export function masksFit(a: number, b: number, most: number): boolean {
  let lacking = a & ~b;
  let extra = b & ~a;
  if (most > 1) {
    lacking &= lacking - 1;
    extra &= extra - 1;
  }
  return (lacking & (lacking - 1)) === 0 && (extra & (extra - 1)) === 0;
}
