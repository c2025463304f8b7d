/** One measured case, ours beside a reference in the same run. */
export interface Measurement {
  readonly case: string;
  readonly n: number;
  readonly oursMs: number;
  readonly reference: string;
  readonly referenceMs: number;
  /** Ours divided by the reference's time. */
  readonly ratio: number;
  /** The ratio that is to be held; null when none is set. */
  readonly hold: number | null;
  /** The most that ours may be, in its unit, where an absolute bound is set. */
  readonly bound?: number;
  /** The least that ours has to be, where that is asked. */
  readonly least?: number;
  /** What the two figures are in; milliseconds unless told otherwise. */
  readonly unit?: 'ms' | 'MB' | 'bytes' | '%' | 'points' | '';
  /** Whether both gave the same results, compared before anything was timed. */
  readonly equal: boolean;
}

export interface Benchmark {
  readonly about: string;
  /** Sizes that it is run at unless one is given. */
  readonly sizes: readonly number[];
  run(n: number): Promise<Measurement[]>;
  /** What is to be said of all sizes together, a line each. */
  conclude?(rows: readonly Measurement[]): string[];
}

export function median(times: readonly number[]): number {
  return percentile(times, 0.5);
}

export function percentile(times: readonly number[], share: number): number {
  const sorted = [...times].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? NaN;
}

/** Milliseconds that a piece of work takes. */
export async function timed(work: () => unknown): Promise<number> {
  const startedAt = performance.now();
  await work();
  return performance.now() - startedAt;
}
