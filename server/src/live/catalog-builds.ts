import type { CatalogPlace, KeptCatalog, KeptTexts } from '@plindo/core/catalog';
import { Catalog, TextIndex } from '@plindo/core/catalog';
import type { Listing } from '@plindo/core/listings';
import type { Kind } from '@plindo/core/structure';
import type { EntryOf } from '@plindo/core/plans';
import type { Store } from '../store/index.js';
import { Turns } from '../store/index.js';
import { breath } from './breath.js';
import type { CatalogFiles } from './catalog-files.js';

export type ListingChange = EntryOf<'listing'>;

/** A catalog that is being built takes so many listings at once; that takes some milliseconds. */
const LISTINGS_A_TURN = 100;
/** A kept catalog of which more has changed, or lies idle, is no longer worth taking up. */
const MOST_CHANGED_SHARE = 0.25;

/** What a build needs of those whose catalogs it makes. */
export interface CatalogOwner {
  readonly catalogs: Map<number, Catalog>;
  /** A kind as it is now; undefined for one that is gone. */
  kind(id: number): Kind | undefined;
  place(): CatalogPlace;
  /** A listing with the listings that it is linked with. */
  withLinked<Subject extends Pick<Listing, 'id' | 'values'>>(listing: Subject, kind: Kind): Subject;
  applyTo(catalog: Catalog, change: ListingChange): void;
  /** Reads how often the listings of a catalog that answers were looked at. */
  readViews(catalog: Catalog): Promise<void>;
}

/** Builds catalogs beside the ones that answer meanwhile, and swaps them when they are ready. */
export class CatalogBuilds {
  /** Builds run one after the other, so that a later state is never overtaken by an earlier one. */
  private readonly turns = new Turns();
  /** By kind, the changes that came while its catalog was being built. */
  private readonly missed = new Map<number, ListingChange[]>();

  constructor(
    private readonly store: Store,
    private readonly files: CatalogFiles | null,
    private readonly owner: CatalogOwner,
  ) {}

  /** Builds the catalog of a kind by its present definition; of one that is gone by then, none. */
  run(kindId: number): Promise<void> {
    return this.turns.take(async () => {
      const kind = this.owner.kind(kindId);
      if (kind) await this.build(kind);
    });
  }

  /** Keeps a change for the catalog that is being built of its kind, if there is one. */
  note(kindId: number, change: ListingChange): void {
    this.missed.get(kindId)?.push(change);
  }

  private async build(kind: Kind): Promise<void> {
    // What changes while the listings are read and taken in is put on top before the swap.
    const missed: ListingChange[] = [];
    this.missed.set(kind.id, missed);
    try {
      const catalog = await this.made(kind);
      for (const change of missed) this.owner.applyTo(catalog, change);
      // Visitors who have the old one don't wait for the new one's order.
      const before = this.owner.catalogs.get(kind.id);
      if (before) {
        catalog.title.sortedRows();
        catalog.takeViews((id) => before.viewsOf(id));
      }
      this.owner.catalogs.set(kind.id, catalog);
      // What is counted from now on is added to this one.
      await this.owner.readViews(catalog);
    } finally {
      this.missed.delete(kind.id);
    }
  }

  private async made(kind: Kind): Promise<Catalog> {
    const present = this.owner.catalogs.get(kind.id);
    if (present) return this.anew(kind, present.text.kept());
    const file = await this.files?.read(kind.id);
    const followed = file?.isOwn ? await this.followed(kind, file.catalog) : null;
    return followed ?? this.anew(kind, file?.catalog.text ?? null);
  }

  /** A catalog as it was kept, with what has changed since; null when that is so much that reading all is better. */
  private async followed(kind: Kind, kept: KeptCatalog): Promise<Catalog | null> {
    const catalog = Catalog.restored(kind, this.owner.place(), kept);
    if (!catalog?.idsAscend) return null;
    const gone = catalog.existing.clone();
    const changed: number[] = [];
    for (const state of await this.store.catalogRows.states(kind.id)) {
      const row = catalog.rowOf(state.id);
      if (row !== undefined) gone.delete(row);
      const isSame = catalog.isAsHere(state.id, this.owner.withLinked({ ...state, values: {} }, kind));
      if (!isSame) changed.push(state.id);
    }
    const idle = catalog.rows - catalog.existing.count() + gone.count();
    if (changed.length + idle > catalog.rows * MOST_CHANGED_SHARE) return null;
    for (const row of gone.toRows()) catalog.remove(catalog.ids[row]!);
    await this.fill(catalog, this.store.catalogRows.some(changed));
    return catalog;
  }

  /** A catalog made of all listings; texts that are known are not read again. */
  private async anew(kind: Kind, texts: KeptTexts | null): Promise<Catalog> {
    const expected = await this.store.catalogRows.count(kind.id);
    const catalog = new Catalog(kind, this.owner.place(), expected, new TextIndex(texts, expected));
    await this.fill(catalog, this.store.catalogRows.ofKind(kind.id));
    for (const _ of catalog.finishing()) await breath();
    return catalog;
  }

  private async fill(catalog: Catalog, stretches: AsyncIterable<Listing[]>): Promise<void> {
    for await (const stretch of stretches) {
      for (let at = 0; at < stretch.length; at++) {
        // The next stretch is read meanwhile.
        if (at % LISTINGS_A_TURN === 0) await breath();
        catalog.put(this.owner.withLinked(stretch[at]!, catalog.kind));
      }
    }
  }
}
