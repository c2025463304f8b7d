import type { ValueInText } from '../../design/index.js';
import type { Field, Range, ReadContext } from '../../structure/index.js';
import {
  dayNumberOfDate,
  fieldType,
  momentOfText,
  plainField,
  plainOfHtml,
  withAffixes,
} from '../../structure/index.js';
import { dayNumberAt } from '../../time/index.js';
import type { DateForm, Money } from '../../values/index.js';

const DAY_IN_MS = 86_400_000;

/** A value as a text with values writes it: in its unit, with its decimals, in its form of dates. */
export function writtenValue(
  value: unknown,
  computedOrPlain: Field,
  { unit, digits, dates }: Pick<ValueInText, 'unit' | 'digits' | 'dates'>,
  context: ReadContext,
): string {
  const field = plainField(computedOrPlain);
  const { formats } = context;
  if (field.key === '@featured') return formats.words.say('part.featured');
  if (field.type === 'rich-text') return plainOfHtml(String(value));
  const dated = dates === '' ? null : datedValue(value, field, dates, context);
  if (dated !== null) return withAffixes(dated, field);
  if (digits !== null && (field.type === 'decimal' || field.type === 'whole-number')) {
    return withAffixes(formats.number(value as number, digits), field);
  }
  if (digits !== null && field.type === 'money') return withAffixes(formats.money(value as Money, digits), field);
  const asked = { ...(unit && { unit }), ...(digits !== null && { decimals: digits }) };
  return fieldType(field.type).format(value, { ...field, settings: { ...field.settings, ...asked } }, formats);
}

/** A date, a moment, or a span of either in a form of dates; null for any other value. */
function datedValue(value: unknown, field: Field, form: Exclude<DateForm, ''>, context: ReadContext): string | null {
  if (field.type === 'range') return spanOf(value as Range, field, form, context);
  const at = momentOf(value, field.type);
  if (!at) return null;
  const zone = at.isDay ? 'UTC' : context.zone;
  if (form !== 'relative') return context.formats.dated(at.inMs, form, zone);
  return context.formats.relativeDay(dayNumberAt(at.inMs, zone) - dayNumberAt(context.nowInMs, context.zone));
}

function spanOf(
  { from, to }: Range,
  { settings }: Field,
  form: Exclude<DateForm, ''>,
  context: ReadContext,
): string | null {
  const [begin, end] = [from, to].map((one) => (one === undefined ? null : momentOf(one, settings.ends ?? 'decimal')));
  if (!begin || !end || form === 'relative') {
    const known = from ?? to;
    const plain = { key: '', type: settings.ends ?? 'decimal', settings: {} } as unknown as Field;
    return known === undefined ? null : datedValue(known, plain, form, context);
  }
  return context.formats.datedSpan(begin.inMs, end.inMs, form, begin.isDay ? 'UTC' : context.zone);
}

function momentOf(value: unknown, type: Field['type']): { inMs: number; isDay: boolean } | null {
  if (typeof value !== 'string') return null;
  if (type === 'date') return { inMs: (dayNumberOfDate(value) ?? 0) * DAY_IN_MS, isDay: true };
  return type === 'date-time' ? { inMs: momentOfText(value), isDay: false } : null;
}
