import type { ColumnSample, FieldTypeName } from '../../structure/index.js';
import { foldText } from '../../values/index.js';

const NAMES_A_ROW = /^(name|title|label|designation|bezeichnung|nome|nombre|nom|titel|titre|titulo)$/;
const HOLDS_A_NAME = /(^|[\s_])(name|title)$/;
const LONGEST_TITLE_COLUMN = 200;
/** Whether a column holds words is told by so many of its different values. */
const LETTERS_IN = 100;
/** A title stands to the left of what tells of it; from here on a column is as far away as any. */
const FURTHEST = 5;

/** The column that names the rows: by its header, else the fullest and most varied text. */
export function findTitle(samples: readonly ColumnSample[], types: readonly FieldTypeName[], rows: number): number {
  let best = 0;
  let bestScore = -Infinity;
  samples.forEach((sample, column) => {
    const fullness = sample.filled / Math.max(1, rows);
    const variety = sample.tally.size / Math.max(1, sample.filled);
    const header = foldText(sample.header);
    const named = NAMES_A_ROW.test(header) ? 3 : HOLDS_A_NAME.test(header) ? 0.2 : 0;
    const isText = types[column] === 'short-text' && sample.longest <= LONGEST_TITLE_COLUMN;
    const first = firstOf(sample.tally.keys(), LETTERS_IN);
    const letters = first.filter((value) => /\p{L}{4}/u.test(value)).length / Math.max(1, first.length);
    const score = (isText ? 2 : 0) + named + fullness + variety + letters - Math.min(column, FURTHEST) / 5;
    if (score > bestScore) [best, bestScore] = [column, score];
  });
  return best;
}

function firstOf(values: Iterable<string>, most: number): string[] {
  const first: string[] = [];
  for (const value of values) if (first.push(value) === most) break;
  return first;
}
