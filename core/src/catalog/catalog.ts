import type { Listing, Status } from '../listings/index.js';
import { ComputedValues, publishingTime } from '../listings/index.js';
import type { BuiltInKey, Field, Kind } from '../structure/index.js';
import { BUILT_IN_MARK, STATUSES, columnOf, fieldType } from '../structure/index.js';
import type { TextOrder } from '../values/index.js';
import { textOrder } from '../values/index.js';
import { Bitset } from './bitset.js';
import { ChoicesColumn } from './choices-column.js';
import { Initials } from './initials.js';
import { NumberColumn } from './number-column.js';
import { PlaceColumn } from './place-column.js';
import { Presence } from './presence.js';
import { TextColumn } from './text-column.js';
import type { TextDocument } from './text/text-document.js';
import { TextIndex } from './text/text-index.js';
import { UniqueValues } from './unique-values.js';
import { YesNoColumn } from './yes-no-column.js';

export type Column = NumberColumn | TextColumn | YesNoColumn | ChoicesColumn | PlaceColumn;

const LEAST_CAPACITY = 64;
/** After the key of a field of ranges: the column of where they end. */
const END_MARK = ':end';
/** After the key of a field of categories: the column of the ones that a listing has itself, without those above. */
const OWN_MARK = ':own';

/**
 * All listings of one kind, in the typed columns that queries need. A listing has a row for as long as it exists; rows
 * are not used again. Fill it with {@link put}, call {@link finish} once, then query; after that `put` and `remove`
 * keep it in step with single changes.
 */
export class Catalog {
  /** Rows given out so far; those of removed listings count too. */
  rows = 0;
  ids: Float64Array;
  /** Whether ids grow with rows, so that the order of rows is that of ids. */
  idsAscend = true;
  /** Rows of listings that exist, whatever their status. */
  existing: Bitset;
  statuses: Uint8Array;
  readonly title: TextColumn;
  readonly text = new TextIndex();
  readonly uniques = new UniqueValues();
  private readonly onSite: Presence;
  private readonly featured: Presence;
  private computed: ComputedValues;
  /** By key of a field; built-in ones have a mark before it, and are there once a listing has a value. */
  private readonly columns = new Map<string, Column>();
  /** By key of a field without a column, the rows that have a value of it. */
  private readonly filled = new Map<string, Bitset>();
  private readonly slugs: string[] = [];
  private readonly rowsById = new Map<number, number>();
  private readonly rowsBySlug = new Map<string, number>();
  private readonly compareTexts: TextOrder;
  private readonly initials: Initials;
  private capacity: number;

  constructor(
    public kind: Kind,
    readonly locale: string,
    expected = 0,
  ) {
    this.capacity = Math.max(LEAST_CAPACITY, expected);
    this.compareTexts = textOrder(locale);
    this.initials = new Initials(locale);
    this.ids = new Float64Array(this.capacity);
    this.existing = new Bitset(this.capacity);
    this.onSite = new Presence(this.capacity);
    this.featured = new Presence(this.capacity);
    this.statuses = new Uint8Array(this.capacity);
    this.title = this.textColumn();
    this.columns.set(`${BUILT_IN_MARK}title`, this.title);
    for (const field of kind.fields) this.addColumn(field);
    this.computed = new ComputedValues(kind.fields);
  }

  /** The column of a field by its key ("price", "@title"); undefined where it has none, or no listing a value. */
  column(key: string): Column | undefined {
    return this.columns.get(key);
  }

  /** Where the values of a field of ranges end; undefined for any other field. */
  endColumn(key: string): NumberColumn | undefined {
    return this.columns.get(`${key}${END_MARK}`) as NumberColumn | undefined;
  }

  /** The categories that listings have themselves, without those above them; undefined for any other field. */
  ownCategories(key: string): ChoicesColumn | undefined {
    return this.columns.get(`${key}${OWN_MARK}`) as ChoicesColumn | undefined;
  }

  /** The rows that have a value of a field without a column; undefined for a field with one. */
  filledRows(key: string): Bitset | undefined {
    return this.filled.get(key);
  }

  /** The rows that visitors see at a moment. The set belongs to the catalog: copy it before changing it. */
  onSiteAt(nowInMs: number): Bitset {
    return this.onSite.at(nowInMs);
  }

  /** The rows that are featured at a moment, whether they are on the site or not. */
  featuredAt(nowInMs: number): Bitset {
    return this.featured.at(nowInMs);
  }

  /** The next moment at which a listing comes to the site or leaves it, or begins or ends being featured. */
  nextChange(nowInMs: number): number {
    return Math.min(this.onSite.nextChange(nowInMs), this.featured.nextChange(nowInMs));
  }

  rowOf(id: number): number | undefined {
    return this.rowsById.get(id);
  }

  rowOfSlug(slug: string): number | undefined {
    return this.rowsBySlug.get(slug);
  }

  /** The listing that has an address, whatever its status. */
  idOfSlug(slug: string): number | undefined {
    const row = this.rowsBySlug.get(slug);
    return row === undefined ? undefined : this.ids[row];
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

  statusAt(row: number): Status {
    return STATUSES[this.statuses[row] ?? 0] ?? 'draft';
  }

  /** A listing with its computed values beside its own. */
  complete(listing: Listing): Listing {
    return this.computed.complete(listing);
  }

  /** Adds a listing or puts its new state in place of the old one. */
  put(kept: Listing): void {
    const listing = this.complete(kept);
    const known = this.rowsById.get(listing.id);
    const row = known ?? this.newRow(listing.id);
    if (known !== undefined) this.rowsBySlug.delete(this.slugs[row] ?? '');
    this.slugs[row] = listing.slug;
    this.rowsBySlug.set(listing.slug, row);
    this.existing.add(row);
    this.onSite.put(row, listing.status === 'live', listing.shownFrom, listing.shownUntil);
    this.featured.put(row, listing.featured, listing.featuredFrom, listing.featuredUntil);
    this.statuses[row] = STATUSES.indexOf(listing.status);
    this.title.put(row, listing.title);
    for (const key of BUILT_IN_NUMBERS) {
      this.putNumber(row, key, key === 'publishedAt' ? publishingTime(listing) : listing[key]);
    }
    this.putPlace(row, listing.place);
    for (const field of this.kind.fields) this.putValue(row, field, listing.values[field.key]);
    this.text.put(row, documentOf(listing, this.kind));
    this.uniques.put(listing, this.kind.fields);
  }

  /** Takes out a listing that is deleted for good. */
  remove(id: number): void {
    const row = this.rowsById.get(id);
    if (row === undefined) return;
    this.uniques.remove(id);
    this.rowsById.delete(id);
    this.rowsBySlug.delete(this.slugs[row] ?? '');
    this.existing.delete(row);
    this.onSite.put(row, false, null, null);
    this.featured.put(row, false, null, null);
    this.title.put(row, null);
    for (const key of BUILT_IN_NUMBERS) this.putNumber(row, key, null);
    this.putPlace(row, null);
    for (const field of this.kind.fields) this.putValue(row, field, undefined);
    this.text.remove(row);
  }

  /**
   * Takes a new definition of the kind when its columns and texts stay the same (another facet, sort choice, label of
   * the kind …). Answers false when they don't: then the catalog has to be built anew.
   */
  redefine(kind: Kind): boolean {
    if (JSON.stringify(kind.fields.map(columnTraits)) !== JSON.stringify(this.kind.fields.map(columnTraits)))
      return false;
    this.kind = kind;
    return true;
  }

  /** Makes ready what every page needs; to be called once, when all listings are in. */
  finish(): this {
    this.text.finish();
    this.title.sortedRows();
    return this;
  }

  private textColumn(): TextColumn {
    return new TextColumn(this.capacity, this.compareTexts, this.initials);
  }

  private addColumn(field: Field): void {
    const spec = columnOf(field);
    if (field.type === 'place') this.columns.set(field.key, new PlaceColumn(this.capacity));
    else if (!spec) this.filled.set(field.key, new Bitset(this.capacity));
    if (spec?.kind === 'number') this.columns.set(field.key, new NumberColumn(this.capacity));
    if (spec?.kind === 'number' && spec.endOf) {
      this.columns.set(`${field.key}${END_MARK}`, new NumberColumn(this.capacity));
    }
    if (spec?.kind === 'yes-no') this.columns.set(field.key, new YesNoColumn(this.capacity));
    if (spec?.kind === 'text') this.columns.set(field.key, this.textColumn());
    if (spec?.kind === 'choices') {
      const keys = (field.settings.choices ?? []).map((choice) => choice.key);
      this.columns.set(field.key, new ChoicesColumn(this.capacity, keys));
      if (field.type === 'categories') {
        this.columns.set(`${field.key}${OWN_MARK}`, new ChoicesColumn(this.capacity, keys));
      }
    }
  }

  private putValue(row: number, field: Field, value: unknown): void {
    const spec = columnOf(field);
    const column = this.columns.get(field.key);
    const isThere = fieldType(field.type).holds(value);
    this.filled.get(field.key)?.put(row, isThere);
    if (!column) return;
    // The column was made from the same spec, so the kinds agree.
    const given = !isThere ? null : spec ? spec.of(value) : value;
    (column as { put(row: number, value: unknown): void }).put(row, given);
    if (field.type === 'categories') {
      this.ownCategories(field.key)?.put(row, isThere ? (value as readonly string[]) : null);
    }
    if (spec?.kind === 'number') this.endColumn(field.key)?.put(row, isThere ? (spec.endOf?.(value) ?? null) : null);
  }

  /** Most listings have none of some of these; a column is made when one has. */
  private putNumber(row: number, key: BuiltInKey, value: number | null): void {
    const name = `${BUILT_IN_MARK}${key}`;
    let column = this.columns.get(name);
    if (!column && value !== null) this.columns.set(name, (column = new NumberColumn(this.capacity)));
    if (column?.kind === 'number') column.put(row, value);
  }

  private putPlace(row: number, place: Listing['place']): void {
    const name = `${BUILT_IN_MARK}place`;
    let column = this.columns.get(name);
    if (!column && place) this.columns.set(name, (column = new PlaceColumn(this.capacity)));
    if (column?.kind === 'place') column.put(row, place);
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
    [this.ids, this.statuses] = [ids, statuses];
    this.existing = this.existing.grown(this.capacity);
    this.onSite.grow(this.capacity);
    this.featured.grow(this.capacity);
    for (const [key, rows] of this.filled) this.filled.set(key, rows.grown(this.capacity));
    for (const column of this.columns.values()) column.grow(this.capacity);
  }
}

/** Of the built-in parts, those that are numbers and moments. */
const BUILT_IN_NUMBERS = [
  'handOrder',
  'createdAt',
  'changedAt',
  'publishedAt',
  'binnedAt',
  'shownFrom',
  'shownUntil',
  'featuredFrom',
  'featuredUntil',
] as const satisfies readonly BuiltInKey[];

/** What of a field the catalog was built with. */
function columnTraits({ key, type, settings, searchWeight, unique }: Field): unknown {
  return { key, type, settings, searchWeight, unique };
}

/** What the text search reads of a listing: title, summary and the words of its searchable fields. */
function documentOf(listing: Listing, kind: Kind): TextDocument {
  const byWeight = new Map<number, string>();
  for (const field of kind.fields) {
    const value = listing.values[field.key];
    const type = fieldType(field.type);
    if (field.searchWeight === 0 || !type.holds(value)) continue;
    const words = type.words?.(value, field);
    if (words) byWeight.set(field.searchWeight, `${byWeight.get(field.searchWeight) ?? ''} ${words}`);
  }
  return { title: listing.title, summary: listing.summary, byWeight };
}
