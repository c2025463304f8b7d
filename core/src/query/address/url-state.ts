import type { Facet, Field, KindById } from '../../structure/index.js';
import { OWN_SORT_KEYS, RANGE_MARK, choosesValues, columnOf, fieldOfFacet, isSingle } from '../../structure/index.js';
import { DISTANCE_UNITS, parseNumber } from '../../values/index.js';
import { daysFromText, textOfDays } from '../filters/date-span.js';
import type { ListDesign } from '../lists/list-design.js';
import { boxFromUrl, boxToUrl } from './box.js';
import type { FacetChoice, Query } from './query.js';

/** What the part of a map is called that listings have to lie in. */
const MAP_PART = 'map';
export const LONGEST_SEARCH = 200;
const MOST_CHOSEN = 100;
const LAST_PAGE = 1_000_000;
/** "Show more" shows at most so many listings on one page; further ones have pages of their own. */
export const MOST_SHOWN = 200;
const FARTHEST_IN_METRES = 20_100_000;

/** What of a list's arrangement its addresses depend on. */
export type UrlDesign = Pick<ListDesign, 'fields' | 'facets' | 'sortChoices' | 'pageSize' | 'pager'> &
  Partial<Pick<ListDesign, 'prefix'>>;

type Parts = ReadonlyMap<string, readonly string[]>;

/**
 * Reads a query from the parts of an address. A facet's values may stand in one part ("facility=water,power") or in
 * several ("facility=water&facility=power", as a form without JavaScript sends them); a range as "price=10..40" or as
 * the two parts "price-from=10&price-to=40"; dates as "start=2026-12", "start=2026-12-05..2026-12-20" or in two parts; a
 * distance as "near=port-merrow&near-within=10". Parts that mean nothing are left out, and those of other lists.
 */
export function queryFromUrl(parts: Iterable<readonly [string, string]>, design: UrlDesign, kindById: KindById): Query {
  const byName = new Map<string, string[]>();
  for (const [name, value] of ownParts(parts, design)) byName.set(name, [...(byName.get(name) ?? []), value]);
  const choices = new Map<string, FacetChoice>();
  for (const facet of design.facets) {
    const field = fieldOfFacet(facet, design, kindById);
    const choice = field && readChoice(facet, field, byName);
    if (choice) choices.set(facet.key, choice);
  }
  const text = (byName.get('q')?.at(-1) ?? '').trim().slice(0, LONGEST_SEARCH);
  const sort = byName.get('sort')?.at(-1) ?? '';
  const isKnown = OWN_SORT_KEYS.includes(sort) || design.sortChoices.some(({ key }) => key === sort);
  const box = design.facets.some(({ key }) => key === MAP_PART) ? null : boxFromUrl(byName.get(MAP_PART)?.at(-1));
  return { text, choices, sort: isKnown ? sort : null, ...(box && { box }), ...readPage(design, byName) };
}

/** The parts that are about a list, by their plain names. No facet has a point in its key. */
function ownParts(
  parts: Iterable<readonly [string, string]>,
  { prefix = '' }: UrlDesign,
): (readonly [string, string])[] {
  const own = [...parts].filter(([name]) => name.startsWith(prefix));
  return own.map(([name, value]) => [name.slice(prefix.length), value] as const);
}

function readPage({ pager, pageSize }: UrlDesign, parts: Parts): Pick<Query, 'page' | 'fromFirst'> {
  const shown = Number(parts.get('shown')?.at(-1) ?? NaN);
  if (pager !== 'numbered' && shown > pageSize && shown <= MOST_SHOWN) {
    return { page: Math.ceil(shown / pageSize), fromFirst: true };
  }
  return { page: pageFromUrl(parts.get('page')?.at(-1)) };
}

/** An address within the site ("/berths?facility=water") as its path and the part after "?". */
export function partsOfUrl(url: string): { path: string; search: string } {
  const [path = '/', search = ''] = url.split(/\?(.*)/s);
  return { path, search };
}

/** The page that a part of an address asks for, counted from 1; the first when it asks for none that can be. */
export function pageFromUrl(text: string | null | undefined): number {
  const page = Number(text ?? 1);
  return Number.isInteger(page) && page >= 1 && page <= LAST_PAGE ? page : 1;
}

function readChoice(facet: Facet, field: Field, parts: Parts): FacetChoice | null {
  if (choosesValues(facet.control)) return readValues(facet, field, parts);
  if (facet.control === 'distance') return readNear(facet, parts);
  return facet.control === 'dates' ? readDates(facet, parts) : readRange(facet, field, parts);
}

/**
 * A value that a category had before it was merged into another is taken for that other. Several come in one order,
 * whatever order they were given in, so that what asks the same has one address.
 */
function readValues({ key, control }: Facet, { settings }: Field, parts: Parts): FacetChoice | null {
  const given = (parts.get(key) ?? []).flatMap((part) => part.split(',')).filter((value) => value !== '');
  const values = given.map(
    (value) => settings.choices?.find(({ formerKeys }) => formerKeys?.includes(value))?.key ?? value,
  );
  const distinct = isSingle(control) ? values.slice(0, 1) : [...new Set(values)].slice(0, MOST_CHOSEN).sort();
  return distinct.length === 0 ? null : { kind: 'values', values: distinct };
}

/** The two ends of something from–to, as they stand in one part or in two. */
function readEnds({ key }: Facet, parts: Parts): readonly [string | undefined, string | undefined] {
  const together = parts.get(key)?.at(-1)?.split(RANGE_MARK);
  if (together?.length === 2) return [together[0], together[1]];
  return [parts.get(`${key}-from`)?.at(-1), parts.get(`${key}-to`)?.at(-1)];
}

function readRange(facet: Facet, field: Field, parts: Parts): FacetChoice | null {
  const spec = columnOf(field);
  if (spec?.kind !== 'number') return null;
  const [least, greatest] = readEnds(facet, parts).map((text) => (text ? spec.boundFromText(text, field) : null));
  return least == null && greatest == null ? null : { kind: 'range', least: least ?? null, greatest: greatest ?? null };
}

function readDates(facet: Facet, parts: Parts): FacetChoice | null {
  const whole = parts.get(facet.key)?.at(-1);
  const span = daysFromText(whole?.includes(RANGE_MARK) === false ? [whole, whole] : readEnds(facet, parts));
  return span && { kind: 'dates', ...span };
}

function readNear({ key, unit }: Facet, parts: Parts): FacetChoice | null {
  const at = (parts.get(key)?.at(-1) ?? '').trim().slice(0, LONGEST_SEARCH);
  if (at === '') return null;
  const within = parseNumber(parts.get(`${key}-within`)?.at(-1) ?? '', { decimal: '.', group: '' });
  const metres = within === null || within <= 0 ? null : within * DISTANCE_UNITS[unit];
  return { kind: 'near', at, metres: metres === null || metres > FARTHEST_IN_METRES ? null : metres };
}

/** Whether an address names a category by a key from before it was merged, so that it should lead to the new one. */
export function hasFormerKeys(
  parts: Iterable<readonly [string, string]>,
  design: UrlDesign,
  kindById: KindById,
): boolean {
  const former = new Map(
    design.facets.map((facet) => [
      facet.key,
      (fieldOfFacet(facet, design, kindById)?.settings.choices ?? []).flatMap(({ formerKeys = [] }) => formerKeys),
    ]),
  );
  const named = ownParts(parts, design);
  return named.some(([name, value]) => value.split(',').some((one) => former.get(name)?.includes(one)));
}

/** A query as the part of an address after "?", in one fixed order; '' when there is nothing to say. */
export function urlOfQuery(query: Query, design: UrlDesign, kindById: KindById): string {
  const parts: string[] = [];
  if (query.text !== '') parts.push(`q=${encodePart(query.text)}`);
  for (const facet of design.facets) {
    const choice = query.choices.get(facet.key);
    const field = choice && fieldOfFacet(facet, design, kindById);
    if (field) parts.push(...writeChoice(choice, facet, field));
  }
  if (query.box) parts.push(`${MAP_PART}=${boxToUrl(query.box)}`);
  if (query.sort !== null) parts.push(`sort=${encodePart(query.sort)}`);
  if (query.page > 1) parts.push(query.fromFirst ? `shown=${query.page * design.pageSize}` : `page=${query.page}`);
  return parts.map((part) => (design.prefix ?? '') + part).join('&');
}

/** The address of a list in the state of a query, on a page that has no other. */
export function addressOfQuery(query: Query, design: UrlDesign & Pick<ListDesign, 'path'>, kindById: KindById): string {
  return addressOf(design.path, [urlOfQuery(query, design, kindById)]);
}

/** The address of a page whose lists are in states, each told by its parts of the address. */
export function addressOf(path: string, states: readonly string[]): string {
  const told = states.filter((parts) => parts !== '');
  return told.length === 0 ? path : `${path}?${told.join('&')}`;
}

function writeChoice(choice: FacetChoice, { key, unit }: Facet, field: Field): string[] {
  const name = encodePart(key);
  switch (choice.kind) {
    case 'values':
      return [`${name}=${choice.values.map(encodePart).join(',')}`];
    case 'dates':
      return [`${name}=${textOfDays(choice)}`];
    case 'near': {
      const within = choice.metres === null ? [] : [`${name}-within=${withinText(choice.metres, unit)}`];
      return [`${name}=${encodePart(choice.at)}`, ...within];
    }
    case 'range': {
      const spec = columnOf(field);
      if (spec?.kind !== 'number') return [];
      const write = (bound: number | null): string =>
        bound === null ? '' : encodePart(spec.boundToText(bound, field));
      return [`${name}=${write(choice.least)}${RANGE_MARK}${write(choice.greatest)}`];
    }
  }
}

/** A distance in the facet's unit, to a thousandth. */
export function withinText(metres: number, unit: Facet['unit']): string {
  return String(Math.round((metres / DISTANCE_UNITS[unit]) * 1000) / 1000);
}

/** Escapes what a query part may not hold; the colon may, and stays readable. */
function encodePart(text: string): string {
  return encodeURIComponent(text).replaceAll('%20', '+').replaceAll('%3A', ':');
}
