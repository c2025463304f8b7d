import type { Listing, Status } from '@plindo/core/listings';
import type { Place } from '@plindo/core/structure';

/**
 * A listing as one JSON array, as far as catalogs read it: without its body, its picture and the values put aside. In
 * the order of {@link Packed}.
 */
export const PACKED_LISTING =
  'json_array(`id`, `kindId`, `slug`, `title`, `summary`, `author`, `status`, json(`place`), json(`values`), ' +
  '`shownFrom`, `shownUntil`, `featured`, `featuredFrom`, `featuredUntil`, `handOrder`, `version`, `createdAt`, ' +
  '`changedAt`, `publishedAt`, `binnedAt`)';

type Moment = number | null;
type Packed = readonly [
  ...[id: number, kindId: number, slug: string, title: string, summary: string, author: string, status: Status],
  ...[place: Place | null, values: Record<string, unknown>, shownFrom: Moment, shownUntil: Moment],
  ...[featured: 0 | 1, featuredFrom: Moment, featuredUntil: Moment, handOrder: number | null, version: number],
  ...[createdAt: number, changedAt: number, publishedAt: Moment, binnedAt: Moment],
];

export function unpackedListing(packed: string): Listing {
  const row = JSON.parse(packed) as Packed;
  return {
    id: row[0],
    kindId: row[1],
    slug: row[2],
    title: row[3],
    summary: row[4],
    picture: null,
    body: '',
    author: row[5],
    aside: {},
    status: row[6],
    place: row[7],
    values: row[8],
    shownFrom: row[9],
    shownUntil: row[10],
    featured: row[11] === 1,
    featuredFrom: row[12],
    featuredUntil: row[13],
    handOrder: row[14],
    version: row[15],
    createdAt: row[16],
    changedAt: row[17],
    publishedAt: row[18],
    binnedAt: row[19],
  };
}
