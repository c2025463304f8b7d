/** What is chosen in one facet. Range bounds are in the column's unit, both ends in; null is open. */
export type FacetChoice =
  | { readonly kind: 'values'; readonly values: readonly string[] }
  | { readonly kind: 'range'; readonly least: number | null; readonly greatest: number | null };

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
}

export const BLANK_QUERY: Query = { text: '', choices: new Map(), sort: null, page: 1 };

/** Values of a yes/no facet in addresses and counts. */
export const YES_VALUE = 'yes';
export const NO_VALUE = 'no';

export function withChoice(query: Query, facetKey: string, choice: FacetChoice | null): Query {
  const choices = new Map(query.choices);
  if (choice === null || (choice.kind === 'values' && choice.values.length === 0)) choices.delete(facetKey);
  else choices.set(facetKey, choice);
  return { ...query, choices, page: 1 };
}

/** The query after choosing a value that is not chosen, or taking back one that is. */
export function withValueToggled(query: Query, facetKey: string, value: string): Query {
  const choice = query.choices.get(facetKey);
  const chosen = choice?.kind === 'values' ? choice.values : [];
  const values = chosen.includes(value) ? chosen.filter((other) => other !== value) : [...chosen, value];
  return withChoice(query, facetKey, { kind: 'values', values });
}
