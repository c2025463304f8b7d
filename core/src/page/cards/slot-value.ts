import type { Slot, TextWithValues, ValueInText } from '../../design/index.js';
import { LEADS_TO_LISTING, LEADS_TO_NOTHING, LEADS_TO_VALUE, isOwn, isValue, onlyValue } from '../../design/index.js';
import { conditionHolds } from '../../listings/index.js';
import type { LinkedListing } from '../../structure/index.js';
import { builtInFieldAt, fieldType, fieldsOfCondition } from '../../structure/index.js';
import { metStretches } from '../marks.js';
import type { CardValue } from './card-model.js';
import type { ReachedValue, ShownListing } from './reached-values.js';
import { partAt, reachedValues } from './reached-values.js';
import { hrefOf, valueModel } from './value-models.js';
import type { ValueModel } from './value-model.js';
import { writtenValue } from './written-value.js';

/** The path of a listing's page. */
export function listingPath(kind: { readonly slug: string }, listing: { readonly address: string }): string {
  return `/${kind.slug}/${listing.address}`;
}

/** What a slot shows of a listing; null where it is empty, or isn't to be shown. */
export function slotValue(slot: Slot, shown: ShownListing, search = ''): CardValue | null {
  if (slot.showWhen && !holdsOf(slot.showWhen, shown)) return null;
  const sole = onlyValue(slot.text);
  const made = sole ? soleValue(sole, slot, shown) : wordsOf(slot.text, shown);
  if (!made) return slot.instead === '' ? null : { text: slot.instead, shape: 'text' };
  const href = leadOf(slot, sole, shown) ?? made.href;
  const marks = search !== '' && isFound(slot, shown) ? metStretches(made.text, search, shown.kind) : [];
  return { ...made, ...(href !== undefined && { href }), ...(marks.length > 0 && { marks }) };
}

/** Whether anything that a slot shows is found by searching. */
function isFound({ text }: Slot, { kind }: ShownListing): boolean {
  return text.some((part) => {
    if (!isValue(part) || part.through.length > 0) return false;
    const isPart = isOwn(part, '@title') || isOwn(part, '@summary');
    return isPart || kind.fields.some(({ key, searchWeight }) => key === part.field && searchWeight > 0);
  });
}

/** Whether a condition holds of a listing, over its fields and built-in parts. */
export function holdsOf(condition: NonNullable<Slot['showWhen']>, shown: ShownListing): boolean {
  const { listing, kind, context } = shown;
  const parts = fieldsOfCondition(condition).flatMap((key) => builtInFieldAt(key) ?? []);
  const values = parts.map(({ key, type }) => [key, partAt(key, shown) ?? (type === 'yes-no' ? false : undefined)]);
  return conditionHolds(
    condition,
    { ...listing.values, ...(Object.fromEntries(values) as Record<string, unknown>) },
    [...kind.fields, ...parts],
    context,
  );
}

/** A text with values as words: those that are empty leave nothing behind; null where all of them are. */
export function wordsOf(text: TextWithValues, shown: ShownListing): ValueModel | null {
  const parts = text.map((part) => (isValue(part) ? writtenPart(part, shown) : part.words));
  const isEmpty = text.some(isValue) && text.every((part, at) => !isValue(part) || parts[at] === '');
  const words = parts.join('').trim();
  return isEmpty || words === '' ? null : { text: words, shape: 'text' };
}

function writtenPart(value: ValueInText, shown: ShownListing): string {
  return withAround(textOf(value, reachedValues(value, shown), shown), value);
}

/** One value alone: as words, or in the manner of its type. */
function soleValue(value: ValueInText, { form }: Slot, shown: ShownListing): ValueModel | null {
  const reached = reachedValues(value, shown);
  const isCategoryPart = value.inside === 'icon' || value.inside === 'colour';
  const [first] = reached;
  if (isCategoryPart && first?.field.type === 'categories') return categoryValue(value, reached);
  const isInOwnManner =
    form === 'own' && first && value.many !== 'count' && (reached.length === 1 || value.many === 'first');
  if (isInOwnManner) {
    const one = value.many === 'first' ? firstOf(first) : first;
    const text = withAround(writtenValue(one.value, one.field, value, shown.context), value);
    return valueModel(one.field, one.value, shown.context.formats, text);
  }
  const text = withAround(textOf(value, reached, shown), value);
  return text === '' ? null : { text, shape: 'text' };
}

function textOf(value: ValueInText, reached: readonly ReachedValue[], { context }: ShownListing): string {
  if (reached.length === 0) return '';
  if (value.many === 'count') {
    const count = reached.reduce((sum, one) => sum + entriesOf(one).length, 0);
    return context.formats.number(count);
  }
  const shown = value.many === 'first' ? [firstOf(reached[0]!)] : reached;
  const texts = shown.map((one) => writtenValue(one.value, one.field, value, context)).filter((text) => text !== '');
  return texts.length === 1 ? texts[0]! : context.formats.list([...new Set(texts)]);
}

function withAround(text: string, { before, after }: ValueInText): string {
  return text === '' ? '' : `${before}${text}${after}`;
}

/** A value of several with the first of them alone. */
function firstOf(reached: ReachedValue): ReachedValue {
  const { value } = reached;
  return Array.isArray(value) ? { ...reached, value: value.slice(0, 1) } : reached;
}

function entriesOf({ value }: ReachedValue): readonly unknown[] {
  return Array.isArray(value) ? value : [value];
}

/** Colours or icons in the place of the labels of categories. */
function categoryValue({ inside, many }: ValueInText, reached: readonly ReachedValue[]): ValueModel | null {
  const all = reached.flatMap(({ field, value }) =>
    (value as readonly string[]).flatMap((key) => field.settings.choices?.find((choice) => choice.key === key) ?? []),
  );
  const having = all.filter((choice) => (inside === 'icon' ? choice.icon : choice.colour));
  const chosen = many === 'first' ? having.slice(0, 1) : having;
  const [first] = chosen;
  if (!first) return null;
  const text = chosen.map(({ label }) => label).join(', ');
  if (inside === 'colour') return { text: first.label, shape: 'colour', colour: first.colour! };
  return { text, shape: 'icons', icons: chosen.map(({ icon, label }) => ({ name: icon!, label })) };
}

/** Where a slot leads; undefined for nowhere. */
function leadOf({ leadsTo }: Slot, sole: ValueInText | null, shown: ShownListing): string | undefined {
  const { listing, kind } = shown;
  if (leadsTo === LEADS_TO_NOTHING) return undefined;
  if (leadsTo === LEADS_TO_LISTING) return kind.hasListingPages ? listingPath(kind, listing) : undefined;
  if (leadsTo !== LEADS_TO_VALUE) {
    const field = kind.fields.find(({ key }) => key === leadsTo);
    const value = listing.values[leadsTo];
    return field && fieldType(field.type).holds(value) ? hrefOf(field, value) : undefined;
  }
  const [first] = sole ? reachedValues(sole, shown) : [];
  if (!first) return undefined;
  if (first.field.type === 'link') return (first.value as readonly LinkedListing[])[0]?.href ?? undefined;
  const own = hrefOf(first.field, first.value);
  const isFar = first.listing !== listing && first.kind.hasListingPages;
  return own ?? (isFar ? listingPath(first.kind, first.listing) : undefined);
}
