import type { CardModel } from './cards/card-model.js';
import type { PageModel } from './page-model.js';
import type { ListStateModel, PieceModel } from './pieces/piece-models.js';

/**
 * A page whose cards say no more than which they are. A browser begins with it beside the HTML of the page, in which the
 * cards stand already; it draws none of them as long as they stay the same.
 */
export function sleepingPage(page: PageModel): PageModel {
  if (page.type === 'not-found') return page;
  const strips = page.strips.map((strip) => {
    const columns = strip.columns.map((column) => ({ ...column, pieces: column.pieces.map(sleepingPiece) }));
    return { ...strip, columns };
  });
  return { ...page, strips, cardForms: {} };
}

function sleepingPiece(piece: PieceModel): PieceModel {
  if (piece.type !== 'list') return piece;
  const { cards, state } = piece;
  return { ...piece, cards: sleepingCards(cards), state: state && sleepingState(state) };
}

function sleepingState(state: ListStateModel): ListStateModel {
  const groups = state.groups.map((group) => ({ ...group, cards: sleepingCards(group.cards) }));
  return { ...state, featured: sleepingCards(state.featured), groups };
}

function sleepingCards(cards: readonly CardModel[]): CardModel[] {
  return cards.map(({ id, print }) => ({ ...ASLEEP, id, print }));
}

const ASLEEP = { form: '', href: null, title: '', picture: null, featured: false, values: {} };
