import type { PageDesign } from '../../design/index.js';
import { linkedKind, piecesOfPage, slotsOfPage, waysOfSlots } from '../../design/index.js';
import type { Kind } from '../../structure/index.js';
import { kindsAskedBy, kindsOnWays } from '../../structure/index.js';
import type { CardsInUse } from '../cards/linked-listings.js';
import { kindsOnCards } from '../cards/linked-listings.js';
import { makerOf } from '../pieces/registry.js';

/**
 * The numbers of the kinds whose listings a page shows in what visitors don't steer, besides the listing of a kind whose
 * page it is; null when they can be of any.
 */
export function kindsOnPage(page: PageDesign, kind: Kind | null, inUse: CardsInUse): number[] | null {
  const { kindById } = inUse;
  const kinds = new Set<number>();
  const take = (shown: Kind | undefined): void => {
    for (const id of shown ? [...kindsAskedBy(shown, kindById), ...kindsOnCards(shown, inUse)] : []) kinds.add(id);
  };
  for (const piece of piecesOfPage(page)) {
    const question = makerOf(piece).question?.(piece.settings);
    for (const id of makerOf(piece).kinds?.(piece.settings) ?? []) take(kindById(id));
    if (question?.from === 'selection') return null;
    if (question?.from === 'kind') take(kindById(question.of));
    if (question?.from === 'related' && kind) take(kind);
    if (question?.from === 'linked' && kind) for (const key of question.fields) take(linkedKind(kind, key, kindById));
  }
  const ways = waysOfSlots(slotsOfPage(page));
  for (const id of kind ? kindsOnWays(kind, ways, kindById) : []) kinds.add(id);
  return [...kinds];
}
