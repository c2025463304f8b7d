import type { Kind, KindById } from '../../structure/index.js';
import type { SettingsOf } from '../settings/setting.js';
import { flag, listOf, numberFrom, oneOf, words } from '../settings/setting.js';
import { slotsSetting, textSetting } from '../settings/text-settings.js';
import { LONGEST_AREA_NAME } from './steering.js';

/**
 * Where the listings of an area come from: the list that the page is about, a kind, a selection, a link of the page's
 * listing, what is like it, what the visitor keeps, or saw lately.
 */
const LIST_SOURCES = ['page', 'kind', 'selection', 'linked', 'related', 'shortlist', 'recent'] as const;
const LIST_LAYOUTS = ['grid', 'rows', 'table', 'scrolling', 'ranked'] as const;
const MOST_LISTED = 100;

export const LIST_FORM = {
  from: oneOf(LIST_SOURCES, 'kind'),
  /** Number of the kind or the selection. */
  of: numberFrom(0, Number.MAX_SAFE_INTEGER, 0),
  /** Of linked ones: the link field; of related ones: the fields in which they are alike. */
  fields: listOf(words(61), 10),
  most: numberFrom(1, MOST_LISTED, 12),
  layout: oneOf(LIST_LAYOUTS, 'grid'),
  /** The least width of a card of a grid or a scrolling row, in rem. */
  width: numberFrom(8, 40, 16),
  /** Of a table: its columns. */
  columns: slotsSetting,
  heading: textSetting,
  intro: words(1000),
  /** Whether its heading leads to the page of all of them, and "See all" stands beside it. */
  leadsOn: flag(),
  /** Whether visitors can search, narrow and order it and go on to further pages; the page's own list always is so. */
  steered: flag(),
  /** Of a steered one: what stands before its parts of the address, "yards" of "yards.page=2"; '' for plain parts. */
  name: words(LONGEST_AREA_NAME),
  /** Of a steered one: whether featured listings that lead it stand in a strip of their own. */
  featuredApart: flag(),
};

export type ListSettings = SettingsOf<typeof LIST_FORM>;

/** Whether visitors can search, narrow and order a list and go on to its further pages. */
export function isSteered({ from, steered }: Pick<ListSettings, 'from' | 'steered'>): boolean {
  return from === 'page' || (steered && canBeSteered(from));
}

/** Whether a list that is not the page's own can be steered. */
export function canBeSteered(from: ListSettings['from']): boolean {
  return from === 'kind' || from === 'selection';
}

/** The kind of the listings of a list; of a selection there may be several. */
export function listedKind(
  { from, of, fields }: Pick<ListSettings, 'from' | 'of' | 'fields'>,
  ofPage: Kind | null,
  kindById: KindById,
): Kind | undefined {
  switch (from) {
    case 'kind':
      return kindById(of);
    case 'linked':
      return linkedKind(ofPage, fields[0] ?? '', kindById);
    case 'page':
    case 'related':
      return ofPage ?? undefined;
    case 'selection':
    case 'shortlist':
    case 'recent':
      return undefined;
  }
}

/** Whether a list is of what a browser keeps for its visitor; it is one's own, and the server knows nothing of it. */
export function isVisitors(from: ListSettings['from']): from is 'shortlist' | 'recent' {
  return from === 'shortlist' || from === 'recent';
}

/** The kind at the other end of a link field of the page's kind. */
export function linkedKind(kind: Kind | null, key: string, kindById: KindById): Kind | undefined {
  const linked = kind?.fields.find((field) => field.key === key)?.settings.linked;
  return linked && kindById(linked.kindId);
}
