import type { Catalog } from '../catalog/index.js';
import { Bitset } from '../catalog/index.js';
import type { Listing } from '../listings/index.js';
import type { ExplainScene, Explanation, FacetChoice, Query, QueryArea, QueryScene, Reason } from '../query/index.js';
import {
  BLANK_QUERY,
  countShown,
  foundIn,
  placeAt,
  plainReason,
  reasonsAgainst,
  rowsKept,
  rowsOf,
  rowsOfQuery,
  runQuery,
  searchOf,
  withChoice,
} from '../query/index.js';
import type { Facet, SelectionDefinition } from '../structure/index.js';
import { makeSelection } from '../structure/index.js';
import { wordsOf } from '../values/index.js';
import { chipModels } from './facet-models.js';

/** A public list in some state: what stands in it, and what is chosen on it. */
export interface ListInState {
  readonly catalog: Catalog;
  readonly area: QueryArea;
  readonly query: Query;
  /** The selection whose page it is; null for a kind's own page. */
  readonly selection: SelectionDefinition | null;
}

/** A choice of a list that alone keeps some listings out: its words, how many, and the first of them. */
export interface MissedChoice {
  readonly label: string;
  /** The list without it. */
  readonly query: Query;
  readonly total: number;
  readonly ids: readonly number[];
}

/** Why a listing is not in a list in its state, or where in it it is. */
export function explainInList(listing: Listing, list: ListInState, explained: ExplainScene): Explanation {
  const { kind } = list.catalog;
  const selection = list.selection ?? makeSelection({ slug: kind.slug, name: kind.many, kinds: [kind.id] });
  const reasons = reasonsAgainst(listing, selection, explained);
  const row = list.catalog.rowOf(listing.id);
  if (row !== undefined) {
    reasons.push(...searchReasons(row, list, explained.scene), ...facetReasons(listing, row, list, explained.scene));
  }
  return reasons.length > 0 ? { reasons, position: null, page: null } : placeInList(listing, list, explained.scene);
}

/** For each thing that is chosen, the listings that would be in the list without it. */
export function justMissingInList(list: ListInState, scene: QueryScene, most: number): MissedChoice[] {
  const { catalog, area, query } = list;
  const shown = rowsOfQuery(catalog, query, scene, area);
  const without = [...query.choices.keys()].map((key) => ({
    label: choiceWords(key, list, scene),
    query: withChoice(query, key, null),
  }));
  if (query.text !== '') without.push({ label: `“${query.text}”`, query: { ...query, text: '', page: 1 } });
  return without.map(({ label, query: other }) => {
    const rows = rowsOfQuery(catalog, other, scene, area).subtract(shown);
    const ids = [...rows.toRows().subarray(0, most)].map((row) => catalog.ids[row]!);
    return { label, query: other, total: rows.count(), ids };
  });
}

function searchReasons(row: number, { catalog, area, query }: ListInState, { context }: QueryScene): Reason[] {
  if (query.text === '') return [];
  const within = catalog.onSiteAt(context.nowInMs).clone();
  if (area.rows) within.intersect(area.rows);
  within.add(row);
  const matches = searchOf(catalog, query.text, within);
  if (!matches || rowsOf(matches, catalog).has(row)) return [];
  const alone = new Bitset(within.capacity);
  alone.add(row);
  const missing = wordsOf(query.text).filter((word) => (searchOf(catalog, word, alone)?.rows.length ?? 0) === 0);
  const lacking = missing.map((word) => `“${word}”`).join(', ');
  const sentence =
    missing.length === 0 ? 'The search finds others that fit it better.' : `It doesn’t have ${lacking} of the search.`;
  return [{ ...plainReason('search', sentence), wanted: query.text }];
}

function facetReasons(listing: Listing, row: number, list: ListInState, scene: QueryScene): Reason[] {
  const { catalog, area, query } = list;
  return area.design.facets.flatMap((facet): Reason[] => {
    const choice = query.choices.get(facet.key);
    const rows = choice && rowsKept(facet, choice, catalog, scene);
    if (!rows || rows.has(row)) return [];
    const found = foundIn(listing, facet.through[0] ?? facet.field, catalog, scene.context);
    const wanted = wantedOf(facet, choice, list, scene);
    const sentence = `${facet.label}: it has ${found === '' ? 'none' : `“${found}”`}; chosen: ${wanted}.`;
    return [{ about: 'facet', place: facet.key, sentence, found, wanted }];
  });
}

function wantedOf(facet: Facet, choice: FacetChoice, list: ListInState, scene: QueryScene): string {
  const labels = chipsOf(facet, choice, list, scene).map((label) => label.slice(`${facet.label}: `.length));
  return labels.join(facet.join === 'all' ? ' and ' : ' or ');
}

function choiceWords(key: string, list: ListInState, scene: QueryScene): string {
  const facet = list.area.design.facets.find((one) => one.key === key);
  const choice = list.query.choices.get(key);
  return facet && choice ? `${facet.label}: ${wantedOf(facet, choice, list, scene)}` : key;
}

/** What the chips of a choice say. */
function chipsOf(facet: Facet, choice: FacetChoice, { catalog, area }: ListInState, scene: QueryScene): string[] {
  const kind = { ...catalog.kind, ...area.design, facets: [facet] };
  const query = withChoice(BLANK_QUERY, facet.key, choice);
  const nowhere = { hrefOf: () => '', countOf: () => 0, counts: new Map() };
  return chipModels({ kind, query, scene, ...nowhere }).map(({ label }) => label);
}

function placeInList({ id }: Listing, { catalog, area, query }: ListInState, scene: QueryScene): Explanation {
  const { skip, design } = area;
  const onePage = { ...area, skip: 0, most: null, design: { ...design, pageSize: Number.MAX_SAFE_INTEGER } };
  const { ids, total } = runQuery(catalog, { ...query, page: 1, fromFirst: false }, scene, onePage);
  return placeAt(ids.indexOf(id), { skip, shown: countShown(area, total), pageSize: design.pageSize });
}
