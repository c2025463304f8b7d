import type { StructureRecords } from './structure.js';
import type { Design } from '../design/index.js';
import type { Connection, Listing } from '../listings/index.js';
import type { CategorySet, Link, PictureRecord, Selection, SiteSettings, StoredKind } from '../structure/index.js';
import type { Submission } from '../submissions/index.js';
import { NEW_SITE } from '../structure/index.js';

/** The records that changes are made of, by the name that the change log gives them. */
export interface ChangedRecords {
  readonly listing: Listing;
  readonly kind: StoredKind;
  readonly 'category-set': CategorySet;
  readonly link: Link;
  readonly connection: Connection;
  readonly selection: Selection;
  readonly design: Design;
  /** Named by its number. */
  readonly picture: PictureRecord;
  readonly submission: Submission;
  /** The settings of the site have one row. */
  readonly site: SiteSettings;
}

export type Entity = keyof ChangedRecords;

/** What a change did to one record: null before is an insertion, null after a deletion. */
export interface EntryOf<Name extends Entity> {
  readonly entity: Name;
  readonly id: number;
  readonly before: ChangedRecords[Name] | null;
  readonly after: ChangedRecords[Name] | null;
}

export type ChangeEntry = { [Name in Entity]: EntryOf<Name> }[Entity];

/** Number of the one row that the settings of the site have. */
export const SITE_ID = 1;

const STRUCTURAL: ReadonlySet<Entity> = new Set<Entity>([
  'kind',
  'category-set',
  'link',
  'selection',
  'design',
  'site',
]);

/** Whether an entry changes what a structure is made of. */
export function isStructural({ entity }: Pick<ChangeEntry, 'entity'>): boolean {
  return STRUCTURAL.has(entity);
}

/** The records of a structure after an entry; the version stays, as it goes up once with the whole change. */
export function withEntry(records: StructureRecords, entry: ChangeEntry): StructureRecords {
  switch (entry.entity) {
    case 'kind':
      return { ...records, kinds: replaced(records.kinds, entry) };
    case 'category-set':
      return { ...records, sets: replaced(records.sets, entry) };
    case 'link':
      return { ...records, links: replaced(records.links, entry) };
    case 'selection':
      return { ...records, selections: replaced(records.selections, entry) };
    case 'design':
      return { ...records, designs: replaced(records.designs, entry) };
    case 'site':
      return { ...records, site: entry.after ?? NEW_SITE };
    default:
      return records;
  }
}

/** A list of records, in the order of ids, after one of them was added, changed or removed. */
function replaced<T extends { readonly id: number }>(
  list: readonly T[],
  { id, after }: { readonly id: number; readonly after: T | null },
): T[] {
  const others = list.filter((one) => one.id !== id);
  return (after ? [...others, after] : others).sort((a, b) => a.id - b.id);
}
