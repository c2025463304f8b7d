import type { Listing } from '../src/listings/index.js';
import { BLANK_CONTENT } from '../src/listings/index.js';
import type { Field, Kind, ReadContext } from '../src/structure/index.js';
import { SiteWords } from '../src/values/index.js';
import {
  makeField,
  makeKindDefinition,
  proposeFacets,
  proposeSortChoices,
  readContext,
} from '../src/structure/index.js';

/** Reading in a locale, at a moment when it is winter in Lisbon. */
export function contextIn(locale = 'en-GB', zone = 'Europe/Lisbon'): ReadContext {
  return readContext({ locale, zone, nowInMs: Date.UTC(2026, 10, 23, 12) });
}

/** A published kind with the facets and sort choices that Plindo would choose for its fields. */
export function makeKind(fields: readonly Field[], given: Partial<Kind> = {}): Kind {
  return {
    id: 1,
    version: 1,
    ...makeKindDefinition({ slug: 'berths', one: 'Berth', many: 'Berths', published: true, pageSize: 5 }),
    fields,
    facets: proposeFacets(fields),
    sortChoices: proposeSortChoices(fields, new SiteWords('en-GB')),
    ...given,
  };
}

/** A live listing with plain values for everything that isn't given. */
export function makeListing(given: Partial<Listing> & Pick<Listing, 'id'>): Listing {
  return {
    kindId: 1,
    version: 1,
    ...BLANK_CONTENT,
    status: 'live',
    slug: `listing-${given.id}`,
    address: given.slug ?? `listing-${given.id}`,
    title: `Listing ${given.id}`,
    createdAt: given.id,
    changedAt: given.id,
    publishedAt: given.id,
    binnedAt: null,
    ...given,
  };
}

const choices = (...labels: string[]): { key: string; label: string }[] =>
  labels.map((label) => ({ key: label.toLowerCase(), label }));

/** One field of every kind of column that the catalog has. */
export const BERTH_FIELDS: readonly Field[] = [
  makeField({
    key: 'type',
    label: 'Type',
    type: 'one-choice',
    settings: { choices: choices('Pontoon', 'Quay', 'Buoy') },
  }),
  makeField({
    key: 'facilities',
    label: 'Facilities',
    type: 'several-choices',
    searchWeight: 1,
    settings: { choices: choices('Water', 'Power', 'Fuel', 'Showers') },
  }),
  makeField({ key: 'services', label: 'Nearby services', type: 'yes-no' }),
  makeField({ key: 'length', label: 'Length', type: 'measure', settings: { unit: 'm' } }),
  makeField({ key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } }),
  makeField({ key: 'since', label: 'Since', type: 'date' }),
  makeField({ key: 'note', label: 'Note', type: 'short-text', searchWeight: 1 }),
];
