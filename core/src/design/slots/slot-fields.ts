import type { ConditionGroup, Field, Kind, KindById, KindDefinition } from '../../structure/index.js';
import {
  BUILT_IN_PARTS,
  builtInField,
  fieldAt,
  fieldType,
  fieldsOfCondition,
  hasPart,
  makeField,
  reachedKind,
  subfieldsOf,
  withFieldRenamed,
} from '../../structure/index.js';
import type { SiteWords, Word } from '../../values/index.js';
import type { Slot } from './slot.js';
import type { PageValue, TextWithValues, ValueInText } from './text-with-values.js';
import { isPageValue, isValue } from './text-with-values.js';

/** What a category can show in the place of its label. */
export const CATEGORY_PARTS = ['colour', 'icon'] as const;

/** What the page knows of a listing, in the guise of fields. */
export const PAGE_VALUE_FIELDS: Readonly<Record<PageValue, Field>> = {
  '@distance': makeField({ key: '@distance', label: 'Distance', type: 'short-text' }),
  '@daysLeft': makeField({ key: '@daysLeft', label: 'Days left', type: 'short-text' }),
};

/** Parts of a listing that slots can show beside its fields, in the order in which they are offered. */
export const SHOWN_PARTS: readonly Field[] = [
  ...(['title', 'summary', 'picture', 'body', 'place', 'author', 'featured'] as const).map(builtInField),
  ...(['views', 'publishedAt', 'createdAt', 'changedAt'] as const).map(builtInField),
  PAGE_VALUE_FIELDS['@distance'],
  PAGE_VALUE_FIELDS['@daysLeft'],
];

/** Those of them that listings of a kind have. */
export function shownParts(kind: Kind): Field[] {
  return SHOWN_PARTS.filter(({ key }) => {
    const part = BUILT_IN_PARTS.find((one) => `@${one}` === key);
    return !part || hasPart(kind, part);
  });
}

/** The field that a value in a text is of, before anything inside it is looked at; undefined when it is gone. */
export function fieldOfValue(
  { through, field }: Pick<ValueInText, 'through' | 'field'>,
  kind: Pick<KindDefinition, 'fields'>,
  kindById: KindById,
): Field | undefined {
  const reached = reachedKind(kind, through, kindById);
  if (!reached) return undefined;
  if (isPageValue(field)) return through.length === 0 ? PAGE_VALUE_FIELDS[field] : undefined;
  return fieldAt(reached, field);
}

/** The field whose values are written: that of a value in a text, or the one inside it. */
export function writtenField(
  value: Pick<ValueInText, 'through' | 'field' | 'inside'>,
  kind: Pick<KindDefinition, 'fields'>,
  kindById: KindById,
): Field | undefined {
  const field = fieldOfValue(value, kind, kindById);
  if (!field || value.inside === '' || field.type === 'categories') return field;
  return subfieldsOf(field).find(({ key }) => key === value.inside);
}

/** What can stand inside a value of a field: keys with what they are called. */
export function insidesOf(field: Field): { readonly key: string; readonly label: string }[] {
  if (field.type === 'categories') {
    return [
      { key: 'icon', label: 'Icon' },
      { key: 'colour', label: 'Colour' },
    ];
  }
  return subfieldsOf(field).map(({ key, label }) => ({ key, label }));
}

/** Whether a field, or the way to it, gives several values, of which the first, all or a count can be shown. */
export function givesSeveral(
  { through }: Pick<ValueInText, 'through'>,
  field: Field,
  kind: Pick<KindDefinition, 'fields'>,
  kindById: KindById,
): boolean {
  const isFarMany = through.some((key, at) => {
    const from = reachedKind(kind, through.slice(0, at), kindById);
    return from && fieldAt(from, key)?.settings.linked?.many;
  });
  return isFarMany || ['several-choices', 'categories', 'link', 'rows', 'pictures'].includes(field.type);
}

/**
 * The label that a text gets by itself: that of the field of its one value, '' where there are several. What every
 * listing has is called as the site calls it, where its words are given.
 */
export function ownLabel(
  text: TextWithValues,
  kind: Pick<KindDefinition, 'fields'>,
  kindById: KindById,
  words?: SiteWords,
): string {
  const field = soleField(text, kind, kindById);
  if (!field) return '';
  return (words && partName(field, words)) ?? field.label;
}

/** What a site calls one of the parts that every listing has; undefined for any other field. */
export function partName({ key }: Pick<Field, 'key'>, words: SiteWords): string | undefined {
  const part = SHOWN_PARTS.find((one) => one.key === key);
  return part && words.say(`part.${part.key.slice(1)}` as Word);
}

/** The icon that a text gets by itself: that of the type of its one value. */
export function ownIcon(text: TextWithValues, kind: Pick<KindDefinition, 'fields'>, kindById: KindById): string {
  const field = soleField(text, kind, kindById);
  if (!field) return '';
  if (field.key === '@featured') return 'star_fill';
  return field.key === '@distance' ? 'location_on' : fieldType(field.type).icon;
}

function soleField(text: TextWithValues, kind: Pick<KindDefinition, 'fields'>, kindById: KindById): Field | undefined {
  const [value, ...others] = text.filter(isValue);
  return value && others.length === 0 ? writtenField(value, kind, kindById) : undefined;
}

/** A field of a kind by its key. */
export interface UsedField {
  readonly kindId: number;
  readonly field: string;
}

/** The fields that slots of a kind's design use, of the kind itself and of those that they reach or go through. */
export function fieldsOfSlots(slots: readonly Slot[], kind: Kind, kindById: KindById): UsedField[] {
  const used = slots.flatMap(({ text, leadsTo, showWhen }) => [
    ...text.filter(isValue).flatMap((value) => fieldsOfText(value, kind, kindById)),
    ...(fieldAt(kind, leadsTo) ? [{ kindId: kind.id, field: leadsTo }] : []),
    ...(showWhen ? fieldsOfCondition(showWhen) : []).map((field) => ({ kindId: kind.id, field })),
  ]);
  return [...new Map(used.map((one) => [`${one.kindId} ${one.field}`, one])).values()];
}

function fieldsOfText({ through, field }: ValueInText, kind: Kind, kindById: KindById): UsedField[] {
  return [...through, field].flatMap((key, at) => {
    const reached = reachedKind(kind, through.slice(0, at), kindById);
    return reached && 'id' in reached ? [{ kindId: reached.id as number, field: key }] : [];
  });
}

/** A slot after a field of its kind, or of one that it reaches, has got another key. */
export function slotWithKeyRenamed(
  slot: Slot,
  { kindId, from, to }: { readonly kindId: number; readonly from: string; readonly to: string },
  kind: Kind,
  kindById: KindById,
): Slot {
  const isOwnKind = kind.id === kindId;
  const isOf = (through: readonly string[]): boolean => {
    const reached = reachedKind(kind, through, kindById);
    return reached !== null && 'id' in reached && reached.id === kindId;
  };
  const renamed = (key: string, through: readonly string[]): string => (key === from && isOf(through) ? to : key);
  const text = slot.text.map((part) =>
    isValue(part)
      ? {
          ...part,
          field: renamed(part.field, part.through),
          through: part.through.map((key, at) => renamed(key, part.through.slice(0, at))),
        }
      : part,
  );
  return {
    ...slot,
    text,
    leadsTo: isOwnKind && slot.leadsTo === from ? to : slot.leadsTo,
    showWhen: slot.showWhen && isOwnKind ? withGroupRenamed(slot.showWhen, from, to) : slot.showWhen,
  };
}

/** A group of conditions over a field that has got another key. */
export function withGroupRenamed(group: ConditionGroup, from: string, to: string): ConditionGroup {
  return { ...group, of: group.of.map((part) => withFieldRenamed(part, from, to)) };
}
