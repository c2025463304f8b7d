/** The rows that a search finds. */
export interface TextMatches {
  /** In no order. */
  readonly rows: Uint32Array;
  /** Beside {@link rows}, how well each fits; higher is better. */
  readonly strengths: Float32Array | Uint8Array;
  /** The same by row, times a number that is the same for all. Holds until the next search. */
  scores(): Float32Array;
  /** Words that were asked for, and how many of them each row has; fewer where no row has all. */
  readonly wanted: number;
  readonly met: number;
}
