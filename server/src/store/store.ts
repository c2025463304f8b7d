import type { Connection, Listing } from '@plindo/core/listings';
import type { CategorySet, Kind, Link, Selection } from '@plindo/core/structure';
import type { SiteSettings } from '@plindo/core/page';
import { Op, Transaction } from 'sequelize';
import { AccountStore } from './account-store.js';
import { CatalogRows } from './catalog-rows.js';
import type { Database } from './database.js';
import { openDatabase } from './database.js';
import type { Models } from './models.js';
import { defineModels } from './models.js';
import { FileStore } from './file-store.js';
import { PictureStore } from './picture-store.js';
import type { Row } from './records.js';
import { categorySetOf, connectionOf, kindOf, linkOf, listingOf, parsed, selectionOf } from './records.js';
import { LISTINGS_AT_ONCE, inStretches } from './stretches.js';
import { Turns } from './turns.js';
import type { ChangeEntry } from './unit.js';
import { AS_GIVEN, Unit } from './unit.js';

/** A change as the log has it. */
export interface ChangeRecord {
  readonly id: number;
  readonly at: number;
  readonly userId: number | null;
  readonly sentence: string;
  readonly undoneBy: number | null;
}

/** What is shown of a listing where another one is linked with it. */
export type ListingName = Pick<Listing, 'id' | 'kindId' | 'title' | 'slug' | 'status' | 'shownFrom' | 'shownUntil'>;

export interface ChangeHead {
  readonly userId: number | null;
  readonly sentence: string;
}

const ENTRIES_AT_ONCE = 500;
const MOST_REVISIONS = 200;

/** The truth: kinds, listings and their change log, accounts and pictures. */
export class Store {
  readonly accounts: AccountStore;
  readonly pictures: PictureStore;
  readonly files: FileStore;
  readonly catalogRows: CatalogRows;
  /** One writer at a time. */
  private readonly turns = new Turns();

  private constructor(
    private readonly database: Database,
    private readonly models: Models,
    private readonly clock: () => Date,
  ) {
    this.accounts = new AccountStore(models);
    this.pictures = new PictureStore(models);
    this.files = new FileStore(models);
    this.catalogRows = new CatalogRows(database.sequelize);
  }

  static async open(file: string, clock: () => Date): Promise<Store> {
    const database = await openDatabase(file);
    return new Store(database, defineModels(database.sequelize), clock);
  }

  async close(): Promise<void> {
    await this.turns.idle();
    await this.database.close();
  }

  /**
   * Runs one change in a transaction and writes it to the log. Changes run one after the other; `published` is called
   * in the same order, when the change is safe on disk.
   */
  change<T>(
    head: ChangeHead,
    work: (unit: Unit) => Promise<T>,
    published: (entries: readonly ChangeEntry[]) => void = () => undefined,
  ): Promise<{ changeId: number; result: T }> {
    return this.turns.take(async () => {
      const done = await this.transact(async (unit) => {
        const result = await work(unit);
        const changeId = await this.writeHead(unit, head, 'done');
        await this.writeEntries(unit, changeId);
        return { changeId, result, entries: unit.entries };
      });
      published(done.entries);
      return done;
    });
  }

  /** Begins a change that takes several transactions, such as an import. */
  openChange<T>(head: ChangeHead, work: (unit: Unit) => Promise<T>): Promise<{ changeId: number; result: T }> {
    return this.turns.take(() =>
      this.transact(async (unit) => {
        const result = await work(unit);
        const changeId = await this.writeHead(unit, head, 'open');
        await this.writeEntries(unit, changeId);
        return { changeId, result };
      }),
    );
  }

  /** One more transaction of an open change. */
  continueChange<T>(changeId: number, work: (unit: Unit) => Promise<T>): Promise<T> {
    return this.turns.take(() =>
      this.transact(async (unit) => {
        const result = await work(unit);
        await this.writeEntries(unit, changeId);
        return result;
      }),
    );
  }

  async closeChange(changeId: number, sentence: string): Promise<void> {
    await this.turns.take(() => this.models.changes.update({ state: 'done', sentence }, { where: { id: changeId } }));
  }

  /** Takes back an open change as if it had never begun. An open change only adds; kinds take their listings with them. */
  async dropOpenChange(changeId: number): Promise<void> {
    await this.turns.take(() =>
      this.transact(async ({ transaction }) => {
        const where = { changeId };
        const rows = await this.models.entries.findAll({
          attributes: ['entity', 'entityId'],
          where,
          raw: true,
          transaction,
        });
        const idsOf = (entity: ChangeEntry['entity']): number[] =>
          (rows as unknown as Row[]).filter((row) => row['entity'] === entity).map((row) => Number(row['entityId']));
        await this.models.kinds.destroy({ where: { id: idsOf('kind') }, transaction });
        const listings = idsOf('listing');
        for (let start = 0; start < listings.length; start += ENTRIES_AT_ONCE) {
          const id = listings.slice(start, start + ENTRIES_AT_ONCE);
          await this.models.listings.destroy({ where: { id }, transaction });
        }
        await this.models.changes.destroy({ where: { id: changeId }, transaction });
      }),
    );
  }

  /** Changes that a stop of the server left open. */
  async openChanges(): Promise<ChangeRecord[]> {
    return (await this.models.changes.findAll({ where: { state: 'open' }, raw: true })).map(changeOf);
  }

  async changes(limit: number): Promise<ChangeRecord[]> {
    const rows = await this.models.changes.findAll({
      where: { state: 'done' },
      order: [['id', 'DESC']],
      limit,
      raw: true,
    });
    return rows.map(changeOf);
  }

  async changeById(id: number): Promise<ChangeRecord | null> {
    const row = await this.models.changes.findOne({ where: { id, state: 'done' }, raw: true });
    return row && changeOf(row);
  }

  /** What was done to a listing and to its connections, by change, latest first. */
  async historyOf(listing: number): Promise<{ change: ChangeRecord; entries: readonly ChangeEntry[] }[]> {
    const rows = await this.models.entries.findAll({
      where: {
        [Op.or]: [
          { entity: 'listing', entityId: listing },
          { entity: 'connection', [Op.or]: [{ endA: listing }, { endB: listing }] },
        ],
      },
      order: [['id', 'DESC']],
      limit: MOST_REVISIONS,
      raw: true,
    });
    const byChange = new Map<number, ChangeEntry[]>();
    for (const found of rows) {
      const row = found as unknown as Row;
      const id = Number(row['changeId']);
      byChange.set(id, [...(byChange.get(id) ?? []), entryOf(row)]);
    }
    const where = { id: [...byChange.keys()], state: 'done' };
    const changes = await this.models.changes.findAll({ where, order: [['id', 'DESC']], raw: true });
    return changes.map(changeOf).map((change) => ({ change, entries: byChange.get(change.id) ?? [] }));
  }

  /** What somebody keeps of the table of a kind; null for nothing. */
  async tableViews(userId: number, kindId: number): Promise<unknown> {
    const row = await this.models.tableViews.findOne({ where: { userId, kindId }, raw: true });
    return row ? parsed((row as unknown as Row)['kept']) : null;
  }

  async keepTableViews(userId: number, kindId: number, kept: unknown): Promise<void> {
    await this.turns.take(() => this.models.tableViews.upsert({ userId, kindId, kept }));
  }

  async entriesOf(changeId: number): Promise<ChangeEntry[]> {
    return this.readEntries(changeId);
  }

  async markUndone(changeId: number, undoneBy: number): Promise<void> {
    await this.models.changes.update({ undoneBy }, { where: { id: changeId } });
  }

  async kinds(): Promise<Kind[]> {
    const rows = await this.models.kinds.findAll({ order: [['id', 'ASC']], raw: true });
    return rows.map((row) => kindOf(row as unknown as Row));
  }

  async categorySets(): Promise<CategorySet[]> {
    const rows = await this.models.categorySets.findAll({ order: [['id', 'ASC']], raw: true });
    return rows.map((row) => categorySetOf(row as unknown as Row));
  }

  async selections(): Promise<Selection[]> {
    const rows = await this.models.selections.findAll({ order: [['id', 'ASC']], raw: true });
    return rows.map((row) => selectionOf(row as unknown as Row));
  }

  async links(): Promise<Link[]> {
    const rows = await this.models.links.findAll({ order: [['id', 'ASC']], raw: true });
    return rows.map((row) => linkOf(row as unknown as Row));
  }

  async connections(): Promise<Connection[]> {
    const rows = await this.models.connections.findAll({ order: [['id', 'ASC']], raw: true });
    return rows.map((row) => connectionOf(row as unknown as Row));
  }

  async listing(id: number): Promise<Listing | null> {
    const row = await this.models.listings.findByPk(id, { raw: true });
    return row ? listingOf(row as unknown as Row) : null;
  }

  /** The listings with the given ids, in the order of the ids; one that is gone is left out. */
  async listings(ids: readonly number[]): Promise<Listing[]> {
    if (ids.length === 0) return [];
    const rows = await this.models.listings.findAll({ where: { id: [...ids] }, raw: true });
    const byId = new Map(rows.map((row) => listingOf(row as unknown as Row)).map((listing) => [listing.id, listing]));
    return ids.flatMap((id) => byId.get(id) ?? []);
  }

  /** What is shown of linked listings elsewhere. */
  async namesOf(ids: readonly number[]): Promise<ListingName[]> {
    const names: ListingName[] = [];
    for (let start = 0; start < ids.length; start += ENTRIES_AT_ONCE) {
      const rows = await this.models.listings.findAll({
        attributes: ['id', 'kindId', 'title', 'slug', 'status', 'shownFrom', 'shownUntil'],
        where: { id: ids.slice(start, start + ENTRIES_AT_ONCE) },
        raw: true,
      });
      names.push(...rows.map((row) => row as unknown as ListingName));
    }
    return names;
  }

  /** All listings of a kind. */
  listingsOf(kindId: number): AsyncGenerator<Listing[]> {
    return inStretches(async (after) => {
      const where = { kindId, id: { [Op.gt]: after } };
      const rows = await this.models.listings.findAll({ where, order: ['id'], limit: LISTINGS_AT_ONCE, raw: true });
      return rows.map((row) => listingOf(row as unknown as Row));
    });
  }

  async site(): Promise<SiteSettings | null> {
    const row = await this.models.site.findByPk(1, { raw: true });
    return row ? parsed<SiteSettings>((row as unknown as Row)['settings']) : null;
  }

  private transact<T>(work: (unit: Unit) => Promise<T>): Promise<T> {
    return this.database.sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, (transaction) =>
      work(new Unit(this.models, transaction, this.clock().getTime())),
    );
  }

  private async writeHead(unit: Unit, head: ChangeHead, state: 'open' | 'done'): Promise<number> {
    const row = { ...head, at: this.clock().getTime(), state };
    const made = await this.models.changes.create(row, { transaction: unit.transaction, ...AS_GIVEN });
    return Number(made.get('id'));
  }

  private async writeEntries({ entries, transaction }: Unit, changeId: number): Promise<void> {
    for (let start = 0; start < entries.length; start += ENTRIES_AT_ONCE) {
      const rows = entries
        .slice(start, start + ENTRIES_AT_ONCE)
        .map((entry) => ({ changeId, entity: entry.entity, entityId: entry.id, ...sidesOf(entry) }));
      await this.models.entries.bulkCreate(rows, { transaction, ...AS_GIVEN });
    }
  }

  private async readEntries(changeId: number, transaction?: Transaction): Promise<ChangeEntry[]> {
    const rows = await this.models.entries.findAll({
      where: { changeId },
      order: [['id', 'ASC']],
      raw: true,
      transaction,
    });
    return rows.map((row) => entryOf(row as unknown as Row));
  }
}

function entryOf(row: Row): ChangeEntry {
  const [before, after] = [row['before'], row['after']].map((side) => (side == null ? null : parsed(side)));
  return { entity: row['entity'], id: Number(row['entityId']), before, after } as ChangeEntry;
}

/** The two sides of an entry as columns; of a connection also the listings at its ends, by which their history finds it. */
function sidesOf(entry: ChangeEntry): Row {
  const { before, after } = entry;
  if (entry.entity !== 'connection') return { before, after };
  const { a, b } = (entry.after ?? entry.before)!;
  return { before, after, endA: a, endB: b };
}

function changeOf(found: unknown): ChangeRecord {
  const row = found as Row;
  return {
    id: Number(row['id']),
    at: Number(row['at']),
    userId: row['userId'] == null ? null : Number(row['userId']),
    sentence: String(row['sentence']),
    undoneBy: row['undoneBy'] == null ? null : Number(row['undoneBy']),
  };
}
