import type { ServingPage, ServingTable } from '@plindo/core/contract';
import type { KeptPage } from '@plindo/core/design';
import { pagesFor } from '@plindo/core/design';
import type { Listing } from '@plindo/core/listings';
import type { ShownListing } from '@plindo/core/page';
import { askedBy, holdsFor, inServingOrder, pageServing } from '@plindo/core/page';
import type { Kind } from '@plindo/core/structure';
import type { Live } from '../live/live.js';
import type { Store } from '../store/index.js';

const MOST_LOOKED_AT = 100_000;
const MOST_NAMED = 5;

/** Tells which of the pages of a kind serves which of its listings, and why. */
export class ServingPages {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {}

  /** The designed page that serves a listing, complete; null where Plindo makes it. */
  pageFor(listing: Listing, kind: Kind): KeptPage | null {
    return pageServing(pagesFor('listing', kind.id, this.live.designs()), this.shown(listing, kind));
  }

  /** Which page serves a listing, and why; null where there is no such listing. */
  async ofListing(id: number): Promise<ServingPage | null> {
    const kept = await this.store.listing(id);
    const kind = kept && this.live.kind(kept.kindId);
    if (!kept || !kind) return null;
    const shown = this.shown(this.live.complete(kept), kind);
    const pages = this.pagesOf(kind);
    const tried = pages.map((page) => ({
      ...{ id: page.id, name: page.definition.name, asks: askedBy(page) },
      holds: holdsFor(page, shown),
    }));
    const first = pages[tried.findIndex(({ holds }) => holds)];
    return {
      ...{ id: first?.id ?? null, name: first?.definition.name ?? `${kind.one} page` },
      ...{ when: first?.definition.when ?? null, tried },
    };
  }

  /** Which page serves how many of the listings of a kind that are not hidden; null where there is no such kind. */
  async table(kindId: number): Promise<ServingTable | null> {
    const kind = this.live.kind(kindId);
    if (!kind) return null;
    const pages = this.pagesOf(kind);
    const rows = [...pages, null].map((page) => ({ page, count: 0, ids: [] as number[] }));
    let looked = 0;
    for await (const stretch of this.store.listingsOf(kindId)) {
      if (looked >= MOST_LOOKED_AT) break;
      for (const listing of stretch.filter(({ status }) => status === 'live')) {
        const shown = this.shown(this.live.complete(listing), kind);
        const row = rows.find(({ page }) => !page || holdsFor(page, shown))!;
        row.count++;
        if (row.ids.length < MOST_NAMED) row.ids.push(listing.id);
      }
      looked += stretch.length;
    }
    const named = rows
      .filter(({ page, count }) => page !== null || count > 0 || pages.length === 0)
      .map(({ page, count, ids }) => ({
        ...{ id: page?.id ?? null, name: page?.definition.name ?? `${kind.one} page, made by Plindo` },
        ...{ asks: page ? askedBy(page) : 0, count, listings: this.live.named(ids) },
      }));
    return { pages: named, looked, isWhole: looked < MOST_LOOKED_AT };
  }

  private pagesOf({ id }: Kind): KeptPage[] {
    return inServingOrder(pagesFor('listing', id, this.live.designs()));
  }

  private shown(listing: Listing, kind: Kind): ShownListing {
    const context = this.live.context();
    const kindById = (id: number): Kind | undefined => this.live.kind(id);
    return { listing, kind, context, kindById, linked: () => undefined, distance: '' };
  }
}
