import type { TextMatches } from './text-matches.js';

/** Strengths are parted into so many steps to find the best rows without sorting all. */
const STEPS = 4096;

/** The best rows of a search, the best first, equal ones by row. */
export function bestMatches({ rows, strengths }: TextMatches, most: number): number[] {
  const places = rows.length > STEPS ? nearTheTop(strengths, most) : Array.from(rows, (_, at) => at);
  return places
    .sort((a, b) => strengths[b]! - strengths[a]! || rows[a]! - rows[b]!)
    .slice(0, most)
    .map((at) => rows[at]!);
}

/** The places whose strength is in one of the steps that the best ones lie in. */
function nearTheTop(strengths: Float32Array | Uint8Array, most: number): number[] {
  let greatest = 0;
  for (const strength of strengths) if (strength > greatest) greatest = strength;
  const scale = (STEPS - 1) / greatest;
  const sizes = new Uint32Array(STEPS);
  for (const strength of strengths) sizes[(strength * scale) | 0]!++;
  let least = STEPS;
  for (let kept = 0; kept < most && least > 0;) kept += sizes[--least]!;
  const kept: number[] = [];
  for (let at = 0; at < strengths.length; at++) if (((strengths[at]! * scale) | 0) >= least) kept.push(at);
  return kept;
}
