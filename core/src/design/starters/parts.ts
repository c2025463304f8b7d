import type { KindDefinition } from '../../structure/index.js';
import { hasPart } from '../../structure/index.js';
import type { CardPicture } from '../cards/card.js';
import type { Slot, SlotSketch } from '../slots/slot.js';
import { slotOfField } from '../slots/slot.js';
import type { Cast, FieldRole } from '../../structure/index.js';

/** What starters have in common. */
export const PRICE: FieldRole = {
  name: 'price',
  label: 'a price',
  types: ['money'],
  hinted: ['decimal', 'whole-number'],
  hints: ['price', 'fee', 'rate', 'cost', 'night', 'preis', 'gebuhr', 'kosten'],
};
export const SORT: FieldRole = {
  name: 'sort',
  label: 'a choice of what it is',
  types: ['categories', 'one-choice'],
  hints: ['type', 'kind', 'class', 'category', 'sort', 'art', 'kategorie'],
};
export const FEATURES: FieldRole = {
  name: 'features',
  label: 'several things that it offers',
  types: ['several-choices'],
  hinted: ['categories'],
  hints: ['facilities', 'facility', 'features', 'services', 'equipment', 'offers', 'ausstattung'],
};
export const BELONGS_TO: FieldRole = {
  ...{ name: 'belongsTo', label: 'a link to what it belongs to', types: ['link'] },
  isOne: true,
};

/** What says that a listing is featured, as a label. */
export function featuredTag(): Slot {
  return slotOfField('@featured', { label: '', form: 'tag', size: 'tiny', isBold: true, tone: 'warm' });
}

/** A heading with that label on the picture, or above the heading where the kind has no picture. */
export function flagged(
  kind: Pick<KindDefinition, 'parts'>,
  heading: readonly SlotSketch[],
): { readonly topStart: readonly SlotSketch[]; readonly heading: readonly SlotSketch[] } {
  return hasPart(kind, 'picture')
    ? { topStart: [featuredTag()], heading }
    : { topStart: [], heading: [featuredTag(), ...heading] };
}

/** The title as the link of the card. */
export function titleSlot(size: Slot['size'] = 'large'): Slot {
  return slotOfField('@title', { label: '', icon: '', size, isBold: true });
}

/** The summary in so many lines, where the kind has one. */
export function summarySlots(kind: Pick<KindDefinition, 'parts'>, lines: number): Slot[] {
  return hasPart(kind, 'summary') ? [slotOfField('@summary', { label: '', icon: '', tone: 'quiet', lines })] : [];
}

/** The lead picture, where the kind has one. */
export function leadPicture(kind: Pick<KindDefinition, 'parts'>, given: Partial<CardPicture>): Partial<CardPicture> {
  return hasPart(kind, 'picture') ? given : { stands: 'none' };
}

/** A button that leads where the field that plays a role says, with the name of that field on it. */
export function buttonOfRole(cast: Cast, role: string, { fields }: Pick<KindDefinition, 'fields'>): SlotSketch[] {
  const field = fields.find(({ key }) => key === cast[role]);
  if (!field) return [];
  const showWhen = { join: 'all', of: [{ field: field.key, op: 'is-not-empty' }] } as const;
  return [{ key: 'button', text: [field.label], form: 'button', leadsTo: field.key, showWhen }];
}
