import type { Kind, KindById, Selection } from '../structure/index.js';
import type { Design } from './design.js';
import { cardsOfKind } from './design.js';
import type { PageDesign, Piece } from './pages/page-design.js';
import { piecesOfPage } from './pages/page-design.js';
import { isVisitors, linkedKind } from './pieces/list-settings.js';

/** A page as visitors are shown it, with its parts in their places. */
interface PageShown {
  /** Number of the design that it was made by; null for one that Plindo makes. */
  readonly designId: number | null;
  readonly definition: PageDesign;
  /** The kind of the listing whose page it is; null for any other page. */
  readonly kindId: number | null;
  /** Numbers of the kinds in the lists on it that visitors steer. */
  readonly listed: readonly number[];
}

interface Around {
  readonly designs: readonly Design[];
  readonly kinds: readonly Kind[];
  readonly selections: readonly Selection[];
  readonly kindById: KindById;
}

/**
 * Numbers of the designs that a page shows: its own, its parts and forms, and the main cards of the kinds that it lists. What
 * a visitor keeps or has looked at may be of any kind, and counts for none.
 */
export function designsOnPage({ designId, definition, kindId, listed }: PageShown, around: Around): number[] {
  const { designs, kinds, selections, kindById } = around;
  const pieces = piecesOfPage(definition);
  const kept = designs.find(({ id }) => id === designId);
  const parts = kept?.type === 'page' ? embedded(piecesOfPage(kept.definition), 'part') : [];
  const ofPage = kindById(kindId ?? 0) ?? null;
  const lists = (kind: Kind): boolean => {
    const choosing = selections.filter((selection) => selection.kinds.includes(kind.id));
    return pieces.some((piece) => !isOfVisitor(piece) && listsKind(piece, kind, ofPage, choosing, kindById));
  };
  const cards = kinds
    .filter((kind) => listed.includes(kind.id) || lists(kind))
    .flatMap((kind) => cardsOfKind(kind.id, designs).slice(0, 1));
  const own = designId === null ? [] : [designId];
  return [...new Set([...own, ...parts, ...embedded(pieces, 'form'), ...cards.map(({ id }) => id)])];
}

function embedded(pieces: readonly Piece[], what: 'part' | 'form'): number[] {
  return pieces.flatMap(({ type, settings }) => (type === what ? [settings.of] : []));
}

function isOfVisitor({ type, settings }: Piece): boolean {
  return type === 'list' && isVisitors(settings.from);
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
