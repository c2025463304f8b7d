import type { PieceSettings, PieceTypeName, Slot } from '../../design/index.js';
import { plainWords } from '../../design/index.js';
import type { Listing } from '../../listings/index.js';
import type { QueryScene } from '../../query/index.js';
import type { Choice, Kind } from '../../structure/index.js';
import type { AreaParts } from '../areas/area-parts.js';
import type { CardExtras } from '../cards/card-maker.js';
import type { CardModel } from '../cards/card-model.js';
import { slotFormOf } from '../cards/card-maker.js';
import type { ShownListing } from '../cards/reached-values.js';
import { slotValue } from '../cards/slot-value.js';
import type { PageScene } from '../frame.js';
import type { SendingState } from '../forms/sending-state.js';
import type { ChosenListings } from '../visitor/chosen-listings.js';
import type { MadePiece, ShownSlot } from './piece-models.js';

/** A question for listings that a piece asks before the page is made. */
export interface ListQuestion {
  readonly from: Exclude<PieceSettings<'list'>['from'], 'page'> | 'compared';
  readonly of: number;
  readonly fields: readonly string[];
  readonly most: number;
}

/** What was found for a question. */
export interface ListAnswer {
  readonly total: number;
  /** Numbers of the listings, in their order. */
  readonly ids: readonly number[];
  /** The page of all of them; null for none. */
  readonly href: string | null;
}

/** A category that a page is about, and the kind of what is in it. */
export interface CategoryOfPage {
  readonly category: Choice;
  readonly kind: Kind;
  /** Its key with those of all that it lies under. */
  readonly path: readonly string[];
}

/** What pieces are made with. */
export interface PieceMaking {
  readonly page: PageScene;
  /** The page's listing; null for a page without one. */
  readonly shown: ShownListing | null;
  /** The category that the page is about; null for none. */
  readonly category: CategoryOfPage | null;
  /** What the address says that the visitor chose; null for a page that asks nothing of it. */
  readonly chosen: ChosenListings | null;
  /** What the visitor is sending in; null for nothing yet. */
  readonly sending: SendingState | null;
  /** The address of the page. */
  readonly canonical: string;
  /** The card of a listing that was found; null for one that is gone since. */
  readonly cardOf: (id: number, extras?: CardExtras) => CardModel | null;
  readonly linked: (id: number) => Listing | undefined;
  /** Null where a page is made of a listing alone. */
  readonly queries: QueryScene | null;
  readonly answer: (question: ListQuestion) => ListAnswer;
  /** A list of the page that visitors steer, by its name; null where there is none. */
  readonly areaNamed: (name: string) => ShownArea | null;
}

/** A list that visitors steer, as its pieces need it. */
export interface ShownArea {
  readonly parts: AreaParts;
  /** The id of the form in which its controls are. */
  readonly form: string;
  /** What a part of the address is called. */
  readonly name: (part: string) => string;
}

/** Makes the model of a sort of piece from its settings; null when there is nothing to show. */
export interface PieceMaker<Name extends PieceTypeName> {
  /** What it has to know first; null for nothing. */
  question?(settings: PieceSettings<Name>): ListQuestion | null;
  /** Whether it shows more of the listings that it asks for, or of the list that it shows, than their cards. */
  needsListings?(settings: PieceSettings<Name>): boolean;
  /** Numbers of the kinds that it shows something of without asking for listings. */
  kinds?(settings: PieceSettings<Name>): readonly number[];
  make(settings: PieceSettings<Name>, making: PieceMaking): MadePiece | null;
}

/** The slots of a piece in which anything stands. */
export function shownSlots(slots: readonly Slot[], { page, shown }: PieceMaking): ShownSlot[] {
  return slots.flatMap((slot) => {
    const value = shown ? slotValue(slot, shown) : plainValue(slot);
    const kind: Pick<Kind, 'fields'> = shown?.kind ?? { fields: [] };
    return value ? [{ form: slotFormOf(slot, kind, page), value }] : [];
  });
}

/** The words of a slot on a page without a listing. */
function plainValue({ text, leadsTo }: Slot): ShownSlot['value'] | null {
  const words = plainWords(text);
  return words === '' ? null : { text: words, shape: 'text', ...(leadsTo.startsWith('/') && { href: leadsTo }) };
}
