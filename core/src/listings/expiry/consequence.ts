import type { Deed } from '../../structure/index.js';
import type { Listing, ListingContent } from '../listing.js';
import { isFartherAlready } from './departure.js';

/** A listing after what a rule does to it; null when it is gone, the same when nothing of it changes. */
export function afterDeed<Subject extends ListingContent>(listing: Subject, deed: Deed): Subject | null {
  switch (deed.act) {
    case 'delete':
      return null;
    case 'set-status':
      return isFartherAlready(listing.status, deed.status) ? listing : { ...listing, status: deed.status };
    case 'feature':
      return { ...listing, featured: deed.featured, featuredFrom: null, featuredUntil: null };
    case 'categorise':
      return { ...listing, values: withValue(listing.values, deed.field, categoriesAfter(listing, deed)) };
    case 'set-field':
      return { ...listing, values: withValue(listing.values, deed.field, deed.value) };
    case 'tell':
      return listing;
  }
}

function categoriesAfter(
  { values }: Pick<Listing, 'values'>,
  { field, add, remove, replaces }: Extract<Deed, { act: 'categorise' }>,
): readonly string[] | null {
  const own = Array.isArray(values[field]) ? (values[field] as readonly string[]) : [];
  const kept = replaces ? [] : own.filter((key) => !remove.includes(key));
  const after = [...new Set([...kept, ...add])];
  return after.length > 0 ? after : null;
}

function withValue(values: Listing['values'], key: string, value: unknown): Listing['values'] {
  const { [key]: _, ...others } = values;
  return value === null ? others : { ...others, [key]: value };
}
