import type { ReadContext } from '../../structure/index.js';
import { makeField } from '../../structure/index.js';
import type { FileTable } from '../tables/file-table.js';
import type { ColumnPlan, ColumnUse, ImportPlan } from './import-plan.js';
import type { GivenConventions } from './propose-columns.js';
import type { ProposedType } from './propose-type.js';
import { labelOf } from './labels.js';
import { fieldForColumn, proposeColumn, proposePlan } from './propose-columns.js';

/** What a person makes of a column: a built-in part, half of a place, nothing, or a field of a type. */
export type ColumnChoice =
  { readonly use: Exclude<ColumnUse, 'field'> } | { readonly use: 'field'; readonly proposed: ProposedType };

/**
 * The plan after a column was given another use. Title and summary belong to one column, so the one that had it before
 * becomes a short text; fields that no column fills any more are taken out.
 */
export function withColumnUse(plan: ImportPlan, column: number, choice: ColumnChoice): ImportPlan {
  const isSingle = choice.use === 'title' || choice.use === 'summary';
  const previous = isSingle
    ? plan.columns.find((other) => other.use === choice.use && other.column !== column)
    : undefined;
  const cleared = previous ? place(plan, previous.column, asText(previous)) : plan;
  return withoutUnused(place(cleared, column, choice));
}

/** The plan with another label for the field that a column fills. */
export function withFieldLabel(plan: ImportPlan, key: string, label: string): ImportPlan {
  return { ...plan, fields: plan.fields.map((field) => (field.key === key ? { ...field, label } : field)) };
}

const CHOSEN = 'You chose this.';

function asText({ reading }: ColumnPlan): ColumnChoice {
  const proposal = { strength: 0, settings: {}, reason: CHOSEN };
  const plain = { ...reading, separator: null, blankIsNo: false, emptyWords: [] };
  return { use: 'field', proposed: { type: 'short-text', proposal, reading: plain, emptied: 0 } };
}

function place(plan: ImportPlan, column: number, choice: ColumnChoice): ImportPlan {
  const before = plan.columns[column];
  if (!before) return plan;
  const base: ColumnPlan = { ...before, reason: CHOSEN, against: '', doubt: null, emptied: 0, isChosen: true };
  const put = (changed: ColumnPlan, fields = plan.fields): ImportPlan => ({
    ...plan,
    columns: plan.columns.map((other) => (other.column === column ? changed : other)),
    fields,
  });
  if (choice.use === 'latitude' || choice.use === 'longitude') {
    const known = plan.fields.find((field) => field.type === 'place');
    const field = known ?? makeField({ key: freeKey(plan, 'place'), label: 'Place', type: 'place' });
    return put({ ...base, use: choice.use, fieldKey: field.key }, known ? plan.fields : [...plan.fields, field]);
  }
  if (choice.use !== 'field') return put({ ...base, use: choice.use, fieldKey: null });
  const { type, proposal, reading, emptied } = choice.proposed;
  const { reason, against = '', settings } = proposal;
  const filled = { ...base, reason, against, reading, emptied, use: 'field' } as const;
  const old = before.use === 'field' ? plan.fields.find(({ key }) => key === before.fieldKey) : undefined;
  if (old) {
    const changed = { ...old, type, settings };
    return put(
      { ...filled, fieldKey: old.key },
      plan.fields.map((field) => (field === old ? changed : field)),
    );
  }
  const taken = new Set(plan.fields.map(({ key }) => key));
  const field = fieldForColumn(before.header, type, proposal, taken);
  return put({ ...filled, fieldKey: field.key }, [...plan.fields, field]);
}

/**
 * The plan for a file that is written in another way: everything is read again, but what a person has decided of a
 * column, and what they have called it, stays.
 */
export function rereadPlan(
  table: FileTable,
  context: ReadContext,
  plan: ImportPlan,
  given: GivenConventions,
): ImportPlan {
  let again = proposePlan(table, context, given);
  for (const { column, use, fieldKey, isChosen, header, reading } of plan.columns) {
    const field = plan.fields.find(({ key }) => key === fieldKey);
    if (isChosen && (use !== 'field' || !field)) {
      again = withColumnUse(again, column, { use: use as Exclude<ColumnUse, 'field'> });
    } else if (isChosen && field) {
      // What a person has said of one column stays, until they say another thing of all of them.
      const { decimal, dateOrder } = isSaidAnew(plan, given) ? again.columns[column]!.reading : reading;
      const conventions = { emptyWords: again.conventions.emptyWords, decimal, dateOrder };
      const proposed = proposeColumn(table, column, context, conventions, field.type);
      again = withColumnUse(again, column, { use: 'field', proposed });
    }
    const now = again.columns[column]!.fieldKey;
    if (field && now !== null && field.label !== labelOf(header) && use === 'field') {
      again = withFieldLabel(again, now, field.label);
    }
  }
  return again;
}

/** Whether a person has chosen another decimal mark, or another order of dates, for the whole file. */
function isSaidAnew({ conventions }: ImportPlan, { decimal, dateOrder }: GivenConventions): boolean {
  const isOther = decimal !== undefined && decimal !== conventions.decimal;
  return isOther || (dateOrder !== undefined && dateOrder !== conventions.dateOrder);
}

function freeKey(plan: ImportPlan, wanted: string): string {
  const isTaken = (key: string): boolean => plan.fields.some((field) => field.key === key);
  let key = wanted;
  for (let n = 2; isTaken(key); n++) key = `${wanted}_${n}`;
  return key;
}

function withoutUnused(plan: ImportPlan): ImportPlan {
  const used = new Set(plan.columns.map(({ fieldKey }) => fieldKey));
  return { ...plan, fields: plan.fields.filter(({ key }) => used.has(key)) };
}

/** What keeps a plan from being carried out, in a sentence; null when nothing does. */
export function planProblem({ columns, fields }: ImportPlan): string | null {
  if (!columns.some(({ use }) => use === 'title')) return 'Choose the column that gives each listing its title.';
  for (const field of fields.filter(({ type }) => type === 'place')) {
    const halves = columns.filter(({ fieldKey }) => fieldKey === field.key).map(({ use }) => use);
    const isWhole = halves.includes('field') || (halves.includes('latitude') && halves.includes('longitude'));
    if (!isWhole) return `${field.label} needs a column for its latitude and one for its longitude.`;
    if (new Set(halves).size < halves.length) return `${field.label} has two columns for the same half.`;
  }
  return null;
}
