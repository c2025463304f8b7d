/**
 * The queries of core/query once more, written as the rules read, over plain listings, one listing at a time. Slow on
 * purpose; shares nothing with the catalog but the field types' reading of a value.
 */
import { DateTime } from 'luxon';
import type { Listing } from '../src/listings/index.js';
import type { FacetChoice, Query } from '../src/query/index.js';
import type { Facet, Field, Kind, LinkedListing, OrderKey, ReadContext } from '../src/structure/index.js';
import { fieldByKey, fieldType } from '../src/structure/index.js';
import { textOrder, wordsOf } from '../src/values/index.js';

/** All kinds and listings of a site; a query asks for those of one kind. */
export interface BruteSite {
  readonly kinds: readonly Kind[];
  readonly listings: readonly Listing[];
  readonly context: ReadContext;
}

export interface BruteResult {
  total: number;
  ids: number[];
  counts: Map<string, Map<string, number>>;
  bounds: Map<string, { least: number; greatest: number } | null>;
  /** Of dates, by month (2024-12), year (2024) and decade (202). */
  periods: Map<string, Map<string, number>>;
  atLeast: Map<string, number[]>;
}

export function bruteForce(kind: Kind, query: Query, order: readonly OrderKey[], site: BruteSite): BruteResult {
  const base = searched(kind, query.text, site);
  const satisfies = (listing: Listing, facets: readonly Facet[]): boolean =>
    facets.every((facet) => {
      const choice = query.choices.get(facet.key);
      return !choice || keeps(listing, facet, choice, site);
    });
  const all = base.filter((listing) => satisfies(listing, kind.facets));
  const result: BruteResult = {
    total: all.length,
    ids: [],
    counts: new Map(),
    bounds: new Map(),
    periods: new Map(),
    atLeast: new Map(),
  };
  for (const facet of kind.facets) {
    const others = kind.facets.filter((other) => other.key !== facet.key);
    countFacet(
      facet.join === 'all' ? all : base.filter((listing) => satisfies(listing, others)),
      facet,
      kind,
      site,
      result,
    );
  }
  const sorted = [...all].sort((a, b) => compare(a, b, order, site));
  result.ids = sorted.slice((query.page - 1) * kind.pageSize, query.page * kind.pageSize).map(({ id }) => id);
  return result;
}

/** When a listing leaves, by luxon: its own moment, or the start or end of a day that its kind's rule counts from. */
function leavesAt({ shownUntil, expiry, values }: Listing, kind: Kind, zone: string): number | null {
  if (shownUntil !== null) return shownUntil;
  const rule = kind.expiry;
  if (rule?.countedFrom.by !== 'field' || expiry === 'off' || (expiry === null && !rule.byDefault)) return null;
  const { field, dayEdge } = rule.countedFrom;
  const date = values[field];
  if (typeof date !== 'string') return null;
  const { amount, unit } = rule.offset;
  const day = DateTime.fromISO(date, { zone }).plus({ [unit]: amount });
  return day
    .plus({ days: dayEdge === 'end' ? 1 : 0 })
    .startOf('day')
    .toMillis();
}

/** Live, its window open, its kind published. */
export function isShownAt(listing: Listing, { kinds, context: { nowInMs, zone } }: BruteSite): boolean {
  const kind = kinds.find(({ id }) => id === listing.kindId);
  if (listing.status !== 'live' || !kind?.published) return false;
  if (listing.shownFrom !== null && listing.shownFrom > nowInMs) return false;
  const leaves = leavesAt(listing, kind, zone);
  return leaves === null || leaves > nowInMs;
}

/** The listings on the site that have all words, or, where none has, the greatest number of them that is half at least. */
function searched(kind: Kind, text: string, site: BruteSite): Listing[] {
  const base = site.listings.filter((listing) => listing.kindId === kind.id && isShownAt(listing, site));
  const wanted = wordsOf(text);
  if (wanted.length === 0) return base;
  const met = new Map(base.map((listing) => [listing, wordsMet(listing, kind, wanted)]));
  for (let least = wanted.length; least * 2 >= wanted.length; least--) {
    const found = base.filter((listing) => met.get(listing) === least);
    if (found.length > 0) return found;
  }
  return [];
}

/** How many words are met by a whole word or one with few enough typos, the last also by the beginning of a word. */
export function wordsMet(listing: Listing, kind: Kind, wanted: readonly string[]): number {
  const searchable = kind.fields.filter((field) => field.searchWeight > 0 && listing.values[field.key] !== undefined);
  const texts = searchable.map((field) => fieldType(field.type).words?.(listing.values[field.key], field) ?? '');
  const words = [listing.title, listing.summary, ...texts].flatMap(wordsOf);
  return wanted.filter((word, at) =>
    words.some(
      (candidate) =>
        typosBetween(word, candidate) <= typosForgiven(word) ||
        (at === wanted.length - 1 && candidate.startsWith(word)),
    ),
  ).length;
}

/** Letters too many, missing, wrong or swapped with their neighbour: the optimal string alignment by its recurrence. */
export function typosBetween(a: string, b: string): number {
  const rows: number[][] = [];
  for (let i = 0; i <= a.length; i++) {
    rows.push([]);
    for (let j = 0; j <= b.length; j++) {
      if (i === 0 || j === 0) rows[i]!.push(i + j);
      else {
        const wrong = rows[i - 1]![j - 1]! + Number(a[i - 1] !== b[j - 1]);
        const isSwapped = i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1];
        const swapped = isSwapped ? rows[i - 2]![j - 2]! + 1 : Infinity;
        rows[i]!.push(Math.min(rows[i - 1]![j]! + 1, rows[i]![j - 1]! + 1, wrong, swapped));
      }
    }
  }
  return rows[a.length]![b.length]!;
}

function countFacet(
  candidates: readonly Listing[],
  facet: Facet,
  kind: Kind,
  site: BruteSite,
  result: BruteResult,
): void {
  if (facet.control === 'range') {
    const numbers = candidates.flatMap((listing) => numbersOf(listing, facet, site));
    const bounds = { least: Math.min(...numbers), greatest: Math.max(...numbers) };
    result.bounds.set(facet.key, numbers.length === 0 ? null : bounds);
    return;
  }
  if (facet.control === 'dates') {
    // Month, year and decade are how many letters of a date are the same.
    const periods = candidates.flatMap((listing) => {
      const days = daysOf(listing, facet, site);
      return [...new Set(days.flatMap((day) => [day.slice(0, 7), day.slice(0, 4), day.slice(0, 3)]))];
    });
    result.periods.set(facet.key, tallyOf(periods));
    return;
  }
  if (facet.control === 'rating') {
    const best = candidates.map((listing) => Math.max(...numbersOf(listing, facet, site)));
    const counts = [0, 1, 2, 3, 4, 5].map((stars) => best.filter((number) => number >= stars).length);
    result.atLeast.set(facet.key, counts);
    return;
  }
  const values = candidates.flatMap((listing) => [...new Set(valuesOf(listing, facet, site))]);
  result.counts.set(facet.key, tallyOf(values));
}

function tallyOf(values: readonly string[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return counts;
}

function keeps(listing: Listing, facet: Facet, choice: FacetChoice, site: BruteSite): boolean {
  if (choice.kind === 'range') {
    const [least, greatest] = [choice.least ?? -Infinity, choice.greatest ?? Infinity];
    return numbersOf(listing, facet, site).some((number) => number >= least && number <= greatest);
  }
  if (choice.kind === 'dates') {
    const date = (day: number): string => new Date(day * 86_400_000).toISOString().slice(0, 10);
    const from = choice.from === null ? '' : date(choice.from);
    const to = choice.to === null ? '9999' : date(choice.to);
    return daysOf(listing, facet, site).some((day) => day >= from && day <= to);
  }
  if (choice.kind === 'near') throw new Error('Distances are tested beside a reference of their own.');
  const values = valuesOf(listing, facet, site);
  const has = (value: string): boolean => values.includes(value);
  return facet.join === 'all' ? choice.values.every(has) : choice.values.some(has);
}

/** The listing itself, or those on the site that it reaches through the facet's links. */
function reached(listing: Listing, { through }: Facet, site: BruteSite): Listing[] {
  return through.reduce<Listing[]>((from, key) => from.flatMap((one) => linkedOnSite(one, key, site)), [listing]);
}

function linkedOnSite(listing: Listing, key: string, site: BruteSite): Listing[] {
  const linked = (listing.values[key] ?? []) as readonly LinkedListing[];
  return linked
    .map(({ id }) => site.listings.find((other) => other.id === id))
    .filter((other) => other !== undefined)
    .filter((other) => isShownAt(other, site));
}

function fieldIn(listing: Listing, key: string, { kinds }: BruteSite): Field | undefined {
  const kind = kinds.find(({ id }) => id === listing.kindId);
  return kind && fieldByKey(kind, key);
}

function valuesOf(listing: Listing, facet: Facet, site: BruteSite): string[] {
  return reached(listing, facet, site).flatMap((one) => {
    const field = fieldIn(one, facet.field, site);
    const value = one.values[facet.field];
    if (value === undefined || !field) return [];
    if (field.type === 'link') return linkedOnSite(one, facet.field, site).map(({ slug }) => slug);
    if (typeof value === 'boolean') return [value ? 'yes' : 'no'];
    const own = Array.isArray(value) ? (value as string[]) : [value as string];
    return field.type === 'categories' ? own.flatMap((key) => withThoseAbove(key, field)) : own;
  });
}

function withThoseAbove(key: string, field: Field): string[] {
  const parent = field.settings.choices?.find((choice) => choice.key === key)?.parent;
  return parent === undefined ? [key] : [key, ...withThoseAbove(parent, field)];
}

function numbersOf(listing: Listing, facet: Facet, site: BruteSite): number[] {
  return reached(listing, facet, site).flatMap(
    (one) => numberOf(one, facet.field, fieldIn(one, facet.field, site)) ?? [],
  );
}

function numberOf(listing: Listing, key: string, field: Field | undefined): number | null {
  const spec = field && fieldType(field.type).column;
  const value = listing.values[key];
  return value === undefined || spec?.kind !== 'number' ? null : spec.of(value);
}

/** The calendar days of a date, or of a moment in the site's zone, as texts that sort. */
function daysOf(listing: Listing, facet: Facet, site: BruteSite): string[] {
  return reached(listing, facet, site).flatMap((one) => {
    const value = one.values[facet.field];
    if (typeof value !== 'string') return [];
    if (fieldIn(one, facet.field, site)?.type === 'date') return [value];
    return [new Intl.DateTimeFormat('en-CA', { timeZone: site.context.zone }).format(new Date(value))];
  });
}

export function compare(a: Listing, b: Listing, order: readonly OrderKey[], { kinds, context }: BruteSite): number {
  const [ofA, ofB] = [a, b].map(({ kindId }) => kinds.find(({ id }) => id === kindId)!) as [Kind, Kind];
  for (const { by, direction, missing } of order) {
    const [x, y] = [sortValue(a, by, ofA, context), sortValue(b, by, ofB, context)];
    if (x === null && y === null) continue;
    if (x === null || y === null) return (x === null) === (missing === 'first') ? -1 : 1;
    const difference = typeof x === 'string' ? textOrder(context.locale)(x, y as string) : x - (y as number);
    if (difference !== 0) return direction === 'up' ? difference : -difference;
  }
  return a.id - b.id;
}

function sortValue(listing: Listing, by: OrderKey['by'], kind: Kind, { nowInMs }: ReadContext): string | number | null {
  if (by === '@featured') {
    const { featured, featuredFrom, featuredUntil } = listing;
    const isOpen = (featuredFrom ?? -Infinity) <= nowInMs && (featuredUntil ?? Infinity) > nowInMs;
    return Number(featured && isOpen);
  }
  if (by === '@handOrder') return listing.handOrder;
  if (by === '@title') return listing.title;
  if (by === '@createdAt') return listing.createdAt;
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
  return numberOf(listing, key, field);
}

/** One typo in words of four letters or more, two from eight. */
function typosForgiven({ length }: string): number {
  return length < 4 ? 0 : length < 8 ? 1 : 2;
}
