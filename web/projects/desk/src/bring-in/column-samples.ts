import type { ColumnPlan } from '@plindo/core/exchange';
import type { FileFacts } from './reading/import-protocol';

const SAMPLES = 3;

/** What the first rows of a file have in a column. */
export function samplesOf({ firstRows }: FileFacts, { column }: ColumnPlan): string[] {
  return firstRows.slice(0, SAMPLES).map((row) => row[column] ?? '');
}
