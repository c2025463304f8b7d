import { fieldAt } from '../fields/field-at.js';
import type { Facet } from './facet.js';
import { MOST_STEPS } from './facet.js';
import type { Field } from '../fields/field.js';
import type { Kind, KindDefinition } from '../kinds/kind.js';

/** Gives a kind by its number. */
export type KindById = (id: number) => Kind | undefined;

type Fields = Pick<KindDefinition, 'fields'>;

/** The kind that is reached from another one through link fields; null where there is no such way. */
export function reachedKind(from: Fields, through: readonly string[], kindById: KindById): Fields | null {
  let kind: Fields = from;
  if (through.length > MOST_STEPS) return null;
  for (const key of through) {
    const linked = kind.fields.find((field) => field.key === key)?.settings.linked;
    const next = linked && kindById(linked.kindId);
    if (!next) return null;
    kind = next;
  }
  return kind;
}

/** The numbers of the kinds that ways through link fields reach or go through, each once. */
export function kindsOnWays(from: Fields, ways: readonly (readonly string[])[], kindById: KindById): number[] {
  const steps = ways.flatMap((way) => way.map((_, at) => way.slice(0, at + 1)));
  const reached = steps.map((way) => reachedKind(from, way, kindById));
  return [...new Set(reached.flatMap((one) => (one && 'id' in one ? [one.id as number] : [])))];
}

/** The numbers of the kinds that the facets of a kind ask about: itself, and those that they reach or go through. */
export function kindsAskedBy(kind: Kind, kindById: KindById): number[] {
  const ways = kind.facets.map(({ through }) => through);
  return [...new Set([kind.id, ...kindsOnWays(kind, ways, kindById)])];
}

/** The field that a facet asks about, of the kind itself or of the one that it reaches; null when there is none. */
export function fieldOfFacet(
  { through, field }: Pick<Facet, 'through' | 'field'>,
  kind: Fields,
  kindById: KindById,
): Field | null {
  const reached = reachedKind(kind, through, kindById);
  return (reached && fieldAt(reached, field)) ?? null;
}
