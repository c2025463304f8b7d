import type { Box } from './box.js';

/** What is chosen in one facet. */
export type FacetChoice =
  | { readonly kind: 'values'; readonly values: readonly string[] }
  /** Bounds are in the column's unit, both ends in; null is open. */
  | { readonly kind: 'range'; readonly least: number | null; readonly greatest: number | null }
  /** Calendar days of the site's zone, counted from 1970-01-01, both in; null is open. */
  | { readonly kind: 'dates'; readonly from: number | null; readonly to: number | null }
  /** `at` is what stands in the address: the slug or title of a listing with a place, or "latitude,longitude". */
  | { readonly kind: 'near'; readonly at: string; readonly metres: number | null };

/** What a visitor asks of an index page; all of it stands in the address. */
export interface Query {
  /** The search words as typed, '' for none. */
  readonly text: string;
  /** By facet key; a facet with nothing chosen is absent. */
  readonly choices: ReadonlyMap<string, FacetChoice>;
  /** Key of a sort choice, or null for the order that the page has by itself. */
  readonly sort: string | null;
  /** Counted from 1. */
  readonly page: number;
  /** Whether all pages up to {@link page} are shown one below the other, as "show more" leaves them. */
  readonly fromFirst?: boolean;
  /** The part of a map in which listings have to lie; left out, or null, for anywhere. */
  readonly box?: Box | null;
}

export const BLANK_QUERY: Query = { text: '', choices: new Map(), sort: null, page: 1 };

/** Values of a yes/no facet in addresses and counts. */
export const YES_VALUE = 'yes';
export const NO_VALUE = 'no';

/** The query with another choice in a facet; it begins at the first page again. */
export function withChoice(query: Query, facetKey: string, choice: FacetChoice | null): Query {
  const choices = new Map(query.choices);
  if (choice === null || (choice.kind === 'values' && choice.values.length === 0)) choices.delete(facetKey);
  else choices.set(facetKey, choice);
  return { ...query, choices, page: 1 };
}

/** The query after choosing a value that is not chosen, or taking back one that is. */
export function withValueToggled(query: Query, facetKey: string, value: string, isSingle = false): Query {
  const choice = query.choices.get(facetKey);
  const chosen = choice?.kind === 'values' ? choice.values : [];
  const others = isSingle ? [] : chosen;
  const values = chosen.includes(value) ? chosen.filter((other) => other !== value) : [...others, value];
  return withChoice(query, facetKey, { kind: 'values', values });
}
