import type { Listing, Status } from '../listings/index.js';
import { ComputedValues, publishingTime } from '../listings/index.js';
import type { BuiltInKey, Field, Kind } from '../structure/index.js';
import { BUILT_IN_MARK, STATUSES, fieldType } from '../structure/index.js';
import type { TextOrder } from '../values/index.js';
import { textOrder } from '../values/index.js';
import { Bitset } from './bitset.js';
import type { ChoicesColumn } from './choices-column.js';
import type { Column } from './field-columns.js';
import { FieldColumns } from './field-columns.js';
import { Initials } from './initials.js';
import { NumberColumn } from './number-column.js';
import { PlaceColumn } from './place-column.js';
import { Presence } from './presence.js';
import { TextColumn } from './text-column.js';
import type { KeptTexts } from './text/known-texts.js';
import type { TextDocument } from './text/text-document.js';
import { TextIndex } from './text/text-index.js';
import { UniqueValues } from './unique-values.js';

const LEAST_CAPACITY = 64;

/**
 * All listings of one kind, in the typed columns that queries need. A listing has a row for as long as it exists; rows
 * are not used again. Fill it with {@link put}, call {@link finish} once, then query; after that `put` and `remove`
 * keep it in step with single changes. `expected` is about how many listings will come; `kept` what an earlier catalog
 * of the kind has read of their texts.
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
  readonly text: TextIndex;
  readonly uniques = new UniqueValues();
  private readonly onSite: Presence;
  private readonly featured: Presence;
  private computed: ComputedValues;
  private readonly ofFields: ReadonlyMap<string, FieldColumns>;
  /** Of built-in parts, by their key with a mark before it; they are there once a listing has a value. */
  private readonly builtIn = new Map<string, Column>();
  /** Those of them that are numbers, in the order of {@link BUILT_IN_NUMBERS}, and the places. */
  private readonly builtInNumbers: (NumberColumn | undefined)[] = [];
  private places: PlaceColumn | null = null;
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
    kept: KeptTexts | null = null,
  ) {
    this.text = new TextIndex(kept, expected);
    this.capacity = Math.max(LEAST_CAPACITY, expected);
    this.compareTexts = textOrder(locale);
    this.initials = new Initials(locale);
    this.ids = new Float64Array(this.capacity);
    this.existing = new Bitset(this.capacity);
    this.onSite = new Presence(this.capacity);
    this.featured = new Presence(this.capacity);
    this.statuses = new Uint8Array(this.capacity);
    this.title = this.textColumn();
    this.builtIn.set(`${BUILT_IN_MARK}title`, this.title);
    const columnsOf = (field: Field): FieldColumns => new FieldColumns(field, this.capacity, () => this.textColumn());
    this.ofFields = new Map(kind.fields.map((field) => [field.key, columnsOf(field)]));
    this.computed = new ComputedValues(kind.fields);
  }

  /** The column of a field by its key ("price", "@title"); undefined where it has none, or no listing a value. */
  column(key: string): Column | undefined {
    return this.ofFields.get(key)?.values ?? this.builtIn.get(key);
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
    this.putBuiltIn(row, { ...listing, publishedAt: publishingTime(listing) });
    for (const columns of this.ofFields.values()) columns.put(row, listing.values);
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
    this.putBuiltIn(row, NOTHING);
    for (const columns of this.ofFields.values()) columns.put(row, {});
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

  /** To be called once, when all listings are in. */
  finish(): this {
    this.text.finish();
    return this;
  }

  private textColumn(): TextColumn {
    return new TextColumn(this.capacity, this.compareTexts, this.initials);
  }

  /** Most listings have none of some of these; a column is made when one has. */
  private putBuiltIn(row: number, parts: BuiltInParts): void {
    for (let at = 0; at < BUILT_IN_NUMBERS.length; at++) {
      const key = BUILT_IN_NUMBERS[at]!;
      const value = parts[key];
      if (value !== null) this.builtInNumbers[at] ??= this.withBuiltIn(key, new NumberColumn(this.capacity));
      this.builtInNumbers[at]?.put(row, value);
    }
    if (parts.place) this.places ??= this.withBuiltIn('place', new PlaceColumn(this.capacity));
    this.places?.put(row, parts.place);
  }

  private withBuiltIn<Made extends Column>(key: BuiltInKey, column: Made): Made {
    this.builtIn.set(`${BUILT_IN_MARK}${key}`, column);
    return column;
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
    for (const columns of [...this.ofFields.values(), ...this.builtIn.values()]) columns.grow(this.capacity);
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

type BuiltInNumber = (typeof BUILT_IN_NUMBERS)[number];
type BuiltInParts = Readonly<Record<BuiltInNumber, number | null>> & Pick<Listing, 'place'>;

const NOTHING: BuiltInParts = {
  ...(Object.fromEntries(BUILT_IN_NUMBERS.map((key) => [key, null])) as Record<BuiltInNumber, null>),
  place: null,
};

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
