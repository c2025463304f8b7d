import type { TextOrder } from '../values/index.js';

export const NO_RANK = 0xffffffff;

/**
 * A text a row, with the rank of each in the locale's order. While the column is built texts are only collected;
 * {@link finish} sorts them once, and after that each change moves one entry.
 */
export class TextColumn {
  readonly kind = 'text';
  private readonly texts: (string | null)[] = [];
  /** Rows that have a text, in order of text, equal texts by row. */
  private sorted = new Uint32Array(0);
  private size = 0;
  /** Whether the text at a position of `sorted` differs from the one before it. */
  private steps = new Uint8Array(0);
  private ranks: Uint32Array | null = null;
  private isFinished = false;

  constructor(
    private capacity: number,
    private readonly compare: TextOrder,
  ) {}

  grow(capacity: number): void {
    this.capacity = capacity;
    this.ranks = null;
  }

  textAt(row: number): string | null {
    return this.texts[row] ?? null;
  }

  put(row: number, text: string | null): void {
    const before = this.textAt(row);
    if (this.isFinished && before === text) return;
    if (this.isFinished && before !== null) this.takeOut(row);
    this.texts[row] = text;
    if (this.isFinished && text !== null) this.insert(row, text);
    this.ranks = null;
  }

  /** Sorts what was collected. To be called once, before the first rank is asked for. */
  finish(): void {
    const rows: number[] = [];
    this.texts.forEach((text, row) => {
      if (text != null) rows.push(row);
    });
    rows.sort((a, b) => this.compareRows(a, b));
    this.sorted = Uint32Array.from(rows);
    this.size = rows.length;
    this.steps = new Uint8Array(rows.length);
    for (let at = 0; at < rows.length; at++) this.markStep(at);
    this.isFinished = true;
  }

  /** Rank by row, equal for equal texts, {@link NO_RANK} for none. */
  rankByRow(): Uint32Array {
    if (!this.isFinished) throw new Error('A text column has no ranks before finish() is called.');
    if (this.ranks) return this.ranks;
    const ranks = new Uint32Array(this.capacity).fill(NO_RANK);
    let rank = 0;
    for (let at = 0; at < this.size; at++) {
      rank += this.steps[at]!;
      ranks[this.sorted[at]!] = rank;
    }
    return (this.ranks = ranks);
  }

  private compareRows(a: number, b: number): number {
    return this.compare(this.texts[a]!, this.texts[b]!) || a - b;
  }

  private markStep(at: number): void {
    if (at >= this.size) return;
    const text = this.texts[this.sorted[at]!]!;
    const previous = at === 0 ? null : this.texts[this.sorted[at - 1]!]!;
    this.steps[at] = previous !== null && this.compare(previous, text) === 0 ? 0 : 1;
  }

  /** The position of a row's text, or the one where it belongs. */
  private positionOf(row: number, text: string): number {
    let low = 0;
    let high = this.size;
    while (low < high) {
      const middle = (low + high) >>> 1;
      const other = this.sorted[middle]!;
      if ((this.compare(this.texts[other]!, text) || other - row) < 0) low = middle + 1;
      else high = middle;
    }
    return low;
  }

  private takeOut(row: number): void {
    const at = this.positionOf(row, this.texts[row]!);
    this.sorted.copyWithin(at, at + 1, this.size);
    this.steps.copyWithin(at, at + 1, this.size);
    this.size--;
    this.markStep(at);
  }

  private insert(row: number, text: string): void {
    if (this.size === this.sorted.length) this.widen();
    const at = this.positionOf(row, text);
    this.sorted.copyWithin(at + 1, at, this.size);
    this.steps.copyWithin(at + 1, at, this.size);
    this.sorted[at] = row;
    this.size++;
    this.markStep(at);
    this.markStep(at + 1);
  }

  private widen(): void {
    const length = Math.max(64, this.sorted.length * 2);
    const sorted = new Uint32Array(length);
    sorted.set(this.sorted);
    const steps = new Uint8Array(length);
    steps.set(this.steps);
    [this.sorted, this.steps] = [sorted, steps];
  }
}
