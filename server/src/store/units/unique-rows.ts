import { createHash } from 'node:crypto';
import type { Listing } from '@plindo/core/listings';
import type { ChangeEntry, EntryOf, Structure } from '@plindo/core/plans';
import type { Field, Kind } from '@plindo/core/structure';
import { counterOf, fieldType, isUnique, referencePattern, uniqueValuesOf } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import { foldText, isSame, issue, refuseIfAny } from '@plindo/core/values';
import type { Transaction } from 'sequelize';
import type { Counters } from './counters.js';
import { referenceCounter } from './counters.js';
import type { Models } from '../models.js';
import { inParts, rowsOf } from '../rows.js';
import type { Statements } from './statements.js';

const LONGEST_VALUE = 300;

/** A value as it is kept for being compared: a long one by its beginning and a hash of all of it. */
export function keptSameness(text: string): string {
  if (text.length <= LONGEST_VALUE) return text;
  const hash = createHash('sha256').update(text).digest('hex');
  return `${text.slice(0, LONGEST_VALUE - hash.length - 1)} ${hash}`;
}

/** A value of a listing that no other one of its kind may have. */
export interface UniqueRow {
  readonly kindId: number;
  readonly field: string;
  /** As {@link keptSameness} has it. */
  readonly value: string;
  readonly listingId: number;
}

export interface Holder {
  readonly id: number;
  readonly title: string;
}

/** The key under which {@link UniqueRows.holders} has a value. */
export function uniqueKey(field: string, value: string): string {
  return `${field} ${keptSameness(value)}`;
}

/** What reading and walking all listings of a kind takes, inside a unit. */
export interface ListingsWalk {
  listingsOf(kindId: number): AsyncIterable<readonly Listing[]>;
}

/** Keeps the table of values that only one listing may have in step with what a unit has written, at its end. */
export class UniqueRows {
  constructor(
    private readonly models: Models,
    private readonly transaction: Transaction,
    private readonly statements: Statements,
    private readonly counters: Counters,
  ) {}

  /** Who has values of fields of a kind, by {@link uniqueKey}. */
  async holders(kindId: number, wanted: ReadonlyMap<string, readonly string[]>): Promise<Map<string, Holder>> {
    const found: UniqueRow[] = [];
    const { transaction } = this;
    for (const [field, values] of wanted) {
      for (const value of inParts(values.map(keptSameness))) {
        found.push(
          ...(await rowsOf<UniqueRow>(this.models.uniqueValues, { where: { kindId, field, value }, transaction })),
        );
      }
    }
    const titles = new Map<number, string>();
    for (const id of inParts([...new Set(found.map(({ listingId }) => listingId))])) {
      const attributes = ['id', 'title'];
      const rows = await rowsOf<Holder>(this.models.listings, { attributes, where: { id }, transaction });
      for (const row of rows) titles.set(row.id, row.title);
    }
    return new Map(
      found.map(({ field, value, listingId: id }) => [`${field} ${value}`, { id, title: titles.get(id) ?? '' }]),
    );
  }

  /**
   * Brings the table in step with the entries of a unit. Refused with `value.taken` where a value would have two
   * holders; what changes hands within the unit, as when two listings swap their values, is no clash.
   */
  async follow(
    entries: readonly ChangeEntry[],
    before: Structure,
    after: Structure,
    walk: ListingsWalk,
  ): Promise<void> {
    const anew = new Map<number, Field[]>();
    for (const entry of netOf(entries.filter((one) => one.entity === 'kind')).values()) {
      const fields = await this.followKind(entry, before, after);
      if (fields.length > 0) anew.set(entry.id, fields);
    }
    const added: UniqueRow[] = [];
    const listings = netOf(entries.filter((one) => one.entity === 'listing'));
    for (const entry of listings.values()) {
      const kind = kindIn(after, (entry.after ?? entry.before)?.kindId);
      if (!kind?.fields.some(isUnique)) continue;
      const fields = kind.fields.filter((field) => !anew.get(kind.id)?.includes(field));
      added.push(...(await this.followListing(entry, kind.id, fields)));
    }
    for (const [kindId, fields] of anew) {
      for await (const stretch of walk.listingsOf(kindId)) {
        for (const { id, values } of stretch) added.push(...rowsFor(kindId, id, uniqueValuesOf(values, fields)));
      }
    }
    await this.insert(added, after, listings);
    await this.countReferences(added, after);
  }

  /** Answers the fields of a kind whose values have to be looked through anew. */
  private async followKind(
    { id, before: was }: EntryOf<'kind'>,
    before: Structure,
    after: Structure,
  ): Promise<Field[]> {
    const [old, kind] = [kindIn(before, id), kindIn(after, id)];
    if (!was || !old || !kind) return [];
    const isSame = (field: Field): boolean => old.fields.some((one) => isUnique(one) && isCompared(one, field));
    const anew = kind.fields.filter((field) => isUnique(field) && !isSame(field));
    const gone = old.fields.filter((field) => isUnique(field) && !kind.fields.some((one) => one.key === field.key));
    const field = [...anew, ...gone].map(({ key }) => key);
    if (field.length > 0) {
      await this.statements.delete('unique_values', { kindId: id, field });
    }
    for (const one of anew) await this.takeOverCounter(id, one, gone);
    return anew;
  }

  /** A field that took the place of another one, by a new key, goes on where that one was. */
  private async takeOverCounter(kindId: number, field: Field, gone: readonly Field[]): Promise<void> {
    if (field.type !== 'reference') return;
    const before = gone.filter((one) => one.type === 'reference' && referencePattern(one) === referencePattern(field));
    if (before.length === 0) return;
    const counted = await this.counters.read(before.map(({ key }) => referenceCounter(kindId, key)));
    await this.counters.raise(referenceCounter(kindId, field.key), Math.max(...Object.values(counted)));
  }

  /** Takes out what a listing no longer has; answers what it has got. Those of a deleted listing go with its row. */
  private async followListing(
    { id, before, after }: EntryOf<'listing'>,
    kindId: number,
    fields: readonly Field[],
  ): Promise<UniqueRow[]> {
    if (!after) return [];
    const was = before ? uniqueValuesOf(before.values, fields) : new Map<string, string>();
    const is = uniqueValuesOf(after.values, fields);
    const field = [...was].filter(([key, value]) => is.get(key) !== value).map(([key]) => key);
    if (field.length > 0) {
      await this.statements.delete('unique_values', { kindId, listingId: id, field });
    }
    return rowsFor(kindId, id, new Map([...is].filter(([key, value]) => was.get(key) !== value)));
  }

  private async insert(
    added: readonly UniqueRow[],
    structure: Structure,
    listings: ReadonlyMap<number, EntryOf<'listing'>>,
  ): Promise<void> {
    const issues: Issue[] = [];
    for (const [kindId, rows] of byKind(added)) {
      const wanted = new Map<string, string[]>();
      for (const { field, value } of rows) pushTo(wanted, field, value);
      const holders = await this.holders(kindId, wanted);
      for (const row of rows) {
        const key = `${row.field} ${row.value}`;
        const holder = holders.get(key);
        if (holder && holder.id !== row.listingId) issues.push(takenIssue(row, holder, structure, listings));
        else holders.set(key, { id: row.listingId, title: listings.get(row.listingId)?.after?.title ?? '' });
      }
    }
    refuseIfAny(issues);
    await this.statements.insert(
      'unique_values',
      added.map((row) => ({ ...row })),
    );
  }

  /** Numbers that were typed count as given out. */
  private async countReferences(added: readonly UniqueRow[], structure: Structure): Promise<void> {
    const greatest = new Map<string, number>();
    for (const { kindId, field: key, value } of added) {
      const field = kindIn(structure, kindId)?.fields.find((one) => one.key === key);
      if (field?.type !== 'reference') continue;
      const counter = counterOf(value, foldText(referencePattern(field)));
      const name = referenceCounter(kindId, key);
      if (counter !== null) greatest.set(name, Math.max(counter, greatest.get(name) ?? 0));
    }
    for (const [name, counter] of greatest) await this.counters.raise(name, counter);
  }
}

/** What became of each record in all: as it was first, and as it is last. */
function netOf<Entry extends { readonly id: number; readonly before: unknown; readonly after: unknown }>(
  entries: readonly Entry[],
): Map<number, Entry> {
  const net = new Map<number, Entry>();
  for (const entry of entries) net.set(entry.id, { ...entry, before: (net.get(entry.id) ?? entry).before });
  return net;
}

function kindIn(structure: Structure, id: number | undefined): Kind | undefined {
  return structure.kind(id ?? 0) ?? structure.coming.find((kind) => kind.id === id);
}

/** Whether two fields compare their values alike. */
function isCompared(one: Field, other: Field): boolean {
  return one.key === other.key && one.type === other.type && isSame(one.settings, other.settings);
}

function rowsFor(kindId: number, listingId: number, values: ReadonlyMap<string, string>): UniqueRow[] {
  return [...values].map(([field, sameness]) => ({ kindId, field, value: keptSameness(sameness), listingId }));
}

function byKind(rows: readonly UniqueRow[]): Map<number, UniqueRow[]> {
  const all = new Map<number, UniqueRow[]>();
  for (const row of rows) pushTo(all, row.kindId, row);
  return all;
}

function pushTo<Key, T>(lists: Map<Key, T[]>, key: Key, one: T): void {
  const list = lists.get(key);
  if (list) list.push(one);
  else lists.set(key, [one]);
}

function takenIssue(
  { kindId, field: key, value, listingId }: UniqueRow,
  { title }: Holder,
  structure: Structure,
  listings: ReadonlyMap<number, EntryOf<'listing'>>,
): Issue {
  const field = kindIn(structure, kindId)?.fields.find((one) => one.key === key);
  const given = listings.get(listingId)?.after?.values[key];
  const found = field && given !== undefined ? fieldType(field.type).toText(given, field) : value;
  return issue('value.taken', { label: field?.label ?? key, found, title }, { field: key });
}
