import type { PieceSettings, Slot } from '../../design/index.js';
import { isSteered, makeSlot } from '../../design/index.js';
import type { Listing } from '../../listings/index.js';
import type { Kind } from '../../structure/index.js';
import type { AreaParts } from '../areas/area-parts.js';
import { inSentence } from '../areas/area-parts.js';
import { tableHeads } from '../areas/table-heads.js';
import type { CardModel, CardValue } from '../cards/card-model.js';
import { slotFormOf } from '../cards/card-maker.js';
import { listingPath, slotValue } from '../cards/slot-value.js';
import type { EmptyModel, ListModel, ListStateModel, TableRowModel } from './piece-models.js';
import type { ListQuestion, PieceMaker, PieceMaking } from './piece-maker.js';
import { shownSlots } from './piece-maker.js';

type Settings = PieceSettings<'list'>;

export const list: PieceMaker<'list'> = {
  question: (settings) => questionOf(settings),
  make(settings, making) {
    const question = questionOf(settings);
    return question ? plainList(settings, question, making) : steeredList(settings, making);
  },
};

function questionOf({ from, of, fields, most, ...settings }: Settings): ListQuestion | null {
  return from === 'page' || isSteered({ from, ...settings }) ? null : { from, of, fields, most };
}

function plainList(settings: Settings, question: ListQuestion, making: PieceMaking): ListModel | null {
  const { listings, href, total } = making.answer(question);
  if (listings.length === 0) return null;
  const all = settings.leadsOn && href !== null ? { href, total } : null;
  const shown = settings.layout === 'table' ? [] : cardsOf(listings, making);
  return { ...modelOf(settings, listings, making), all, cards: shown, state: null };
}

/** A list that visitors steer stands there empty, too, and says why. */
function steeredList(settings: Settings, making: PieceMaking): ListModel | null {
  const found = making.areaNamed(settings.name);
  if (!found) return null;
  const { parts } = found;
  const listings = parts.ids.flatMap((id) => making.linked(id) ?? []);
  const isTable = settings.layout === 'table';
  const byId = new Map(listings.map((listing) => [listing.id, listing]));
  const cardFor = (id: number): CardModel | null => {
    const listing = byId.get(id);
    return listing ? (cardsOf([listing], making, parts)[0] ?? null) : null;
  };
  const groups = parts.groups(cardFor);
  const cards = isTable || groups.length > 0 ? [] : parts.ids.flatMap((id) => cardFor(id) ?? []);
  const leading = settings.featuredApart ? parts.leading(cards) : 0;
  const state: ListStateModel = {
    ...{ featured: cards.slice(0, leading), groups, note: parts.searchNote },
    rest: leading > 0 ? `More ${inSentence(parts.design.many)}` : '',
    empty: listings.length > 0 ? null : emptyModel(parts),
    heads: isTable ? tableHeads(settings.columns, parts) : {},
  };
  return { ...modelOf(settings, listings, making, parts.text), all: null, cards: cards.slice(leading), state };
}

function modelOf(
  { layout, width, heading, intro, columns }: Settings,
  listings: readonly Listing[],
  making: PieceMaking,
  search = '',
): Omit<ListModel, 'all' | 'cards' | 'state'> {
  const { kindById } = making.page;
  const [words] = shownSlots([makeSlot({ key: 'heading', text: heading })], making);
  const kind = listings[0] && kindById(listings[0].kindId);
  const isTable = layout === 'table';
  return {
    ...{ type: 'list', layout, width, intro, heading: words?.value.text ?? '' },
    columns: isTable && kind ? columns.map((slot) => slotFormOf(slot, kind, kindById)) : [],
    rows: isTable ? rowsOf(listings, columns, making, search) : [],
  };
}

function cardsOf(listings: readonly Listing[], { maker, page }: PieceMaking, parts?: AreaParts): CardModel[] {
  return listings.flatMap((listing) => {
    const kind = page.kindById(listing.kindId);
    return kind ? [maker.card(listing, kind, parts?.extrasOf(listing.id))] : [];
  });
}

function emptyModel({ outOf, total, drop, clearHref, pager }: AreaParts): EmptyModel {
  if (outOf === 0) return { why: 'nothing-yet' };
  return total === 0 ? { why: 'no-match', drop, clearHref } : { why: 'past-end', lastHref: pager.previous };
}

function rowsOf(
  listings: readonly Listing[],
  columns: readonly Slot[],
  { page, linked }: PieceMaking,
  search: string,
): TableRowModel[] {
  const { context, kindById } = page;
  return listings.flatMap((listing) => {
    const kind: Kind | undefined = kindById(listing.kindId);
    if (!kind) return [];
    const values: Record<string, CardValue> = {};
    for (const slot of columns) {
      const value = slotValue(slot, { listing, kind, context, kindById, linked, distance: '' }, search);
      if (value) values[slot.key] = value;
    }
    return [{ id: listing.id, href: kind.hasListingPages ? listingPath(kind, listing) : null, values }];
  });
}
