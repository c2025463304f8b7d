import { MOST_ON_SHORTLIST } from '../../design/index.js';
import type { QueryScene } from '../../query/index.js';
import { SHORTLIST_SLUG } from '../../structure/index.js';

/** What a visitor chose, as the address of the shortlist tells it: numbers of listings, in the visitor's order. */
export interface ChosenListings {
  readonly shortlist: readonly number[];
  /** Those of it that stand side by side. */
  readonly compared: readonly number[];
  /** In a preview: what stands for what a browser would keep, on every page. */
  readonly sample: readonly number[];
}

export const MOST_COMPARED = 4;
/** The parts of the address. */
export const SHORTLIST_PART = 'of';
export const COMPARED_PART = 'compare';

/** Reads `of=12,7&compare=12,7`; a part may come several times, as a form sends it. What is no number is left out. */
export function chosenAt(search: string): ChosenListings {
  const parts = new URLSearchParams(search);
  const shortlist = numbersIn(...parts.getAll(SHORTLIST_PART));
  const compared = numbersIn(...parts.getAll(COMPARED_PART)).filter((id) => shortlist.includes(id));
  return { shortlist, compared: compared.slice(0, MOST_COMPARED), sample: [] };
}

/** The numbers in texts like "12,7", each once; what is none is left out. */
export function numbersIn(...texts: readonly string[]): number[] {
  const numbers = texts.flatMap((text) => text.split(',')).filter((part) => /^[1-9]\d{0,14}$/.test(part));
  return [...new Set(numbers.map(Number))].slice(0, MOST_ON_SHORTLIST);
}

/** The one address of a shortlist in a state. */
export function shortlistAddress({ shortlist, compared }: Omit<ChosenListings, 'sample'>): string {
  const parts = [
    ...(shortlist.length > 0 ? [`${SHORTLIST_PART}=${shortlist.join(',')}`] : []),
    ...(compared.length > 0 ? [`${COMPARED_PART}=${compared.join(',')}`] : []),
  ];
  return [`/${SHORTLIST_SLUG}`, ...(parts.length > 0 ? [parts.join('&')] : [])].join('?');
}

/** Of some listings those that visitors may see, in their order. */
export function onSiteAmong(ids: readonly number[], queries: QueryScene): number[] {
  const { nowInMs } = queries.context;
  return ids.filter((id) => queries.catalogs().some((catalog) => catalog.isOnSite(id, nowInMs)));
}
