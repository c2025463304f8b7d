import type { TextMatches } from './text-matches.js';

/** The best rows of a search, the best first, equal ones by row. */
export function bestMatches({ rows, strengths }: TextMatches, most: number): number[] {
  const best = new BestRows(Math.min(most, rows.length));
  if (most > 0 && strengths instanceof Uint8Array) offerBytes(best, rows, strengths);
  else if (most > 0) offerNumbers(best, rows, strengths as Float32Array);
  return best.inOrder();
}

// A loop for each type of strengths, as one for both is several times as slow.
function offerBytes(best: BestRows, rows: Uint32Array, strengths: Uint8Array): void {
  for (let at = 0; at < rows.length; at++) {
    const strength = strengths[at]!;
    if (strength >= best.least && best.hasPlaceFor(rows[at]!, strength)) best.put(rows[at]!, strength);
  }
}

function offerNumbers(best: BestRows, rows: Uint32Array, strengths: Float32Array): void {
  for (let at = 0; at < rows.length; at++) {
    const strength = strengths[at]!;
    if (strength >= best.least && best.hasPlaceFor(rows[at]!, strength)) best.put(rows[at]!, strength);
  }
}

/** The best ones of those that were offered, kept in order. */
class BestRows {
  /** Once there are enough, the strength and the row of the last one: what is weaker has no place among them. */
  least = -Infinity;
  private leastRow = Infinity;
  private size = 0;
  private readonly rows: Uint32Array;
  private readonly strengths: Float32Array;

  constructor(private readonly most: number) {
    this.rows = new Uint32Array(most);
    this.strengths = new Float32Array(most);
  }

  hasPlaceFor(row: number, strength: number): boolean {
    return strength > this.least || row < this.leastRow;
  }

  put(row: number, strength: number): void {
    const { rows, strengths, most } = this;
    let place = this.size < most ? this.size++ : most - 1;
    for (; place > 0 && this.isBetter(row, strength, place - 1); place--) {
      rows[place] = rows[place - 1]!;
      strengths[place] = strengths[place - 1]!;
    }
    rows[place] = row;
    strengths[place] = strength;
    if (this.size < most) return;
    this.least = strengths[most - 1]!;
    this.leastRow = rows[most - 1]!;
  }

  inOrder(): number[] {
    return [...this.rows];
  }

  private isBetter(row: number, strength: number, place: number): boolean {
    const other = this.strengths[place]!;
    return strength > other || (strength === other && row < this.rows[place]!);
  }
}
