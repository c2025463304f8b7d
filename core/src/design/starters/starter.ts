import type { Field, KindDefinition } from '../../structure/index.js';
import { plainField } from '../../structure/index.js';
import { wordsOf } from '../../values/index.js';
import type { CardDesign, CardSketch } from '../cards/card.js';
import { makeCard } from '../cards/card.js';
import type { SlotSketch } from '../slots/slot.js';
import { slotOfField } from '../slots/slot.js';

type FieldTypeName = Field['type'];

/** A part that a field of a kind plays in a design to begin with: "the price". */
export interface StarterRole {
  readonly name: string;
  /** What somebody is told who has no such field: "a price". */
  readonly label: string;
  /** Types whose fields can always play it, the best first. */
  readonly types: readonly FieldTypeName[];
  /** Types whose fields can play it when their name has one of the hints. */
  readonly hinted?: readonly FieldTypeName[];
  /** Words of names by which the right field is told from others. */
  readonly hints?: readonly string[];
  /** Whether the design is worth little without it. */
  readonly isNeeded?: boolean;
}

/** By the name of a role, the key of the field that plays it. */
export type Cast = Readonly<Record<string, string | undefined>>;

export type StarterKind = Pick<KindDefinition, 'fields' | 'parts' | 'one' | 'many'>;

/** A card to begin with, for kinds of some sort; which fields stand where is found by their types and names. */
export interface CardStarter {
  readonly name: string;
  readonly label: string;
  /** What it is for, in a line. */
  readonly purpose: string;
  /** Words of what kinds are called that it is for. */
  readonly kinds: readonly string[];
  readonly roles: readonly StarterRole[];
  card(cast: Cast, kind: StarterKind): Omit<CardSketch, 'name'>;
}

/** Which field plays which part: each at most one, the roles in their order. */
export function castOf(roles: readonly StarterRole[], { fields }: Pick<StarterKind, 'fields'>): Cast {
  const cast: Record<string, string> = {};
  const free = new Set(fields);
  for (const role of roles) {
    const found = [...free]
      .map((field) => ({ field, worth: worthOf(field, role) }))
      .filter(({ worth }) => worth > 0)
      // A sort keeps the order of fields that are worth the same.
      .sort((a, b) => b.worth - a.worth)[0]?.field;
    if (!found) continue;
    cast[role.name] = found.key;
    free.delete(found);
  }
  return cast;
}

/** What a kind lacks without which the design is worth little. */
export function missingRoles(roles: readonly StarterRole[], cast: Cast): StarterRole[] {
  return roles.filter(({ name, isNeeded }) => isNeeded && cast[name] === undefined);
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

const HINT_WORTH = 100;

/** How well a field plays a role; 0 for not at all. */
function worthOf(field: Field, { types, hinted = [], hints = [] }: StarterRole): number {
  const { type } = plainField(field);
  const words = [...wordsOf(field.label), ...wordsOf(field.key.replaceAll('_', ' '))];
  const isHinted = hints.some((hint) => words.includes(hint));
  const at = types.indexOf(type);
  const rank = at === -1 ? (isHinted && hinted.includes(type) ? 1 : 0) : types.length - at + 1;
  return rank === 0 ? 0 : rank + (isHinted ? HINT_WORTH : 0);
}
