import type { FieldTypeName, Proposal } from '../structure/index.js';
import { makeField } from '../structure/index.js';
import type { ColumnPlan, ColumnUse, ImportPlan } from './propose-columns.js';
import { fieldForColumn } from './propose-columns.js';

/** What a person makes of a column: a built-in part, half of a place, nothing, or a field of a type. */
export type ColumnChoice =
  | { readonly use: Exclude<ColumnUse, 'field'> }
  | { readonly use: 'field'; readonly type: FieldTypeName; readonly proposal: Proposal };

/**
 * The plan after a column was given another use. Title and summary belong to one column, so the one that had it before
 * becomes a short text; fields that no column fills any more are taken out.
 */
export function withColumnUse(plan: ImportPlan, column: number, choice: ColumnChoice): ImportPlan {
  const isSingle = choice.use === 'title' || choice.use === 'summary';
  const previous = isSingle
    ? plan.columns.find((other) => other.use === choice.use && other.column !== column)
    : undefined;
  const asText = { use: 'field', type: 'short-text', proposal: CHOSEN } as const;
  const cleared = previous ? place(plan, previous.column, asText) : plan;
  return withoutUnused(place(cleared, column, choice));
}

/** The plan with another label for the field that a column fills. */
export function withFieldLabel(plan: ImportPlan, key: string, label: string): ImportPlan {
  return { ...plan, fields: plan.fields.map((field) => (field.key === key ? { ...field, label } : field)) };
}

const CHOSEN: Proposal = { strength: 0, settings: {}, reason: 'You chose this.' };

function place(plan: ImportPlan, column: number, choice: ColumnChoice): ImportPlan {
  const before = plan.columns[column];
  if (!before) return plan;
  const base = { column, header: before.header, reason: CHOSEN.reason, against: '' };
  const put = (changed: ColumnPlan, fields = plan.fields): ImportPlan => ({
    columns: plan.columns.map((other) => (other.column === column ? changed : other)),
    fields,
  });
  if (choice.use === 'latitude' || choice.use === 'longitude') {
    const known = plan.fields.find((field) => field.type === 'place');
    const field = known ?? makeField({ key: freeKey(plan, 'place'), label: 'Place', type: 'place' });
    return put({ ...base, use: choice.use, fieldKey: field.key }, known ? plan.fields : [...plan.fields, field]);
  }
  if (choice.use !== 'field') return put({ ...base, use: choice.use, fieldKey: null });
  const old = before.use === 'field' ? plan.fields.find(({ key }) => key === before.fieldKey) : undefined;
  const reason = { reason: choice.proposal.reason, against: choice.proposal.against ?? '' };
  if (old) {
    const changed = { ...old, type: choice.type, settings: choice.proposal.settings };
    const fields = plan.fields.map((field) => (field === old ? changed : field));
    return put({ ...base, ...reason, use: 'field', fieldKey: old.key }, fields);
  }
  const taken = new Set(plan.fields.map(({ key }) => key));
  const field = fieldForColumn(before.header, choice.type, choice.proposal, taken);
  return put({ ...base, ...reason, use: 'field', fieldKey: field.key }, [...plan.fields, field]);
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
