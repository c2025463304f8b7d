import type { Difference, Listing, ListingInput } from '../../listings/index.js';
import { contentOf, differencesOf } from '../../listings/index.js';
import type { KindDefinition, ReadContext } from '../../structure/index.js';
import type { Issue } from '../../values/index.js';
import { isSame } from '../../values/index.js';
import type { BadValuePolicy } from '../import-rows.js';
import { readImportRow } from '../import-rows.js';
import type { MatchedRow } from './match-rows.js';

/** What a row makes of its listing. */
export type RowOutcomeAgain = 'new' | 'changed' | 'same' | 'refused';

export interface RowComparison {
  /** Line in the file, from 1. */
  readonly line: number;
  readonly title: string;
  readonly outcome: RowOutcomeAgain;
  /** The listing that it is about, and its version; null for a new one. */
  readonly id: number | null;
  readonly version: number | null;
  /** What it changes, and nothing else; for a new one all that it says. */
  readonly input: ListingInput;
  /** Field by field; none for a new one. */
  readonly differences: readonly Difference[];
  /** Why it is refused, or which of its values are left out. */
  readonly issues: readonly Issue[];
}

/** Compares a row with its listing as it is. A row whose listing is gone meanwhile is a new one. */
export function compareRow(
  { row: given }: MatchedRow,
  before: Listing | null,
  kind: Pick<KindDefinition, 'fields' | 'startStatus'>,
  policy: BadValuePolicy,
  context: ReadContext,
): RowComparison {
  // The defaults of new listings don't apply to a listing that is there already.
  const row = before ? { ...given, input: { ...given.input, status: undefined } } : given;
  const { line, input } = row;
  const found = { line, id: before?.id ?? null, version: before?.version ?? null };
  const outcome = readImportRow(row, kind, policy, context, before ? contentOf(before) : null);
  const title = before?.title ?? String(input.title ?? '');
  if (outcome.kind === 'refused') {
    return { ...found, title, outcome: 'refused', input: {}, differences: [], issues: outcome.issues };
  }
  const { content, leftOut: issues } = outcome;
  if (!before) {
    const bad = new Set(issues.map(({ field }) => field));
    const values = Object.fromEntries(Object.entries(input.values ?? {}).filter(([key]) => !bad.has(key)));
    return { ...found, title: content.title, outcome: 'new', input: { ...input, values }, differences: [], issues };
  }
  const changed = changedParts(input, before, content);
  const differences = changed ? differencesOf(before, { ...before, ...content }, kind, context) : [];
  return { ...found, title, outcome: changed ? 'changed' : 'same', input: changed ?? {}, differences, issues };
}

/** What of an input makes a listing another one; null for nothing. */
function changedParts(
  input: ListingInput,
  before: Listing,
  after: Pick<Listing, 'title' | 'summary' | 'slug' | 'values'>,
): ListingInput | null {
  const parts = (['title', 'summary', 'slug'] as const).filter(
    (part) => input[part] !== undefined && before[part] !== after[part],
  );
  const keys = Object.keys(input.values ?? {}).filter((key) => !isSame(before.values[key], after.values[key]));
  if (parts.length === 0 && keys.length === 0) return null;
  const values = Object.fromEntries(keys.map((key) => [key, after.values[key] ?? null]));
  return { ...Object.fromEntries(parts.map((part) => [part, after[part]])), ...(keys.length > 0 && { values }) };
}
