import type { ConditionGroup } from '../../structure/index.js';
import { withoutUndefined } from '../../structure/index.js';
import { firstFreeSlug } from '../../values/index.js';
import type { TextSketch, TextWithValues } from './text-with-values.js';
import { isValue, makeText } from './text-with-values.js';

export const SLOT_SIZES = ['tiny', 'small', 'normal', 'large', 'larger', 'largest'] as const;
export type SlotSize = (typeof SLOT_SIZES)[number];

/** Colours by what they mean; a look says what they are. */
export const SLOT_TONES = ['plain', 'quiet', 'accent', 'warm'] as const;
export type SlotTone = (typeof SLOT_TONES)[number];

/** Whether a value stands as words, in the manner of its type (stars, a swatch, pictures), as a label, or as a button. */
export const SLOT_FORMS = ['words', 'own', 'tag', 'button'] as const;
export type SlotForm = (typeof SLOT_FORMS)[number];

/** What a slot leads to, where it isn't a field of web addresses: nothing, the listing's page, or its value's own address. */
export const LEADS_TO_NOTHING = '';
export const LEADS_TO_LISTING = '@listing';
export const LEADS_TO_VALUE = '@value';

/** One place in a design in which something of a listing is shown. */
export interface Slot {
  /** Tells it from the others of its design. */
  readonly key: string;
  readonly text: TextWithValues;
  /** Null for the label of its field, '' for none. */
  readonly label: string | null;
  /** Name of an icon; null for that of its type, '' for none. */
  readonly icon: string | null;
  readonly form: SlotForm;
  readonly size: SlotSize;
  readonly isBold: boolean;
  readonly tone: SlotTone;
  /** Lines at most; null for all. */
  readonly lines: number | null;
  /** One of the three above, or the key of a field of web addresses. */
  readonly leadsTo: string;
  /** Shown only where this holds of the listing; null for always. */
  readonly showWhen: ConditionGroup | null;
  /** What stands there when it is empty; '' for nothing. */
  readonly instead: string;
}

/** What has to be said of a slot; the rest has defaults. */
export type SlotSketch = Pick<Slot, 'key'> & { readonly text: TextSketch } & Partial<Omit<Slot, 'key' | 'text'>>;

/** A slot with every property at its plain default but those given. */
export function makeSlot(given: SlotSketch): Slot {
  const defaults: Omit<Slot, 'key' | 'text'> = {
    ...{ label: '', icon: '', form: 'words', size: 'normal', isBold: false, tone: 'plain', lines: null },
    ...{ leadsTo: LEADS_TO_NOTHING, showWhen: null, instead: '' },
  };
  return { ...defaults, ...withoutUndefined(given), text: makeText(given.text) };
}

/** A slot that shows one field with its label, as labelled values stand on cards. */
export function slotOfField(field: string, more: Partial<Omit<Slot, 'text'>> = {}): Slot {
  const key = field.replaceAll(/[^a-z0-9_]/gi, '').toLowerCase();
  return makeSlot({ key, label: null, icon: null, ...more, text: [{ field }] });
}

/** A key that no other slot has: as proposed, or with a number behind it. */
export function freeSlotKey(proposed: string, taken: readonly Slot[]): string {
  return firstFreeSlug(proposed, (candidate) => taken.some(({ key }) => key === candidate));
}

/** The paths through link fields that slots follow, each once; a listing's own values need none. */
export function waysOfSlots(slots: readonly Slot[]): (readonly string[])[] {
  const ways = slots.flatMap(({ text }) => text.filter(isValue).map(({ through }) => through));
  const distinct = new Map(ways.filter((way) => way.length > 0).map((way) => [way.join(' '), way]));
  return [...distinct.values()];
}
