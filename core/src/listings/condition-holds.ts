import type { Condition, Field, FieldTest, ReadContext } from '../structure/index.js';
import { columnOf, fieldType, isGroup, plainField } from '../structure/index.js';
import { foldText } from '../values/index.js';
import type { Values } from './listing.js';

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
  if (!isGroup(condition)) return testHolds(condition, values, fields, context);
  const holds = (part: Condition): boolean => conditionHolds(part, values, fields, context);
  if (condition.join === 'all') return condition.of.every(holds);
  return condition.of.some(holds) === (condition.join === 'any');
}

function testHolds(test: FieldTest, values: Values, fields: readonly Field[], context: ReadContext): boolean {
  const found = fields.find(({ key }) => key === test.field);
  if (!found) return false;
  const field = plainField(found);
  const value = values[test.field];
  const isMissing = value === undefined || !fieldType(field.type).holds(value);
  if (test.op === 'is-empty') return isMissing;
  if (test.op === 'is-not-empty') return !isMissing;
  return !isMissing && compares(test, value, field, context);
}

function compares({ op, value: wanted }: FieldTest, value: unknown, field: Field, context: ReadContext): boolean {
  if (op === 'contains' || op === 'starts-with') {
    const text = foldText(fieldType(field.type).words?.(value, field) ?? fieldType(field.type).toText(value, field));
    const part = foldText(String(wanted ?? '')).trim();
    return part !== '' && (op === 'contains' ? text.includes(part) : text.startsWith(part));
  }
  const column = columnOf(field);
  if (column?.kind === 'choices') return comparesChoices(op, column.of(value), wanted, field, context);
  const [first, second] = listOf(wanted).map((input) => readComparable(input, field, context));
  const own = column ? column.of(value) : fieldType(field.type).toText(value, field);
  switch (op) {
    case 'is':
      return first === own;
    case 'is-not':
      return first != null && first !== own;
    case 'is-one-of':
      return listOf(wanted).some((input) => readComparable(input, field, context) === own);
    case 'below':
      return first != null && own < first;
    case 'at-most':
      return first != null && own <= first;
    case 'above':
      return first != null && own > first;
    case 'at-least':
      return first != null && own >= first;
    case 'between':
      return first != null && second != null && own >= first && own <= second;
    default:
      return false;
  }
}

function comparesChoices(
  op: FieldTest['op'],
  own: readonly string[],
  wanted: unknown,
  field: Field,
  context: ReadContext,
): boolean {
  const column = columnOf(field);
  const keys = listOf(wanted).flatMap((input) => {
    const read = fieldType(field.type).read(input, field, context);
    return read.ok && read.value !== null && column?.kind === 'choices' ? column.of(read.value) : [];
  });
  if (keys.length === 0) return false;
  if (op === 'is' || op === 'includes-all') return keys.every((key) => own.includes(key));
  if (op === 'is-one-of') return keys.some((key) => own.includes(key));
  if (op === 'is-not' || op === 'includes-none') return !keys.some((key) => own.includes(key));
  return false;
}

function listOf(value: unknown): readonly unknown[] {
  return Array.isArray(value) ? value : [value];
}

type Comparable = string | number | boolean;

/** What a wanted value comes to beside the values of its field; null when it can't be read. */
function readComparable(input: unknown, field: Field, context: ReadContext): Comparable | null {
  // A bound of the field doesn't count here: one may well ask for more than fits.
  const { least: _, greatest: __, step: ___, ...settings } = field.settings;
  const read = fieldType(field.type).read(input, { ...field, settings }, context);
  if (!read.ok || read.value === null) return null;
  const column = columnOf(field);
  if (!column || column.kind === 'choices') return fieldType(field.type).toText(read.value, field);
  return column.of(read.value);
}
