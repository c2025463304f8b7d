import { Bitset } from '../../catalog/index.js';
import type { Listing } from '../../listings/index.js';
import type {
  AskedList,
  ExplainScene,
  Explanation,
  FacetChoice,
  ListPart,
  Query,
  QueryScene,
  Reason,
} from '../../query/index.js';
import {
  BLANK_QUERY,
  countSelected,
  countShown,
  foundIn,
  placeAt,
  plainReason,
  reasonsAgainst,
  rowsInBox,
  rowsKeptBy,
  rowsOfQuery,
  rowsWithin,
  runQuery,
  searchOf,
  searchParts,
  withChoice,
} from '../../query/index.js';
import type { Facet, SelectionDefinition } from '../../structure/index.js';
import { KIND_FIELD_KEY, makeSelection } from '../../structure/index.js';
import { wordsOf } from '../../values/index.js';
import { chipLabels } from '../facets/facet-models.js';

/** A public list in some state: what stands in it, and what is chosen on it. */
export interface ListInState {
  readonly list: AskedList;
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
export function explainInList(listing: Listing, state: ListInState, explained: ExplainScene): Explanation {
  const { design, parts } = state.list;
  const { scene } = explained;
  const selection =
    state.selection ??
    makeSelection({ slug: 'list', name: design.many, kinds: parts.map(({ catalog }) => catalog.kind.id) });
  const reasons = reasonsAgainst(listing, selection, explained);
  const part = parts.find(({ catalog }) => catalog.rowOf(listing.id) !== undefined);
  if (part)
    reasons.push(
      ...searchReasons(listing, part, state, scene),
      ...facetReasons(listing, part, state, scene),
      ...mapReasons(listing, part, state),
    );
  return reasons.length > 0 ? { reasons, position: null, page: null } : placeInList(listing, state, scene);
}

/** For each thing that is chosen, the listings that would be in the list without it. */
export function justMissingInList(state: ListInState, scene: QueryScene, most: number): MissedChoice[] {
  const { list, query } = state;
  const shown = rowsOfQuery(list, query, scene);
  const without = [...query.choices.keys()].map((key) => ({
    label: choiceWords(key, state, scene),
    query: withChoice(query, key, null),
  }));
  if (query.box) without.push({ label: 'the part of the map', query: { ...query, box: null, page: 1 } });
  if (query.text !== '') without.push({ label: `“${query.text}”`, query: { ...query, text: '', page: 1 } });
  return without.map(({ label, query: other }) => {
    const missed = rowsOfQuery(list, other, scene).map(({ catalog, rows }, at) => ({
      catalog,
      rows: rows.subtract(shown[at]!.rows),
    }));
    const ids = missed.flatMap(({ catalog, rows }) =>
      [...rows.toRows().subarray(0, most)].map((row) => catalog.ids[row]!),
    );
    return { label, query: other, total: countSelected(missed), ids: ids.slice(0, most) };
  });
}

function searchReasons({ id }: Listing, own: ListPart, { list, query }: ListInState, scene: QueryScene): Reason[] {
  const { catalog } = own;
  const row = catalog.rowOf(id)!;
  const within = list.parts.map((part) => {
    const rows = rowsWithin(part, scene);
    if (part === own) rows.add(row);
    return rows;
  });
  const matches = searchParts(list.parts, within, query.text)[list.parts.indexOf(own)];
  if (!matches || matches.rows.includes(row)) return [];
  const alone = new Bitset(catalog.existing.capacity);
  alone.add(row);
  const missing = wordsOf(query.text).filter((word) => (searchOf(catalog, word, alone)?.rows.length ?? 0) === 0);
  const lacking = missing.map((word) => `“${word}”`).join(', ');
  const sentence =
    missing.length === 0 ? 'The search finds others that fit it better.' : `It doesn’t have ${lacking} of the search.`;
  return [{ ...plainReason('search', sentence), wanted: query.text }];
}

function facetReasons(listing: Listing, part: ListPart, state: ListInState, scene: QueryScene): Reason[] {
  const { list, query } = state;
  const row = part.catalog.rowOf(listing.id)!;
  return list.design.facets.flatMap((facet): Reason[] => {
    const choice = query.choices.get(facet.key);
    const rows = choice && rowsKeptBy(facet, choice, part, scene);
    if (!rows || rows.has(row)) return [];
    const found = valueFound(listing, facet, part, scene);
    const wanted = wantedOf(facet, choice, state, scene);
    const sentence = `${facet.label}: it has ${found === '' ? 'none' : `“${found}”`}; chosen: ${wanted}.`;
    return [{ about: 'facet', place: facet.key, sentence, found, wanted }];
  });
}

function mapReasons({ id }: Listing, { catalog }: ListPart, { query }: ListInState): Reason[] {
  if (!query.box || rowsInBox(query.box, catalog)?.has(catalog.rowOf(id)!)) return [];
  return [plainReason('map', 'It doesn’t lie in the part of the map that is chosen.')];
}

/** What a listing has in a facet; '' for nothing, as when its kind lacks the facet. */
function valueFound(listing: Listing, facet: Facet, { catalog, facets }: ListPart, { context }: QueryScene): string {
  if (facet.field === KIND_FIELD_KEY) return catalog.kind.many;
  const own = facets.get(facet.key);
  return own ? foundIn(listing, own.through[0] ?? own.field, catalog, context) : '';
}

function wantedOf(facet: Facet, choice: FacetChoice, state: ListInState, scene: QueryScene): string {
  const labels = chipsOf(facet, choice, state, scene).map((label) => label.slice(`${facet.label}: `.length));
  return labels.join(facet.join === 'all' ? ' and ' : ' or ');
}

function choiceWords(key: string, state: ListInState, scene: QueryScene): string {
  const facet = state.list.design.facets.find((one) => one.key === key);
  const choice = state.query.choices.get(key);
  return facet && choice ? `${facet.label}: ${wantedOf(facet, choice, state, scene)}` : key;
}

/** What the chips of a choice say. */
function chipsOf(facet: Facet, choice: FacetChoice, { list }: ListInState, scene: QueryScene): string[] {
  const design = { ...list.design, facets: [facet] };
  return chipLabels(design, withChoice(BLANK_QUERY, facet.key, choice), scene);
}

function placeInList({ id }: Listing, { list, query }: ListInState, scene: QueryScene): Explanation {
  const { skip, design } = list;
  const onePage = { ...list, skip: 0, most: null, design: { ...design, pageSize: Number.MAX_SAFE_INTEGER } };
  const { ids, total } = runQuery(onePage, { ...query, page: 1, fromFirst: false }, scene);
  return placeAt(ids.indexOf(id), { skip, shown: countShown(list, total), pageSize: design.pageSize });
}
