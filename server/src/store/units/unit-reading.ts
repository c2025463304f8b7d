import { Structure } from '@plindo/core/plans';
import type { Submission } from '@plindo/core/submissions';
import type { Connection, Listing, Status } from '@plindo/core/listings';
import type { ChangeEntry, StructureRecords } from '@plindo/core/plans';
import type { Field, LinkSide, PictureRecord, ReadContext, ReadContexts, StoredKind } from '@plindo/core/structure';
import { referencePattern, withCounter } from '@plindo/core/structure';
import { Refusal, firstFreeSlug } from '@plindo/core/values';
import type { Transaction, WhereOptions } from 'sequelize';
import { Op } from 'sequelize';
import type { ChangeRecord } from './change-log.js';
import { ChangeLog } from './change-log.js';
import { Counters, referenceCounter } from './counters.js';
import type { Dialect } from '../dialect.js';
import { ImportStore } from './import-store.js';
import type { Models } from '../models.js';
import { connectionOf, listingOf, numberOrNull, pictureOf, submissionOf } from '../records.js';
import { inParts, rowOf, rowsOf } from '../rows.js';
import { readExamples } from '../reading/examples.js';
import { LISTINGS_AT_ONCE, inStretches } from '../reading/stretches.js';
import type { SeenListings } from '../reading/seen-listings.js';
import type { Holder } from './unique-rows.js';
import { Statements } from './statements.js';
import { UniqueRows } from './unique-rows.js';

/** What a unit begins with, read in its transaction. */
export interface UnitBase {
  readonly dialect: Dialect;
  readonly models: Models;
  readonly transaction: Transaction;
  /** Milliseconds since 1970. */
  readonly now: number;
  /** The place in the feed of the latest complete change. */
  readonly feed: number;
  readonly records: StructureRecords;
  readonly structure: Structure;
  readonly contexts: ReadContexts;
}

/**
 * The reading side of a unit: what a change depends on, read in the transaction that writes it. No other one writes
 * meanwhile, so what was read holds until the end.
 */
export class UnitReading {
  readonly now: number;
  readonly feed: number;
  readonly log: ChangeLog;
  readonly imports: ImportStore;
  protected readonly models: Models;
  protected readonly statements: Statements;
  private readonly contexts: ReadContexts;
  readonly transaction: Transaction;
  /** What has been done in this unit so far. */
  readonly entries: ChangeEntry[] = [];
  private readonly counters: Counters;
  protected readonly uniqueRows: UniqueRows;
  protected present: { records: StructureRecords; structure: Structure | null };

  constructor({ dialect, models, transaction, now, feed, records, structure, contexts }: UnitBase) {
    this.contexts = contexts;
    [this.models, this.transaction, this.now, this.feed] = [models, transaction, now, feed];
    this.log = new ChangeLog(dialect, models);
    this.imports = new ImportStore(models);
    this.statements = new Statements(dialect, transaction);
    this.counters = new Counters(dialect.sequelize, transaction);
    this.uniqueRows = new UniqueRows(models, transaction, this.statements, this.counters);
    this.present = { records, structure };
  }

  /** The structure as it is at this point of the unit. */
  get structure(): Structure {
    return (this.present.structure ??= new Structure(this.present.records));
  }

  get records(): StructureRecords {
    return this.present.records;
  }

  /** With what values are read at the moment of the change. */
  context(): ReadContext {
    return this.contexts.of(this.present.records.site, this.now);
  }

  /** A kind as it is kept; refused when there is none. */
  kind(id: number): StoredKind {
    const kind = this.records.kinds.find((one) => one.id === id);
    if (!kind) throw Refusal.of('request.not-found');
    return kind;
  }

  async listing(id: number): Promise<Listing | null> {
    const [row] = await this.statements.select('listings', { id });
    return row && this.isOfKind(Number(row['kindId'])) ? listingOf(row) : null;
  }

  /** The listings with the given ids, by id; one that is gone is left out. */
  async listings(ids: readonly number[]): Promise<Map<number, Listing>> {
    const found = new Map<number, Listing>();
    for (const id of inParts(ids)) {
      const rows = await rowsOf(this.models.listings, { where: { id }, transaction: this.transaction });
      for (const row of rows) if (this.isOfKind(Number(row['kindId']))) found.set(Number(row['id']), listingOf(row));
    }
    return found;
  }

  /** Of listings that were seen before the unit, those that are as they were; the others as they are now. */
  async stillAs({ feed, listings: known }: SeenListings): Promise<Map<number, Listing>> {
    const touched = await this.log.listingsSince(feed, this.transaction);
    for (const { entity, id } of this.entries) if (entity === 'listing') touched.add(id);
    const found = new Map([...known].filter(([id, listing]) => !touched.has(id) && this.isOfKind(listing.kindId)));
    const changed = [...known.keys()].filter((id) => touched.has(id));
    for (const [id, listing] of await this.listings(changed)) found.set(id, listing);
    return found;
  }

  /** Whether a listing of a kind is of one that there is; those of deleted ones lie unseen. */
  private isOfKind(kindId: number): boolean {
    const { kinds, coming } = this.records;
    const isIt = ({ id }: StoredKind): boolean => id === kindId;
    return kinds.some(isIt) || coming.some(isIt);
  }

  /** All listings of a kind, in the order of their ids. */
  listingsOf(kindId: number): AsyncGenerator<Listing[]> {
    return inStretches((after) => this.listingsAfter(kindId, after, LISTINGS_AT_ONCE));
  }

  /** The next listings of a kind after one, in the order of their ids. */
  async listingsAfter(kindId: number, after: number, most: number): Promise<Listing[]> {
    const where = { kindId, id: { [Op.gt]: after } };
    const options = { where, order: ['id'], limit: most, transaction: this.transaction };
    return (await rowsOf(this.models.listings, options)).map(listingOf);
  }

  countListings(kindId: number): Promise<number> {
    return this.models.listings.count({ where: { kindId }, transaction: this.transaction });
  }

  async hasListings(kindId: number): Promise<boolean> {
    const options = { attributes: ['id'], where: { kindId }, transaction: this.transaction };
    return (await rowOf(this.models.listings, options)) !== null;
  }

  async idsWithStatus(kindId: number, status: Status): Promise<number[]> {
    const options = { attributes: ['id'], where: { kindId, status }, transaction: this.transaction };
    return (await rowsOf<{ id: number }>(this.models.listings, { ...options, order: ['id'] })).map(({ id }) => id);
  }

  /** By the numbers of the listings that came as examples, gone ones among them, a hash of what each came as. */
  examples(): Promise<Map<number, string>> {
    return readExamples(this.models, this.transaction);
  }

  /** The numbers by which the listings of a kind stand in hand order, those in the bin aside; in no order. */
  async handPlaces(kindId: number): Promise<{ id: number; handOrder: number | null }[]> {
    const where = { kindId, status: { [Op.ne]: 'binned' } };
    const options = { attributes: ['id', 'handOrder'], where, transaction: this.transaction };
    const rows = await rowsOf(this.models.listings, options);
    return rows.map((row) => ({ id: Number(row['id']), handOrder: numberOrNull(row['handOrder']) }));
  }

  /** Whether a listing of a kind has an address, whatever its status. */
  async hasSlug(kindId: number, slug: string): Promise<boolean> {
    return (await this.takenAmong(kindId, 'slug', [slug])).size > 0;
  }

  /** The first of `wanted`, `wanted-2`, `wanted-3` … that no listing of the kind has, nor anybody in `besides`. */
  freeSlug(kindId: number, wanted: string, besides?: ReadonlySet<string>): Promise<string> {
    return this.firstFree(kindId, 'slug', wanted, besides);
  }

  /** The same of whole addresses inside a kind. */
  freeAddress(kindId: number, wanted: string, besides?: ReadonlySet<string>): Promise<string> {
    return this.firstFree(kindId, 'address', wanted, besides);
  }

  private async firstFree(
    kindId: number,
    column: 'slug' | 'address',
    wanted: string,
    besides: ReadonlySet<string> = new Set(),
  ): Promise<string> {
    const tried = new Set<string>();
    // Each round asks for the slugs that decide, by what is known of them so far.
    const known = new Set<string>();
    for (;;) {
      const asked = new Set<string>();
      const free = firstFreeSlug(wanted, (slug) => {
        if (besides.has(slug) || known.has(slug)) return true;
        if (!tried.has(slug)) asked.add(slug);
        return false;
      });
      if (!asked.has(free)) return free;
      for (const slug of await this.takenAmong(kindId, column, [...asked])) known.add(slug);
      for (const slug of asked) tried.add(slug);
    }
  }

  /** Of some slugs or addresses, those that listings of a kind have. */
  private async takenAmong(
    kindId: number,
    column: 'slug' | 'address',
    wanted: readonly string[],
  ): Promise<Set<string>> {
    const taken = new Set<string>();
    for (const some of inParts(wanted)) {
      const options = { attributes: [column], where: { kindId, [column]: some }, transaction: this.transaction };
      for (const row of await rowsOf(this.models.listings, options)) taken.add(String(row[column]));
    }
    return taken;
  }

  /** Every address of the listings of a kind. */
  async slugsOf(kindId: number): Promise<Set<string>> {
    const options = { attributes: ['slug'], where: { kindId }, transaction: this.transaction };
    return new Set((await rowsOf<{ slug: string }>(this.models.listings, options)).map(({ slug }) => slug));
  }

  /** Who has values that only one listing may have, by `uniqueKey`; the values are compared as `samenessOf` has them. */
  holders(kindId: number, wanted: ReadonlyMap<string, readonly string[]>): Promise<Map<string, Holder>> {
    return this.uniqueRows.holders(kindId, wanted);
  }

  /** So many next numbers of a reference field; they are given out from now on. */
  async references(kindId: number, field: Field, many: number): Promise<string[]> {
    const name = referenceCounter(kindId, field.key);
    const { [name]: last = 0 } = await this.counters.read([name]);
    await this.counters.raise(name, last + many);
    return Array.from({ length: many }, (_, at) => withCounter(referencePattern(field), last + at + 1));
  }

  /** The connections of a listing, at whichever end it stands; or those of a link. */
  async connectionsOf(of: { readonly listing: number } | { readonly link: number }): Promise<Connection[]> {
    const where = 'link' in of ? { linkId: of.link } : { [Op.or]: [{ a: of.listing }, { b: of.listing }] };
    return this.connections(where);
  }

  /** The connections of a link at one of its ends, of some listings there. */
  async connectionsAt(linkId: number, side: LinkSide, ids: readonly number[]): Promise<Connection[]> {
    const found: Connection[] = [];
    for (const id of inParts(ids)) found.push(...(await this.connections({ linkId, [side]: id })));
    return found;
  }

  private async connections(where: WhereOptions): Promise<Connection[]> {
    const options = { where, order: [['id', 'ASC']] as [string, string][], transaction: this.transaction };
    return (await rowsOf(this.models.connections, options)).map(connectionOf);
  }

  /** Of some hashes, those of pictures or of files that are kept here. */
  async keptHashes(what: 'pictures' | 'files', hashes: readonly string[]): Promise<Set<string>> {
    const kept = new Set<string>();
    for (const hash of inParts(hashes)) {
      const options = { attributes: ['hash'], where: { hash }, transaction: this.transaction };
      for (const row of await rowsOf<{ hash: string }>(this.models[what], options)) kept.add(row.hash);
    }
    return kept;
  }

  async pictures(hashes: readonly string[]): Promise<PictureRecord[]> {
    const options = { where: { hash: [...hashes] }, transaction: this.transaction };
    return (await rowsOf(this.models.pictures, options)).map(pictureOf);
  }

  /** A submission without who sent it; null when there is none. */
  async submission(id: number): Promise<Submission | null> {
    const row = await rowOf(this.models.submissions, { where: { id }, transaction: this.transaction });
    return row && submissionOf(row);
  }

  changeById(id: number): Promise<ChangeRecord | null> {
    return this.log.one(id, this.transaction);
  }

  /** The record that an entry is about, as it is now. */
  async current({ entity, id }: Pick<ChangeEntry, 'entity' | 'id'>): Promise<ChangeEntry['after']> {
    const { transaction } = this;
    if (entity === 'listing') return this.listing(id);
    if (entity === 'connection') return (await this.connections({ id }))[0] ?? null;
    if (entity === 'picture') {
      const row = await rowOf(this.models.pictures, { where: { number: id }, transaction });
      return row && pictureOf(row);
    }
    if (entity === 'submission') return this.submission(id);
    const { kinds, sets, links, selections, designs, site } = this.records;
    if (entity === 'site') return site;
    const lists = { kind: kinds, 'category-set': sets, link: links, selection: selections, design: designs };
    return lists[entity].find((one) => one.id === id) ?? null;
  }
}
