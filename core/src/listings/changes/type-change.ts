import type { Entry, Field, ReadContext } from '../../structure/index.js';
import { choicesFromLabels, distinctLabels, fieldType, momentOfText, plainOfHtml } from '../../structure/index.js';
import { localInMs } from '../../time/index.js';
import type { Measure, Money } from '../../values/index.js';
import { convertMeasure, isSame, minorDigits, unitsLike } from '../../values/index.js';
import type { AsideValue, ListingContent } from '../listing.js';

/** What a change of its field's type makes of a value. */
export type Conversion =
  | { readonly outcome: 'exact' | 'lossy'; readonly value: unknown }
  | { readonly outcome: 'impossible'; readonly reason: string };

const MOST_EXAMPLES = 8;
const LEADING_ZERO = /^[+-]?0\d/;

/** What becomes of one value when its field becomes another one. */
export function convertValue(value: unknown, from: Field, to: Field, context: ReadContext): Conversion {
  const target = fieldType(to.type);
  const input = inputFor(value, from, to, context);
  const read = target.read(input, to, context);
  if (read.ok && read.value !== null) {
    return { outcome: isExact(value, read.value, from, to, context) ? 'exact' : 'lossy', value: read.value };
  }
  // A number that only has too many decimals can be rounded, which is told as a loss.
  if (to.type === 'whole-number' && typeof input === 'number') {
    const rounded = target.read(Math.round(input), to, context);
    if (rounded.ok && rounded.value !== null) return { outcome: 'lossy', value: rounded.value };
  }
  return { outcome: 'impossible', reason: read.ok ? 'Nothing would be left of it.' : read.issue.message };
}

/** A value as the other type can best read it. */
function inputFor(value: unknown, from: Field, to: Field, context: ReadContext): unknown {
  const isNumber = ['whole-number', 'decimal', 'rating'].includes(to.type);
  switch (from.type) {
    case to.type:
      return value;
    case 'whole-number':
    case 'decimal':
    case 'rating':
      return value;
    case 'money': {
      const { minor, currency } = value as Money;
      return isNumber || to.type === 'measure' ? minor / 10 ** minorDigits(currency) : textOf(value, from);
    }
    case 'measure': {
      const unit = from.settings.unit ?? (value as Measure).unit;
      const given = value as Measure;
      const inOwn = unitsLike(unit).includes(given.unit) ? convertMeasure(given, unit) : given.value;
      return isNumber || to.type === 'money' ? Number(inOwn.toPrecision(12)) : textOf(value, from);
    }
    case 'rich-text':
      return plainOfHtml(String(value));
    case 'date':
      return to.type === 'date-time' ? `${String(value)} 00:00` : value;
    case 'date-time': {
      const local = new Date(localInMs(momentOfText(String(value)), context.zone)).toISOString();
      if (to.type === 'date') return local.slice(0, 10);
      return to.type === 'time-of-day' ? local.slice(11, 16) : value;
    }
    case 'picture':
      return to.type === 'pictures' ? [value] : textOf(value, from);
    case 'group':
      return to.type === 'rows' ? [value] : textOf(value, from);
    case 'rows': {
      const rows = value as readonly Entry[];
      return to.type === 'group' && rows.length === 1 ? rows[0] : textOf(value, from);
    }
    default:
      return textOf(value, from);
  }
}

function textOf(value: unknown, field: Field): string {
  return fieldType(field.type).toText(value, field);
}

const TEXTS = ['short-text', 'long-text', 'reference'];

/** Whether a conversion could be taken back from its result alone. */
function isExact(value: unknown, converted: unknown, from: Field, to: Field, context: ReadContext): boolean {
  const isFromText = TEXTS.includes(from.type);
  // What a text was taken for says all that it said, in another spelling; a code that loses its zeros does not.
  if (isFromText && !TEXTS.includes(to.type)) return !LEADING_ZERO.test(String(value).trim());
  const back = convertBack(converted, from, to, context);
  return isSame(back, value);
}

function convertBack(converted: unknown, from: Field, to: Field, context: ReadContext): unknown {
  const read = fieldType(from.type).read(inputFor(converted, to, from, context), from, context);
  return read.ok ? read.value : null;
}

/** A value that is told as an example of what a change does. */
export interface ConversionExample {
  readonly title: string;
  readonly before: string;
  /** What it becomes, or why it can't. */
  readonly after: string;
}

/** What a change of a field's type does to all values, before anything is done. */
export interface TypeChangeReport {
  /** Values that come out as they were. */
  readonly exact: number;
  /** Values that lose something, such as leading zeros. */
  readonly lossy: number;
  /** Values that the new type can't hold; they are kept aside. */
  readonly impossible: number;
  /** Listings without a value. */
  readonly empty: number;
  /** Values kept aside by an earlier change that fit now. */
  readonly returning: number;
  readonly examples: Readonly<Record<'exact' | 'lossy' | 'impossible', readonly ConversionExample[]>>;
}

/** A change of one field's type, tried or done on one listing after the other. */
export class TypeChange {
  private readonly counts = { exact: 0, lossy: 0, impossible: 0, empty: 0, returning: 0 };
  private readonly examples: Record<'exact' | 'lossy' | 'impossible', ConversionExample[]> = {
    exact: [],
    lossy: [],
    impossible: [],
  };

  constructor(
    private readonly from: Field,
    private readonly to: Field,
    private readonly context: ReadContext,
  ) {}

  get report(): TypeChangeReport {
    return { ...this.counts, examples: this.examples };
  }

  /** What the change makes of a listing; null when it leaves it as it is. */
  apply(content: Pick<ListingContent, 'title' | 'values' | 'aside'>): Pick<ListingContent, 'values' | 'aside'> | null {
    const { key } = this.from;
    const { [key]: value, ...values } = content.values;
    const { [key]: kept, ...aside } = content.aside;
    if (value === undefined || !fieldType(this.from.type).holds(value)) return this.bringBack(content, kept);
    const conversion = convertValue(value, this.from, this.to, this.context);
    this.tell(content.title, value, conversion);
    if (conversion.outcome !== 'impossible') return { values: { ...values, [key]: conversion.value }, aside };
    const put: AsideValue = { type: this.from.type, text: textOf(value, this.from) };
    return { values, aside: { ...aside, [key]: put } };
  }

  /** A value that an earlier change put aside comes back when the new type can read it. */
  private bringBack(
    { values, aside }: Pick<ListingContent, 'values' | 'aside'>,
    kept: AsideValue | undefined,
  ): Pick<ListingContent, 'values' | 'aside'> | null {
    const read = kept && fieldType(this.to.type).read(kept.text, this.to, this.context);
    if (!read?.ok || read.value === null) {
      this.counts.empty++;
      return null;
    }
    this.counts.returning++;
    const { [this.to.key]: _, ...others } = aside;
    return { values: { ...values, [this.to.key]: read.value }, aside: others };
  }

  private tell(title: string, value: unknown, conversion: Conversion): void {
    const { outcome } = conversion;
    this.counts[outcome]++;
    if (this.examples[outcome].length >= MOST_EXAMPLES) return;
    const { formats } = this.context;
    const before = fieldType(this.from.type).format(value, this.from, formats) || textOf(value, this.from);
    const after =
      conversion.outcome === 'impossible'
        ? conversion.reason
        : fieldType(this.to.type).format(conversion.value, this.to, formats) || textOf(conversion.value, this.to);
    this.examples[outcome].push({ title, before, after });
  }
}

const MOST_PROPOSED_CHOICES = 500;

/** The new field with choices made of the values that there are, where it needs some and has none. */
export function withProposedChoices(to: Field, from: Field, values: Iterable<unknown>): Field {
  const isChoice = to.type === 'one-choice' || to.type === 'several-choices';
  if (!isChoice || (to.settings.choices ?? []).length > 0) return to;
  if (from.settings.choices) return { ...to, settings: { ...to.settings, choices: from.settings.choices } };
  const tally = new Map<string, number>();
  for (const value of values) {
    if (!fieldType(from.type).holds(value)) continue;
    const text = textOf(value, from);
    for (const piece of to.type === 'several-choices' ? text.split(/[;|]/) : [text]) {
      if (piece.trim() !== '') tally.set(piece.trim(), (tally.get(piece.trim()) ?? 0) + 1);
    }
  }
  const labels = distinctLabels(tally).sort().slice(0, MOST_PROPOSED_CHOICES);
  return { ...to, settings: { ...to.settings, choices: choicesFromLabels(labels) } };
}
