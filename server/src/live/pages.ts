import type { Catalog } from '@plindo/core/catalog';
import type { PageModel, PageScene, SuggestionModel } from '@plindo/core/page';
import { homePage, indexPage, listingPage, listingPath, mixedPage, notFoundPage } from '@plindo/core/page';
import type { Query, QueryArea, QueryScene } from '@plindo/core/query';
import {
  areaOfKind,
  areaOfSelection,
  rowsOfSelection,
  runSelection,
  BLANK_QUERY,
  countQuery,
  hasFormerKeys,
  nearestDrop,
  pageFromUrl,
  queryFromUrl,
  runQuery,
  suggest,
  suggestPlaces,
  urlOfQuery,
  withChoice,
} from '@plindo/core/query';
import type { KindById } from '@plindo/core/structure';
import { SELECTIONS_SLUG } from '@plindo/core/structure';
import type { Store } from '../store/index.js';
import type { Live } from './live.js';

const CARDS_A_KIND_ON_HOME = 4;

/** What of a list isn't as its kind has it. */
interface ShownList {
  readonly queries?: QueryScene;
  readonly area?: QueryArea;
  readonly heading?: string;
}

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
    if (kindSlug === SELECTIONS_SLUG && listingSlug !== undefined && more.length === 0) {
      return this.selection(scene, listingSlug, search);
    }
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
    if (!kind || search === '' || !hasFormerKeys(parts, kind, this.kindById)) return null;
    return `/${kind.slug}?${urlOfQuery(queryFromUrl(parts, kind, this.kindById), kind, this.kindById)}`;
  }

  /** The index page of a kind as visitors will see it, whether it is published or not; null when there is no such kind. */
  async preview(kindId: number, search: string): Promise<PageModel | null> {
    const catalog = this.live.catalog(kindId);
    return catalog ? this.index(this.scene(), catalog, search, { queries: this.live.scene(kindId) }) : null;
  }

  /** What fits words that are being typed on the index page at a path: values of its facets, then listings. */
  suggestions(path: string, text: string): SuggestionModel[] {
    const catalog = this.live.catalogBySlug(decodePart(path.slice(1)));
    if (!catalog?.kind.published || catalog.kind.putAside) return [];
    const { kind } = catalog;
    const { listings, values } = suggest(catalog, text, this.live.scene());
    const ofValues = values.map(({ facet, value, label, count }): SuggestionModel => {
      const query = withChoice(BLANK_QUERY, facet, { kind: 'values', values: [value] });
      const about = kind.facets.find(({ key }) => key === facet)?.label ?? '';
      return { label, about, count, href: `/${kind.slug}?${urlOfQuery(query, kind, this.kindById)}` };
    });
    const ofListings = listings.map((id): SuggestionModel => {
      const slug = catalog.slugAt(catalog.rowOf(id)!);
      const label = catalog.titleOf(id);
      const search = urlOfQuery({ ...BLANK_QUERY, text: label }, kind, this.kindById);
      const href = kind.hasListingPages ? listingPath(kind, { slug }) : `/${kind.slug}?${search}`;
      return { label, about: kind.one, count: null, href };
    });
    return [...ofValues, ...ofListings];
  }

  /** Titles of places on the site that fit words that are being typed. */
  places(text: string): string[] {
    return suggestPlaces(text, this.live.scene());
  }

  private readonly kindById: KindById = (id) => this.live.kind(id);

  private published(): Catalog[] {
    return this.live
      .kinds()
      .filter((kind) => kind.published && !kind.putAside)
      .flatMap((kind) => this.live.catalog(kind.id) ?? []);
  }

  private scene(): PageScene {
    const withPages = this.published().filter(({ kind }) => kind.hasIndexPage);
    const context = this.live.context();
    const kinds = withPages.map((catalog) => ({
      label: catalog.kind.many,
      href: `/${catalog.kind.slug}`,
      total: catalog.onSiteAt(context.nowInMs).count(),
    }));
    return { site: this.live.site(), now: new Date(context.nowInMs), context, kinds };
  }

  private async home(scene: PageScene): Promise<PageModel> {
    const withPages = this.published().filter(({ kind }) => kind.hasIndexPage);
    const queries = this.live.scene();
    const sections = withPages.map(async (catalog) => {
      const { total, ids } = runQuery(catalog, BLANK_QUERY, queries);
      const kept = await this.store.listings(ids.slice(0, CARDS_A_KIND_ON_HOME));
      const listings = kept.map((listing) => this.live.complete(listing));
      return { kind: catalog.kind, total, listings };
    });
    return homePage(scene, await Promise.all(sections));
  }

  private async index(scene: PageScene, catalog: Catalog, search: string, list: ShownList = {}): Promise<PageModel> {
    const { queries = this.live.scene(), area = areaOfKind(catalog), heading = catalog.kind.many } = list;
    const kind = { ...catalog.kind, ...area.design };
    const query = queryFromUrl(new URLSearchParams(search), kind, this.kindById);
    const result = runQuery(catalog, query, queries, area);
    const countOf = (other: Query): number => countQuery(catalog, other, queries, area);
    const drop = result.total === 0 ? nearestDrop(query, countOf) : null;
    const outOf = countOf(BLANK_QUERY);
    const kept = await this.store.listings([...new Set(result.ids)]);
    const listings = kept.map((listing) => this.live.complete(listing));
    return indexPage(scene, { kind, heading, query, result, listings, outOf, drop, queries, countOf });
  }

  /** The page of a selection that has one. */
  private async selection(scene: PageScene, slug: string, search: string): Promise<PageModel> {
    const selection = this.live.selections().find((one) => one.slug === slug && one.published);
    if (!selection) return notFoundPage(scene);
    const queries = this.live.scene();
    const selected = rowsOfSelection(selection, queries);
    const [only, ...others] = selected;
    if (only && others.length === 0 && !selection.picked) {
      const area = areaOfSelection(selection, only);
      return this.index(scene, only.catalog, search, { queries, area, heading: selection.name });
    }
    const page = pageFromUrl(new URLSearchParams(search).getAll('page').at(-1));
    const { total, ids } = runSelection(selection, page, queries);
    const kept = await this.store.listings([...ids]);
    const listings = kept.map((listing) => this.live.complete(listing));
    return mixedPage(scene, { selection, page, total, listings, kindOf: (id) => this.live.kind(id) });
  }

  private async listing(scene: PageScene, catalog: Catalog, slug: string): Promise<PageModel> {
    const id = catalog.idOfSlug(slug);
    const listing =
      id !== undefined && catalog.isOnSite(id, scene.context.nowInMs) ? await this.store.listing(id) : null;
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
