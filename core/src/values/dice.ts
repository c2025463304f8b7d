/** Random numbers that are the same each time for the same beginning (Mulberry32, a public-domain generator). */
export class Dice {
  constructor(private state: number) {}

  /** From 0 up to 1, without 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  }

  /** A whole number from least to greatest, both in. */
  whole(least: number, greatest: number): number {
    return least + Math.floor(this.next() * (greatest - least + 1));
  }

  pick<T>(from: readonly T[]): T {
    return from[this.whole(0, from.length - 1)]!;
  }

  /** Each item with the given chance, at least one. */
  some<T>(from: readonly T[], chance: number): T[] {
    const picked = from.filter(() => this.next() < chance);
    return picked.length === 0 ? [this.pick(from)] : picked;
  }

  chance(probability: number): boolean {
    return this.next() < probability;
  }
}
