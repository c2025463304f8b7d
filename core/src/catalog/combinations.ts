const EMPTY = 0;
const TOMBSTONE = 0xffffffff;
const LEAST_SLOTS = 64;

/**
 * Sequences of small numbers, each kept once under a number of its own; 0 is the empty one. Rows that hold the same
 * choices share a combination, so that counting a million rows is counting combinations. Knows nothing of choices.
 */
export class Combinations {
  /** Combination numbers in use are below this. */
  end = 1;
  /** The members of combination `n` are `members[starts[n]]` up to `members[starts[n] + lengths[n] - 1]`. */
  starts: Uint32Array = new Uint32Array(16);
  lengths: Uint16Array = new Uint16Array(16);
  members: Uint32Array = new Uint32Array(32);
  private uses: Uint32Array = new Uint32Array(16);
  /** Open addressing: combination numbers by the hash of their members. */
  private slots: Uint32Array = new Uint32Array(LEAST_SLOTS);
  private filledSlots = 0;
  private usedMembers = 0;
  private wastedMembers = 0;
  private readonly free: number[] = [];

  /** The number of a sequence, with one use more. */
  take(sequence: readonly number[]): number {
    if (sequence.length === 0) return 0;
    let at = this.hashOf(sequence) & (this.slots.length - 1);
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
    let at = this.hashOf(this.sequenceOf(combination)) & mask;
    while (this.slots[at] !== combination) at = (at + 1) & mask;
    this.slots[at] = TOMBSTONE;
    this.wastedMembers += this.lengths[combination]!;
    this.lengths[combination] = 0;
    this.free.push(combination);
  }

  sequenceOf(combination: number): Uint32Array {
    const start = this.starts[combination]!;
    return this.members.subarray(start, start + this.lengths[combination]!);
  }

  /** By combination, 1 for those that have at least one of the wanted members. */
  withAnyOf(wanted: Uint8Array): Uint8Array {
    const { starts, lengths, members, end } = this;
    const marks = new Uint8Array(end);
    for (let combination = 1; combination < end; combination++) {
      const stop = starts[combination]! + lengths[combination]!;
      for (let at = starts[combination]!; at < stop; at++) marks[combination]! |= wanted[members[at]!]!;
    }
    return marks;
  }

  private isSame(combination: number, sequence: readonly number[]): boolean {
    if (this.lengths[combination] !== sequence.length) return false;
    const start = this.starts[combination]!;
    for (let at = 0; at < sequence.length; at++) if (this.members[start + at] !== sequence[at]) return false;
    return true;
  }

  private make(sequence: readonly number[]): number {
    const made = this.free.pop() ?? this.end++;
    if (made >= this.starts.length) this.widen();
    if (this.usedMembers + sequence.length > this.members.length) this.packMembers(sequence.length);
    this.starts[made] = this.usedMembers;
    this.lengths[made] = sequence.length;
    this.uses[made] = 1;
    for (const member of sequence) this.members[this.usedMembers++] = member;
    return made;
  }

  /** FNV-1a over the members. */
  private hashOf(sequence: Uint32Array | readonly number[]): number {
    let hash = 0x811c9dc5;
    for (const member of sequence) hash = Math.imul(hash ^ member, 0x01000193);
    return (hash ^ (hash >>> 15)) >>> 0;
  }

  private rehash(): void {
    let size = LEAST_SLOTS;
    while (size < (this.end - this.free.length) * 3) size *= 2;
    const slots = new Uint32Array(size);
    this.filledSlots = 0;
    for (const combination of this.slots) {
      if (combination === EMPTY || combination === TOMBSTONE) continue;
      let at = this.hashOf(this.sequenceOf(combination)) & (size - 1);
      while (slots[at] !== EMPTY) at = (at + 1) & (size - 1);
      slots[at] = combination;
      this.filledSlots++;
    }
    this.slots = slots;
  }

  private widen(): void {
    const length = this.starts.length * 2;
    this.starts = withLength(this.starts, new Uint32Array(length));
    this.lengths = withLength(this.lengths, new Uint16Array(length));
    this.uses = withLength(this.uses, new Uint32Array(length));
  }

  private packMembers(needed: number): void {
    const inUse = this.usedMembers - this.wastedMembers;
    const packed = new Uint32Array(Math.max(32, Math.ceil((inUse + needed) * 1.5)));
    let end = 0;
    for (let combination = 1; combination < this.end; combination++) {
      const sequence = this.sequenceOf(combination);
      packed.set(sequence, end);
      this.starts[combination] = end;
      end += sequence.length;
    }
    this.members = packed;
    this.usedMembers = end;
    this.wastedMembers = 0;
  }
}

function withLength<Numbers extends Uint32Array | Uint16Array>(from: Numbers, to: Numbers): Numbers {
  to.set(from);
  return to;
}
