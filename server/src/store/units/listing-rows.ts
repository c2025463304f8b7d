import type { Listing, ListingContent } from '@plindo/core/listings';
import { BLANK_CONTENT } from '@plindo/core/listings';
import type { EntryOf } from '@plindo/core/plans';
import { boundValue, isWrittenAlike } from '../dialect.js';
import type { Row } from '../rows.js';
import { addressIn } from './former-addresses.js';

/** What is written for changed listings with one statement. */
export interface ListingRows {
  /** Columns in which any of them differs, before and after. */
  readonly changed: readonly string[];
  /** A row each, its values as drivers take them, with the columns that their table asks for besides. */
  readonly rows: readonly Row[];
}

/** Columns of listings that must never be empty and have nothing in place of it. */
const NEEDED = [
  ...['id', 'kindId', 'slug', 'title', 'summary', 'values'],
  ...['status', 'featured', 'version', 'createdAt', 'changedAt'],
];

export function listingRows(entries: readonly EntryOf<'listing'>[]): ListingRows {
  const names = entries[0] ? Object.keys({ ...BLANK_CONTENT, ...entries[0].after, address: '' }) : [];
  const changed = names.filter((name) =>
    entries.some(({ before, after }) => !isWrittenAlike(columnOf(before, name), columnOf(after, name))),
  );
  const columns = [...new Set([...NEEDED, ...changed])];
  const rows = entries.map(({ after }) =>
    Object.fromEntries(columns.map((name) => [name, boundValue(columnOf(after, name))])),
  );
  return { changed, rows };
}

/** What stands in a column of a listing. */
function columnOf(listing: Listing | null, name: string): unknown {
  if (!listing) return null;
  if (name === 'address') return addressIn(listing);
  // An entry of before a part existed has none of it.
  return listing[name as keyof Listing] ?? BLANK_CONTENT[name as keyof ListingContent] ?? null;
}
