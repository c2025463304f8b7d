import type { Query } from '../../query/index.js';
import { keptSearchWords } from './search-words.js';

/**
 * What Plindo counts of a visit:
 * - `views`: views of listings of a kind; `about` is the number of the kind. The store adds them up itself;
 * - `page`: a page that is no listing's; `about` is its path;
 * - `design`: a page, a listing's too, that was shown by a design; `about` is the number of the design;
 * - `list`: a list that visitors steer; `about` is the list, as for all that follow;
 * - `facet`: `detail` is the key of a facet that was used, or "key=value" for one of its values;
 * - `sort`: `detail` is the key of the sort choice;
 * - `search`: `detail` are the words; `missed` the same where nothing was found;
 * - `dead-end`: `detail` is the state of a list that was left empty, as its address has it: "type=box"; "/box?q=crane" on the page
 *   of the category "box";
 * - `arrival`: `about` is the host of another site on which somebody followed a link, '' for those who come from none.
 */
export type Counted =
  'views' | 'page' | 'design' | 'list' | 'facet' | 'sort' | 'search' | 'missed' | 'dead-end' | 'arrival';

export interface CountedThing {
  readonly what: Counted;
  readonly about: string;
  readonly detail: string;
}

/** A list that visitors steer, in the state in which somebody was shown it. */
export interface ShownList {
  /** Which list it is; {@link listKey}. */
  readonly key: string;
  readonly query: Query;
  /** Its state as it stands in the address, without the order and the page. */
  readonly state: string;
  /** Whether it found nothing that was asked for. */
  readonly isEmpty: boolean;
  /** The key of the category whose page it is on, where its key names the whole list; null for a list that is whole. */
  readonly category: string | null;
}

/** What somebody was shown. */
export interface ShownPage {
  readonly path: string;
  /** The listing whose page it is; null for any other page. */
  readonly listing: { readonly id: number; readonly kindId: number } | null;
  /** Number of the design that it was made by; null for a page that nobody has designed. */
  readonly designId: number | null;
  readonly lists: readonly ShownList[];
}

/** A search, which counts only after a moment, as its visitor may still be typing. */
export interface SearchInList {
  readonly list: string;
  readonly words: string;
  readonly things: readonly CountedThing[];
}

/** A program made up a state or a path that is longer: Plindo doesn't count it. */
const LONGEST_DETAIL = 300;

/** How a list is named among what is counted: all of a kind, or those of a selection. */
export function listKey(list: { readonly kindId: number } | { readonly selectionId: number }): string {
  return 'kindId' in list ? `kind:${list.kindId}` : `selection:${list.selectionId}`;
}

/** That somebody came to the site by a link of another one, told by its host; '' for none. */
export function arrival(host: string): CountedThing {
  return thing('arrival', host);
}

/** What counts together when a visitor is shown a page that they haven't seen in the last half hour: the page and its design. */
export function pageShown({ path, listing, designId }: ShownPage): CountedThing[] {
  return [
    ...(listing === null && path.length <= LONGEST_DETAIL ? [thing('page', path)] : []),
    ...(designId === null ? [] : [thing('design', String(designId))]),
  ];
}

/** What else counts at once when somebody is shown a page, each by itself. */
export function thingsShown({ lists }: ShownPage): CountedThing[] {
  return lists.flatMap(thingsOfList);
}

/** What was searched in the lists of a page, and where nothing was found. */
export function searchesShown({ lists }: ShownPage): SearchInList[] {
  return lists.flatMap((list) => {
    const things = searchThings(list);
    return things.length === 0 ? [] : [{ list: list.key, words: list.query.text, things }];
  });
}

function thingsOfList({ key, query }: ShownList): CountedThing[] {
  const facets = [...query.choices].flatMap(([facet, choice]) => [
    thing('facet', key, facet),
    ...(choice.kind === 'values' ? choice.values.map((value) => thing('facet', key, `${facet}=${value}`)) : []),
  ]);
  return [
    thing('list', key),
    ...facets.filter(({ detail }) => detail.length <= LONGEST_DETAIL),
    ...(query.sort === null ? [] : [thing('sort', key, query.sort)]),
  ];
}

function searchThings({ key, query, state, isEmpty, category }: ShownList): CountedThing[] {
  const words = keptSearchWords(query.text);
  const isSearch = query.text !== '';
  const isFiltered = query.choices.size > 0 || !!query.box;
  // A visitor may type anything as a place, and nobody else ever has the same part of a map.
  const isTold = ![...query.choices.values()].some(({ kind }) => kind === 'near') && !query.box;
  const detail = deadEndDetail({ category, state });
  const isKept = (!isSearch || words !== null) && isTold && detail.length <= LONGEST_DETAIL;
  // What isn't found in a category may be found in the whole list: the category has left it out, as a filter does.
  const isNarrowed = isFiltered || category !== null;
  return [
    ...(words === null ? [] : [thing('search', key, words)]),
    ...(words !== null && isEmpty && !isNarrowed ? [thing('missed', key, words)] : []),
    ...(isEmpty && isNarrowed && isKept ? [thing('dead-end', key, detail)] : []),
  ];
}

/** A state of a list, and the key of the category on whose page it was; null for the list's own page. */
export type StateOfList = Pick<ShownList, 'category' | 'state'>;

function deadEndDetail({ category, state }: StateOfList): string {
  return category === null ? state : `/${category}?${state}`;
}

/** The state that was counted as a dead end. */
export function deadEndOf(detail: string): StateOfList {
  const [, category = null, state = detail] = /^\/([^?]*)\?(.*)$/s.exec(detail) ?? [];
  return { category, state };
}

function thing(what: Counted, about: string, detail = ''): CountedThing {
  return { what, about, detail };
}
