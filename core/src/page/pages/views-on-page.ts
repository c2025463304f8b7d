import type { PageDesign } from '../../design/index.js';
import { cardsOfKind, piecesOfPage } from '../../design/index.js';
import type { Kind, Selection, SelectionDefinition } from '../../structure/index.js';
import type { CardsInUse } from '../cards/linked-listings.js';
import { makerOf } from '../pieces/registry.js';

interface SelectionsInUse {
  readonly selections: readonly Selection[];
  readonly kinds: readonly Kind[];
}

/** Designs, kinds and selections by what they say; none of them ever changes in itself. */
const SAID = new WeakMap<object, boolean>();

/** Whether a design, a kind or a selection itself names how often listings were looked at. */
function namesViews(thing: object): boolean {
  const known = SAID.get(thing) ?? JSON.stringify(thing).includes('"@views"');
  SAID.set(thing, known);
  return known;
}

/** Whether lists of the listings of a kind, or their cards, go by how often those were looked at. */
export function kindTellsOfViews(id: number, { kindById, designs }: CardsInUse): boolean {
  const kind = kindById(id);
  return (
    (kind !== undefined && namesViews(kind)) ||
    cardsOfKind(id, designs).some(({ definition }) => namesViews(definition))
  );
}

/** The same of a selection. */
export function selectionTellsOfViews(selection: SelectionDefinition, inUse: CardsInUse): boolean {
  return namesViews(selection) || selection.kinds.some((id) => kindTellsOfViews(id, inUse));
}

/** The same of a page, by its own values and by its lists. */
export function pageTellsOfViews(page: PageDesign, inUse: CardsInUse & SelectionsInUse): boolean {
  if (namesViews(page)) return true;
  return piecesOfPage(page).some((piece) => {
    const question = makerOf(piece).question?.(piece.settings);
    if (question?.from === 'kind') return kindTellsOfViews(question.of, inUse);
    // Which kinds are shown depends on the listing of the page, so all count.
    if (question && question.from !== 'selection') return inUse.kinds.some(({ id }) => kindTellsOfViews(id, inUse));
    const selection = question ? inUse.selections.find(({ id }) => id === question.of) : undefined;
    return selection !== undefined && selectionTellsOfViews(selection, inUse);
  });
}
