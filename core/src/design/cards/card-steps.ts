import type { KindById, KindDefinition } from '../../structure/index.js';
import type { Slot } from '../slots/slot.js';
import { freeSlotKey } from '../slots/slot.js';
import { ownLabel } from '../slots/slot-fields.js';
import type { TextPart } from '../slots/text-with-values.js';
import { isValue } from '../slots/text-with-values.js';
import type { DesignStep } from '../steps.js';
import { itemAt } from '../steps.js';
import type { CardDesign, CardZone } from './card.js';
import { slotsOfCard } from './card.js';
import { ZONE_WORDS } from './check-card.js';

/** Where a slot stands on a card; `at` counts from 0. */
export interface SlotPlace {
  readonly zone: CardZone;
  /** Position in the place, from 0. */
  readonly at: number;
}

/** What names slots in the words of steps. */
export interface SlotNames {
  readonly kind: Pick<KindDefinition, 'fields'>;
  readonly kindById: KindById;
}

/** What a slot is called: its label, else what it shows. */
export function slotName(slot: Slot, { kind, kindById }: SlotNames): string {
  const nameOf = (part: TextPart): string => (isValue(part) ? ownLabel([part], kind, kindById) : part.words);
  const all = slot.text.map(nameOf).join(' ').replace(/\s+/g, ' ').trim();
  return slot.label || ownLabel(slot.text, kind, kindById) || all || 'Nothing yet';
}

/** Puts a slot into a place, under a key of its own; the slots from there on move down. */
export function addSlot(card: CardDesign, { zone, at }: SlotPlace, given: Slot, names: SlotNames): DesignStep {
  const item = { ...given, key: freeSlotKey(given.key, slotsOfCard(card)) };
  const words = `Added ${slotName(item, names)} to ${inSentence(zone)}`;
  return { act: 'add', at: ['zones', zone, at], item, words };
}

/** Puts a copy of a slot right behind it. */
export function copySlot(card: CardDesign, place: SlotPlace, names: SlotNames): DesignStep {
  const step = addSlot(card, { ...place, at: place.at + 1 }, slotAt(card, place), names);
  return { ...step, words: `Copied ${slotName(slotAt(card, place), names)}` };
}

export function removeSlot(card: CardDesign, { zone, at }: SlotPlace, names: SlotNames): DesignStep {
  const item = slotAt(card, { zone, at });
  return { act: 'remove', at: ['zones', zone, at], item, words: `Took out ${slotName(item, names)}` };
}

/** Moves a slot; `to` is its place once it has been taken out. Null when it stands there already. */
export function moveSlot(card: CardDesign, from: SlotPlace, to: SlotPlace, names: SlotNames): DesignStep | null {
  if (from.zone === to.zone && from.at === to.at) return null;
  const name = slotName(slotAt(card, from), names);
  const words = from.zone === to.zone ? `Moved ${name}` : `Moved ${name} to ${inSentence(to.zone)}`;
  return { act: 'move', from: ['zones', from.zone, from.at], to: ['zones', to.zone, to.at], words };
}

export function changeSlot(
  card: CardDesign,
  { zone, at }: SlotPlace,
  change: Partial<Slot>,
  names: SlotNames,
): DesignStep {
  const before = slotAt(card, { zone, at });
  const after = { ...before, ...change };
  return { act: 'set', at: ['zones', zone, at], before, after, words: `Changed ${slotName(after, names)}` };
}

/** Changes what is said of the card as a whole. */
export function changeCard<Key extends Exclude<keyof CardDesign, 'zones'>>(
  card: CardDesign,
  key: Key,
  after: CardDesign[Key],
  words: string,
): DesignStep {
  return { act: 'set', at: [key], before: card[key], after, words };
}

/** Puts another card in its place, which keeps its name. */
export function replaceCard(card: CardDesign, after: CardDesign, words: string): DesignStep {
  return { act: 'set', at: [], before: card, after: { ...after, name: card.name }, words };
}

export function slotAt(card: CardDesign, { zone, at }: SlotPlace): Slot {
  return itemAt(card, ['zones', zone, at]) as Slot;
}

/** Where the slot with a key stands; null when it isn't there. */
export function placeOfSlot({ zones }: CardDesign, key: string): SlotPlace | null {
  for (const [zone, slots] of Object.entries(zones)) {
    const at = slots.findIndex((slot) => slot.key === key);
    if (at !== -1) return { zone: zone as CardZone, at };
  }
  return null;
}

function inSentence(zone: CardZone): string {
  const words = ZONE_WORDS[zone];
  return `“${words}”`;
}
