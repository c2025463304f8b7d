import type { Facet, KindDefinition } from '../structure/index.js';
import { HOUSE_SORT_KEY, RANGE_MARK, RELEVANCE_SORT_KEY, columnOf, fieldByKey } from '../structure/index.js';
import type { FacetChoice, Query } from './query.js';

export const LONGEST_SEARCH = 200;
const MOST_CHOSEN = 100;
const LAST_PAGE = 1_000_000;

type Design = Pick<KindDefinition, 'fields' | 'facets' | 'sortChoices'>;

/**
 * Reads a query from the parts of an address. A facet's values may stand in one part ("facility=water,power") or in
 * several ("facility=water&facility=power", as a form without JavaScript sends them); a range as "price=10..40" or as
 * the two parts "price-from=10&price-to=40". Parts that mean nothing are left out.
 */
export function queryFromUrl(parts: Iterable<readonly [string, string]>, kind: Design): Query {
  const byName = new Map<string, string[]>();
  for (const [name, value] of parts) byName.set(name, [...(byName.get(name) ?? []), value]);
  const choices = new Map<string, FacetChoice>();
  for (const facet of kind.facets) {
    const choice = facet.control === 'range' ? readRange(facet, kind, byName) : readValues(facet, kind, byName);
    if (choice) choices.set(facet.key, choice);
  }
  const text = (byName.get('q')?.at(-1) ?? '').trim().slice(0, LONGEST_SEARCH);
  const sort = byName.get('sort')?.at(-1) ?? null;
  const isKnown =
    sort === HOUSE_SORT_KEY || sort === RELEVANCE_SORT_KEY || kind.sortChoices.some(({ key }) => key === sort);
  const page = Number(byName.get('page')?.at(-1) ?? 1);
  const isPage = Number.isInteger(page) && page >= 1 && page <= LAST_PAGE;
  return { text, choices, sort: isKnown ? sort : null, page: isPage ? page : 1 };
}

/** A value that a category had before it was merged into another is taken for that other. */
function readValues(facet: Facet, kind: Design, byName: ReadonlyMap<string, string[]>): FacetChoice | null {
  const given = (byName.get(facet.key) ?? []).flatMap((part) => part.split(',')).filter((value) => value !== '');
  const choices = fieldByKey(kind, facet.field)?.settings.choices ?? [];
  const values = given.map((value) => choices.find(({ formerKeys }) => formerKeys?.includes(value))?.key ?? value);
  const distinct = [...new Set(values)].slice(0, MOST_CHOSEN);
  return distinct.length === 0 ? null : { kind: 'values', values: distinct };
}

function readRange(facet: Facet, kind: Design, byName: ReadonlyMap<string, string[]>): FacetChoice | null {
  const field = fieldByKey(kind, facet.field);
  const spec = field && columnOf(field);
  if (!field || spec?.kind !== 'number') return null;
  const bound = (text: string | undefined): number | null => (text ? spec.boundFromText(text, field) : null);
  const together = byName.get(facet.key)?.at(-1)?.split(RANGE_MARK);
  const least = together?.length === 2 ? bound(together[0]) : bound(byName.get(`${facet.key}-from`)?.at(-1));
  const greatest = together?.length === 2 ? bound(together[1]) : bound(byName.get(`${facet.key}-to`)?.at(-1));
  return least === null && greatest === null ? null : { kind: 'range', least, greatest };
}

/** Whether an address names a category by a key from before it was merged, so that it should lead to the new one. */
export function hasFormerKeys(parts: Iterable<readonly [string, string]>, kind: Design): boolean {
  const former = new Map(
    kind.facets.map((facet) => [
      facet.key,
      (fieldByKey(kind, facet.field)?.settings.choices ?? []).flatMap(({ formerKeys = [] }) => formerKeys),
    ]),
  );
  return [...parts].some(([name, value]) => value.split(',').some((one) => former.get(name)?.includes(one)));
}

/** A query as the part of an address after "?", in one fixed order; '' when there is nothing to say. */
export function urlOfQuery(query: Query, kind: Design): string {
  const parts: string[] = [];
  if (query.text !== '') parts.push(`q=${encodePart(query.text)}`);
  for (const facet of kind.facets) {
    const choice = query.choices.get(facet.key);
    if (choice) parts.push(`${encodePart(facet.key)}=${writeChoice(choice, facet, kind)}`);
  }
  if (query.sort !== null) parts.push(`sort=${encodePart(query.sort)}`);
  if (query.page > 1) parts.push(`page=${query.page}`);
  return parts.join('&');
}

function writeChoice(choice: FacetChoice, facet: Facet, kind: Design): string {
  if (choice.kind === 'values') return choice.values.map(encodePart).join(',');
  const field = fieldByKey(kind, facet.field);
  const spec = field && columnOf(field);
  if (!field || spec?.kind !== 'number') return '';
  const write = (bound: number | null): string => (bound === null ? '' : encodePart(spec.boundToText(bound, field)));
  return `${write(choice.least)}${RANGE_MARK}${write(choice.greatest)}`;
}

/** Escapes what a query part may not hold; the comma and the colon may, and stay readable. */
function encodePart(text: string): string {
  return encodeURIComponent(text).replaceAll('%20', '+').replaceAll('%3A', ':');
}
