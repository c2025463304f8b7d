import type { AddressForm, AddressPart, AddressPattern, Field, KindDefinition } from '../structure/index.js';
import {
  ADDRESS_SLASH,
  BUILT_IN_MARK,
  addressStretches,
  fieldOfAddress,
  fieldType,
  momentOfText,
} from '../structure/index.js';
import { localInMs } from '../time/index.js';
import { slugOf } from '../values/index.js';
import type { Listing } from './listing.js';

/** A listing as far as an address can tell of it. */
export type AddressedListing = Pick<Listing, 'slug' | 'title' | 'author' | 'shownFrom' | 'publishedAt' | 'values'>;

/** How many characters of a date an address shows: "2026", "2026-12", "2026-12-04". */
const DATE_LENGTHS: Readonly<Record<Exclude<AddressForm, 'whole'>, number>> = { year: 4, month: 7, day: 10 };

/**
 * What follows the part of its kind in the address of a listing: its slug, or what the pattern of the kind makes of its
 * values. What is empty is left out; where nothing is left the slug stands. Dates are those of the zone.
 */
export function addressOfListing(
  listing: AddressedListing,
  { addressPattern, fields }: Pick<KindDefinition, 'addressPattern' | 'fields'>,
  zone: string,
): string {
  return (addressPattern && patterned(addressPattern, listing, fields, zone)) || listing.slug;
}

function patterned(pattern: AddressPattern, listing: AddressedListing, fields: readonly Field[], zone: string): string {
  const words = ({ field: key, as, text }: AddressPart): string => {
    const field = fieldOfAddress(key, fields);
    return slugOf(field ? textOf(rawValue(listing, key), field, as, zone) : text);
  };
  const stretches = addressStretches(pattern).map((parts) => parts.map(words).filter(Boolean).join('-'));
  return stretches.filter(Boolean).join(ADDRESS_SLASH);
}

function rawValue(listing: AddressedListing, key: string): unknown {
  if (!key.startsWith(BUILT_IN_MARK)) return listing.values[key];
  return listing[key.slice(BUILT_IN_MARK.length) as 'slug' | 'title' | 'author' | 'shownFrom' | 'publishedAt'];
}

function textOf(value: unknown, field: Field, as: AddressForm, zone: string): string {
  if (value === undefined || value === null || value === '') return '';
  if (as !== 'whole') return dateText(value, field, zone).slice(0, DATE_LENGTHS[as]);
  // The keys of choices and categories stay when they get other words.
  if (Array.isArray(value)) return String(value[0] ?? '');
  const type = fieldType(field.type);
  return type.holds(value) ? type.toText(value, field) : '';
}

function dateText(value: unknown, field: Field, zone: string): string {
  if (field.type === 'date') return String(value);
  const moment = typeof value === 'number' ? value : momentOfText(String(value));
  return Number.isNaN(moment) ? '' : new Date(localInMs(moment, zone)).toISOString();
}

/** Whether an address is the wanted one, or the wanted one with a number where that was taken: "radio-2". */
export function isAddressLike(address: string, wanted: string): boolean {
  return address === wanted || (address.startsWith(`${wanted}-`) && /^\d+$/.test(address.slice(wanted.length + 1)));
}
