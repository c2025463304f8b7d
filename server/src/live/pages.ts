import type { Catalog } from '@plindo/core/catalog';
import type { MissedOnPage } from '@plindo/core/contract';
import type { HeadedList, PageModel, PageScene, SuggestionModel } from '@plindo/core/page';
import {
  explainInList,
  homePage,
  justMissingInList,
  listPage,
  listingPage,
  listingPath,
  mixedPage,
  notFoundPage,
} from '@plindo/core/page';
import type { Explanation, SelectedRows } from '@plindo/core/query';
import {
  BLANK_QUERY,
  areaOfKind,
  areaOfSelection,
  explain,
  hasFormerKeys,
  pageFromUrl,
  partsOfUrl,
  queryFromUrl,
  rowsOfSelection,
  runQuery,
  runSelection,
  suggest,
  suggestPlaces,
  urlOfQuery,
  withChoice,
} from '@plindo/core/query';
import type { KindById, Selection } from '@plindo/core/structure';
import { SELECTIONS_SLUG, isKindShown } from '@plindo/core/structure';
import type { Store } from '../store/index.js';
import type { Live } from './live.js';

const CARDS_A_KIND_ON_HOME = 4;
const MOST_MISSED = 20;

/** Answers addresses of the public side with page models. */
export class Pages {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {}

  /** The page at a path ("/berths") in the state of the part after "?". */
  async page(path: string, search: string): Promise<PageModel> {
    const scene = this.scene();
    if (path === '/') return this.home(scene);
    const list = this.listAt(path, search);
    if (list) return this.index(scene, list);
    const selection = this.selectionAt(path);
    if (selection) return this.mixed(scene, selection, search);
    const [kindSlug = '', listingSlug, ...more] = path.split('/').slice(1).map(decodePart);
    const catalog = this.live.catalogBySlug(kindSlug);
    if (!catalog || !isKindShown(catalog.kind) || more.length > 0) return notFoundPage(scene);
    if (listingSlug === undefined || !catalog.kind.hasListingPages) return notFoundPage(scene);
    return this.listing(scene, catalog, listingSlug);
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
    return catalog ? this.index(this.scene(), this.asked(catalog, search), this.live.scene(kindId)) : null;
  }

  /** What fits words that are being typed on the index page at a path: values of its facets, then listings. */
  suggestions(path: string, text: string): SuggestionModel[] {
    const catalog = this.live.catalogBySlug(decodePart(path.slice(1)));
    if (!catalog || !isKindShown(catalog.kind)) return [];
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

  /** Why a listing is not on the list at an address, in its state, or where on it it is; null for an address of no list. */
  async explain(url: string, listingId: number): Promise<Explanation | null> {
    const { path, search } = partsOfUrl(url);
    const kept = await this.store.listing(listingId);
    const catalog = kept && this.live.catalog(kept.kindId);
    if (!kept || !catalog) return null;
    const listing = this.live.complete(kept);
    const explained = { scene: this.live.scene(), catalog };
    const list = this.listAt(path, search);
    if (list) return explainInList(listing, list, explained);
    const selection = this.selectionAt(path);
    return selection ? explain(listing, selection, explained) : null;
  }

  /** For each thing that is chosen on the list at an address, the listings that it alone keeps out. */
  missed(url: string): MissedOnPage[] {
    const { path, search } = partsOfUrl(url);
    const list = this.listAt(path, search);
    if (!list) return [];
    const { catalog, area } = list;
    const kind = { ...catalog.kind, ...area.design };
    return justMissingInList(list, this.live.scene(), MOST_MISSED).map(({ label, query, total, ids }) => {
      const href = `/${kind.slug}?${urlOfQuery(query, kind, this.kindById)}`.replace(/\?$/, '');
      const listings = ids.map((id) => ({ id, kindId: kind.id, title: catalog.titleOf(id) }));
      return { label, href, total, listings };
    });
  }

  private selectionAt(path: string): Selection | undefined {
    const [first, slug, ...more] = path.split('/').slice(1).map(decodePart);
    if (first !== SELECTIONS_SLUG || more.length > 0) return undefined;
    return this.live.selections().find((one) => one.slug === slug && one.published);
  }

  /** The list of one kind that stands at an address; null where there is none, or one of several kinds. */
  private listAt(path: string, search: string): HeadedList | null {
    const selection = this.selectionAt(path) ?? null;
    const [only, ...others] = selection && !selection.picked ? rowsOfSelection(selection, this.live.scene()) : [];
    if (selection) return only && others.length === 0 ? this.askedOf(selection, only, search) : null;
    const [slug = '', ...more] = path.split('/').slice(1).map(decodePart);
    const catalog = this.live.catalogBySlug(slug);
    const { kind } = catalog ?? {};
    if (!catalog || !kind || !isKindShown(kind) || !kind.hasIndexPage || more.length > 0) return null;
    return this.asked(catalog, search);
  }

  private askedOf(selection: Selection, rows: SelectedRows, search: string): HeadedList {
    const list = this.asked(rows.catalog, search, areaOfSelection(selection, rows));
    return { ...list, selection, heading: selection.name };
  }

  private asked(catalog: Catalog, search: string, area = areaOfKind(catalog)): HeadedList {
    const kind = { ...catalog.kind, ...area.design };
    const query = queryFromUrl(new URLSearchParams(search), kind, this.kindById);
    return { catalog, area, query, selection: null, heading: kind.many };
  }

  private readonly kindById: KindById = (id) => this.live.kind(id);

  private published(): Catalog[] {
    return this.live
      .kinds()
      .filter(isKindShown)
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
      const listings = await this.live.listings(ids.slice(0, CARDS_A_KIND_ON_HOME));
      return { kind: catalog.kind, total, listings };
    });
    return homePage(scene, await Promise.all(sections));
  }

  private index(scene: PageScene, list: HeadedList, queries = this.live.scene()): Promise<PageModel> {
    return listPage(scene, list, { queries, listings: (ids) => this.live.listings(ids) });
  }

  /** The page of a selection of several kinds, or of one picked by hand. */
  private async mixed(scene: PageScene, selection: Selection, search: string): Promise<PageModel> {
    const page = pageFromUrl(new URLSearchParams(search).getAll('page').at(-1));
    const { total, ids } = runSelection(selection, page, this.live.scene());
    const listings = await this.live.listings(ids);
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
