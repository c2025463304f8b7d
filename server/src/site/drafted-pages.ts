import type { Catalog } from '@plindo/core/catalog';
import type { KeptPage, PageDesign } from '@plindo/core/design';
import { pagesFor, partAmong, standardIndexPage, withParts } from '@plindo/core/design';
import type { CategoryOfPage, ChosenListings, DesignedPage, NamedList, PageAddress } from '@plindo/core/page';
import {
  categoryOf,
  categoryPath,
  listNamedByKind,
  listNamedBySelection,
  listOfCategory,
  listingPath,
  pageAt,
} from '@plindo/core/page';
import type { Listing } from '@plindo/core/listings';
import type { Live } from '../live/live.js';
import type { Store } from '../store/index.js';
import type { Pages } from './pages.js';

/** What a page that is still being designed is shown with: a listing, a category, a state of its lists. */
export interface DraftedWith {
  readonly listingId: number | null;
  /** Key of a category. */
  readonly category: string | null;
  readonly search: string;
}

/** What a page is about, found for a draft of it. */
interface About {
  readonly path: string;
  readonly own: NamedList | null;
  readonly category: CategoryOfPage | null;
  readonly listing: Listing | null;
}

const SIGNED_IN = 'signed-in';
const SOME_CHOSEN = 4;

/** Pages as they would be: by designs that nobody has saved yet, and of kinds that nobody has published. */
export class DraftedPages {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly pages: Pages,
  ) {}

  /** The list of a kind as visitors will see it, whether it is published or not; null when there is no such kind. */
  async ofKind(kindId: number, search: string): Promise<DesignedPage | null> {
    const catalog = this.live.catalog(kindId);
    if (!catalog) return null;
    const own = listNamedByKind(catalog);
    const [kept] = pagesFor('index', kindId, this.live.designs());
    const definition = kept?.definition ?? standardIndexPage(own.heading, own.list.design);
    return this.page({ kindId, definition }, { listingId: null, category: null, search });
  }

  /** A page by a design; null where there is nothing that it can be about. */
  async page(
    { kindId, definition }: Pick<KeptPage, 'kindId' | 'definition'>,
    shownWith: DraftedWith,
  ): Promise<DesignedPage | null> {
    const about = await this.about(definition, kindId, shownWith);
    if (!about) return null;
    const { listing, category, own, path } = about;
    const design = withParts(definition, (id) => partAmong(this.live.designs(), id)?.definition);
    const kind = listing ? (this.live.kind(listing.kindId) ?? null) : null;
    const address: PageAddress = { path, own, search: shownWith.search };
    const chosen = this.someChosen(design.serves === 'shortlist');
    const subject = { listing, kind, category, chosen, viewer: SIGNED_IN } as const;
    return pageAt(this.pages.scene(), design, address, subject, this.pages.source(kindId ?? undefined));
  }

  /** What a visitor may have chosen: some listings of the first kind that has any, of a shortlist two side by side. */
  private someChosen(isShortlist: boolean): ChosenListings {
    const ids = this.someOnSite();
    if (!isShortlist) return { shortlist: [], compared: [], sample: ids };
    return { shortlist: ids, compared: ids.slice(0, 2), sample: [] };
  }

  /** Looked for until there are enough, as a preview is made for every step of a designer. */
  private someOnSite(): number[] {
    const now = this.live.nowInMs();
    for (const catalog of this.live.scene().catalogs()) {
      const ids: number[] = [];
      for (const id of catalog.ids) {
        if (catalog.isOnSite(id, now)) ids.push(id);
        if (ids.length === SOME_CHOSEN) break;
      }
      if (ids.length > 0) return ids;
    }
    return [];
  }

  private async about(design: PageDesign, kindId: number | null, shownWith: DraftedWith): Promise<About | null> {
    const nothing = { own: null, category: null, listing: null };
    const catalog = kindId === null ? undefined : this.live.catalog(kindId);
    const isOfListing = design.serves === 'listing' || (design.serves === 'part' && kindId !== null);
    if (isOfListing) return catalog ? this.aboutListing(catalog, shownWith) : null;
    if (design.serves === 'index') {
      const own = this.listOf(design, catalog);
      return own && { ...nothing, own, path: own.list.design.path };
    }
    if (design.serves === 'category') return catalog ? this.aboutCategory(catalog, shownWith) : null;
    return { ...nothing, path: design.serves === 'free' ? `/${design.address}` : '/' };
  }

  private async aboutListing(catalog: Catalog, { listingId }: DraftedWith): Promise<About | null> {
    const kept = listingId === null ? null : await this.store.listing(listingId);
    if (kept?.kindId !== catalog.kind.id) return null;
    const listing = this.live.complete(kept);
    return { own: null, category: null, listing, path: listingPath(catalog.kind, listing) };
  }

  private aboutCategory(catalog: Catalog, { category: key }: DraftedWith): About | null {
    const { kind } = catalog;
    const found = key === null ? null : categoryOf(kind, key);
    if (!found) return null;
    const { category, path } = found;
    const own = listOfCategory(catalog, found, this.live.scene(kind.id));
    return { own, category: { category, kind, path }, listing: null, path: categoryPath(kind, category) };
  }

  private listOf({ selection: id }: PageDesign, catalog: Catalog | undefined): NamedList | null {
    if (id === 0) return catalog ? listNamedByKind(catalog) : null;
    const selection = this.live.selections().find((one) => one.id === id);
    return selection ? listNamedBySelection(selection, this.live.scene()) : null;
  }
}
