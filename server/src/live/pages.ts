import type { Catalog } from '@plindo/core/catalog';
import type { PageModel, PageScene } from '@plindo/core/page';
import { homePage, indexPage, listingPage, notFoundPage } from '@plindo/core/page';
import { BLANK_QUERY, hasFormerKeys, queryFromUrl, runQuery, urlOfQuery } from '@plindo/core/query';
import type { Store } from '../store/index.js';
import type { Live } from './live.js';

const CARDS_A_KIND_ON_HOME = 4;

/** Answers addresses of the public side with page models. */
export class Pages {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {}

  /** The page at a path ("/berths") in the state of the part after "?". */
  async page(path: string, search: string): Promise<PageModel> {
    const scene = this.scene();
    const [kindSlug = '', listingSlug, ...more] = path.split('/').slice(1).map(decodePart);
    if (kindSlug === '' && listingSlug === undefined) return this.home(scene);
    const catalog = this.live.catalogBySlug(kindSlug);
    if (!catalog?.kind.published || catalog.kind.putAside || more.length > 0) return notFoundPage(scene);
    const { hasIndexPage, hasListingPages } = catalog.kind;
    if (listingSlug === undefined) return hasIndexPage ? this.index(scene, catalog, search) : notFoundPage(scene);
    return hasListingPages ? this.listing(scene, catalog, listingSlug) : notFoundPage(scene);
  }

  /** Where an address that names a category from before it was merged leads now; null for all other addresses. */
  movedTo(path: string, search: string): string | null {
    const kind = this.live.catalogBySlug(decodePart(path.slice(1)))?.kind;
    const parts = new URLSearchParams(search);
    if (!kind || search === '' || !hasFormerKeys(parts, kind)) return null;
    return `/${kind.slug}?${urlOfQuery(queryFromUrl(parts, kind), kind)}`;
  }

  /** The index page of a kind as visitors will see it, whether it is published or not; null when there is no such kind. */
  async preview(kindId: number, search: string): Promise<PageModel | null> {
    const catalog = this.live.catalog(kindId);
    return catalog ? this.index(this.scene(), catalog, search) : null;
  }

  private published(): Catalog[] {
    return this.live
      .kinds()
      .filter((kind) => kind.published && !kind.putAside)
      .flatMap((kind) => this.live.catalog(kind.id) ?? []);
  }

  private scene(): PageScene {
    const withPages = this.published().filter(({ kind }) => kind.hasIndexPage);
    const kinds = withPages.map((catalog) => ({
      label: catalog.kind.many,
      href: `/${catalog.kind.slug}`,
      total: catalog.onSite.count(),
    }));
    const context = this.live.context();
    return { site: this.live.site(), now: new Date(context.nowInMs), context, kinds };
  }

  private async home(scene: PageScene): Promise<PageModel> {
    const withPages = this.published().filter(({ kind }) => kind.hasIndexPage);
    const sections = withPages.map(async (catalog) => {
      const { total, ids } = runQuery(catalog, BLANK_QUERY);
      const kept = await this.store.listings(ids.slice(0, CARDS_A_KIND_ON_HOME));
      const listings = kept.map((listing) => this.live.complete(listing));
      return { kind: catalog.kind, total, listings };
    });
    return homePage(scene, await Promise.all(sections));
  }

  private async index(scene: PageScene, catalog: Catalog, search: string): Promise<PageModel> {
    const query = queryFromUrl(new URLSearchParams(search), catalog.kind);
    const result = runQuery(catalog, query);
    const kept = await this.store.listings(result.ids);
    const listings = kept.map((listing) => this.live.complete(listing));
    const kind = this.live.withLinkedChoices(catalog.kind);
    return indexPage(scene, { kind, query, result, listings, outOf: catalog.onSite.count() });
  }

  private async listing(scene: PageScene, catalog: Catalog, slug: string): Promise<PageModel> {
    const id = catalog.idOfSlug(slug);
    const listing = id !== undefined && catalog.isOnSite(id) ? await this.store.listing(id) : null;
    return listing ? listingPage(scene, catalog.kind, this.live.complete(listing)) : notFoundPage(scene);
  }
}

/** A part of a path, decoded; one that cannot be decoded names nothing. */
function decodePart(part: string): string {
  try {
    return decodeURIComponent(part);
  } catch {
    return '\u0000';
  }
}
