/**
 * The queries of core/query once more, written as the rules read, over plain listings, one listing at a time. Slow on
 * purpose; shares nothing with the catalog but the field types' reading of a value.
 */
import { typosAllowed } from '../src/catalog/index.js';
import type { Listing } from '../src/listings/index.js';
import type { FacetChoice, Query } from '../src/query/index.js';
import type { Facet, Kind, OrderKey } from '../src/structure/index.js';
import { fieldByKey, fieldType } from '../src/structure/index.js';
import { textOrder, wordsOf } from '../src/values/index.js';

export interface BruteResult {
  total: number;
  ids: number[];
  counts: Map<string, Map<string, number>>;
  bounds: Map<string, { least: number; greatest: number } | null>;
}

export function bruteForce(
  kind: Kind,
  listings: readonly Listing[],
  query: Query,
  order: readonly OrderKey[],
  locale: string,
): BruteResult {
  const base = listings.filter((listing) => listing.status === 'live' && matchesWords(listing, kind, query.text));
  const satisfies = (listing: Listing, facets: readonly Facet[]): boolean =>
    facets.every((facet) => {
      const choice = query.choices.get(facet.key);
      return !choice || keeps(listing, facet, kind, choice);
    });
  const all = base.filter((listing) => satisfies(listing, kind.facets));
  const result: BruteResult = { total: all.length, ids: [], counts: new Map(), bounds: new Map() };
  for (const facet of kind.facets) {
    const others = kind.facets.filter((other) => other.key !== facet.key);
    const candidates = facet.join === 'all' ? all : base.filter((listing) => satisfies(listing, others));
    if (facet.control === 'range') {
      const numbers = candidates.map((listing) => numberOf(listing, facet.field, kind)).filter((n) => n !== null);
      const bounds = { least: Math.min(...numbers), greatest: Math.max(...numbers) };
      result.bounds.set(facet.key, numbers.length === 0 ? null : bounds);
      continue;
    }
    const counts = new Map<string, number>();
    for (const listing of candidates) {
      for (const value of valuesOf(listing, facet.field)) counts.set(value, (counts.get(value) ?? 0) + 1);
    }
    result.counts.set(facet.key, counts);
  }
  const sorted = [...all].sort((a, b) => compare(a, b, kind, order, locale));
  result.ids = sorted.slice((query.page - 1) * kind.pageSize, query.page * kind.pageSize).map(({ id }) => id);
  return result;
}

/** All words, each met by a whole word or one with few enough typos, the last also by the beginning of a word. */
export function matchesWords(listing: Listing, kind: Kind, text: string): boolean {
  const wanted = wordsOf(text);
  const searchable = kind.fields.filter((field) => field.searchWeight > 0 && listing.values[field.key] !== undefined);
  const texts = searchable.map((field) => fieldType(field.type).words?.(listing.values[field.key], field) ?? '');
  const words = [listing.title, listing.summary, ...texts].flatMap(wordsOf);
  return wanted.every((word, at) =>
    words.some(
      (candidate) =>
        editDistance(word, candidate) <= typosAllowed(word) || (at === wanted.length - 1 && candidate.startsWith(word)),
    ),
  );
}

/** Levenshtein's distance by its textbook recurrence. */
export function editDistance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++) {
      next[j] = Math.min(row[j]! + 1, next[j - 1]! + 1, row[j - 1]! + Number(a[i - 1] !== b[j - 1]));
    }
    row = next;
  }
  return row[b.length]!;
}

function keeps(listing: Listing, facet: Facet, kind: Kind, choice: FacetChoice): boolean {
  if (choice.kind === 'range') {
    const number = numberOf(listing, facet.field, kind);
    return number !== null && number >= (choice.least ?? -Infinity) && number <= (choice.greatest ?? Infinity);
  }
  const has = (value: string): boolean => valuesOf(listing, facet.field).includes(value);
  return facet.join === 'all' ? choice.values.every(has) : choice.values.some(has);
}

function valuesOf(listing: Listing, key: string): string[] {
  const value = listing.values[key];
  if (value === undefined) return [];
  if (typeof value === 'boolean') return [value ? 'yes' : 'no'];
  return Array.isArray(value) ? (value as string[]) : [value as string];
}

function numberOf(listing: Listing, key: string, kind: Kind): number | null {
  const field = fieldByKey(kind, key);
  const spec = field && fieldType(field.type).column;
  const value = listing.values[key];
  return value === undefined || spec?.kind !== 'number' ? null : spec.of(value);
}

function compare(a: Listing, b: Listing, kind: Kind, order: readonly OrderKey[], locale: string): number {
  for (const { by, direction, missing } of order) {
    const [x, y] = [sortValue(a, by, kind), sortValue(b, by, kind)];
    if (x === null && y === null) continue;
    if (x === null || y === null) return (x === null) === (missing === 'first') ? -1 : 1;
    const difference = typeof x === 'string' ? textOrder(locale)(x, y as string) : x - (y as number);
    if (difference !== 0) return direction === 'up' ? difference : -difference;
  }
  return a.id - b.id;
}

function sortValue(listing: Listing, by: OrderKey['by'], kind: Kind): string | number | null {
  if (by === 'featured') return Number(listing.featured);
  if (by === 'hand-order') return listing.handOrder;
  if (by === 'title') return listing.title;
  if (by === 'newest') return listing.createdAt;
  const key = by.slice('field:'.length);
  const field = fieldByKey(kind, key);
  const value = listing.values[key];
  if (!field || value === undefined) return null;
  if (field.type === 'one-choice' || field.type === 'several-choices') {
    const first = (Array.isArray(value) ? value[0] : value) as string;
    const defined = (field.settings.choices ?? []).map((choice) => choice.key);
    return defined.includes(first) ? defined.indexOf(first) : defined.length;
  }
  if (field.type === 'short-text') return value as string;
  if (typeof value === 'boolean') return Number(value);
  return numberOf(listing, key, kind);
}
