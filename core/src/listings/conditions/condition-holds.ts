import type { Condition, Field, FieldTest, ReadContext } from '../../structure/index.js';
import {
  columnOf,
  fieldType,
  isGroup,
  isLinkTest,
  isParameter,
  plainField,
  takesValue,
} from '../../structure/index.js';
import type { DistanceUnit, Issue } from '../../values/index.js';
import { DISTANCE_UNITS, foldText, issue } from '../../values/index.js';
import type { Values } from '../listing.js';
import { boundsOf, isWithin, readStretch, readStretchUnit, unbounded } from './test-bounds.js';

/**
 * Whether a condition holds for the values of a listing. A test of a missing value is false, "is empty" aside; so is
 * one of a field that is gone, or with a value that can't be read. "None of" is the negation of "any of".
 */
export function conditionHolds(
  condition: Condition,
  values: Values,
  fields: readonly Field[],
  context: ReadContext,
): boolean {
  // A listing's values alone don't tell of those that it is linked with.
  if (isLinkTest(condition)) return false;
  if (!isGroup(condition)) return testHolds(condition, values, fields, context);
  const holds = (part: Condition): boolean => conditionHolds(part, values, fields, context);
  if (condition.join === 'all') return condition.of.every(holds);
  return condition.of.some(holds) === (condition.join === 'any');
}

function testHolds(test: FieldTest, values: Values, fields: readonly Field[], context: ReadContext): boolean {
  const found = fields.find(({ key }) => key === test.field);
  if (!found) return false;
  const field = plainField(found);
  const type = fieldType(field.type);
  const value = values[test.field];
  const isMissing = value === undefined || !type.holds(value);
  if (test.op === 'is-empty') return isMissing;
  if (test.op === 'is-not-empty') return !isMissing;
  if (isMissing) return false;
  const text = (): string => type.words?.(value, field) ?? type.toText(value, field);
  return preparedTest(test, found, context)(columnOf(field)?.of(value) ?? type.toText(value, field), text);
}

/** A value as the column of its field keeps it; of a field without one, its text. */
export type ColumnValue = string | number | boolean | readonly string[];

/**
 * A test with its wanted value read once, to be asked of any number of values that are not missing. `text` gives the
 * words of the value, for the operators that look into texts.
 */
export function preparedTest(
  { op, value: wanted }: Omit<FieldTest, 'field'>,
  computedOrPlain: Field,
  context: ReadContext,
): (own: ColumnValue, text: () => string) => boolean {
  const field = plainField(computedOrPlain);
  if (op === 'contains' || op === 'starts-with') return textTest(op, wanted);
  const column = columnOf(field);
  if (column?.kind === 'choices') return choicesTest(op, wanted, field, context);
  if (column?.kind === 'number') {
    const bounds = boundsOf({ op, value: wanted }, field, context);
    return (own) => isWithin(own as number, bounds);
  }
  const [first] = listOf(wanted).map((input) => readComparable(input, field, context));
  switch (op) {
    case 'is':
      return (own) => first === own;
    case 'is-not':
      return (own) => first != null && first !== own;
    case 'is-one-of': {
      const all = new Set<ColumnValue | null>(listOf(wanted).map((input) => readComparable(input, field, context)));
      return (own) => all.has(own);
    }
    default:
      return () => false;
  }
}

function textTest(op: 'contains' | 'starts-with', wanted: unknown): (own: ColumnValue, text: () => string) => boolean {
  const part = foldText(String(wanted ?? '')).trim();
  if (part === '') return () => false;
  return op === 'contains'
    ? (_, text) => foldText(text()).includes(part)
    : (_, text) => foldText(text()).startsWith(part);
}

function choicesTest(
  op: FieldTest['op'],
  wanted: unknown,
  field: Field,
  context: ReadContext,
): (own: ColumnValue) => boolean {
  const keys = listOf(wanted).flatMap((input) => readKeys(input, field, context));
  const has = (own: ColumnValue, key: string): boolean => (own as readonly string[]).includes(key);
  if (keys.length === 0) return () => false;
  if (op === 'is' || op === 'includes-all') return (own) => keys.every((key) => has(own, key));
  if (op === 'is-one-of') return (own) => keys.some((key) => has(own, key));
  if (op === 'is-not' || op === 'includes-none') return (own) => !keys.some((key) => has(own, key));
  return () => false;
}

/** The keys of choices that an input names; listings at the other end of a link are named by their slugs. */
function readKeys(input: unknown, field: Field, context: ReadContext): readonly string[] {
  if (field.type === 'link') return typeof input === 'string' ? [input] : [];
  const read = fieldType(field.type).read(input, field, context);
  if (!read.ok || read.value === null) return [];
  // Without what lies above them: who asks for one category does not ask for those it lies under.
  return Array.isArray(read.value) ? (read.value as readonly string[]) : [read.value as string];
}

function listOf(value: unknown): readonly unknown[] {
  return Array.isArray(value) ? value : [value];
}

/** What a distance is compared with: how far, as "10 km", and from where: the name of a place or a position. */
export function readDistance(value: unknown): { readonly metres: number; readonly at: string } | null {
  const [far, at] = Array.isArray(value) ? (value as readonly unknown[]) : [];
  const match = typeof far === 'string' ? /^\s*(\d+(?:[.,]\d+)?)\s*(km|mi|nmi)\s*$/i.exec(far) : null;
  if (!match || typeof at !== 'string' || at.trim() === '') return null;
  const unit = match[2]!.toLowerCase() as DistanceUnit;
  return { metres: Number(match[1]!.replace(',', '.')) * DISTANCE_UNITS[unit], at };
}

function stretchIssue(field: Field, example: string): Issue {
  return issue('value.not-a-stretch', { label: field.label, example }, { field: field.key });
}

type Comparable = string | number | boolean;

/**
 * What is wrong with the value that a test compares with, or null. Told as `value.not-a-distance` and `value.required`.
 */
export function testValueIssue(
  { op, value }: Omit<FieldTest, 'field'>,
  computedOrPlain: Field,
  context: ReadContext,
): Issue | null {
  const field = plainField(computedOrPlain);
  const inputs = listOf(value);
  if (!takesValue(op)) return null;
  if (inputs.length === 0 || inputs.some((input) => input === undefined || input === null || input === '')) {
    return issue('value.required', { label: field.label }, { field: field.key });
  }
  if (op === 'contains' || op === 'starts-with' || inputs.every(isParameter)) return null;
  if (op === 'in-last' || op === 'in-next') return readStretch(value) ? null : stretchIssue(field, '3 weeks');
  if (op === 'in-this') return readStretchUnit(value) ? null : stretchIssue(field, 'week');
  if (op === 'within')
    return readDistance(value) ? null : issue('value.not-a-distance', { label: field.label }, { field: field.key });
  if (op === 'is-on') return null;
  // Linked listings are named by their slugs.
  if (field.type === 'link') return null;
  for (const input of inputs) {
    const read = fieldType(field.type).read(input, unbounded(field), context);
    if (!read.ok) return read.issue;
  }
  return null;
}

/** What a wanted value comes to beside the values of its field; null when it can't be read. */
function readComparable(input: unknown, field: Field, context: ReadContext): Comparable | null {
  const read = fieldType(field.type).read(input, unbounded(field), context);
  if (!read.ok || read.value === null) return null;
  const column = columnOf(field);
  if (!column || column.kind === 'choices') return fieldType(field.type).toText(read.value, field);
  return column.of(read.value);
}
