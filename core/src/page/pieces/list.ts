import type { PieceSettings, Slot } from '../../design/index.js';
import { isSteered, isVisitors, makeSlot } from '../../design/index.js';
import type { Listing } from '../../listings/index.js';
import type { Kind } from '../../structure/index.js';
import type { AreaParts } from '../areas/area-parts.js';
import { nounsOf } from '../areas/area-parts.js';
import { tableHeads } from '../areas/table-heads.js';
import type { CardValue } from '../cards/card-model.js';
import { slotFormOf } from '../cards/card-maker.js';
import { listingPath, slotValue } from '../cards/slot-value.js';
import type { EmptyModel, ListModel, ListStateModel, TableRowModel } from './piece-models.js';
import type { ListQuestion, PieceMaker, PieceMaking } from './piece-maker.js';
import { shownSlots } from './piece-maker.js';

type Settings = PieceSettings<'list'>;

export const list: PieceMaker<'list'> = {
  question: (settings) => questionOf(settings),
  needsListings: ({ layout }) => layout === 'table',
  make(settings, making) {
    const question = questionOf(settings);
    const { from } = settings;
    if (isVisitors(from)) return visitorsList(settings, from, making);
    return question ? plainList(settings, question, making) : steeredList(settings, making);
  },
};

function questionOf({ from, of, fields, most, ...settings }: Settings): ListQuestion | null {
  return from === 'page' || isSteered({ from, ...settings }) ? null : { from, of, fields, most };
}

function plainList(settings: Settings, question: ListQuestion, making: PieceMaking): ListModel | null {
  const { ids, href, total } = making.answer(question);
  const all = settings.leadsOn && href !== null ? { href, total } : null;
  const shown = shownOf(settings, ids, making);
  return shown.cards.length + shown.rows.length > 0
    ? { ...frameOf(settings, making), ...shown, all, state: null, visitors: null }
    : null;
}

/** A list of what a browser keeps stands there empty, too: the browser fills it, or says how it is filled. */
function visitorsList(settings: Settings, of: 'shortlist' | 'recent', making: PieceMaking): ListModel {
  const { chosen } = making;
  const ids = making.answer({ ...settings, from: of }).ids.slice(0, settings.most);
  const frame = { ...frameOf(settings, making), ...shownOf(settings, ids, making), all: null, state: null };
  if (chosen && chosen.sample.length > 0) return { ...frame, visitors: null };
  const onPage = chosen && of === 'shortlist' ? { ...chosen, shortlist: ids } : null;
  return { ...frame, visitors: { of, most: settings.most, chosen: onPage } };
}

/** A list that visitors steer stands there empty, too, and says why. */
function steeredList(settings: Settings, making: PieceMaking): ListModel | null {
  const found = making.areaNamed(settings.name);
  if (!found) return null;
  const { parts } = found;
  const groups = parts.groups((id) => making.cardOf(id, parts.extrasOf(id)));
  const shown = shownOf(settings, groups.length > 0 ? [] : parts.ids, making, parts);
  const { words } = making.page.context.formats;
  const leading = settings.featuredApart ? parts.leading(shown.cards) : 0;
  const state: ListStateModel = {
    ...{ featured: shown.cards.slice(0, leading), groups, note: parts.searchNote },
    before: parts.before + leading,
    label: parts.design.many,
    rest: leading > 0 ? words.say('list.rest', nounsOf(parts.design, words)) : '',
    empty: parts.ids.length > 0 ? null : emptyModel(parts),
    heads: settings.layout === 'table' ? tableHeads(settings.columns, parts) : {},
  };
  return {
    ...frameOf(settings, making),
    ...shown,
    all: null,
    cards: shown.cards.slice(leading),
    state,
    visitors: null,
  };
}

type Frame = Pick<ListModel, 'type' | 'layout' | 'width' | 'intro' | 'heading'>;

function frameOf({ layout, width, heading, intro }: Settings, making: PieceMaking): Frame {
  const [words] = shownSlots([makeSlot({ key: 'heading', text: heading })], making);
  return { type: 'list', layout, width, intro, heading: words?.value.text ?? '' };
}

/** The listings as cards, or as the rows of a table. */
function shownOf(
  { layout, columns }: Settings,
  ids: readonly number[],
  making: PieceMaking,
  parts?: AreaParts,
): Pick<ListModel, 'cards' | 'columns' | 'rows'> {
  if (layout !== 'table') {
    return { cards: ids.flatMap((id) => making.cardOf(id, parts?.extrasOf(id)) ?? []), columns: [], rows: [] };
  }
  const listings = ids.flatMap((id) => making.linked(id) ?? []);
  const { kindById } = making.page;
  const kind = listings[0] && kindById(listings[0].kindId);
  return {
    cards: [],
    columns: kind ? columns.map((slot) => slotFormOf(slot, kind, making.page)) : [],
    rows: rowsOf(listings, columns, making, parts?.text ?? ''),
  };
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
