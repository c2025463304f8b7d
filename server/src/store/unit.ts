import type { Connection, Listing, ListingContent } from '@plindo/core/listings';
import { BLANK_CONTENT } from '@plindo/core/listings';
import type { SiteSettings } from '@plindo/core/page';
import type {
  CategorySet,
  CategorySetDefinition,
  Kind,
  KindDefinition,
  Link,
  Selection,
  SelectionDefinition,
} from '@plindo/core/structure';
import { makeCategory } from '@plindo/core/structure';
import type { Transaction } from 'sequelize';
import { Op } from 'sequelize';
import type { Models } from './models.js';
import type { PictureRecord } from './picture-store.js';
import { pictureOf } from './picture-store.js';
import {
  categorySetOf,
  connectionOf,
  kindOf,
  linkOf,
  listingOf,
  parsed,
  rowOfDefined,
  rowOfLink,
  selectionOf,
} from './records.js';
import type { Row } from './records.js';

/** What a change did to one record: null before is an insertion, null after a deletion. */
export type ChangeEntry =
  | { readonly entity: 'listing'; readonly id: number; readonly before: Listing | null; readonly after: Listing | null }
  | { readonly entity: 'kind'; readonly id: number; readonly before: Kind | null; readonly after: Kind | null }
  | {
      readonly entity: 'category-set';
      readonly id: number;
      readonly before: CategorySet | null;
      readonly after: CategorySet | null;
    }
  | { readonly entity: 'link'; readonly id: number; readonly before: Link | null; readonly after: Link | null }
  | {
      readonly entity: 'connection';
      readonly id: number;
      readonly before: Connection | null;
      readonly after: Connection | null;
    }
  | {
      readonly entity: 'selection';
      readonly id: number;
      readonly before: Selection | null;
      readonly after: Selection | null;
    }
  | {
      readonly entity: 'picture';
      /** Its number. */
      readonly id: number;
      readonly before: PictureRecord | null;
      readonly after: PictureRecord | null;
    }
  | SiteEntry;

/** The settings of the site have one row. */
export interface SiteEntry {
  readonly entity: 'site';
  readonly id: typeof SITE_ID;
  readonly before: SiteSettings | null;
  readonly after: SiteSettings | null;
}

export const SITE_ID = 1;

/** For rows that the core has checked: Sequelize's own checks and hooks would take longer than the writing. */
export const AS_GIVEN = { validate: false, hooks: false } as const;

/** What was to be changed has been changed by somebody else, or is gone. */
export class Outdated extends Error {}

/**
 * The writing side of one transaction. Each of its methods writes rows and remembers what they were before and after,
 * so that the change log is complete by construction.
 */
export class Unit {
  readonly entries: ChangeEntry[] = [];

  constructor(
    private readonly models: Models,
    readonly transaction: Transaction,
    private readonly now: number,
  ) {}

  async kind(id: number): Promise<Kind | null> {
    const row = await this.models.kinds.findByPk(id, { transaction: this.transaction, raw: true });
    return row ? kindOf(row as unknown as Row) : null;
  }

  async listing(id: number): Promise<Listing | null> {
    const row = await this.models.listings.findByPk(id, { transaction: this.transaction, raw: true });
    return row ? listingOf(row as unknown as Row) : null;
  }

  async site(): Promise<SiteSettings | null> {
    const row = await this.models.site.findByPk(SITE_ID, { transaction: this.transaction, raw: true });
    return row ? parsed<SiteSettings>((row as unknown as Row)['settings']) : null;
  }

  async saveSite(after: SiteSettings): Promise<void> {
    await this.restore({ entity: 'site', id: SITE_ID, before: await this.site(), after });
  }

  async insertKind(definition: KindDefinition): Promise<Kind> {
    const { id: _, ...row } = rowOfDefined({ ...definition, id: 0, version: 1 });
    const made = await this.models.kinds.create({ ...row }, { transaction: this.transaction });
    const kind: Kind = { ...definition, id: Number(made.get('id')), version: 1 };
    this.entries.push({ entity: 'kind', id: kind.id, before: null, after: kind });
    return kind;
  }

  async categorySet(id: number): Promise<CategorySet | null> {
    const row = await this.models.categorySets.findByPk(id, { transaction: this.transaction, raw: true });
    return row ? categorySetOf(row as unknown as Row) : null;
  }

  async insertCategorySet(given: CategorySetDefinition): Promise<CategorySet> {
    const definition = { ...given, categories: given.categories.map(makeCategory) };
    const { id: _, ...row } = rowOfDefined({ ...definition, id: 0, version: 1 });
    const made = await this.models.categorySets.create({ ...row }, { transaction: this.transaction });
    const set: CategorySet = { ...definition, id: Number(made.get('id')), version: 1 };
    this.entries.push({ entity: 'category-set', id: set.id, before: null, after: set });
    return set;
  }

  async updateCategorySet(before: CategorySet, definition: CategorySetDefinition): Promise<CategorySet> {
    const categories = definition.categories.map(makeCategory);
    const after: CategorySet = { ...definition, categories, id: before.id, version: before.version + 1 };
    await this.restore({ entity: 'category-set', id: before.id, before, after });
    return after;
  }

  async selection(id: number): Promise<Selection | null> {
    const row = await this.models.selections.findByPk(id, { transaction: this.transaction, raw: true });
    return row ? selectionOf(row as unknown as Row) : null;
  }

  async insertSelection(definition: SelectionDefinition): Promise<Selection> {
    const { id: _, ...row } = rowOfDefined({ ...definition, id: 0, version: 1 });
    const made = await this.models.selections.create({ ...row }, { transaction: this.transaction });
    const selection: Selection = { ...definition, id: Number(made.get('id')), version: 1 };
    this.entries.push({ entity: 'selection', id: selection.id, before: null, after: selection });
    return selection;
  }

  async updateSelection(before: Selection, definition: SelectionDefinition): Promise<Selection> {
    const after: Selection = { ...definition, id: before.id, version: before.version + 1 };
    await this.restore({ entity: 'selection', id: before.id, before, after });
    return after;
  }

  async link(id: number): Promise<Link | null> {
    const row = await this.models.links.findByPk(id, { transaction: this.transaction, raw: true });
    return row ? linkOf(row as unknown as Row) : null;
  }

  async insertLink(ends: Omit<Link, 'id' | 'version'>): Promise<Link> {
    const made = await this.models.links.create({ definition: ends, version: 1 }, { transaction: this.transaction });
    const link: Link = { ...ends, id: Number(made.get('id')), version: 1 };
    this.entries.push({ entity: 'link', id: link.id, before: null, after: link });
    return link;
  }

  async links(): Promise<Link[]> {
    const rows = await this.models.links.findAll({ transaction: this.transaction, raw: true });
    return rows.map((row) => linkOf(row as unknown as Row));
  }

  /** The connections of a listing, at whichever end it stands; or those of a link. */
  async connectionsOf(of: { readonly listing: number } | { readonly link: number }): Promise<Connection[]> {
    const where = 'link' in of ? { linkId: of.link } : { [Op.or]: [{ a: of.listing }, { b: of.listing }] };
    const rows = await this.models.connections.findAll({ where, transaction: this.transaction, raw: true });
    return rows.map((row) => connectionOf(row as unknown as Row));
  }

  async connection(id: number): Promise<Connection | null> {
    const row = await this.models.connections.findByPk(id, { transaction: this.transaction, raw: true });
    return row ? connectionOf(row as unknown as Row) : null;
  }

  async picture(number: number): Promise<PictureRecord | null> {
    const row = await this.models.pictures.findOne({ where: { number }, transaction: this.transaction, raw: true });
    return row ? pictureOf(row as unknown as Row) : null;
  }

  async insertConnection(given: Omit<Connection, 'id'>): Promise<Connection> {
    const made = await this.models.connections.create({ ...given }, { transaction: this.transaction });
    const after: Connection = { ...given, id: Number(made.get('id')) };
    this.entries.push({ entity: 'connection', id: after.id, before: null, after });
    return after;
  }

  async insertListings(kindId: number, contents: readonly ListingContent[]): Promise<Listing[]> {
    const stamp = { kindId, version: 1, createdAt: this.now, changedAt: this.now };
    const rows = contents.map((content) => ({ ...content, ...stamp, ...this.momentsOf(content, null) }));
    const made = await this.models.listings.bulkCreate(rows, { transaction: this.transaction });
    const listings = rows.map((row, at): Listing => ({ ...row, id: Number(made[at]!.get('id')) }));
    for (const after of listings) this.entries.push({ entity: 'listing', id: after.id, before: null, after });
    return listings;
  }

  /** Refused with {@link Outdated} when the listing is not, or no longer, as it was `before`. */
  async updateListing(before: Listing, content: ListingContent): Promise<Listing> {
    const { id, version } = before;
    const stamp = { version: version + 1, changedAt: this.now, ...this.momentsOf(content, before) };
    const after: Listing = { ...before, ...content, ...stamp };
    const entry = { entity: 'listing', id, before, after } as const;
    const [updated] = await this.models.listings.update(
      { ...rowOf(entry) },
      { where: { id, version }, transaction: this.transaction, ...AS_GIVEN },
    );
    if (updated === 0) throw new Outdated(`Listing ${id} is no longer at version ${version}.`);
    this.entries.push(entry);
    return after;
  }

  private momentsOf({ status }: ListingContent, before: Listing | null): Pick<Listing, 'publishedAt' | 'binnedAt'> {
    return {
      publishedAt: before?.publishedAt ?? (status === 'live' ? this.now : null),
      binnedAt: status === 'binned' ? (before?.binnedAt ?? this.now) : null,
    };
  }

  async updateKind(before: Kind, definition: KindDefinition): Promise<Kind> {
    const after: Kind = { ...definition, id: before.id, version: before.version + 1 };
    await this.restore({ entity: 'kind', id: before.id, before, after });
    return after;
  }

  /** Writes a record as it is `after` an entry, whatever it is now: inserts, updates or deletes it by its id. */
  async restore(entry: ChangeEntry): Promise<void> {
    const model = this.models[TABLES[entry.entity]];
    const where = entry.entity === 'picture' ? { number: entry.id } : { id: entry.id };
    const row = rowOf(entry);
    if (row === null) await model.destroy({ where, transaction: this.transaction });
    // A picture that was deleted may have been sent again meanwhile.
    else if (entry.entity === 'picture') await model.upsert({ ...row }, { transaction: this.transaction });
    else if (entry.before === null) await model.create({ ...row }, { transaction: this.transaction });
    else await model.update({ ...row }, { where, transaction: this.transaction, ...AS_GIVEN });
    this.entries.push(entry);
  }

  /** The slugs of a kind that begin with one of the given texts; to find free ones. */
  async slugsOf(kindId: number): Promise<Set<string>> {
    const rows = await this.models.listings.findAll({
      attributes: ['slug'],
      where: { kindId },
      transaction: this.transaction,
      raw: true,
    });
    return new Set(rows.map((row) => String((row as unknown as Row)['slug'])));
  }

  async listingsOf(kindId: number): Promise<Listing[]> {
    const rows = await this.models.listings.findAll({ where: { kindId }, transaction: this.transaction, raw: true });
    return rows.map((row) => listingOf(row as unknown as Row));
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
function rowOf({ entity, id, after }: ChangeEntry): Row | null {
  if (after === null) return null;
  if (entity === 'kind' || entity === 'category-set' || entity === 'selection') return rowOfDefined(after);
  if (entity === 'link') return rowOfLink(after);
  if (entity === 'connection' || entity === 'picture') return { ...after };
  // An entry of before a part existed has none of it.
  return entity === 'site' ? { id, settings: after } : { ...BLANK_CONTENT, ...after };
}
