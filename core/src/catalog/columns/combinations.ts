import { MEMBERS_IN_CODE, MEMBER_BITS, MEMBER_MASK, MemberTally, codeOf } from './member-codes.js';

const EMPTY = 0;
const TOMBSTONE = 0xffffffff;
const LEAST_SLOTS = 64;
/** From so many rows a combination on, counting combinations before their members is less work. */
const ROWS_A_COMBINATION = 2;

export interface KeptCombinations {
  /** By combination, as {@link Combinations} has them. */
  readonly codes: Int32Array;
  readonly uses: Uint32Array;
  readonly spilled: Uint32Array;
  /** How much of {@link spilled} belongs to combinations that are gone. */
  readonly wasted: number;
}

/**
 * Sequences of small numbers, each kept once under a number of its own; 0 is the empty one. Rows that hold the same
 * choices share a combination, so that counting a million rows is counting combinations. Knows nothing of choices.
 */
export class Combinations {
  /** Combination numbers in use are below this. */
  end = 1;
  /**
   * By combination: its members themselves, the first one lowest, where they are few and small; else, negative, the
   * complement of where its length and after it its members stand in {@link spilled}.
   */
  private codes: Int32Array = new Int32Array(16);
  private spilled: Uint32Array = new Uint32Array(32);
  private uses: Uint32Array = new Uint32Array(16);
  /** Open addressing: combination numbers by the hash of their members. */
  private slots: Uint32Array = new Uint32Array(LEAST_SLOTS);
  private filledSlots = 0;
  private spilledEnd = 0;
  private wasted = 0;
  private readonly free: number[] = [];

  kept(): KeptCombinations {
    const { codes, uses, spilled, wasted, end } = this;
    return { codes: codes.slice(0, end), uses: uses.slice(0, end), spilled: spilled.slice(0, this.spilledEnd), wasted };
  }

  /** To be called on one that is empty. */
  restore({ codes, uses, spilled, wasted }: KeptCombinations): void {
    [this.codes, this.uses, this.spilled] = [codes.slice(), uses.slice(), spilled.slice()];
    [this.end, this.spilledEnd, this.wasted] = [codes.length, spilled.length, wasted];
    for (let combination = 1; combination < this.end; combination++) {
      if (uses[combination] === 0) this.free.push(combination);
    }
    this.rehash();
  }

  /** The number of a sequence, with one use more. */
  take(sequence: readonly number[]): number {
    if (sequence.length === 0) return 0;
    let at = hashOf(sequence) & (this.slots.length - 1);
    let reusable = -1;
    for (;;) {
      const found = this.slots[at]!;
      if (found === EMPTY) break;
      if (found === TOMBSTONE) reusable = reusable < 0 ? at : reusable;
      else if (this.isSame(found, sequence)) {
        this.uses[found]!++;
        return found;
      }
      at = (at + 1) & (this.slots.length - 1);
    }
    const made = this.make(sequence);
    if (reusable < 0) this.filledSlots++;
    this.slots[reusable < 0 ? at : reusable] = made;
    if (this.filledSlots * 2 > this.slots.length) this.rehash();
    return made;
  }

  /** One use less; a combination without uses is forgotten, and its number given out again. */
  release(combination: number): void {
    if (combination === 0 || --this.uses[combination]! > 0) return;
    const mask = this.slots.length - 1;
    let at = hashOf(this.sequenceOf(combination)) & mask;
    while (this.slots[at] !== combination) at = (at + 1) & mask;
    this.slots[at] = TOMBSTONE;
    const code = this.codes[combination]!;
    if (code < 0) this.wasted += this.spilled[~code]! + 1;
    this.codes[combination] = 0;
    this.free.push(combination);
  }

  sequenceOf(combination: number): Uint32Array {
    const code = this.codes[combination]!;
    if (code < 0) return this.spilled.subarray(~code + 1, ~code + 1 + this.spilled[~code]!);
    const members = new Uint32Array(MEMBERS_IN_CODE);
    let length = 0;
    for (let rest = code; rest !== 0; rest >>>= MEMBER_BITS) members[length++] = (rest & MEMBER_MASK) - 1;
    return members.subarray(0, length);
  }

  /** The first member of a combination that isn't empty. */
  firstOf(combination: number): number {
    const code = this.codes[combination]!;
    return code < 0 ? this.spilled[~code + 1]! : (code & MEMBER_MASK) - 1;
  }

  /** By combination, 1 for those that have at least one of the wanted members. */
  withAnyOf(wanted: Uint8Array): Uint8Array {
    const { codes, spilled, end } = this;
    const marks = new Uint8Array(end);
    for (let combination = 1; combination < end; combination++) {
      let code = codes[combination]!;
      if (code < 0) {
        const start = ~code + 1;
        const stop = start + spilled[~code]!;
        for (let at = start; at < stop; at++) marks[combination]! |= wanted[spilled[at]!]!;
      } else for (; code !== 0; code >>>= MEMBER_BITS) marks[combination]! |= wanted[(code & MEMBER_MASK) - 1]!;
    }
    return marks;
  }

  /**
   * How many of the rows have each member below `members`. `own` is the combination by row: the loop is there once for
   * each width of it, as one for both is several times as slow.
   */
  countMembers(own: Uint16Array | Uint32Array, rows: Uint32Array, members: number): Uint32Array {
    const tally = new MemberTally(members, this.spilled);
    if (own instanceof Uint32Array) this.tallyWide(own, rows, tally);
    else if (rows.length < this.end * ROWS_A_COMBINATION) this.tallyNarrow(own, rows, tally);
    else this.tallyByCombination(own, rows, tally);
    return tally.counts();
  }

  private tallyWide(own: Uint32Array, rows: Uint32Array, tally: MemberTally): void {
    const { codes } = this;
    const { first, second, third } = tally;
    for (const row of rows) {
      const code = codes[own[row]!]!;
      if (code >= 0) {
        first[code & MEMBER_MASK]!++;
        second[(code >>> MEMBER_BITS) & MEMBER_MASK]!++;
        third[code >>> (2 * MEMBER_BITS)]!++;
      } else tally.addSpilled(~code, 1);
    }
  }

  private tallyNarrow(own: Uint16Array, rows: Uint32Array, tally: MemberTally): void {
    const { codes } = this;
    const { first, second, third } = tally;
    for (const row of rows) {
      const code = codes[own[row]!]!;
      if (code >= 0) {
        first[code & MEMBER_MASK]!++;
        second[(code >>> MEMBER_BITS) & MEMBER_MASK]!++;
        third[code >>> (2 * MEMBER_BITS)]!++;
      } else tally.addSpilled(~code, 1);
    }
  }

  /** Counts combinations first, which are fewer than the rows. */
  private tallyByCombination(own: Uint16Array, rows: Uint32Array, tally: MemberTally): void {
    const { codes, end } = this;
    const { first, second, third } = tally;
    const uses = new Uint32Array(end);
    for (const row of rows) uses[own[row]!]!++;
    for (let combination = 1; combination < end; combination++) {
      const count = uses[combination]!;
      const code = codes[combination]!;
      if (code >= 0) {
        first[code & MEMBER_MASK]! += count;
        second[(code >>> MEMBER_BITS) & MEMBER_MASK]! += count;
        third[code >>> (2 * MEMBER_BITS)]! += count;
      } else tally.addSpilled(~code, count);
    }
  }

  private isSame(combination: number, sequence: readonly number[]): boolean {
    const code = this.codes[combination]!;
    if (code >= 0) return code === codeOf(sequence);
    if (this.spilled[~code] !== sequence.length) return false;
    return sequence.every((member, at) => this.spilled[~code + 1 + at] === member);
  }

  private make(sequence: readonly number[]): number {
    const made = this.free.pop() ?? this.end++;
    if (made >= this.codes.length) this.widen();
    this.codes[made] = codeOf(sequence) ?? this.spill(sequence);
    this.uses[made] = 1;
    return made;
  }

  private spill(sequence: readonly number[]): number {
    if (this.spilledEnd + sequence.length + 1 > this.spilled.length) this.packSpilled(sequence.length + 1);
    const start = this.spilledEnd;
    this.spilled[start] = sequence.length;
    this.spilled.set(sequence, start + 1);
    this.spilledEnd = start + 1 + sequence.length;
    return ~start;
  }

  private rehash(): void {
    let size = LEAST_SLOTS;
    while (size < (this.end - this.free.length) * 3) size *= 2;
    const slots = new Uint32Array(size);
    this.filledSlots = 0;
    for (let combination = 1; combination < this.end; combination++) {
      if (this.uses[combination] === 0) continue;
      let at = hashOf(this.sequenceOf(combination)) & (size - 1);
      while (slots[at] !== EMPTY) at = (at + 1) & (size - 1);
      slots[at] = combination;
      this.filledSlots++;
    }
    this.slots = slots;
  }

  private widen(): void {
    const length = this.codes.length * 2;
    const [codes, uses] = [new Int32Array(length), new Uint32Array(length)];
    codes.set(this.codes);
    uses.set(this.uses);
    this.codes = codes;
    this.uses = uses;
  }

  private packSpilled(needed: number): void {
    const inUse = this.spilledEnd - this.wasted;
    const packed = new Uint32Array(Math.max(32, Math.ceil((inUse + needed) * 1.5)));
    let end = 0;
    for (let combination = 1; combination < this.end; combination++) {
      const code = this.codes[combination]!;
      if (code >= 0) continue;
      const length = this.spilled[~code]! + 1;
      packed.set(this.spilled.subarray(~code, ~code + length), end);
      this.codes[combination] = ~end;
      end += length;
    }
    this.spilled = packed;
    this.spilledEnd = end;
    this.wasted = 0;
  }
}

/** FNV-1a over the members. */
function hashOf(sequence: Uint32Array | readonly number[]): number {
  let hash = 0x811c9dc5;
  for (const member of sequence) hash = Math.imul(hash ^ member, 0x01000193);
  return (hash ^ (hash >>> 15)) >>> 0;
}
