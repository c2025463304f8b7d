import type { Bitset, Catalog, TextMatches } from '../../catalog/index.js';
import { Bitset as Rows } from '../../catalog/index.js';
import type { Facet } from '../../structure/index.js';
import { KIND_FIELD_KEY } from '../../structure/index.js';
import { wordsOf } from '../../values/index.js';
import type { AskedList, ListPart } from './asked-list.js';
import { noRows } from '../filters/facet-source.js';
import { rowsKept } from '../filters/filters.js';
import { FoundRows } from './found-rows.js';
import { rowsInBox } from '../address/box.js';
import type { FacetChoice, Query } from '../address/query.js';
import type { QueryScene } from '../filters/scene.js';
import { shownRows } from '../filters/shown-rows.js';

/** What a query finds of one kind, before it is counted and put in order. */
export interface FoundPart {
  readonly part: ListPart;
  readonly base: Bitset;
  /** By facet key, the rows that a choice keeps; a choice that keeps all is not there. */
  readonly kept: ReadonlyMap<string, Bitset>;
  readonly all: FoundRows;
  readonly matches: TextMatches | null;
}

/** Stands beside the keys of facets for the chosen part of a map; no facet has it. */
const BOX = '@box';

/** What a query finds in a list, kind by kind. */
export function findParts(list: AskedList, query: Query, scene: QueryScene): FoundPart[] {
  const bases = list.parts.map((part) => rowsWithin(part, scene));
  const searches = searchParts(list.parts, bases, query.text);
  return list.parts.map((part, at) => {
    const [base, matches] = [bases[at]!, searches[at]!];
    if (matches) base.intersect(rowsOf(matches, part.catalog));
    const kept = new Map<string, Bitset>();
    if (query.box) kept.set(BOX, rowsInBox(query.box, part.catalog) ?? noRows(part.catalog));
    for (const facet of list.design.facets) {
      const choice = query.choices.get(facet.key);
      const rows = choice && rowsKeptBy(facet, choice, part, scene);
      if (rows) kept.set(facet.key, rows);
    }
    return { part, base, kept, matches, all: new FoundRows(intersection(base, [...kept.values()])) };
  });
}

/** The rows of a part that the list can hold. The set is the caller's. */
export function rowsWithin({ catalog, rows, shows }: ListPart, scene: QueryScene): Bitset {
  const base = shownRows(catalog, shows, scene.context.nowInMs);
  return rows ? base.intersect(rows) : base;
}

/**
 * What a search finds of each part among the given rows; null where there is no word to look for. Where one kind has
 * listings with all words, those of another with most of them don't count.
 */
export function searchParts(
  parts: readonly ListPart[],
  within: readonly Bitset[],
  text: string,
): (TextMatches | null)[] {
  if (text === '') return parts.map(() => null);
  const searches = parts.map(({ catalog }, at) => searchOf(catalog, text, within[at]!));
  const missing = searches.map((matches) => (matches?.rows.length ? missingWords(matches) : Infinity));
  const fewest = Math.min(...missing);
  return searches.map((matches, at) => (matches && missing[at]! > fewest ? { ...matches, ...NOTHING } : matches));
}

const NOTHING = { rows: new Uint32Array(0), strengths: new Float32Array(0) };

/** How many words were wanted, and how many of them all listings found have; null where no words were. */
export function wordsMet(parts: readonly FoundPart[]): { readonly wanted: number; readonly met: number } | null {
  const searches = parts.flatMap(({ matches }) => matches ?? []);
  const found = searches.filter(({ rows }) => rows.length > 0);
  const [first, ...others] = found.length > 0 ? found : searches;
  if (!first) return null;
  const best = others.reduce((best, one) => (missingWords(one) < missingWords(best) ? one : best), first);
  return { wanted: best.wanted, met: best.met };
}

function missingWords({ wanted, met }: TextMatches): number {
  return wanted - met;
}

/** The rows of a part that a choice in one of the list's facets keeps; null where it keeps all. The set is the caller's. */
export function rowsKeptBy(
  facet: Facet,
  choice: FacetChoice,
  { catalog, facets }: ListPart,
  scene: QueryScene,
): Bitset | null {
  if (facet.field === KIND_FIELD_KEY) {
    return choice.kind === 'values' && !choice.values.includes(catalog.kind.slug) ? noRows(catalog) : null;
  }
  const own = facets.get(facet.key);
  if (own) return rowsKept(own, choice, catalog, scene);
  // A kind that lacks the facet has no value in it; a point alone only orders.
  return choice.kind === 'near' && choice.metres === null ? null : noRows(catalog);
}

/** A facet of "any" counts over what every other facet keeps, one of "all" over what all of them keep. */
export function rowsToCount(facet: Facet, { base, kept, all }: FoundPart): FoundRows {
  if (facet.join === 'all' || !kept.has(facet.key)) return all;
  const others = [...kept].filter(([key]) => key !== facet.key).map(([, rows]) => rows);
  return new FoundRows(intersection(base, others));
}

function intersection(base: Bitset, sets: readonly Bitset[]): Bitset {
  const rows = base.clone();
  for (const set of sets) rows.intersect(set);
  return rows;
}

/** The rows of `within` that a search finds, with the kind's synonyms; null when there is no word to look for. */
export function searchOf(catalog: Catalog, text: string, within: Bitset): TextMatches | null {
  const synonyms = catalog.kind.synonyms.map((group) => group.map(wordsOf));
  return catalog.text.search(text, { within, synonyms });
}

/** The rows that a text search found. */
export function rowsOf(matches: TextMatches, catalog: Catalog): Bitset {
  const rows = new Rows(catalog.existing.capacity);
  for (const row of matches.rows) rows.add(row);
  return rows;
}
