import type { Listing, Status } from '../listings/index.js';
import { ComputedValues, STATUSES, isOnSite } from '../listings/index.js';
import type { Field, Kind } from '../structure/index.js';
import { columnOf, fieldType } from '../structure/index.js';
import type { TextOrder } from '../values/index.js';
import { textOrder } from '../values/index.js';
import { Bitset } from './bitset.js';
import { ChoicesColumn } from './choices-column.js';
import { MiniSearchIndex } from './minisearch-index.js';
import { NumberColumn } from './number-column.js';
import { TextColumn } from './text-column.js';
import type { TextDocument, TextIndex } from './text-index.js';
import { UniqueValues } from './unique-values.js';
import { YesNoColumn } from './yes-no-column.js';

export type Column = NumberColumn | TextColumn | YesNoColumn | ChoicesColumn;

const LEAST_CAPACITY = 64;

/**
 * All listings of one kind, in the typed columns that queries need. A listing has a row for as long as it exists; rows
 * are not used again. Fill it with {@link put}, call {@link finish} once, then query; after that `put` and `remove`
 * keep it in step with single changes.
 */
export class Catalog {
  /** Rows given out so far; those of removed listings count too. */
  rows = 0;
  ids: Float64Array;
  /** Rows of listings that exist, whatever their status, and of those that visitors may see. */
  existing: Bitset;
  onSite: Bitset;
  featured: Bitset;
  statuses: Uint8Array;
  readonly title: TextColumn;
  readonly handOrder: NumberColumn;
  readonly createdAt: NumberColumn;
  readonly changedAt: NumberColumn;
  readonly binnedAt: NumberColumn;
  readonly text: TextIndex;
  readonly uniques = new UniqueValues();
  private computed: ComputedValues;
  private readonly columns = new Map<string, Column>();
  /** By key of a field without a column, the rows that have a value of it. */
  private readonly filled = new Map<string, Bitset>();
  private readonly slugs: string[] = [];
  private readonly rowsById = new Map<number, number>();
  private readonly rowsBySlug = new Map<string, number>();
  private readonly compareTexts: TextOrder;
  private capacity: number;

  constructor(
    public kind: Kind,
    readonly locale: string,
    expected = 0,
  ) {
    this.capacity = Math.max(LEAST_CAPACITY, expected);
    this.compareTexts = textOrder(locale);
    this.ids = new Float64Array(this.capacity);
    this.existing = new Bitset(this.capacity);
    this.onSite = new Bitset(this.capacity);
    this.featured = new Bitset(this.capacity);
    this.statuses = new Uint8Array(this.capacity);
    this.title = new TextColumn(this.capacity, this.compareTexts);
    this.handOrder = new NumberColumn(this.capacity);
    this.createdAt = new NumberColumn(this.capacity);
    this.changedAt = new NumberColumn(this.capacity);
    this.binnedAt = new NumberColumn(this.capacity);
    for (const field of kind.fields) this.addColumn(field);
    this.computed = new ComputedValues(kind.fields);
    this.text = new MiniSearchIndex([...new Set(kind.fields.map((field) => field.searchWeight))].filter((w) => w > 0));
  }

  column(key: string): Column | undefined {
    return this.columns.get(key);
  }

  /** The rows that have a value of a field without a column; undefined for a field with one. */
  filledRows(key: string): Bitset | undefined {
    return this.filled.get(key);
  }

  rowOf(id: number): number | undefined {
    return this.rowsById.get(id);
  }

  /** The listing that has an address, whatever its status. */
  idOfSlug(slug: string): number | undefined {
    const row = this.rowsBySlug.get(slug);
    return row === undefined ? undefined : this.ids[row];
  }

  titleOf(id: number): string {
    const row = this.rowsById.get(id);
    return row === undefined ? '' : (this.title.textAt(row) ?? '');
  }

  isOnSite(id: number): boolean {
    const row = this.rowsById.get(id);
    return row !== undefined && this.onSite.has(row);
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
    this.onSite.put(row, isOnSite(listing));
    this.featured.put(row, listing.featured);
    this.statuses[row] = STATUSES.indexOf(listing.status);
    this.title.put(row, listing.title);
    this.handOrder.put(row, listing.handOrder);
    this.createdAt.put(row, listing.createdAt);
    this.changedAt.put(row, listing.changedAt);
    this.binnedAt.put(row, listing.binnedAt);
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
    for (const set of [this.existing, this.onSite, this.featured]) set.delete(row);
    this.title.put(row, null);
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

  /** Sorts the texts; to be called once, when all listings are in. */
  finish(): this {
    this.title.finish();
    for (const column of this.columns.values()) if (column.kind === 'text') column.finish();
    return this;
  }

  private addColumn(field: Field): void {
    const spec = columnOf(field);
    if (!spec) this.filled.set(field.key, new Bitset(this.capacity));
    if (spec?.kind === 'number') this.columns.set(field.key, new NumberColumn(this.capacity));
    if (spec?.kind === 'yes-no') this.columns.set(field.key, new YesNoColumn(this.capacity));
    if (spec?.kind === 'text') this.columns.set(field.key, new TextColumn(this.capacity, this.compareTexts));
    if (spec?.kind === 'choices') {
      const keys = (field.settings.choices ?? []).map((choice) => choice.key);
      this.columns.set(field.key, new ChoicesColumn(this.capacity, keys));
    }
  }

  private putValue(row: number, field: Field, value: unknown): void {
    const spec = columnOf(field);
    const column = this.columns.get(field.key);
    const isThere = fieldType(field.type).holds(value);
    this.filled.get(field.key)?.put(row, isThere);
    if (!spec || !column) return;
    const given = isThere ? spec.of(value) : null;
    // The column was made from the same spec, so the kinds agree.
    (column as { put(row: number, value: unknown): void }).put(row, given);
  }

  private newRow(id: number): number {
    if (this.rows === this.capacity) this.grow();
    const row = this.rows++;
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
    this.onSite = this.onSite.grown(this.capacity);
    this.featured = this.featured.grown(this.capacity);
    for (const [key, rows] of this.filled) this.filled.set(key, rows.grown(this.capacity));
    const builtIn = [this.title, this.handOrder, this.createdAt, this.changedAt, this.binnedAt];
    for (const column of [...builtIn, ...this.columns.values()]) column.grow(this.capacity);
  }
}

/** What of a field the catalog was built with. */
function columnTraits({ key, type, settings, searchWeight, unique }: Field): unknown {
  return { key, type, settings, searchWeight, unique };
}

/** What the text search reads of a listing: title, summary and the words of its searchable fields. */
export function documentOf(listing: Listing, kind: Kind): TextDocument {
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
