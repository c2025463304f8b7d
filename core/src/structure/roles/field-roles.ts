import { wordsOf } from '../../values/index.js';
import type { FieldTypeName } from '../field-types/names.js';
import type { Field } from '../fields/field.js';
import { plainField } from '../field-types/registry.js';

/** A part that a field of a kind plays in a design to begin with, or for search engines: "the price". */
export interface FieldRole {
  readonly name: string;
  /** What somebody is told who has no such field: "a price". */
  readonly label: string;
  /** Types whose fields can always play it, the best first. */
  readonly types: readonly FieldTypeName[];
  /** Types whose fields can play it when their name has one of the hints. */
  readonly hinted?: readonly FieldTypeName[];
  /** Words of names by which the right field is told from others. */
  readonly hints?: readonly string[];
  /** Whether, of links, only one that leads to one listing can play it: all of many would fill the card. */
  readonly isOne?: boolean;
  /** Whether the design is worth little without it. */
  readonly isNeeded?: boolean;
}

/** By the name of a role, the key of the field that plays it. */
export type Cast = Readonly<Record<string, string | undefined>>;

/** Which field plays which part: each at most one, the roles in their order. */
export function castOf(roles: readonly FieldRole[], { fields }: { readonly fields: readonly Field[] }): Cast {
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

/** The fields that can play a role, those first that are worth most in it. */
export function fieldsForRole(role: FieldRole, { fields }: { readonly fields: readonly Field[] }): Field[] {
  const types = [...role.types, ...(role.hinted ?? [])];
  const fitting = fields.filter((field) => types.includes(plainField(field).type) && !isTooMany(field, role));
  return fitting.sort((a, b) => worthOf(b, role) - worthOf(a, role));
}

/** What a kind lacks without which the design is worth little. */
export function missingRoles(roles: readonly FieldRole[], cast: Cast): FieldRole[] {
  return roles.filter(({ name, isNeeded }) => isNeeded && cast[name] === undefined);
}

/** The words by which a field is known: those of its label and of its key. */
export function wordsOfField({ label, key }: Pick<Field, 'label' | 'key'>): string[] {
  return [...wordsOf(label), ...wordsOf(key.replaceAll('_', ' '))];
}

const HINT_WORTH = 100;

/** How well a field plays a role; 0 for not at all. */
function worthOf(field: Field, role: FieldRole): number {
  const { types, hinted = [], hints = [] } = role;
  if (isTooMany(field, role)) return 0;
  const { type } = plainField(field);
  const words = wordsOfField(field);
  const isHinted = hints.some((hint) => words.includes(hint));
  const at = types.indexOf(type);
  const rank = at === -1 ? (isHinted && hinted.includes(type) ? 1 : 0) : types.length - at + 1;
  return rank === 0 ? 0 : rank + (isHinted ? HINT_WORTH : 0);
}

function isTooMany({ settings }: Field, { isOne }: FieldRole): boolean {
  return isOne === true && settings.linked?.many === true;
}
