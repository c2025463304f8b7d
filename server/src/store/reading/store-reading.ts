import type { Connection, Listing } from '@plindo/core/listings';
import { Op, QueryTypes, literal } from 'sequelize';
import type { Dialect } from '../dialect.js';
import type { Models } from '../models.js';
import { connectionOf, listingOf, parsed } from '../records.js';
import { inParts, rowOf, rowsOf } from '../rows.js';
import type { AddressScope, FormerAddress } from '../units/former-addresses.js';
import { readExamples } from './examples.js';
import { LISTINGS_AT_ONCE, inStretches } from './stretches.js';

/** What is shown of a listing where another one is linked with it, and what decides whether it is. */
const NAMED_PARTS = [
  ...(['id', 'kindId', 'title', 'slug', 'address', 'status'] as const),
  ...(['shownFrom', 'shownUntil', 'expiry', 'publishedAt', 'values'] as const),
];
export type NamedParts = Pick<Listing, (typeof NAMED_PARTS)[number]>;

/** Listings of kinds that were deleted lie unseen. */
const OF_A_KIND = { kindId: { [Op.notIn]: literal('(SELECT "id" FROM kinds WHERE "removed")') } };

/** The reading side of the store, for answers; what a change depends on is read in its unit. */
export class StoreReading {
  protected constructor(
    protected readonly dialect: Dialect,
    protected readonly models: Models,
  ) {}

  async connections(): Promise<Connection[]> {
    return (await rowsOf(this.models.connections, { order: [['id', 'ASC']] })).map(connectionOf);
  }

  async listing(id: number): Promise<Listing | null> {
    const row = await rowOf(this.models.listings, { where: { id, ...OF_A_KIND } });
    return row && listingOf(row);
  }

  /** The listings with the given ids, in the order of the ids; one that is gone is left out. */
  async listings(ids: readonly number[]): Promise<Listing[]> {
    const byId = new Map<number, Listing>();
    for (const id of inParts(ids)) {
      for (const row of await rowsOf(this.models.listings, { where: { id, ...OF_A_KIND } }))
        byId.set(Number(row['id']), listingOf(row));
    }
    return ids.flatMap((id) => byId.get(id) ?? []);
  }

  /** By the numbers of the listings that came as examples, gone ones among them, a hash of what each came as. */
  examples(): Promise<Map<number, string>> {
    return readExamples(this.models);
  }

  /** What is shown of linked listings elsewhere. */
  async namesOf(ids: readonly number[]): Promise<NamedParts[]> {
    const names: NamedParts[] = [];
    for (const id of inParts(ids)) {
      const found = await rowsOf(this.models.listings, { attributes: NAMED_PARTS, where: { id } });
      names.push(...found.map(listingOf));
    }
    return names;
  }

  /** Who had an address last that nobody has now, or that another has; null for nobody. */
  async formerOwner(scope: AddressScope, address: string): Promise<number | null> {
    const row = await rowOf<{ ownerId: number }>(this.models.formerAddresses, { where: { scope, address } });
    return row && Number(row.ownerId);
  }

  /** Addresses that had an owner before, those with a text in them; the first of them, and how many there are. */
  async formerAddresses(text: string, most: number): Promise<{ total: number; rows: FormerAddress[] }> {
    const where = text === '' ? {} : { address: { [Op.like]: `%${text.replace(/[%_\\]/g, '')}%` } };
    const model = this.models.formerAddresses;
    const rows = await rowsOf<FormerAddress>(model, { where, order: [['address', 'ASC']], limit: most });
    return { total: await model.count({ where }), rows };
  }

  /** All listings of a kind. */
  listingsOf(kindId: number): AsyncGenerator<Listing[]> {
    return inStretches(async (after) => {
      const where = { kindId, id: { [Op.gt]: after } };
      const rows = await rowsOf(this.models.listings, { where, order: ['id'], limit: LISTINGS_AT_ONCE });
      return rows.map(listingOf);
    });
  }

  /** What somebody keeps of the table of a kind; null for nothing. */
  async tableViews(userId: number, kindId: number): Promise<unknown> {
    const row = await rowOf(this.models.tableViews, { where: { userId, kindId } });
    return row ? parsed(row['kept']) : null;
  }

  async keepTableViews(userId: number, kindId: number, kept: unknown): Promise<void> {
    await this.models.tableViews.upsert({ userId, kindId, kept });
  }

  /** A statement of SQL that reads, for checks of the whole store. */
  ask<T extends object>(select: string): Promise<T[]> {
    return this.dialect.sequelize.query<T>(select, { type: QueryTypes.SELECT });
  }
}
