import type { ListDesign } from '../query/index.js';
import { designOfKind, listOfSelection } from '../query/index.js';
import { SELECTIONS_SLUG, isListShown } from '../structure/index.js';
import { listKey } from './counting/counted-things.js';
import type { LearnSource } from './learn-source.js';
import { isAsked } from './learn-source.js';

/** A list that visitors steer, as it is now. */
export interface LearnedList {
  readonly key: string;
  readonly name: string;
  readonly design: ListDesign;
  /** The page of its own that it has on the site; null for none. */
  readonly path: string | null;
  /** The only kind that it lists; null for several. */
  readonly kindId: number | null;
  /** Where it is arranged, in the Desk. */
  readonly desk: string;
  /** Whether it is a kind's own, so that its facets and sort choices are. */
  readonly isOfKind: boolean;
}

/** The lists of kinds and selections that have pages of their own, or were looked at elsewhere; of one kind alone where one is asked about. */
export function learnedLists(source: LearnSource): Map<string, LearnedList> {
  const { kinds, selections, scene, things } = source;
  const lookedAt = new Set(things.map(({ what, about }) => (what === 'list' ? about : '')));
  const ofKinds = kinds
    .filter((kind) => (isListShown(kind) || lookedAt.has(listKey({ kindId: kind.id }))) && isAsked(source, kind.id))
    .map((kind): LearnedList => ({
      ...{ key: listKey({ kindId: kind.id }), name: kind.many, design: designOfKind(kind) },
      ...{ kindId: kind.id, desk: `/arrange/${kind.id}`, isOfKind: true },
      path: isListShown(kind) ? `/${kind.slug}` : null,
    }));
  const ofSelections = selections
    .filter(({ id, published }) => published || lookedAt.has(listKey({ selectionId: id })))
    .filter(({ kinds: chosen }) => chosen.some((id) => isAsked(source, id)))
    .map((selection): LearnedList => ({
      ...{ key: listKey({ selectionId: selection.id }), name: selection.name },
      ...{ design: listOfSelection(selection, scene).design },
      path: selection.published ? `/${SELECTIONS_SLUG}/${selection.slug}` : null,
      kindId: selection.kinds.length === 1 ? selection.kinds[0]! : null,
      ...{ desk: `/arrange/selections/${selection.id}`, isOfKind: false },
    }));
  return new Map([...ofKinds, ...ofSelections].map((list) => [list.key, list]));
}
