import type { Connection, Listing, ListingContent, Status } from '@plindo/core/listings';
import { BLANK_CONTENT } from '@plindo/core/listings';
import type { ChangeEntry, EntryOf } from '@plindo/core/plans';
import { SITE_ID, isStructural, withEntry } from '@plindo/core/plans';
import type {
  CategorySet,
  CategorySetDefinition,
  Field,
  KindDefinition,
  Link,
  LinkSide,
  PictureRecord,
  ReadContext,
  ReadContexts,
  Selection,
  SelectionDefinition,
  SiteSettings,
  StoredKind,
  StructureRecords,
} from '@plindo/core/structure';
import { Structure, makeCategory, referencePattern, storedDefinition, withCounter } from '@plindo/core/structure';
import { Refusal, firstFreeSlug } from '@plindo/core/values';
import type { Model, ModelStatic, Transaction, WhereOptions } from 'sequelize';
import { Op } from 'sequelize';
import type { ChangeRecord } from './change-log.js';
import { AS_GIVEN, ChangeLog } from './change-log.js';
import { Counters, referenceCounter } from './counters.js';
import type { ImportRecord } from './import-store.js';
import { ImportStore } from './import-store.js';
import type { Models } from './models.js';
import { connectionOf, listingOf, numberOrNull, pictureOf, rowOfDefined, rowOfKind, rowOfLink } from './records.js';
import type { Row } from './rows.js';
import { inParts, rowOf, rowsOf } from './rows.js';
import { LISTINGS_AT_ONCE, inStretches } from './stretches.js';
import { followNames } from './taken-names.js';
import type { Holder } from './unique-rows.js';
import { UniqueRows } from './unique-rows.js';

/** What a unit begins with, read in its transaction. */
export interface UnitBase {
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

/** So many slugs are asked for at once when a free one is looked for; doubled with each that are all taken. */
const FIRST_SLUGS = 8;

/**
 * One transaction, the only writing one at its time. What a change depends on is read here, and each method that writes
 * remembers what a record was before and after, so that the change log is complete by construction.
 */
export class Unit {
  readonly entries: ChangeEntry[] = [];
  readonly now: number;
  readonly feed: number;
  readonly log: ChangeLog;
  readonly imports: ImportStore;
  private readonly models: Models;
  private readonly contexts: ReadContexts;
  readonly transaction: Transaction;
  private readonly counters: Counters;
  private readonly uniqueRows: UniqueRows;
  private readonly before: Structure;
  private present: { records: StructureRecords; structure: Structure | null };

  constructor({ models, transaction, now, feed, records, structure, contexts }: UnitBase) {
    this.contexts = contexts;
    [this.models, this.transaction, this.now, this.feed] = [models, transaction, now, feed];
    this.log = new ChangeLog(models);
    this.imports = new ImportStore(models);
    this.counters = new Counters(models.counters.sequelize!, transaction);
    this.uniqueRows = new UniqueRows(models, transaction, this.counters);
    this.before = structure;
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

  // What there is.

  /** A kind as it is kept; refused when there is none. */
  kind(id: number): StoredKind {
    const kind = this.records.kinds.find((one) => one.id === id);
    if (!kind) throw Refusal.of('request.not-found');
    return kind;
  }

  async listing(id: number): Promise<Listing | null> {
    const row = await rowOf(this.models.listings, { where: { id }, transaction: this.transaction });
    return row && listingOf(row);
  }

  /** The listings with the given ids, by id; one that is gone is left out. */
  async listings(ids: readonly number[]): Promise<Map<number, Listing>> {
    const found = new Map<number, Listing>();
    for (const id of inParts(ids)) {
      const rows = await rowsOf(this.models.listings, { where: { id }, transaction: this.transaction });
      for (const row of rows) found.set(Number(row['id']), listingOf(row));
    }
    return found;
  }

  /** All listings of a kind, in the order of their ids. */
  listingsOf(kindId: number): AsyncGenerator<Listing[]> {
    return inStretches(async (after) => {
      const where = { kindId, id: { [Op.gt]: after } };
      const options = { where, order: ['id'], limit: LISTINGS_AT_ONCE, transaction: this.transaction };
      return (await rowsOf(this.models.listings, options)).map(listingOf);
    });
  }

  async hasListings(kindId: number): Promise<boolean> {
    const options = { attributes: ['id'], where: { kindId }, transaction: this.transaction };
    return (await rowOf(this.models.listings, options)) !== null;
  }

  async idsWithStatus(kindId: number, status: Status): Promise<number[]> {
    const options = { attributes: ['id'], where: { kindId, status }, transaction: this.transaction };
    return (await rowsOf<{ id: number }>(this.models.listings, { ...options, order: ['id'] })).map(({ id }) => id);
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
    return (await this.slugsAmong(kindId, [slug])).size > 0;
  }

  /** The first of `wanted`, `wanted-2`, `wanted-3` … that no listing of the kind has, nor anybody in `besides`. */
  async freeSlug(kindId: number, wanted: string, besides: ReadonlySet<string> = new Set()): Promise<string> {
    for (let many = FIRST_SLUGS; ; many *= 2) {
      const tried: string[] = [];
      firstFreeSlug(wanted, (slug) => tried.push(slug) < many);
      const taken = await this.slugsAmong(kindId, tried);
      const free = tried.find((slug) => !taken.has(slug) && !besides.has(slug));
      if (free !== undefined) return free;
    }
  }

  /** Of some addresses, those that listings of a kind have. */
  async slugsAmong(kindId: number, slugs: readonly string[]): Promise<Set<string>> {
    const taken = new Set<string>();
    for (const slug of inParts(slugs)) {
      const options = { attributes: ['slug'], where: { kindId, slug }, transaction: this.transaction };
      for (const row of await rowsOf<{ slug: string }>(this.models.listings, options)) taken.add(row.slug);
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

  /** For so many listings, the next numbers of each reference field by its key; they are given out from now on. */
  async references(kindId: number, fields: readonly Field[], many: number): Promise<Record<string, string>[]> {
    const given: Record<string, string>[] = Array.from({ length: many }, () => ({}));
    for (const field of fields.filter(({ type }) => type === 'reference')) {
      const name = referenceCounter(kindId, field.key);
      const { [name]: last = 0 } = await this.counters.read([name]);
      given.forEach((numbers, at) => (numbers[field.key] = withCounter(referencePattern(field), last + at + 1)));
      await this.counters.raise(name, last + many);
    }
    return given;
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
    const { kinds, sets, links, selections, site } = this.records;
    if (entity === 'site') return site;
    const lists = { kind: kinds, 'category-set': sets, link: links, selection: selections };
    return lists[entity].find((one) => one.id === id) ?? null;
  }

  // What is written.

  /** `importId` is the change of the import that the kind comes with; until it is done nobody sees the kind. */
  async insertKind(definition: KindDefinition, importId: number | null = null): Promise<StoredKind> {
    const kept = { version: 1, definition: storedDefinition(definition) };
    const { id: _, ...row } = rowOfKind({ ...kept, id: 0 });
    const made = await this.models.kinds.create({ ...row, importId }, { transaction: this.transaction });
    const kind: StoredKind = { ...kept, id: Number(made.get('id')) };
    this.note({ entity: 'kind', id: kind.id, before: null, after: kind });
    return kind;
  }

  async updateKind(before: StoredKind, definition: KindDefinition): Promise<StoredKind> {
    const after = { id: before.id, version: before.version + 1, definition: storedDefinition(definition) };
    await this.write({ entity: 'kind', id: before.id, before, after });
    return after;
  }

  /** Lets everybody see a kind that came with an import. */
  async showKind(kindId: number): Promise<void> {
    await this.models.kinds.update({ importId: null }, { where: { id: kindId }, transaction: this.transaction });
  }

  async insertCategorySet(given: CategorySetDefinition): Promise<CategorySet> {
    const definition = { ...given, categories: given.categories.map(makeCategory), version: 1 };
    const { id: _, ...row } = rowOfDefined({ ...definition, id: 0 });
    const set: CategorySet = { ...definition, id: await this.insert(this.models.categorySets, row) };
    this.note({ entity: 'category-set', id: set.id, before: null, after: set });
    return set;
  }

  async updateCategorySet(before: CategorySet, definition: CategorySetDefinition): Promise<CategorySet> {
    const categories = definition.categories.map(makeCategory);
    const after: CategorySet = { ...definition, categories, id: before.id, version: before.version + 1 };
    await this.write({ entity: 'category-set', id: before.id, before, after });
    return after;
  }

  async insertSelection(definition: SelectionDefinition): Promise<Selection> {
    const { id: _, ...row } = rowOfDefined({ ...definition, id: 0, version: 1 });
    const selection: Selection = { ...definition, version: 1, id: await this.insert(this.models.selections, row) };
    this.note({ entity: 'selection', id: selection.id, before: null, after: selection });
    return selection;
  }

  async updateSelection(before: Selection, definition: SelectionDefinition): Promise<Selection> {
    const after: Selection = { ...definition, id: before.id, version: before.version + 1 };
    await this.write({ entity: 'selection', id: before.id, before, after });
    return after;
  }

  async insertLink(ends: Omit<Link, 'id' | 'version'>): Promise<Link> {
    const link: Link = {
      ...ends,
      version: 1,
      id: await this.insert(this.models.links, { definition: ends, version: 1 }),
    };
    this.note({ entity: 'link', id: link.id, before: null, after: link });
    return link;
  }

  async updateLink(before: Link, ends: Omit<Link, 'id' | 'version'>): Promise<Link> {
    const after: Link = { ...ends, id: before.id, version: before.version + 1 };
    await this.write({ entity: 'link', id: before.id, before, after });
    return after;
  }

  async insertConnection(given: Omit<Connection, 'id'>): Promise<Connection> {
    const after: Connection = { ...given, id: await this.insert(this.models.connections, { ...given }) };
    this.note({ entity: 'connection', id: after.id, before: null, after });
    return after;
  }

  async saveSite(after: SiteSettings): Promise<void> {
    const found = await rowOf(this.models.site, { where: { id: SITE_ID }, transaction: this.transaction });
    await this.write({ entity: 'site', id: SITE_ID, before: found && this.records.site, after });
  }

  async insertListings(kindId: number, contents: readonly ListingContent[]): Promise<Listing[]> {
    const stamp = { kindId, version: 1, createdAt: this.now, changedAt: this.now };
    const rows = contents.map((content) => ({ ...content, ...stamp, ...this.momentsOf(content, null) }));
    const listings: Listing[] = [];
    for (const part of inParts(rows)) {
      const made = await this.models.listings.bulkCreate(part, { transaction: this.transaction });
      part.forEach((row, at) => listings.push({ ...row, id: Number(made[at]!.get('id')) }));
    }
    for (const after of listings) this.note({ entity: 'listing', id: after.id, before: null, after });
    return listings;
  }

  async updateListing(before: Listing, content: ListingContent): Promise<Listing> {
    const stamp = { version: before.version + 1, changedAt: this.now, ...this.momentsOf(content, before) };
    const after: Listing = { ...before, ...content, ...stamp };
    await this.write({ entity: 'listing', id: before.id, before, after });
    return after;
  }

  private momentsOf({ status }: ListingContent, before: Listing | null): Pick<Listing, 'publishedAt' | 'binnedAt'> {
    return {
      publishedAt: before?.publishedAt ?? (status === 'live' ? this.now : null),
      binnedAt: status === 'binned' ? (before?.binnedAt ?? this.now) : null,
    };
  }

  /** Deletes a record; it stays in the change log. */
  remove<Name extends ChangeEntry['entity']>(entity: Name, id: number, before: EntryOf<Name>['before']): Promise<void> {
    return this.write({ entity, id, before, after: null } as ChangeEntry);
  }

  /**
   * Writes a record as it is `after` an entry: inserts, updates or deletes it. Refused with `change.conflict` when it is
   * not, or no longer, at the version that it had `before`.
   */
  async write(entry: ChangeEntry): Promise<void> {
    const model = this.models[TABLES[entry.entity]];
    const { transaction } = this;
    const row = rowAfter(entry);
    if (entry.before === null && row) {
      // A picture that was deleted may have been sent again meanwhile.
      if (entry.entity === 'picture') await model.upsert({ ...row }, { transaction });
      else await model.create({ ...row }, { transaction });
    } else {
      const where = placeOf(entry);
      const changed = row
        ? (await model.update({ ...row }, { where, transaction, ...AS_GIVEN }))[0]
        : await model.destroy({ where, transaction });
      if (changed === 0) throw Refusal.of('change.conflict', { title: titleOf(entry.before) });
    }
    this.note(entry);
  }

  /** Brings in step what hangs on the records: names and values that only one may have. To be called once, at the end. */
  async finish(): Promise<void> {
    await followNames(this.models, this.transaction, this.entries);
    const touched = this.entries.some(({ entity }) => entity === 'listing' || entity === 'kind');
    if (touched) await this.uniqueRows.follow(this.entries, this.before, this.structure, this);
  }

  /** Takes out what an open change has made so far, as if it had never been. */
  async dropChange(changeId: number): Promise<void> {
    const { transaction } = this;
    const kinds = await this.log.idsOf(changeId, 'kind', transaction);
    for (const id of inParts(await this.log.idsOf(changeId, 'listing', transaction))) {
      await this.models.listings.destroy({ where: { id }, transaction });
    }
    for (const ownerId of kinds) {
      await this.models.takenNames.destroy({ where: { scope: 'kind', ownerId }, transaction });
    }
    await this.models.kinds.destroy({ where: { id: kinds }, transaction });
    await this.models.changes.destroy({ where: { id: changeId }, transaction });
  }

  /** Begins an import under its open change. */
  addImport(record: ImportRecord): Promise<void> {
    return this.imports.add(record, this.transaction);
  }

  private note(entry: ChangeEntry): void {
    this.entries.push(entry);
    if (isStructural(entry)) this.present = { records: withEntry(this.present.records, entry), structure: null };
  }

  private async insert(model: ModelStatic<Model>, row: Row): Promise<number> {
    const made = await model.create({ ...row }, { transaction: this.transaction });
    return Number(made.get('id'));
  }
}

const TABLES = {
  listing: 'listings',
  kind: 'kinds',
  'category-set': 'categorySets',
  selection: 'selections',
  link: 'links',
  connection: 'connections',
  picture: 'pictures',
  site: 'site',
} as const;

/** The columns of a record as it is after an entry; null when it is gone. */
function rowAfter(entry: ChangeEntry): Row | null {
  const { entity, after } = entry;
  if (after === null) return null;
  if (entity === 'kind') return rowOfKind(after);
  if (entity === 'category-set' || entity === 'selection') return rowOfDefined(after);
  if (entity === 'link') return rowOfLink(after);
  if (entity === 'connection' || entity === 'picture') return { ...after };
  // An entry of before a part existed has none of it.
  return entity === 'site' ? { id: SITE_ID, settings: after } : { ...BLANK_CONTENT, ...after };
}

/** Where a record stands that is to be changed, with the version that it must have. */
function placeOf({ entity, id, before }: ChangeEntry): Record<string, number> {
  if (entity === 'picture') return { number: id };
  return before && 'version' in before ? { id, version: before.version } : { id };
}

/** What people call a record. */
export function titleOf(record: ChangeEntry['after']): string {
  if (!record) return '';
  if ('title' in record) return record.title;
  if ('definition' in record) return record.definition.many;
  if ('fileName' in record) return record.fileName;
  if ('linkId' in record || 'hasNotes' in record) return 'A link';
  return 'categories' in record ? record.label : record.name;
}
