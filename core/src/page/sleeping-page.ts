import type { CardModel } from './cards/card-model.js';
import type { PageModel } from './page-model.js';
import type { PieceModel } from './pieces/piece-models.js';

/**
 * A page whose cards say no more than which they are. A browser begins with it beside the HTML of the page, in which the
 * cards stand already; it draws none of them as long as they stay the same.
 */
export function sleepingPage(page: PageModel): PageModel {
  switch (page.type) {
    case 'index': {
      const groups = page.groups.map((group) => ({ ...group, cards: sleepingCards(group.cards) }));
      return {
        ...page,
        ...{ featured: sleepingCards(page.featured), cards: sleepingCards(page.cards), groups, cardForms: {} },
      };
    }
    case 'designed': {
      const strips = page.strips.map((strip) => {
        const columns = strip.columns.map((column) => ({ ...column, pieces: column.pieces.map(sleepingPiece) }));
        return { ...strip, columns };
      });
      return { ...page, strips, cardForms: {} };
    }
    case 'not-found':
      return page;
  }
}

function sleepingPiece(piece: PieceModel): PieceModel {
  return piece.type === 'list' ? { ...piece, cards: sleepingCards(piece.cards) } : piece;
}

function sleepingCards(cards: readonly CardModel[]): CardModel[] {
  return cards.map(({ id, print }) => ({ ...ASLEEP, id, print }));
}

const ASLEEP = { form: '', href: null, title: '', picture: null, featured: false, values: {} };
