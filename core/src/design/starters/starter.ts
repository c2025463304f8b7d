import type { Cast, FieldRole, KindDefinition } from '../../structure/index.js';
import { castOf, missingRoles } from '../../structure/index.js';
import { wordsOf } from '../../values/index.js';
import type { CardDesign, CardSketch } from '../cards/card.js';
import { makeCard } from '../cards/card.js';
import type { SlotSketch } from '../slots/slot.js';
import { slotOfField } from '../slots/slot.js';

export type StarterKind = Pick<KindDefinition, 'fields' | 'parts' | 'one' | 'many'>;

/** A card to begin with, for kinds of some sort; which fields stand where is found by their types and names. */
export interface CardStarter {
  readonly name: string;
  readonly label: string;
  /** What it is for, in a line. */
  readonly purpose: string;
  /** Words of what kinds are called that it is for. */
  readonly kinds: readonly string[];
  readonly roles: readonly FieldRole[];
  card(cast: Cast, kind: StarterKind): Omit<CardSketch, 'name'>;
}

/** The card that a starter makes for a kind. */
export function cardOfStarter(
  starter: CardStarter,
  kind: StarterKind,
  name: string,
  cast = castOf(starter.roles, kind),
): CardDesign {
  return makeCard({ purpose: starter.purpose, ...starter.card(cast, kind), name });
}

/**
 * How well a starter fits a kind: the share of its roles that fields play, from 0 to 1, and 1 more where it is for kinds
 * of that name; less than 0 where something is missing that it needs.
 */
export function fitOf({ roles, kinds }: Pick<CardStarter, 'roles' | 'kinds'>, kind: StarterKind): number {
  const cast = castOf(roles, kind);
  if (missingRoles(roles, cast).length > 0) return -1;
  const filled = roles.filter(({ name }) => cast[name] !== undefined).length;
  const words = wordsOf(`${kind.one} ${kind.many}`);
  return filled / roles.length + (kinds.some((name) => words.includes(name)) ? 1 : 0);
}

/** The slot that shows what plays a role; none where nothing does. */
export function slotOfRole(cast: Cast, role: string, more: Partial<Omit<SlotSketch, 'text'>> = {}): SlotSketch[] {
  const field = cast[role];
  return field === undefined ? [] : [slotOfField(field, more)];
}
