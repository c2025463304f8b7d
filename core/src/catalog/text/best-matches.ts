import type { TextMatches } from './text-index.js';

/** Scores are parted into so many steps to find the best ones without sorting all. */
const STEPS = 4096;

/** The best rows of a search, the best first, equal ones by row. */
export function bestMatches(matches: TextMatches, most: number): number[] {
  const { rows } = matches;
  const scores = matches.scores();
  const kept = rows.length > STEPS ? nearTheTop(rows, scores, most) : Array.from(rows);
  return kept.sort((a, b) => scores[b]! - scores[a]! || a - b).slice(0, most);
}

/** The rows whose score is in one of the steps that the best ones lie in. */
function nearTheTop(rows: Uint32Array, scores: Float32Array, most: number): number[] {
  let greatest = 0;
  for (let at = 0; at < rows.length; at++) if (scores[rows[at]!]! > greatest) greatest = scores[rows[at]!]!;
  const scale = (STEPS - 1) / greatest;
  const sizes = new Uint32Array(STEPS);
  for (let at = 0; at < rows.length; at++) sizes[(scores[rows[at]!]! * scale) | 0]!++;
  let least = STEPS;
  for (let kept = 0; kept < most && least > 0;) kept += sizes[--least]!;
  const kept: number[] = [];
  for (let at = 0; at < rows.length; at++) if (((scores[rows[at]!]! * scale) | 0) >= least) kept.push(rows[at]!);
  return kept;
}
