/** Members of a combination that fit into a number, and the bits that each takes there; it stands there plus one. */
export const MEMBERS_IN_CODE = 3;
export const MEMBER_BITS = 10;
export const MEMBER_MASK = (1 << MEMBER_BITS) - 1;

/** Counts by member, kept apart by the place at which a member stands, so that no addition waits for the one before. */
export class MemberTally {
  readonly first = new Uint32Array(1 << MEMBER_BITS);
  readonly second = new Uint32Array(1 << MEMBER_BITS);
  readonly third = new Uint32Array(1 << MEMBER_BITS);
  private readonly others: Uint32Array;

  constructor(
    members: number,
    private readonly spilled: Uint32Array,
  ) {
    this.others = new Uint32Array(members);
  }

  addSpilled(start: number, count: number): void {
    const stop = start + 1 + this.spilled[start]!;
    for (let at = start + 1; at < stop; at++) this.others[this.spilled[at]!]! += count;
  }

  counts(): Uint32Array {
    const { first, second, third, others } = this;
    const end = Math.min(others.length, MEMBER_MASK);
    for (let member = 0; member < end; member++) {
      others[member]! += first[member + 1]! + second[member + 1]! + third[member + 1]!;
    }
    return others;
  }
}

/** The members of a sequence in one number; null when they are too many or too large. */
export function codeOf(sequence: readonly number[]): number | null {
  if (sequence.length > MEMBERS_IN_CODE) return null;
  let code = 0;
  for (let at = sequence.length - 1; at >= 0; at--) {
    if (sequence[at]! >= MEMBER_MASK) return null;
    code = (code << MEMBER_BITS) | (sequence[at]! + 1);
  }
  return code;
}
