import type { Design, Draft } from '@plindo/core/design';
import type { Connection, Listing, ListingContent } from '@plindo/core/listings';
import { BLANK_CONTENT, addressOfListing } from '@plindo/core/listings';
import type { AddressMove, ChangeEntry, DesignSketch, EntryOf, Structure } from '@plindo/core/plans';
import { SITE_ID, isStructural, withEntry } from '@plindo/core/plans';
import type {
  CategorySet,
  CategorySetDefinition,
  KindDefinition,
  Link,
  Selection,
  SelectionDefinition,
  SiteSettings,
  StoredKind,
} from '@plindo/core/structure';
import { makeCategory, storedDefinition } from '@plindo/core/structure';
import type { Submission } from '@plindo/core/submissions';
import { Refusal } from '@plindo/core/values';
import { literal } from 'sequelize';
import { AccountRows } from '../accounts/account-rows.js';
import type { ImportRecord } from './import-store.js';
import type { KindDeparture } from '../due/due-rows.js';
import { DueRows } from '../due/due-rows.js';
import { OutboxRows } from '../outbox/outbox-rows.js';
import { rowOfDefined, rowOfKind, rowOfLink, rowOfSubmission } from '../records.js';
import type { SubmissionBesides } from '../submissions/besides.js';
import { rowOfBesides } from '../submissions/besides.js';
import type { Row } from '../rows.js';
import { LISTINGS_AT_ONCE } from '../reading/stretches.js';
import { inParts, rowOf } from '../rows.js';
import { addressIn, keepFormerAddresses } from './former-addresses.js';
import { fittingAddress, listingAfter, momentsOf } from './listing-after.js';
import type { ListingRows } from './listing-rows.js';
import { listingRows } from './listing-rows.js';
import { followNames } from './taken-names.js';
import type { UnitBase } from './unit-reading.js';
import { UnitReading } from './unit-reading.js';

/**
 * One transaction, the only writing one at its time. What a change depends on is read here, and each method that writes
 * remembers what a record was before and after, so that the change log is complete by construction.
 */
export class Unit extends UnitReading {
  /** What has been done in this unit of what happens when listings leave, by listing. */
  readonly departed = new Map<number, KindDeparture>();
  readonly due: DueRows;
  readonly outbox: OutboxRows;
  readonly people: AccountRows;
  private readonly before: Structure;

  constructor(base: UnitBase) {
    super(base);
    this.before = base.structure;
    this.due = new DueRows(base.models, base.transaction, this.statements);
    this.outbox = new OutboxRows(base.models, base.transaction, this.statements, base.now);
    this.people = new AccountRows(base.models, base.transaction);
  }

  /** `importId` is the change of the import that the kind comes with; until it is done nobody sees the kind. */
  async insertKind(definition: KindDefinition, importId: number | null = null): Promise<StoredKind> {
    const kept = { version: 1, definition: storedDefinition(definition) };
    const { id: _, ...row } = rowOfKind({ ...kept, id: 0 });
    const kind: StoredKind = { ...kept, id: await this.insert('kinds', { ...row, importId }) };
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
    await this.statements.update('kinds', { importId: null }, { id: kindId });
  }

  async insertCategorySet(given: CategorySetDefinition): Promise<CategorySet> {
    const definition = { ...given, categories: given.categories.map(makeCategory), version: 1 };
    const { id: _, ...row } = rowOfDefined({ ...definition, id: 0 });
    const set: CategorySet = { ...definition, id: await this.insert('category_sets', row) };
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
    const selection: Selection = { ...definition, version: 1, id: await this.insert('selections', row) };
    this.note({ entity: 'selection', id: selection.id, before: null, after: selection });
    return selection;
  }

  async updateSelection(before: Selection, definition: SelectionDefinition): Promise<Selection> {
    const after: Selection = { ...definition, id: before.id, version: before.version + 1 };
    await this.write({ entity: 'selection', id: before.id, before, after });
    return after;
  }

  async insertDesign(sketch: DesignSketch): Promise<Design> {
    const id = await this.insert('designs', { draft: null, ...sketch, version: 1 });
    const design: Design = { ...sketch, version: 1, id };
    this.note({ entity: 'design', id: design.id, before: null, after: design });
    return design;
  }

  /** The change is of the sort of design that it is made to. */
  async updateDesign(before: Design, change: Partial<DesignChange>): Promise<Design> {
    const { draft = before.draft, ...others } = change;
    const { draft: _, ...plain } = before;
    const after = { ...plain, ...others, ...(draft && { draft }), version: before.version + 1 } as Design;
    await this.write({ entity: 'design', id: before.id, before, after });
    return after;
  }

  /** Takes in what a visitor sends; who sent it, and the secret of their link, are no part of the change log. */
  async insertSubmission(given: Omit<Submission, 'id' | 'version'>, besides: SubmissionBesides): Promise<Submission> {
    const { id: _, ...row } = rowOfSubmission({ ...given, id: 0, version: 1 });
    const id = await this.insert('submissions', { ...row, ...rowOfBesides(besides) });
    const submission: Submission = { ...given, version: 1, id };
    this.note({ entity: 'submission', id, before: null, after: submission });
    return submission;
  }

  /** Uses up what somebody has answered; answers whether it was there: of several who send it at once, one does. */
  async takeAttempt(tokenHash: string): Promise<boolean> {
    return (await this.statements.delete('form_attempts', { tokenHash })) === 1;
  }

  async updateSubmission(before: Submission, change: Partial<Submission>): Promise<Submission> {
    const after: Submission = { ...before, ...change, version: before.version + 1, changedAt: this.now };
    await this.write({ entity: 'submission', id: before.id, before, after });
    return after;
  }

  async insertLink(ends: Omit<Link, 'id' | 'version'>): Promise<Link> {
    const link: Link = {
      ...ends,
      version: 1,
      id: await this.insert('links', { definition: ends, version: 1 }),
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
    const after: Connection = { ...given, id: await this.insert('connections', { ...given }) };
    this.note({ entity: 'connection', id: after.id, before: null, after });
    return after;
  }

  async insertConnections(given: readonly Omit<Connection, 'id'>[]): Promise<void> {
    const rows = given.map((one) => ({ ...one }));
    const ids = await this.statements.insertNumbered('connections', rows);
    rows.forEach((row, at) => {
      const after: Connection = { ...row, id: ids[at]! };
      this.note({ entity: 'connection', id: after.id, before: null, after });
    });
  }

  async saveSite(after: SiteSettings): Promise<void> {
    const found = await rowOf(this.models.site, { where: { id: SITE_ID }, transaction: this.transaction });
    await this.write({ entity: 'site', id: SITE_ID, before: found && this.records.site, after });
  }

  async insertListings(kindId: number, contents: readonly ListingContent[]): Promise<Listing[]> {
    const stamp = { kindId, version: 1, createdAt: this.now, changedAt: this.now };
    const taken = new Set<string>();
    const rows: Omit<Listing, 'id'>[] = [];
    for (const content of contents) {
      const row = { ...content, ...stamp, ...momentsOf(content, null, this.now) };
      const address = await this.addressOf({ ...row, address: null }, taken);
      taken.add(address);
      rows.push({ ...row, address });
    }
    const ids = await this.statements.insertNumbered('listings', rows);
    const listings = rows.map((row, at): Listing => ({ ...row, id: ids[at]! }));
    for (const after of listings) this.note({ entity: 'listing', id: after.id, before: null, after });
    return listings;
  }

  /** Remembers that listings are examples, by their numbers with a hash of what each came as; visitors see nothing of it. */
  async noteExamples(examples: ReadonlyMap<number, string>): Promise<void> {
    const rows = [...examples].map(([listingId, asItCame]) => ({ listingId, asItCame }));
    await this.statements.insert('examples', rows);
  }

  async updateListing(before: Listing, content: ListingContent): Promise<Listing> {
    const after = await this.updated(before, content);
    await this.write({ entity: 'listing', id: before.id, before, after });
    return after;
  }

  /** Changes many listings, each once, as they are in this unit. */
  async updateListings(all: readonly { readonly before: Listing; readonly content: ListingContent }[]): Promise<void> {
    const entries: EntryOf<'listing'>[] = [];
    const taken = new Set<string>();
    for (const { before, content } of all) {
      const after = await this.updated(before, content, taken);
      taken.add(after.address);
      entries.push({ entity: 'listing', id: before.id, before, after });
    }
    await this.writeListings(entries);
  }

  /**
   * Writes many listings as they are after entries, each once; what is before is as it is in this unit. `given` is what is
   * written of them, where that has been made already.
   */
  async writeListings(entries: readonly EntryOf<'listing'>[], given?: ListingRows): Promise<void> {
    const seen = new Set<number>();
    for (const { id, before } of entries) {
      if (seen.has(id)) throw Refusal.of('change.conflict', { title: titleOf(before) });
      seen.add(id);
    }
    // One that takes what another one gives up would clash with it for so long.
    await this.standAside(entries.filter(isMoved).map(({ id }) => id));
    const { rows, changed } = given ?? listingRows(entries);
    await this.statements.updateMany('listings', rows, changed);
    for (const entry of entries) this.note(entry);
  }

  private async updated(before: Listing, content: ListingContent, taken?: ReadonlySet<string>): Promise<Listing> {
    const moved = listingAfter(before, content, this.now);
    return { ...moved, address: await this.addressOf(moved, taken) };
  }

  /**
   * Gives listings addresses that are free at the end, though one may take what another has: those stand aside for so
   * long. Their addresses are all that is changed.
   */
  async moveListings(moves: readonly AddressMove[]): Promise<void> {
    const stretches = Array.from({ length: Math.ceil(moves.length / LISTINGS_AT_ONCE) }, (_, at) =>
      moves.slice(at * LISTINGS_AT_ONCE, (at + 1) * LISTINGS_AT_ONCE),
    );
    for (const some of stretches) await this.standAside(some.map(({ id }) => id));
    for (const some of stretches) {
      const listings = await this.listings(some.map(({ id }) => id));
      for (const { id, from, to } of some) {
        const before: Listing = { ...listings.get(id)!, address: from };
        const after: Listing = { ...before, address: to, version: before.version + 1, changedAt: this.now };
        await this.write({ entity: 'listing', id, before, after });
      }
    }
  }

  /** Until the end of the unit at most: no listing can have such an address. */
  private async standAside(ids: readonly number[]): Promise<void> {
    const { transaction } = this;
    for (const id of inParts(ids)) {
      await this.models.listings.update({ address: literal(`'/' || "id"`) }, { where: { id }, transaction });
    }
  }

  /** The address of a listing by its kind: the one that it has where that fits, else one that is free. */
  private async addressOf(
    listing: Omit<Listing, 'id' | 'address'> & { readonly address: string | null },
    besides?: ReadonlySet<string>,
  ): Promise<string> {
    const kind = this.structure.kind(listing.kindId);
    const { zone } = this.context();
    const fits = fittingAddress(listing, kind, zone);
    return fits ?? this.freeAddress(kind!.id, addressOfListing(listing, kind!, zone), besides);
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
    const table = TABLES[entry.entity];
    const row = rowAfter(entry);
    if (entry.entity === 'kind' && (await this.hideOrShow(entry))) return this.note(entry);
    if (entry.before === null && row) {
      // A picture that was deleted may have been sent again meanwhile.
      if (entry.entity === 'picture') await this.statements.delete(table, { hash: row['hash'] });
      await this.statements.insert(table, [row]);
    } else {
      const where = placeOf(entry);
      const changed = row
        ? await this.statements.update(table, row, where)
        : await this.statements.delete(table, where);
      if (changed === 0) throw Refusal.of('change.conflict', { title: titleOf(entry.before) });
    }
    this.note(entry);
  }

  /**
   * Handles kinds that go or come back: one that goes keeps its listings where they are, hidden, and gets an address that nobody can ask
   * for; one that comes back shows them again. Answers whether the entry was such a one.
   */
  private async hideOrShow(entry: EntryOf<'kind'>): Promise<boolean> {
    const { id, before, after } = entry;
    if (before && !after) {
      const hidden = { removed: true, slug: `~${id}` };
      const changed = await this.statements.update('kinds', hidden, placeOf(entry));
      if (changed === 0) throw Refusal.of('change.conflict', { title: titleOf(before) });
      return true;
    }
    if (before || !after) return false;
    return (
      (await this.statements.update('kinds', { ...rowOfKind(after), removed: false }, { id, removed: true })) === 1
    );
  }

  /** Brings in step what hangs on the records: names and values that only one may have. To be called once, at the end. */
  async finish(): Promise<void> {
    await followNames(this.models, this.transaction, this.entries);
    await keepFormerAddresses(this.statements, this.entries);
    const { before, structure: after, now, departed: done } = this;
    await this.due.follow(this.entries, { before, after, now, done });
    const touched = this.entries.some(({ entity }) => entity === 'listing' || entity === 'kind');
    if (touched) await this.uniqueRows.follow(this.entries, this.before, this.structure, this);
  }

  /** Takes out what an open change has made so far, as if it had never been. */
  async dropChange(changeId: number): Promise<void> {
    const { transaction } = this;
    const kinds = await this.log.idsOf(changeId, 'kind', transaction);
    for (const id of inParts(await this.log.idsOf(changeId, 'listing', transaction))) {
      await this.statements.delete('listings', { id });
    }
    for (const ownerId of kinds) await this.statements.delete('taken_names', { scope: 'kind', ownerId });
    await this.statements.delete('kinds', { id: kinds });
    await this.statements.delete('changes', { id: changeId });
  }

  /** Notes from where somebody signed in; answers whether they signed in before, but from elsewhere. */
  async noteSignIn(userId: number, place: string): Promise<boolean> {
    const known = await this.statements.select('sign_in_places', { userId });
    if (known.some((row) => row['place'] === place)) return false;
    await this.statements.insert('sign_in_places', [{ userId, place, at: this.now }]);
    return known.length > 0;
  }

  /** Begins an import under its open change. */
  addImport(record: ImportRecord): Promise<void> {
    return this.imports.add(record, this.transaction);
  }

  private note(entry: ChangeEntry): void {
    this.entries.push(entry);
    if (isStructural(entry)) this.present = { records: withEntry(this.present.records, entry), structure: null };
  }

  private async insert(table: string, row: Row): Promise<number> {
    const [id] = await this.statements.insertNumbered(table, [row]);
    return id!;
  }
}

/** What can change of a design; without a draft it is what visitors see. */
interface DesignChange extends Pick<Design, 'definition' | 'position'> {
  readonly draft: Draft | null;
}

/** The tables that records stand in. */
const TABLES: Readonly<Record<ChangeEntry['entity'], string>> = {
  listing: 'listings',
  kind: 'kinds',
  'category-set': 'category_sets',
  selection: 'selections',
  design: 'designs',
  submission: 'submissions',
  link: 'links',
  connection: 'connections',
  picture: 'pictures',
  site: 'site',
};

/** The columns of a record as it is after an entry; null when it is gone. */
function rowAfter(entry: ChangeEntry): Row | null {
  const { entity, after } = entry;
  if (after === null) return null;
  if (entity === 'kind') return rowOfKind(after);
  if (entity === 'category-set' || entity === 'selection') return rowOfDefined(after);
  if (entity === 'link') return rowOfLink(after);
  if (entity === 'submission') return rowOfSubmission(after);
  if (entity === 'design') return { draft: null, ...after };
  if (entity === 'connection' || entity === 'picture') return { ...after };
  // An entry of before a part existed has none of it.
  return entity === 'site'
    ? { id: SITE_ID, settings: after }
    : { ...BLANK_CONTENT, ...after, address: addressIn(after) };
}

/** Whether a listing gets another address. */
function isMoved({ before, after }: EntryOf<'listing'>): boolean {
  return before?.slug !== after?.slug || before?.address !== after?.address;
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
  if ('type' in record) return record.definition.name;
  if ('definition' in record) return record.definition.many;
  if ('fileName' in record) return record.fileName;
  if ('linkId' in record || 'hasNotes' in record) return 'A link';
  return 'categories' in record ? record.label : record.name;
}
