/**
 * The one definition of a condition. It is written over a listing's values; show-when uses it now, selections and "why
 * isn't it here?" will use the same.
 */
export type Condition = ConditionGroup | FieldTest;

/** Conditions under "all of", "any of" or "none of"; an empty "all of" and "none of" hold, an empty "any of" doesn't. */
export interface ConditionGroup {
  readonly join: 'all' | 'any' | 'none';
  readonly of: readonly Condition[];
}

/** One test of one field. The value stands as it would be typed, and is read by the field's type. */
export interface FieldTest {
  readonly field: string;
  readonly op: Operator;
  readonly value?: unknown;
}

export const OPERATORS = [
  'is',
  'is-not',
  'is-one-of',
  'includes-all',
  'includes-none',
  'contains',
  'starts-with',
  'below',
  'at-most',
  'above',
  'at-least',
  'between',
  'is-empty',
  'is-not-empty',
] as const;
export type Operator = (typeof OPERATORS)[number];

/** How an operator reads between a field's label and a value. */
export const OPERATOR_WORDS: Readonly<Record<Operator, string>> = {
  is: 'is',
  'is-not': 'is not',
  'is-one-of': 'is one of',
  'includes-all': 'includes all of',
  'includes-none': 'includes none of',
  contains: 'contains',
  'starts-with': 'starts with',
  below: 'is below',
  'at-most': 'is at most',
  above: 'is above',
  'at-least': 'is at least',
  between: 'is between',
  'is-empty': 'is empty',
  'is-not-empty': 'is not empty',
};

export function isGroup(condition: Condition): condition is ConditionGroup {
  return 'join' in condition;
}

const DEEPEST = 8;
const MOST_PARTS = 50;

/** Whether JSON from outside has the form of a condition, not too deep and not too wide. */
export function isConditionForm(input: unknown, depth = 0): input is Condition {
  if (typeof input !== 'object' || input === null || depth > DEEPEST) return false;
  const { join, of, field, op, value, ...others } = input as Record<string, unknown>;
  if (Object.keys(others).length > 0) return false;
  if (join === undefined) {
    return typeof field === 'string' && of === undefined && OPERATORS.some((known) => known === op);
  }
  const isJoin = join === 'all' || join === 'any' || join === 'none';
  if (!isJoin || field !== undefined || op !== undefined || value !== undefined) return false;
  return Array.isArray(of) && of.length <= MOST_PARTS && of.every((part) => isConditionForm(part, depth + 1));
}

/** The keys of all fields that a condition asks about. */
export function fieldsOfCondition(condition: Condition): string[] {
  return isGroup(condition) ? condition.of.flatMap(fieldsOfCondition) : [condition.field];
}

/** The same condition over a field that has got another key. */
export function withFieldRenamed(condition: Condition, from: string, to: string): Condition {
  if (isGroup(condition)) return { ...condition, of: condition.of.map((part) => withFieldRenamed(part, from, to)) };
  return condition.field === from ? { ...condition, field: to } : condition;
}
