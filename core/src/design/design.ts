import type { KeyChange, Kind, KindById } from '../structure/index.js';
import { fieldByKey } from '../structure/index.js';
import type { CardDesign } from './cards/card.js';
import { slotsOfCard, zonesOf } from './cards/card.js';
import { firstCard } from './cards/first-card.js';
import { isValue } from './slots/text-with-values.js';
import type { UsedField } from './slots/slot-fields.js';
import { fieldsOfSlots, slotWithKeyRenamed } from './slots/slot-fields.js';

export const DESIGN_TYPES = ['card'] as const;
export type DesignType = (typeof DESIGN_TYPES)[number];

/** A design as it is kept. */
export interface Design {
  readonly id: number;
  /** Goes up by one at every change. */
  readonly version: number;
  readonly type: DesignType;
  /** Number of the kind whose listings it shows. */
  readonly kindId: number;
  /** Lower first; the first card of a kind is its main one. */
  readonly position: number;
  readonly definition: CardDesign;
}

/** The cards of a kind in their order; the first is used where no other was chosen. */
export function cardsOfKind(kindId: number, designs: readonly Design[]): Design[] {
  const own = designs.filter((design) => design.type === 'card' && design.kindId === kindId);
  return own.sort((a, b) => a.position - b.position || a.id - b.id);
}

/** The card that listings of a kind have where no other was chosen: its first, or the one that its fields make. */
export function mainCard(kind: Kind, designs: readonly Design[]): CardDesign {
  return cardsOfKind(kind.id, designs)[0]?.definition ?? firstCard(kind);
}

/** The keys of the kind's own fields that stand on its main card, in their order there. */
export function fieldsOnCard(kind: Kind, designs: readonly Design[]): string[] {
  const values = slotsOfCard(mainCard(kind, designs)).flatMap(({ text }) => text.filter(isValue));
  const own = values.filter(({ through, field }) => through.length === 0 && fieldByKey(kind, field));
  return [...new Set(own.map(({ field }) => field))];
}

/** The fields that a design uses. */
export function fieldsOfDesign({ kindId, definition }: Design, kindById: KindById): UsedField[] {
  const kind = kindById(kindId);
  if (!kind) return [];
  const { picture } = definition;
  const ofPicture = picture.stands === 'none' ? [] : [{ kindId, field: picture.field }];
  return [...ofPicture, ...fieldsOfSlots(slotsOfCard(definition), kind, kindById)];
}

/** The design after a field has got another key; the same one where it uses no such field. */
export function designWithKeyRenamed(design: Design, change: KeyChange, kindById: KindById): Design {
  const kind = kindById(design.kindId);
  const isUsed = fieldsOfDesign(design, kindById).some(
    ({ kindId, field }) => kindId === change.kindId && field === change.from,
  );
  if (!kind || !isUsed) return design;
  const { zones, picture } = design.definition;
  const isPicture = design.kindId === change.kindId && picture.field === change.from;
  return {
    ...design,
    definition: {
      ...design.definition,
      picture: isPicture ? { ...picture, field: change.to } : picture,
      zones: zonesOf((zone) => zones[zone].map((slot) => slotWithKeyRenamed(slot, change, kind, kindById))),
    },
  };
}
