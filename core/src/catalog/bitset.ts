/** A set of rows, one bit each, in words of 32. Knows nothing of listings. */
export class Bitset {
  readonly words: Uint32Array;

  constructor(
    readonly capacity: number,
    words?: Uint32Array,
  ) {
    this.words = words ?? new Uint32Array((capacity + 31) >>> 5);
  }

  has(row: number): boolean {
    return ((this.words[row >>> 5] ?? 0) & (1 << (row & 31))) !== 0;
  }

  add(row: number): void {
    this.words[row >>> 5]! |= 1 << (row & 31);
  }

  delete(row: number): void {
    this.words[row >>> 5]! &= ~(1 << (row & 31));
  }

  put(row: number, isIn: boolean): void {
    if (isIn) this.add(row);
    else this.delete(row);
  }

  clone(): Bitset {
    return new Bitset(this.capacity, this.words.slice());
  }

  /** A copy with room for more rows. */
  grown(capacity: number): Bitset {
    const larger = new Bitset(capacity);
    larger.words.set(this.words);
    return larger;
  }

  /** Leaves only the rows that are in `other` too. */
  intersect(other: Bitset): this {
    const { words } = this;
    const others = other.words;
    const end = Math.min(words.length, others.length);
    for (let at = 0; at < end; at++) words[at]! &= others[at]!;
    // Rows beyond the capacity of the other set are not in it.
    return end < words.length ? this.clearFrom(end) : this;
  }

  /** Takes out the rows of `other`. */
  subtract(other: Bitset): this {
    const { words } = this;
    const others = other.words;
    const end = Math.min(words.length, others.length);
    for (let at = 0; at < end; at++) words[at]! &= ~others[at]!;
    return this;
  }

  /** Takes in the rows of `other`. */
  unite(other: Bitset): this {
    const { words } = this;
    const others = other.words;
    const end = Math.min(words.length, others.length);
    for (let at = 0; at < end; at++) words[at]! |= others[at]!;
    return this;
  }

  private clearFrom(word: number): this {
    this.words.fill(0, word);
    return this;
  }

  count(): number {
    return this.countWith(this);
  }

  /** How many rows are in both. */
  countWith(other: Bitset): number {
    const { words } = this;
    const others = other.words;
    const end = Math.min(words.length, others.length);
    let count = 0;
    let at = 0;
    // Three words at a time are added bit by bit into ones and twos, of which nine fit into the bytes of a sum.
    while (at + 3 <= end) {
      const stop = Math.min(end - 2, at + 27);
      let bytes = 0;
      for (; at < stop; at += 3) {
        const a = words[at]! & others[at]!;
        const b = words[at + 1]! & others[at + 1]!;
        const c = words[at + 2]! & others[at + 2]!;
        const half = a ^ b;
        bytes += bytesOf(half ^ c) + (bytesOf((a & b) | (half & c)) << 1);
      }
      const pairs = (bytes & 0x00ff00ff) + ((bytes >>> 8) & 0x00ff00ff);
      count += (pairs + (pairs >>> 16)) & 0xffff;
    }
    for (; at < end; at++) count += bitsIn(words[at]! & others[at]!);
    return count;
  }

  /** The rows as a list, ascending: loops over it are several times as fast as calls for each row. `size` is their number. */
  toRows(size = this.count()): Uint32Array {
    const rows = new Uint32Array(size);
    const { words } = this;
    let end = 0;
    for (let at = 0; at < words.length; at++) {
      for (let word = words[at]!; word !== 0; word &= word - 1) {
        rows[end++] = (at << 5) + 31 - Math.clz32(word & -word);
      }
    }
    return rows;
  }

  /** Calls `visit` with each row, ascending. */
  forEach(visit: (row: number) => void): void {
    const { words } = this;
    for (let at = 0; at < words.length; at++) {
      for (let word = words[at]!; word !== 0; word &= word - 1) {
        visit((at << 5) + 31 - Math.clz32(word & -word));
      }
    }
  }
}

/** How many bits are set in each byte of a word (the parallel sum of Warren, Hacker's Delight, 5-1). */
function bytesOf(word: number): number {
  const pairs = word - ((word >>> 1) & 0x55555555);
  const fours = (pairs & 0x33333333) + ((pairs >>> 2) & 0x33333333);
  return (fours + (fours >>> 4)) & 0x0f0f0f0f;
}

function bitsIn(word: number): number {
  return Math.imul(bytesOf(word), 0x01010101) >>> 24;
}
