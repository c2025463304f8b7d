import type { PageDesign } from '../../design/index.js';
import { cardsOfKind, piecesOfPage } from '../../design/index.js';
import type { Kind, Selection, SelectionDefinition } from '../../structure/index.js';
import type { CardsInUse } from '../cards/linked-listings.js';
import { makerOf } from '../pieces/registry.js';

interface SelectionsInUse {
  readonly selections: readonly Selection[];
  readonly kinds: readonly Kind[];
}

/** Tells what goes by how often listings were looked at. Each design, kind and selection is looked through once, as none ever changes in itself. */
export class ViewsTold {
  private readonly said = new WeakMap<object, boolean>();

  /** Whether lists of the listings of a kind, or their cards, go by it. */
  byKind(id: number, { kindById, designs }: CardsInUse): boolean {
    const kind = kindById(id);
    const byCards = (): boolean => cardsOfKind(id, designs).some(({ definition }) => this.isNamedIn(definition));
    return (kind !== undefined && this.isNamedIn(kind)) || byCards();
  }

  /** The same of a selection. */
  bySelection(selection: SelectionDefinition, inUse: CardsInUse): boolean {
    return this.isNamedIn(selection) || selection.kinds.some((id) => this.byKind(id, inUse));
  }

  /** The same of a page, by its own values and by its lists. */
  byPage(page: PageDesign, inUse: CardsInUse & SelectionsInUse): boolean {
    if (this.isNamedIn(page)) return true;
    return piecesOfPage(page).some((piece) => {
      const question = makerOf(piece).question?.(piece.settings);
      if (!question) return false;
      if (question.from === 'kind') return this.byKind(question.of, inUse);
      // Which kinds are shown depends on the listing of the page, so all count.
      if (question.from !== 'selection') return inUse.kinds.some(({ id }) => this.byKind(id, inUse));
      const selection = inUse.selections.find(({ id }) => id === question.of);
      return selection !== undefined && this.bySelection(selection, inUse);
    });
  }

  private isNamedIn(thing: object): boolean {
    const known = this.said.get(thing) ?? JSON.stringify(thing).includes('"@views"');
    this.said.set(thing, known);
    return known;
  }
}
