import { PrintHash } from '../catalog/index.js';
import type { CardModel } from './cards/card-model.js';
import type { PageModel } from './page-model.js';
import type { ListStateModel, PieceModel } from './pieces/piece-models.js';

/** Pieces of words, values, pictures and links, with which a browser has nothing to do but to show them. */
const QUIET: ReadonlySet<PieceModel['type']> = new Set<PieceModel['type']>([
  ...(['heading', 'text', 'rich-text', 'picture', 'values', 'specification', 'categories', 'chosen-category'] as const),
  ...(['buttons', 'breadcrumb', 'byline', 'divider', 'space', 'nothing', 'asleep'] as const),
]);

/** Whether a piece needs nothing of a browser: it stays as it came for as long as it says the same. */
export function isQuiet(piece: PieceModel): boolean {
  return QUIET.has(piece.type) || (piece.type === 'list' && piece.layout === 'table');
}

/** Tells a piece from others by all that it says. */
export function piecePrint(piece: PieceModel): number {
  return new PrintHash().add(JSON.stringify(piece)).value();
}

/**
 * A page whose cards and quiet pieces say no more than which they are. A browser begins with it beside the HTML of the
 * page, in which they stand already; it draws none of them as long as they stay the same.
 */
export function sleepingPage(page: PageModel): PageModel {
  if (page.type !== 'designed') return page;
  const strips = page.strips.map((strip) => {
    const columns = strip.columns.map((column) => ({ ...column, pieces: column.pieces.map(sleepingPiece) }));
    return { ...strip, columns };
  });
  // Machines read what the server sent.
  return { ...page, strips, cardForms: {}, forMachines: { data: '', picture: '' } };
}

function sleepingPiece(piece: PieceModel): PieceModel {
  const { key, screens } = piece;
  if (isQuiet(piece)) return { type: 'asleep', key, ...(screens && { screens }), print: piecePrint(piece) };
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
