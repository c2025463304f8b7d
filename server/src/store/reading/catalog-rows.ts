import type { Listing, Status } from '@plindo/core/listings';
import type { ExpiryChoice, Place } from '@plindo/core/structure';
import { QueryTypes } from 'sequelize';
import type { Dialect } from '../dialect.js';
import { LISTINGS_AT_ONCE, inStretches } from './stretches.js';

/** What tells whether a listing has changed. */
export type ListingState = Pick<Listing, 'id' | 'version' | 'changedAt'>;

type Replacements = Readonly<Record<string, number | readonly number[]>>;

/**
 * Listings as far as catalogs read them: without bodies, pictures and values put aside. Each comes as one JSON text, as
 * the driver takes far longer to hand over a row column by column.
 */
export class CatalogRows {
  constructor(private readonly dialect: Dialect) {}

  /** How many listings a kind has. */
  async count(kindId: number): Promise<number> {
    const [counted] = await this.packed(`SELECT count(*) AS packed FROM listings WHERE ${OF_KIND}`, { kindId });
    return Number(counted);
  }

  /** All listings of a kind, in the order of their ids. */
  ofKind(kindId: number): AsyncGenerator<Listing[]> {
    const where = `${OF_KIND} AND "id" > :after ORDER BY "id" LIMIT :limit`;
    return inStretches((after) => this.listings(where, { kindId, after, limit: LISTINGS_AT_ONCE }));
  }

  /** Some listings; one that is gone is left out. */
  async *some(ids: readonly number[]): AsyncGenerator<Listing[]> {
    for (let start = 0; start < ids.length; start += LISTINGS_AT_ONCE) {
      yield await this.listings('"id" IN (:ids) ORDER BY "id"', { ids: ids.slice(start, start + LISTINGS_AT_ONCE) });
    }
  }

  /** Of all listings of a kind, what tells whether they have changed. */
  async states(kindId: number): Promise<ListingState[]> {
    const states = `SELECT ${this.dialect.packedStates} AS packed FROM listings`;
    const [packed] = await this.packed(`${states} WHERE ${OF_KIND}`, { kindId });
    const rows = JSON.parse(packed ?? '[]') as [number, number, number][];
    return rows.map(([id, version, changedAt]) => ({ id, version, changedAt }));
  }

  private async listings(where: string, replacements: Replacements): Promise<Listing[]> {
    const texts = await this.packed(
      `SELECT ${this.dialect.packedListing} AS packed FROM listings WHERE ${where}`,
      replacements,
    );
    return texts.map(unpackedListing);
  }

  private async packed(select: string, replacements: Replacements): Promise<string[]> {
    const type = QueryTypes.SELECT;
    const rows = await this.dialect.sequelize.query<{ packed: string }>(select, { replacements, type });
    return rows.map(({ packed }) => packed);
  }
}

const OF_KIND = '"kindId" = :kindId';

type Moment = number | null;
/** A listing as it is packed, in the order of `PACKED_COLUMNS`; SQLite has numbers for yes and no. */
type Packed = readonly [
  ...[id: number, kindId: number, slug: string, title: string, summary: string, author: string, status: Status],
  ...[place: Place | null, values: Record<string, unknown>, shownFrom: Moment, shownUntil: Moment],
  ...[
    featured: 0 | 1 | boolean,
    featuredFrom: Moment,
    featuredUntil: Moment,
    handOrder: number | null,
    version: number,
  ],
  ...[createdAt: number, changedAt: number, publishedAt: Moment, binnedAt: Moment, address: string],
  ...[expiry: ExpiryChoice | null],
];

function unpackedListing(packed: string): Listing {
  const row = JSON.parse(packed) as Packed;
  return {
    id: row[0],
    kindId: row[1],
    slug: row[2],
    address: row[20],
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
    featured: Boolean(row[11]),
    featuredFrom: row[12],
    featuredUntil: row[13],
    handOrder: row[14],
    version: row[15],
    createdAt: row[16],
    changedAt: row[17],
    publishedAt: row[18],
    binnedAt: row[19],
    expiry: row[21],
  };
}
