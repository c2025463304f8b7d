import type { Design } from '../design/index.js';
import { checkCard } from '../design/index.js';
import type { ReadContext } from '../structure/index.js';
import type { Issue } from '../values/index.js';
import { foldText, issue } from '../values/index.js';
import type { Structure } from './structure.js';

/** A design before the store has given it a number. */
export type DesignSketch = Omit<Design, 'id' | 'version'>;

type Named = Pick<Design, 'type' | 'definition'>;

/** What designs are called in sentences. */
export const DESIGN_WORDS: Readonly<Record<Design['type'], string>> = { card: 'card' };

/** Everything that is wrong with a design; `id` is its own where it is there already. */
export function designIssues(
  design: Omit<DesignSketch, 'position'>,
  id: number | null,
  structure: Structure,
  context: ReadContext,
): Issue[] {
  const { type, kindId, definition } = design;
  const kind = structure.kind(kindId);
  if (!kind) return [issue('request.not-found')];
  const isTaken = structure.designs.some(
    (other) => other.id !== id && other.kindId === kindId && isSameName(other, design),
  );
  const taken = isTaken
    ? [issue('design.taken', { type: DESIGN_WORDS[type], name: definition.name }, { field: 'name' })]
    : [];
  return [...taken, ...checkCard(definition, kind, { kindById: structure.kindById, context })];
}

function isSameName(one: Named, other: Named): boolean {
  return one.type === other.type && foldText(one.definition.name) === foldText(other.definition.name);
}

/**
 * What another structure would break of the designs that are there: "used by" for whoever deletes a field. Designs that
 * had something wrong before don't stand in the way.
 */
export function brokenDesigns(before: Structure, after: Structure, context: ReadContext): Issue[] {
  return after.designs.flatMap((design) => {
    if (!after.kind(design.kindId)) return [];
    const was = before.design(design.id);
    const known = new Set(was && designIssues(was, was.id, before, context).map(({ message }) => message));
    const { name } = design.definition;
    return designIssues(design, design.id, after, context)
      .filter(({ message }) => !known.has(message))
      .map(({ message }) =>
        issue('design.broken', { type: DESIGN_WORDS[design.type], name, reason: message }, { field: 'fields' }),
      );
  });
}
