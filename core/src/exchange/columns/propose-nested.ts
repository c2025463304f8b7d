import type { ColumnSample, Field, FieldTypeName, Proposal } from '../../structure/index.js';
import { fieldType, makeField, shareOf } from '../../structure/index.js';
import { keyOf } from '../../values/index.js';
import { labelOf } from './labels.js';

/** A type with what speaks for it, of a column or of what lies inside of one. */
export interface BestType {
  readonly type: FieldTypeName;
  readonly proposal: Proposal;
}

type Nested = Readonly<Record<string, unknown>>;

const MOST_FIELDS_INSIDE = 40;
/** Types that are not proposed inside, as records write what they hold as a text. */
const NOT_INSIDE: readonly FieldTypeName[] = ['group', 'rows', 'several-choices'];

/**
 * A group for a column of records, rows for one of lists of records, each with the fields that lie inside; null for any other
 * column. `best` says what the values of one of those fields are.
 */
export function proposeNested(sample: ColumnSample, best: (inside: ColumnSample) => BestType): BestType | null {
  // Most columns are none, which their first value tells.
  const [first = ''] = sample.tally.keys();
  if (!/^\s*(\{|\[\s*\{)/.test(first)) return null;
  const type = first.trimStart().startsWith('{') ? 'group' : 'rows';
  const records: { readonly record: Nested; readonly times: number }[] = [];
  for (const [text, times] of sample.tally) {
    const found = recordsIn(text, type);
    if (!found) return null;
    for (const record of found) records.push({ record, times });
  }
  const keys = [...new Set(records.flatMap(({ record }) => Object.keys(record)))].slice(0, MOST_FIELDS_INSIDE);
  const taken = new Set<string>();
  const fields = keys.map((key) => {
    const field = fieldInside(key, sampleInside(key, records, sample), best, taken);
    taken.add(field.key);
    return field;
  });
  if (fields.length === 0 || fields.some(({ key }, at) => key !== keys[at])) return null;
  const what = type === 'group' ? 'records' : 'lists of records';
  const reason = `${shareOf(sample.filled, sample)} are ${what}, with ${fields.map(({ label }) => label).join(', ')} inside.`;
  return { type, proposal: { strength: 1, settings: { fields }, reason } };
}

function recordsIn(text: string, type: 'group' | 'rows'): readonly Nested[] | null {
  try {
    const parsed: unknown = JSON.parse(text);
    const records: readonly unknown[] = type === 'rows' && Array.isArray(parsed) ? parsed : [parsed];
    return records.every(isRecord) ? records : null;
  } catch {
    return null;
  }
}

function isRecord(value: unknown): value is Nested {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** The values that a key has in all records, as if they stood in a column of their own. */
function sampleInside(
  key: string,
  records: readonly { readonly record: Nested; readonly times: number }[],
  { context }: ColumnSample,
): ColumnSample {
  const tally = new Map<string, number>();
  let [filled, longest, rows] = [0, 0, 0];
  for (const { record, times } of records) {
    rows += times;
    const text = textInside(record[key]);
    if (text === '') continue;
    filled += times;
    longest = Math.max(longest, text.length);
    tally.set(text, (tally.get(text) ?? 0) + times);
  }
  return { header: key, tally, filled, longest, rows, context };
}

function textInside(value: unknown): string {
  if (value === null || value === undefined) return '';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return typeof value === 'object' ? JSON.stringify(value) : String(value as string | number).trim();
}

/** Its key is that of the record, as its values are read by it. */
function fieldInside(
  header: string,
  sample: ColumnSample,
  best: (inside: ColumnSample) => BestType,
  taken: ReadonlySet<string>,
): Field {
  const { type, proposal } = best(sample);
  // What lies deeper, and what can't stand inside, stays a text.
  const fits = fieldType(type).nests !== false && !NOT_INSIDE.includes(type);
  const key = keyOf(header) === header && !taken.has(header) ? header : '';
  return makeField({
    ...{ key, label: labelOf(header), type: fits ? type : 'long-text' },
    settings: fits ? proposal.settings : {},
  });
}
