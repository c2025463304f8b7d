import type { Catalog } from '../../catalog/index.js';
import type { PageDesign, PieceSettings } from '../../design/index.js';
import { steeredLists } from '../../design/index.js';
import type { AskedList, ListDesign, Query, QueryScene } from '../../query/index.js';
import {
  addressOf,
  kindsOf,
  listOfKind,
  listOfSelection,
  queryFromUrl,
  urlOfQuery,
  withKnownValues,
} from '../../query/index.js';
import type { KindById, Selection, SelectionDefinition } from '../../structure/index.js';
import type { ListInState } from './explain-list.js';

/** A list that a page can show, and what it is called. */
export interface NamedList {
  readonly list: AskedList;
  /** The selection whose list it is; null for the list of a kind. */
  readonly selection: SelectionDefinition | null;
  readonly heading: string;
}

/** A list on a page that visitors steer, in the state that the address of the page tells. */
export interface ListArea extends NamedList, ListInState {
  /** Tells it from the others of its page; '' for the one whose parts of the address are plain. */
  readonly key: string;
}

/** What lists are found with. */
export interface ListScene {
  readonly queries: QueryScene;
  readonly selections: readonly Selection[];
}

/** The address of a page in a state, and the list that the page is about; null for none. */
export interface PageAddress {
  readonly path: string;
  /** What stands behind "?" in it. */
  readonly search: string;
  readonly own: NamedList | null;
}

/** The list of all listings of a kind, by the name of the kind. */
export function listNamedByKind(catalog: Catalog): NamedList {
  return { list: listOfKind(catalog), selection: null, heading: catalog.kind.many };
}

export function listNamedBySelection(selection: SelectionDefinition, queries: QueryScene): NamedList {
  return { list: listOfSelection(selection, queries), selection, heading: selection.name };
}

/** The lists of a page that visitors steer, each in its state; one whose kind or selection is gone is left out. */
export function areasOfPage(page: PageDesign, { path, search, own }: PageAddress, scene: ListScene): ListArea[] {
  const parts = [...new URLSearchParams(search)];
  return steeredLists(page).flatMap(({ settings }): ListArea[] => {
    const found = listFor(settings, own, scene);
    if (!found) return [];
    const list = { ...found.list, design: arrangedFor(settings, found.list.design, path) };
    const asked = queryFromUrl(parts, list.design, kindsOf(scene.queries));
    return [{ ...found, list, query: withKnownValues(asked, list, scene.queries), key: settings.name }];
  });
}

function listFor(
  { from, of }: PieceSettings<'list'>,
  own: NamedList | null,
  { queries, selections }: ListScene,
): NamedList | null {
  if (from === 'page') return own;
  if (from === 'kind') {
    const catalog = queries.catalogOf(of);
    return catalog ? listNamedByKind(catalog) : null;
  }
  const selection = selections.find(({ id }) => id === of);
  return selection ? listNamedBySelection(selection, queries) : null;
}

/** How a list is arranged on a page: with its own prefix, and without headings of dates where its layout has none. */
function arrangedFor(
  { from, name, most, layout }: PieceSettings<'list'>,
  design: ListDesign,
  path: string,
): ListDesign {
  return {
    ...design,
    path,
    prefix: name === '' ? '' : `${name}.`,
    pageSize: from === 'page' ? design.pageSize : most,
    grouping: layout === 'grid' || layout === 'rows' ? design.grouping : null,
  };
}

/** The address of a page whose areas are in their states, but for one that may be in another. */
export function addressOfAreas(
  path: string,
  areas: readonly ListArea[],
  kindById: KindById,
  other?: { readonly area: ListArea; readonly query: Query },
): string {
  const states = areas.map((area) => {
    const query = area.key === other?.area.key ? other.query : area.query;
    return urlOfQuery(query, area.list.design, kindById);
  });
  return addressOf(path, states);
}
