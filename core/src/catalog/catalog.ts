import type { Listing, Status } from '../listings/index.js';
import { ComputedValues, leavesAt } from '../listings/index.js';
import type { Field, Kind } from '../structure/index.js';
import { STATUSES } from '../structure/index.js';
import type { TextOrder } from '../values/index.js';
import { textOrder } from '../values/index.js';
import { Bitset } from './bitset.js';
import type { CatalogPlace } from './catalog-place.js';
import { BuiltInColumns } from './columns/built-in-columns.js';
import type { ChoicesColumn } from './columns/choices-column.js';
import type { Column } from './columns/field-columns.js';
import { FieldColumns } from './columns/field-columns.js';
import { Initials } from './columns/initials.js';
import type { KeptCatalog } from './kept-catalog.js';
import { catalogMark } from './kept-catalog.js';
import type { Stamped } from './listing-stamp.js';
import { stampOf } from './listing-stamp.js';
import { NumberColumn } from './columns/number-column.js';
import { Presence } from './presence.js';
import { TextColumn } from './columns/text-column.js';
import { documentOf } from './text/text-document.js';
import { TextIndex } from './text/text-index.js';

const LEAST_CAPACITY = 64;
const VIEWS = '@views';

/**
 * All listings of one kind, in the typed columns that queries need. A listing has a row for as long as it exists; rows
 * are not used again. Fill it with {@link put}, call {@link finish} once, then query; after that `put` and `remove`
 * keep it in step with single changes. `expected` is about how many listings will come; `text` an index that may know
 * what an earlier one has read of their texts.
 */
export class Catalog {
  /** Rows given out so far; those of removed listings count too. */
  rows = 0;
  /** How many states of listings it has taken in or given up. */
  taken = 0;
  ids: Float64Array;
  /** Whether ids grow with rows, so that the order of rows is that of ids. */
  idsAscend = true;
  /** Rows of listings that exist, whatever their status. */
  existing: Bitset;
  statuses: Uint8Array;
  /** By row, the stamp of the listing's state. */
  private stamps: Float64Array;
  readonly title: TextColumn;
  /**
   * How often each listing was looked at lately. It stands beside the listings: counting puts no listing anew, and what is kept
   * of the catalog has nothing of it.
   */
  readonly views: NumberColumn;
  private readonly onSite: Presence;
  /** Rows of live listings that have left the site. */
  private readonly left: Presence;
  private readonly featured: Presence;
  private computed: ComputedValues;
  private readonly ofFields: ReadonlyMap<string, FieldColumns>;
  private readonly builtIn: BuiltInColumns;
  private slugs: string[] = [];
  private readonly rowsById = new Map<number, number>();
  private readonly rowsBySlug = new Map<string, number>();
  /** Addresses that differ from the slug, by row, and the rows by those addresses. Most kinds have none. */
  private readonly addresses = new Map<number, string>();
  private readonly rowsByAddress = new Map<string, number>();
  private readonly compareTexts: TextOrder;
  private readonly initials: Initials;
  private capacity: number;

  constructor(
    public kind: Kind,
    public place: CatalogPlace,
    expected = 0,
    readonly text = new TextIndex(null, expected),
  ) {
    this.capacity = Math.max(LEAST_CAPACITY, expected);
    this.compareTexts = textOrder(place.locale);
    this.initials = new Initials(place.locale);
    this.ids = new Float64Array(this.capacity);
    this.existing = new Bitset(this.capacity);
    this.onSite = new Presence(this.capacity);
    this.left = new Presence(this.capacity);
    this.featured = new Presence(this.capacity);
    this.statuses = new Uint8Array(this.capacity);
    this.stamps = new Float64Array(this.capacity);
    this.title = this.textColumn();
    this.views = new NumberColumn(this.capacity, true);
    this.builtIn = new BuiltInColumns(this.title, this.capacity);
    const columnsOf = (field: Field): FieldColumns => new FieldColumns(field, this.capacity, () => this.textColumn());
    this.ofFields = new Map(kind.fields.map((field) => [field.key, columnsOf(field)]));
    this.computed = new ComputedValues(kind.fields);
  }

  /** The column of a field by its key ("price", "@title"); undefined where it has none, or no listing a value. */
  column(key: string): Column | undefined {
    return this.ofFields.get(key)?.values ?? (key === VIEWS ? this.views : this.builtIn.get(key));
  }

  /** Where the values of a field of ranges end; undefined for any other field. */
  endColumn(key: string): NumberColumn | undefined {
    return this.ofFields.get(key)?.ends ?? undefined;
  }

  /** The categories that listings have themselves, without those above them; undefined for any other field. */
  ownCategories(key: string): ChoicesColumn | undefined {
    return this.ofFields.get(key)?.own ?? undefined;
  }

  /** The rows that have a value of a field without a column; undefined for a field with one. */
  filledRows(key: string): Bitset | undefined {
    return this.ofFields.get(key)?.filled ?? undefined;
  }

  /** The rows that visitors see at a moment. The set belongs to the catalog: copy it before changing it. */
  onSiteAt(nowInMs: number): Bitset {
    return this.onSite.at(nowInMs);
  }

  /** The rows of live listings that have left the site at a moment. The set belongs to the catalog. */
  leftAt(nowInMs: number): Bitset {
    return this.left.at(nowInMs);
  }

  /** The rows that are featured at a moment, whether they are on the site or not. */
  featuredAt(nowInMs: number): Bitset {
    return this.featured.at(nowInMs);
  }

  /** The next moment at which a listing comes to the site or leaves it, or begins or ends being featured. */
  nextChange(nowInMs: number): number {
    return Math.min(...[this.onSite, this.left, this.featured].map((presence) => presence.nextChange(nowInMs)));
  }

  rowOf(id: number): number | undefined {
    return this.rowsById.get(id);
  }

  rowOfSlug(slug: string): number | undefined {
    return this.rowsBySlug.get(slug);
  }

  /** The listing that has an address inside its kind, whatever its status. */
  idOfAddress(address: string): number | undefined {
    const bySlug = this.rowsBySlug.get(address);
    const row = bySlug === undefined || this.addresses.has(bySlug) ? this.rowsByAddress.get(address) : bySlug;
    return row === undefined ? undefined : this.ids[row];
  }

  addressAt(row: number): string {
    return this.addresses.get(row) ?? this.slugAt(row);
  }

  slugAt(row: number): string {
    return this.slugs[row] ?? '';
  }

  titleOf(id: number): string {
    const row = this.rowsById.get(id);
    return row === undefined ? '' : (this.title.textAt(row) ?? '');
  }

  isOnSite(id: number, nowInMs: number): boolean {
    const row = this.rowsById.get(id);
    return row !== undefined && this.onSite.at(nowInMs).has(row);
  }

  /** Whether a live listing has left the site. */
  hasLeft(id: number, nowInMs: number): boolean {
    const row = this.rowsById.get(id);
    return row !== undefined && this.left.at(nowInMs).has(row);
  }

  /** Whether a listing, with those that it is linked with, is here as it is given. */
  isAsHere(id: number, listing: Stamped): boolean {
    const row = this.rowsById.get(id);
    return row !== undefined && this.stamps[row] === stampOf(listing, this.kind.fields);
  }

  statusAt(row: number): Status {
    return STATUSES[this.statuses[row] ?? 0] ?? 'draft';
  }

  /** How often a listing was looked at lately; 0 for one that is not here. */
  viewsOf(id: number): number {
    const row = this.rowsById.get(id);
    return row === undefined ? 0 : this.views.values[row]!;
  }

  /** Takes how often each listing was looked at lately, by its id. */
  takeViews(viewsOf: (id: number) => number): void {
    this.existing.forEach((row) => this.views.put(row, viewsOf(this.ids[row]!)));
  }

  /** Adds to how often a listing was looked at lately. */
  addViews(id: number, count: number): void {
    const row = this.rowsById.get(id);
    if (row !== undefined) this.views.put(row, this.views.values[row]! + count);
  }

  /** A listing with its computed values beside its own. */
  complete(listing: Listing): Listing {
    return this.computed.complete(listing);
  }

  /** Adds a listing or puts its new state in place of the old one. */
  put(kept: Listing): void {
    this.taken++;
    const listing = this.complete(kept);
    const known = this.rowsById.get(listing.id);
    const row = known ?? this.newRow(listing.id);
    if (known !== undefined) this.forgetAddress(row);
    this.slugs[row] = listing.slug;
    this.rowsBySlug.set(listing.slug, row);
    if (listing.address !== listing.slug) {
      this.addresses.set(row, listing.address);
      this.rowsByAddress.set(listing.address, row);
    }
    this.existing.add(row);
    if (!this.views.hasAny(row)) this.views.put(row, 0);
    const leaves = leavesAt(listing, this.kind, this.place.zone);
    this.onSite.put(row, listing.status === 'live', listing.shownFrom, leaves);
    this.left.put(row, listing.status === 'live' && leaves !== null, leaves, null);
    this.featured.put(row, listing.featured, listing.featuredFrom, listing.featuredUntil);
    this.statuses[row] = STATUSES.indexOf(listing.status);
    this.stamps[row] = stampOf(listing, this.kind.fields);
    this.builtIn.put(row, listing, leaves);
    for (const columns of this.ofFields.values()) columns.put(row, listing.values);
    this.text.put(row, documentOf(listing, this.kind));
  }

  /** Takes out a listing that is deleted for good. */
  remove(id: number): void {
    const row = this.rowsById.get(id);
    if (row === undefined) return;
    this.taken++;
    this.rowsById.delete(id);
    this.forgetAddress(row);
    this.existing.delete(row);
    this.onSite.put(row, false, null, null);
    this.left.put(row, false, null, null);
    this.featured.put(row, false, null, null);
    this.builtIn.remove(row);
    this.views.put(row, null);
    for (const columns of this.ofFields.values()) columns.put(row, {});
    this.text.remove(row);
  }

  /**
   * Takes a new definition of the kind, and another place, when its columns and texts stay the same (another facet, sort
   * choice, label of the kind …). Answers false when they don't: then the catalog has to be built anew.
   */
  redefine(kind: Kind, place = this.place): boolean {
    if (catalogMark(kind, place) !== catalogMark(this.kind, this.place)) return false;
    [this.kind, this.place] = [kind, place];
    return true;
  }

  /** To be called once, when all listings are in; in steps as {@link TextIndex.finishing} tells. */
  finishing(): Generator<void, void> {
    return this.text.finishing();
  }

  /** The same at once. */
  finish(): this {
    this.text.finish();
    return this;
  }

  /** All that it holds, for {@link Catalog.restored}. */
  kept(): KeptCatalog {
    return {
      mark: catalogMark(this.kind, this.place),
      rows: this.rows,
      idsAscend: this.idsAscend,
      ids: this.ids.slice(),
      statuses: this.statuses.slice(),
      stamps: this.stamps.slice(),
      slugs: this.slugs.slice(),
      addresses: new Map(this.addresses),
      existing: this.existing.words.slice(),
      onSite: this.onSite.kept(),
      left: this.left.kept(),
      featured: this.featured.kept(),
      builtIn: this.builtIn.kept(),
      fields: new Map(Array.from(this.ofFields, ([key, columns]) => [key, columns.kept()])),
      text: this.text.kept(),
    };
  }

  /** The catalog that was kept, ready to be queried; null when the kind or the place would have other columns now. */
  static restored(kind: Kind, place: CatalogPlace, kept: KeptCatalog): Catalog | null {
    if (kept.mark !== catalogMark(kind, place)) return null;
    const catalog = new Catalog(kind, place, kept.ids.length, TextIndex.restored(kept.text));
    catalog.restore(kept);
    return catalog;
  }

  private restore(kept: KeptCatalog): void {
    [this.rows, this.idsAscend, this.slugs] = [kept.rows, kept.idsAscend, kept.slugs.slice()];
    [this.ids, this.statuses, this.stamps] = [kept.ids.slice(), kept.statuses.slice(), kept.stamps.slice()];
    this.existing = new Bitset(this.capacity, kept.existing.slice());
    this.existing.forEach((row) => {
      this.rowsById.set(this.ids[row]!, row);
      this.rowsBySlug.set(this.slugs[row]!, row);
      this.views.put(row, 0);
    });
    for (const [row, address] of kept.addresses) {
      this.addresses.set(row, address);
      this.rowsByAddress.set(address, row);
    }
    this.onSite.restore(kept.onSite);
    this.left.restore(kept.left);
    this.featured.restore(kept.featured);
    this.builtIn.restore(kept.builtIn);
    for (const [key, columns] of this.ofFields) columns.restore(kept.fields.get(key)!);
  }

  private forgetAddress(row: number): void {
    const [slug, address] = [this.slugs[row] ?? '', this.addresses.get(row)];
    // When two listings swap their addresses, the other one may hold this address already.
    if (this.rowsBySlug.get(slug) === row) this.rowsBySlug.delete(slug);
    if (address !== undefined && this.rowsByAddress.get(address) === row) this.rowsByAddress.delete(address);
    this.addresses.delete(row);
  }

  private textColumn(): TextColumn {
    return new TextColumn(this.capacity, this.compareTexts, this.initials);
  }

  private newRow(id: number): number {
    if (this.rows === this.capacity) this.grow();
    const row = this.rows++;
    if (row > 0 && this.ids[row - 1]! > id) this.idsAscend = false;
    this.ids[row] = id;
    this.rowsById.set(id, row);
    return row;
  }

  private grow(): void {
    this.capacity *= 2;
    const ids = new Float64Array(this.capacity);
    ids.set(this.ids);
    const statuses = new Uint8Array(this.capacity);
    statuses.set(this.statuses);
    const stamps = new Float64Array(this.capacity);
    stamps.set(this.stamps);
    [this.ids, this.statuses, this.stamps] = [ids, statuses, stamps];
    this.existing = this.existing.grown(this.capacity);
    this.onSite.grow(this.capacity);
    this.left.grow(this.capacity);
    this.featured.grow(this.capacity);
    for (const columns of [this.views, this.builtIn, ...this.ofFields.values()]) columns.grow(this.capacity);
  }
}
