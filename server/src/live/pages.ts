import type { Catalog } from '@plindo/core/catalog';
import type { PageModel, PageScene } from '@plindo/core/page';
import { homePage, indexPage, listingPage, notFoundPage } from '@plindo/core/page';
import { BLANK_QUERY, queryFromUrl, runQuery } from '@plindo/core/query';
import { Formats } from '@plindo/core/values';
import type { Store } from '../store/index.js';
import type { Live } from './live.js';

const CARDS_A_KIND_ON_HOME = 4;

/** Answers addresses of the public side with page models. */
export class Pages {
  private formats = new Formats('en');

  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly clock: () => Date,
  ) {}

  /** The page at a path ("/berths") in the state of the part after "?". */
  async page(path: string, search: string): Promise<PageModel> {
    const scene = this.scene();
    const [kindSlug = '', listingSlug, ...more] = path.split('/').slice(1).map(decodePart);
    if (kindSlug === '' && listingSlug === undefined) return this.home(scene);
    const catalog = this.live.catalogBySlug(kindSlug);
    if (!catalog?.kind.published || more.length > 0) return notFoundPage(scene);
    return listingSlug === undefined ? this.index(scene, catalog, search) : this.listing(scene, catalog, listingSlug);
  }

  /** The index page of a kind as visitors will see it, whether it is published or not; null when there is no such kind. */
  async preview(kindId: number, search: string): Promise<PageModel | null> {
    const catalog = this.live.catalog(kindId);
    return catalog ? this.index(this.scene(), catalog, search) : null;
  }

  private published(): Catalog[] {
    return this.live
      .kinds()
      .filter((kind) => kind.published)
      .flatMap((kind) => this.live.catalog(kind.id) ?? []);
  }

  private scene(): PageScene {
    const kinds = this.published().map((catalog) => ({
      label: catalog.kind.many,
      href: `/${catalog.kind.slug}`,
      total: catalog.onSite.count(),
    }));
    const site = this.live.site();
    if (this.formats.locale !== site.locale) this.formats = new Formats(site.locale);
    return { site, now: this.clock(), formats: this.formats, kinds };
  }

  private async home(scene: PageScene): Promise<PageModel> {
    const sections = this.published().map(async (catalog) => {
      const { total, ids } = runQuery(catalog, BLANK_QUERY);
      const listings = await this.store.listings(ids.slice(0, CARDS_A_KIND_ON_HOME));
      return { kind: catalog.kind, total, listings };
    });
    return homePage(scene, await Promise.all(sections));
  }

  private async index(scene: PageScene, catalog: Catalog, search: string): Promise<PageModel> {
    const query = queryFromUrl(new URLSearchParams(search), catalog.kind);
    const result = runQuery(catalog, query);
    const listings = await this.store.listings(result.ids);
    return indexPage(scene, { kind: catalog.kind, query, result, listings, outOf: catalog.onSite.count() });
  }

  private async listing(scene: PageScene, catalog: Catalog, slug: string): Promise<PageModel> {
    const id = catalog.idOfSlug(slug);
    const listing = id !== undefined && catalog.isOnSite(id) ? await this.store.listing(id) : null;
    return listing ? listingPage(scene, catalog.kind, listing) : notFoundPage(scene);
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
