import type { TextOrder } from '../../values/index.js';
import { foldText } from '../../values/index.js';
import { ChoicesColumn } from './choices-column.js';
import type { Initials } from './initials.js';
import { SortedRows } from './sorted-rows.js';

export const NO_RANK = 0xffffffff;

export interface KeptColumnTexts {
  /** By row. */
  readonly texts: readonly (string | null)[];
  /** The rows that have a text in their order; null where it was never asked for. */
  readonly sorted: Uint32Array | null;
}

/** A text a row, with their order in a locale. The order is made when it is first asked for, then kept in step. */
export class TextColumn {
  readonly kind = 'text';
  private texts: (string | null)[] = [];
  private sorted: SortedRows | null = null;
  private ranks: Uint32Array | null = null;
  private initialRows: ChoicesColumn | null = null;

  constructor(
    private capacity: number,
    private readonly compare: TextOrder,
    private readonly initials: Initials,
  ) {}

  grow(capacity: number): void {
    this.capacity = capacity;
    this.ranks = null;
    this.initialRows?.grow(capacity);
  }

  kept(): KeptColumnTexts {
    const { sorted } = this;
    return {
      texts: Array.from(this.texts, (text) => text ?? null),
      sorted: sorted && sorted.rows.slice(0, sorted.size),
    };
  }

  restore({ texts, sorted }: KeptColumnTexts): void {
    this.texts = [...texts];
    this.sorted = sorted && new SortedRows(sorted, this.compareRows);
    [this.ranks, this.initialRows] = [null, null];
  }

  textAt(row: number): string | null {
    return this.texts[row] ?? null;
  }

  hasAny(row: number): boolean {
    return this.textAt(row) !== null;
  }

  put(row: number, text: string | null): void {
    const before = this.textAt(row);
    if (before === text) return;
    if (before !== null) this.sorted?.takeOut(row);
    this.texts[row] = text;
    if (text !== null) this.sorted?.insert(row);
    this.ranks = null;
    this.initialRows?.put(row, this.initialOf(text));
  }

  /** The rows that have a text, in the locale's order, equal texts by row. */
  sortedRows(): SortedRows {
    if (this.sorted) return this.sorted;
    const folded = new Map<number, string>();
    this.texts.forEach((text, row) => {
      if (text != null) folded.set(row, foldText(text));
    });
    // Comparing by the locale is slow, and least so where texts are nearly in order: so they are sorted roughly first.
    const roughly = [...folded].sort(([, a], [, b]) => (a < b ? -1 : a > b ? 1 : 0)).map(([row]) => row);
    const compare = this.compareRows;
    this.sorted = new SortedRows(
      roughly.sort((a, b) => compare(a, b) || a - b),
      compare,
    );
    return this.sorted;
  }

  isSame(a: number, b: number): boolean {
    const [x, y] = [this.texts[a]!, this.texts[b]!];
    return x === y || this.compare(x, y) === 0;
  }

  /** Rank by row, equal for equal texts, {@link NO_RANK} for none. */
  rankByRow(): Uint32Array {
    if (this.ranks) return this.ranks;
    const { rows, size } = this.sortedRows();
    const ranks = new Uint32Array(this.capacity).fill(NO_RANK);
    let rank = 0;
    for (let at = 0; at < size; at++) {
      if (at === 0 || !this.isSame(rows[at - 1]!, rows[at]!)) rank++;
      ranks[rows[at]!] = rank;
    }
    return (this.ranks = ranks);
  }

  /** The initials of the texts as choices; made when they are first asked for. */
  initialsColumn(): ChoicesColumn {
    if (this.initialRows) return this.initialRows;
    const column = new ChoicesColumn(this.capacity, []);
    this.texts.forEach((text, row) => column.put(row, this.initialOf(text)));
    return (this.initialRows = column);
  }

  private readonly compareRows = (a: number, b: number): number => this.compare(this.texts[a]!, this.texts[b]!);

  private initialOf(text: string | null): readonly string[] | null {
    return text === null ? null : [this.initials.of(text)];
  }
}
