import type { Kind, KindById, Selection } from '../structure/index.js';
import type { Design, KeptPage } from './design.js';
import { cardsOfKind, wholePage } from './design.js';
import type { Piece } from './pages/page-design.js';
import { piecesOfPage } from './pages/page-design.js';
import { isVisitors, linkedKind } from './pieces/list-settings.js';

/** All that says where a design is seen. */
export interface Around {
  readonly designs: readonly Design[];
  readonly kinds: readonly Kind[];
  readonly selections: readonly Selection[];
  readonly kindById: KindById;
}

/**
 * Numbers of the designs that a page shows: its own, its parts and forms, and the main cards of the kinds that it lists. What
 * a visitor keeps or has looked at may be of any kind, and counts for none.
 */
export function designsOnKeptPage(page: KeptPage, around: Around): number[] {
  const { designs, kinds, selections, kindById } = around;
  const pieces = piecesOfPage(wholePage(page, designs).definition);
  const ofPage = kindById(page.kindId ?? 0) ?? null;
  const isListed = (kind: Kind): boolean => {
    const choosing = selections.filter((selection) => selection.kinds.includes(kind.id));
    const isOfOwnList = page.definition.selection === 0 ? ofPage?.id === kind.id : isChosen(choosing, page);
    return pieces.some((piece) => {
      if (piece.type !== 'list' || isVisitors(piece.settings.from)) return false;
      return piece.settings.from === 'page' ? isOfOwnList : listsKind(piece, kind, ofPage, choosing, kindById);
    });
  };
  const cards = kinds.filter(isListed).flatMap((kind) => cardsOfKind(kind.id, designs).slice(0, 1));
  const parts = embedded(piecesOfPage(page.definition), 'part');
  return [...new Set([page.id, ...parts, ...embedded(pieces, 'form'), ...cards.map(({ id }) => id)])];
}

function isChosen(choosing: readonly Selection[], { definition }: KeptPage): boolean {
  return choosing.some(({ id }) => id === definition.selection);
}

function embedded(pieces: readonly Piece[], what: 'part' | 'form'): number[] {
  return pieces.flatMap(({ type, settings }) => (type === what ? [settings.of] : []));
}

/** Whether a piece lists listings of a kind; `ofPage` is the kind of the listing whose page it stands on. */
export function listsKind(
  { type, settings }: Piece,
  kind: Kind,
  ofPage: Kind | null,
  choosing: readonly Selection[],
  kindById: KindById,
): boolean {
  if (type !== 'list') return false;
  switch (settings.from) {
    // The page of the list is there whichever design it has.
    case 'page':
      return false;
    case 'kind':
      return settings.of === kind.id;
    case 'selection':
      return choosing.some(({ id }) => id === settings.of);
    // Of what a visitor keeps, any kind may be.
    case 'shortlist':
    case 'recent':
      return kind.hasListingPages;
    case 'related':
      return ofPage?.id === kind.id;
    case 'linked':
      return settings.fields.some((key) => linkedKind(ofPage, key, kindById)?.id === kind.id);
  }
}
