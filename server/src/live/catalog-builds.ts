import type { KeptTexts } from '@plindo/core/catalog';
import { Catalog } from '@plindo/core/catalog';
import type { Listing } from '@plindo/core/listings';
import type { Kind } from '@plindo/core/structure';
import type { ChangeEntry, Store } from '../store/index.js';
import { Turns } from '../store/index.js';
import type { TextFiles } from './text-files.js';

export type ListingChange = Extract<ChangeEntry, { entity: 'listing' }>;

/** A catalog that is being built takes so many listings at once; that takes some milliseconds. */
const LISTINGS_A_TURN = 100;

/** What a build needs of those whose catalogs it makes. */
export interface CatalogOwner {
  readonly catalogs: Map<number, Catalog>;
  locale(): string;
  /** A listing with the listings that it is linked with. */
  withLinked(listing: Listing, kind: Kind): Listing;
  applyTo(catalog: Catalog, change: ListingChange): void;
}

/** Builds catalogs beside the ones that answer meanwhile, and swaps them when they are ready. */
export class CatalogBuilds {
  /** Builds run one after the other, so that a later state is never overtaken by an earlier one. */
  private readonly turns = new Turns();
  /** By kind, the changes that came while its catalog was being built. */
  private readonly missed = new Map<number, ListingChange[]>();

  constructor(
    private readonly store: Store,
    private readonly texts: TextFiles | null,
    private readonly owner: CatalogOwner,
  ) {}

  run(kind: Kind): Promise<void> {
    return this.turns.take(() => this.build(kind));
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
      const catalog = await this.inSteps(kind);
      for (const change of missed) this.owner.applyTo(catalog, change);
      // Visitors who have the old one don't wait for the new one's order.
      if (this.owner.catalogs.has(kind.id)) catalog.title.sortedRows();
      this.owner.catalogs.set(kind.id, catalog);
    } finally {
      this.missed.delete(kind.id);
    }
  }

  private async inSteps(kind: Kind): Promise<Catalog> {
    const [expected, kept] = [await this.store.listingCount(kind.id), await this.textsOf(kind.id)];
    const catalog = new Catalog(kind, this.owner.locale(), expected, kept);
    for await (const stretch of this.store.catalogListingsOf(kind.id)) {
      for (let at = 0; at < stretch.length; at++) {
        // Requests are answered in between, and the next stretch is read meanwhile.
        if (at % LISTINGS_A_TURN === 0) await new Promise((resolve) => setImmediate(resolve));
        catalog.put(this.owner.withLinked(stretch[at]!, kind));
      }
    }
    return catalog.finish();
  }

  /** What is known of the texts of a kind: from its catalog of until now, else as it was kept. */
  private async textsOf(kindId: number): Promise<KeptTexts | null> {
    return this.owner.catalogs.get(kindId)?.text.kept() ?? (await this.texts?.read(kindId)) ?? null;
  }
}
