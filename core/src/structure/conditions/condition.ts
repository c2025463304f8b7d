/**
 * The one definition of a condition. Show-when asks it of a listing's values, selections and table filters of the
 * catalog, and "why isn't it here?" names the parts that do not hold.
 */
export type Condition = ConditionGroup | FieldTest | LinkTest;

/** Conditions under "all of", "any of" or "none of"; an empty "all of" and "none of" hold, an empty "any of" doesn't. */
export interface ConditionGroup {
  readonly join: 'all' | 'any' | 'none';
  readonly of: readonly Condition[];
}

/** One test of one field; built-in ones have a mark before their key. The value stands as it would be typed. */
export interface FieldTest {
  readonly field: string;
  readonly op: Operator;
  readonly value?: unknown;
  /** Of categories: whether only the category itself counts, without those below it. */
  readonly alone?: boolean;
}

/** Whether a listing has a linked one, that visitors see, for which a condition holds. */
export interface LinkTest {
  /** Key of the link field. */
  readonly link: string;
  readonly where: Condition;
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
  'is-on',
  'in-past',
  'in-future',
  'in-last',
  'in-next',
  'in-this',
  'within',
  'is-current',
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
  'is-on': 'is on',
  'in-past': 'is in the past',
  'in-future': 'is in the future',
  'in-last': 'is in the last',
  'in-next': 'is in the next',
  'in-this': 'is in this',
  within: 'is within',
  'is-current': 'is the listing of the page',
  'is-empty': 'is empty',
  'is-not-empty': 'is not empty',
};

/** What stands in the place of a value until a page gives it: its category, its date, or its listing's own value. */
export interface ParameterValue {
  readonly parameter: PageParameter;
}
export const PAGE_PARAMETERS = ['category', 'date', 'listing'] as const;
export type PageParameter = (typeof PAGE_PARAMETERS)[number];

export function isParameter(value: unknown): value is ParameterValue {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return false;
  const { parameter, ...others } = value as Record<string, unknown>;
  return Object.keys(others).length === 0 && PAGE_PARAMETERS.some((known) => known === parameter);
}

export function isGroup(condition: Condition): condition is ConditionGroup {
  return 'join' in condition;
}

export function isLinkTest(condition: Condition): condition is LinkTest {
  return 'link' in condition;
}

export const DEEPEST_CONDITION = 8;
const MOST_PARTS = 50;

/** Whether JSON from outside has the form of a condition, not too deep and not too wide. */
export function isConditionForm(input: unknown, depth = 0): input is Condition {
  if (typeof input !== 'object' || input === null || depth > DEEPEST_CONDITION) return false;
  const { join, of, field, op, value, alone, link, where, ...others } = input as Record<string, unknown>;
  if (Object.keys(others).length > 0) return false;
  const [isOfGroup, isOfTest, isOfLink] = [
    [join, of],
    [field, op, value, alone],
    [link, where],
  ].map((parts) => parts.some((part) => part !== undefined));
  if ([isOfGroup, isOfTest, isOfLink].filter(Boolean).length !== 1) return false;
  if (isOfLink) return typeof link === 'string' && isConditionForm(where, depth + 1);
  if (isOfTest) {
    const isKnown = OPERATORS.some((known) => known === op);
    return typeof field === 'string' && isKnown && (alone === undefined || typeof alone === 'boolean');
  }
  if (join !== 'all' && join !== 'any' && join !== 'none') return false;
  return Array.isArray(of) && of.length <= MOST_PARTS && of.every((part) => isConditionForm(part, depth + 1));
}

/** The keys of all fields of its own kind that a condition asks about, link fields that it goes through included. */
export function fieldsOfCondition(condition: Condition): string[] {
  if (isGroup(condition)) return condition.of.flatMap(fieldsOfCondition);
  return [isLinkTest(condition) ? condition.link : condition.field];
}

/** The same condition over a field that has got another key. */
export function withFieldRenamed(condition: Condition, from: string, to: string): Condition {
  if (isGroup(condition)) return { ...condition, of: condition.of.map((part) => withFieldRenamed(part, from, to)) };
  if (isLinkTest(condition)) return condition.link === from ? { ...condition, link: to } : condition;
  return condition.field === from ? { ...condition, field: to } : condition;
}
