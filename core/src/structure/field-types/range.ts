import type { Formats, Result } from '../../values/index.js';
import { issue, ok, refuse } from '../../values/index.js';
import type { Field } from '../fields/field.js';
import { RANGE_ENDS } from '../fields/field.js';
import type { FieldType, TypeOf } from './field-type.js';
import { inputText, isEmptyInput, withAffixes } from './field-type.js';
import type { ReadContext } from './read-context.js';

/** From and to, both in; one of them may be open. Each is a value of the type that the field's `ends` name. */
export interface Range {
  readonly from?: unknown;
  readonly to?: unknown;
}

/** "10..40", "10 – 40", "10 to 40", "10.." and "..40"; a hyphen only between spaces, as it may be a sign. */
const PARTED = /^(.*?)(?:\s*\.\.\s*|\s*[–—]\s*|\s+(?:to|-)\s+)(.*)$/isu;

function split(text: string): { from: string; to: string } {
  const match = PARTED.exec(text.trim());
  return match ? { from: match[1] ?? '', to: match[2] ?? '' } : { from: text, to: text };
}

function isRange(value: unknown): value is Range {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return false;
  const { from, to, ...others } = value as Record<string, unknown>;
  return (from !== undefined || to !== undefined) && Object.keys(others).length === 0;
}

/** The field of one end of a range. */
function endField(field: Field): Field {
  const { before: _, after: __, ...settings } = field.settings;
  return { ...field, type: settings.ends ?? 'decimal', settings };
}

function write(value: Range, show: (end: unknown) => string): readonly [string, string] {
  return [value.from === undefined ? '' : show(value.from), value.to === undefined ? '' : show(value.to)];
}

export function makeRangeType(typeOf: TypeOf): FieldType<Range> {
  const formatRange = (value: Range, field: Field, formats: Formats): string => {
    const own = endField(field);
    const [from, to] = write(value, (end) => typeOf(own.type).format(end, own, formats));
    if (to === '') return `from ${from}`;
    return from === '' ? `up to ${to}` : from === to ? from : `${from} – ${to}`;
  };
  const textOf = (value: Range, show: (end: unknown) => string): string => write(value, show).join('..');

  return {
    label: 'range',
    icon: 'arrow_range',
    control: 'range',
    settings: ['ends', 'unit', 'currency', 'least', 'greatest', 'step', 'decimals', 'before', 'after'],
    short: true,
    checkSettings(field) {
      if (!RANGE_ENDS.includes(field.settings.ends ?? 'decimal'))
        return `${field.label} needs to say what it is from and to.`;
      return typeOf(endField(field).type).checkSettings?.(endField(field)) ?? null;
    },
    read: (input, field, context) => readRange(input, field, { typeOf, context }),
    holds: isRange,
    toText: (value, field) => textOf(value, (end) => typeOf(endField(field).type).toText(end, endField(field))),
    toInput(value, field, context) {
      const own = endField(field);
      const type = typeOf(own.type);
      return textOf(value, (end) => type.toInput?.(end, own, context) ?? type.toText(end, own));
    },
    format: (value, field, formats) => withAffixes(formatRange(value, field, formats), field),
    column: null,
    // A range is sorted by where it begins.
    columnFor(field) {
      const { column } = typeOf(endField(field).type);
      if (column?.kind !== 'number') return null;
      return {
        ...column,
        of: ({ from, to }: Range) => column.of(from ?? to),
        endOf: ({ from, to }: Range) => column.of(to ?? from),
      };
    },
    facets: [],
  };
}

interface RangeScene {
  readonly typeOf: TypeOf;
  readonly context: ReadContext;
}

function readRange(input: unknown, field: Field, { typeOf, context }: RangeScene): Result<Range | null> {
  if (isEmptyInput(input)) return ok(null);
  const given =
    typeof input === 'string' ? split(input) : typeof input === 'number' ? { from: input, to: input } : input;
  if (typeof given !== 'object' || given === null || Array.isArray(given)) {
    return refuse(issue('value.not-a-range', { label: field.label, found: inputText(input) }, { field: field.key }));
  }
  const own = endField(field);
  const type = typeOf(own.type);
  const { from, to } = given as Range;
  const [low, high] = [type.read(from, own, context), type.read(to, own, context)];
  if (!low.ok) return low;
  if (!high.ok) return high;
  const range: Range = {
    ...(low.value !== null && { from: low.value }),
    ...(high.value !== null && { to: high.value }),
  };
  if (!isRange(range)) return ok(null);
  const { column } = type;
  const isUpward =
    low.value === null ||
    high.value === null ||
    column?.kind !== 'number' ||
    column.of(low.value) <= column.of(high.value);
  if (isUpward) return ok(range);
  const [fromText, toText] = write(range, (end) => type.format(end, own, context.formats));
  return refuse(issue('value.range-order', { label: field.label, from: fromText, to: toText }, { field: field.key }));
}
