import type { Catalog } from '@plindo/core/catalog';
import type { KeptPage, PageDesign } from '@plindo/core/design';
import { pagesFor, standardHome, standardListingPage } from '@plindo/core/design';
import type { MissedOnPage, ServingPage } from '@plindo/core/contract';
import type { Listing } from '@plindo/core/listings';
import type { HeadedList, PageModel, PageScene, PageSubject, SuggestionModel } from '@plindo/core/page';
import {
  designedPage,
  explainInList,
  justMissingInList,
  listPage,
  listingPath,
  kindsOnCards,
  kindsOnPage,
  notFoundPage,
  pageServing,
} from '@plindo/core/page';
import type { AskedList, Explanation, Query, QueryScene } from '@plindo/core/query';
import {
  BLANK_QUERY,
  addressOfQuery,
  hasFormerKeys,
  listOfKind,
  listOfSelection,
  partsOfUrl,
  queryFromUrl,
  suggest,
  suggestPlaces,
  withChoice,
  withKnownValues,
} from '@plindo/core/query';
import type { Kind, KindById, Selection } from '@plindo/core/structure';
import { SELECTIONS_SLUG, isKindShown, kindsAskedBy } from '@plindo/core/structure';
import type { Store } from '../store/index.js';
import type { Live } from '../live/live.js';
import type { Reads } from '../live/revisions.js';

const MOST_MISSED = 20;

/** Where no page can be, as no kind has such an address: the one page for all addresses that lead nowhere. */
const NOWHERE = '/-';

/** The page that an address leads to. */
export interface LeadsToPage {
  readonly kind: 'page';
  /** The one address of the page. */
  readonly address: string;
  readonly hasLists: boolean;
  /** Of which listings the page is made. */
  readonly reads: Reads;
  /** While these listings are the same the address leads there; null where another listing may come to be there. */
  readonly leadsThere: Reads | null;
}

/** Where an address leads: to a page, or to another address for good. */
export type Destination = LeadsToPage | { readonly kind: 'moved'; readonly to: string };

const ALL_KINDS: Reads = { kinds: null, listings: [] };
const NOTHING: Reads = { kinds: [], listings: [] };

/** Answers addresses of the public side with page models. */
export class Pages {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {}

  /** The page at an address ("/berths?facility=water"). */
  async page(url: string): Promise<PageModel> {
    const { path, search } = partsOfUrl(url);
    const scene = this.scene();
    if (path === '/') return this.home(scene);
    const list = this.listAt(path, search);
    if (list) return this.index(scene, list);
    const free = this.freePageAt(path);
    if (free) return this.designed(scene, free.definition, { canonical: path, listing: null, kind: null });
    const found = this.listingAt(path);
    const listing = found && (await this.store.listing(found.id));
    return listing ? this.ofListing(scene, this.live.complete(listing), found.catalog.kind) : notFoundPage(scene);
  }

  /** Which page serves a listing: of the designed ones that fit the one that asks for most, else the standard one. */
  async servingListing(id: number): Promise<ServingPage | null> {
    const kept = await this.store.listing(id);
    const kind = kept && this.live.kind(kept.kindId);
    if (!kept || !kind) return null;
    const page = this.pageServing(this.live.complete(kept), kind);
    return {
      id: page?.id ?? null,
      name: page?.definition.name ?? `${kind.one} page`,
      when: page?.definition.when ?? null,
    };
  }

  /** Where an address leads. All that lead to one page have the same destination. */
  destination(url: string): Destination {
    const { path, search } = partsOfUrl(url);
    if (path === '/') return { kind: 'page', address: '/', hasLists: true, reads: ALL_KINDS, leadsThere: NOTHING };
    if (this.freePageAt(path)) {
      return { kind: 'page', address: path, hasLists: true, reads: ALL_KINDS, leadsThere: NOTHING };
    }
    const state = this.listAt(path, search);
    if (state) {
      const { kind } = state.list;
      const address = addressOfQuery(state.query, kind, this.kindById);
      const isFormer = search !== '' && hasFormerKeys(new URLSearchParams(search), kind, this.kindById);
      if (isFormer) return { kind: 'moved', to: address };
      const reads = this.readsOf(state);
      return { kind: 'page', address, hasLists: true, reads, leadsThere: reads };
    }
    const found = this.listingAt(path);
    if (!found) return { kind: 'page', address: NOWHERE, hasLists: false, reads: NOTHING, leadsThere: null };
    const { catalog, id } = found;
    const leadsThere = { kinds: [], listings: [id] };
    const address = listingPath(catalog.kind, found);
    return { kind: 'page', address, hasLists: false, reads: this.readsOfListing(catalog.kind, id), leadsThere };
  }

  /** The index page of a kind as visitors will see it, whether it is published or not; null when there is no such kind. */
  async preview(kindId: number, search: string): Promise<PageModel | null> {
    const catalog = this.live.catalog(kindId);
    const queries = this.live.scene(kindId);
    return catalog ? this.index(this.scene(), this.ofKind(catalog, search, queries), queries) : null;
  }

  /** What fits words that are being typed on the list at a path: values of its facets, then listings. */
  suggestions(path: string, text: string): SuggestionModel[] {
    const state = this.listAt(path, '');
    if (!state) return [];
    const { kind } = state.list;
    const { listings, values } = suggest(state.list, text, this.live.scene());
    const hrefOf = (query: Query): string => addressOfQuery(query, kind, this.kindById);
    const ofValues = values.map(({ facet, value, label, count }): SuggestionModel => {
      const about = kind.facets.find(({ key }) => key === facet)?.label ?? '';
      return {
        label,
        about,
        count,
        href: hrefOf(withChoice(BLANK_QUERY, facet, { kind: 'values', values: [value] })),
      };
    });
    const ofListings = listings.map(({ catalog, id }): SuggestionModel => {
      const slug = catalog.slugAt(catalog.rowOf(id)!);
      const label = catalog.titleOf(id);
      const { hasListingPages, one } = catalog.kind;
      const href = hasListingPages ? listingPath(catalog.kind, { slug }) : hrefOf({ ...BLANK_QUERY, text: label });
      return { label, about: one, count: null, href };
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
    const state = this.listAt(path, search);
    return state && explainInList(listing, state, { scene: this.live.scene(), catalog });
  }

  /** For each thing that is chosen on the list at an address, the listings that it alone keeps out. */
  missed(url: string): MissedOnPage[] {
    const { path, search } = partsOfUrl(url);
    const state = this.listAt(path, search);
    if (!state) return [];
    const { kind } = state.list;
    return justMissingInList(state, this.live.scene(), MOST_MISSED).map(({ label, query, total, ids }) => {
      const href = addressOfQuery(query, kind, this.kindById);
      return { label, href, total, listings: this.live.named(ids) };
    });
  }

  private selectionAt(path: string): Selection | undefined {
    const [first, slug, ...more] = path.split('/').slice(1).map(decodePart);
    if (first !== SELECTIONS_SLUG || more.length > 0) return undefined;
    return this.live.selections().find((one) => one.slug === slug && one.published);
  }

  /** The list that stands at an address, a kind's or a selection's; null where there is none. */
  private listAt(path: string, search: string): HeadedList | null {
    const selection = this.selectionAt(path);
    if (selection) {
      const queries = this.live.scene();
      const list = listOfSelection(selection, queries);
      return { list, query: this.asked(list, search, queries), selection, heading: selection.name };
    }
    const [slug = '', ...more] = path.split('/').slice(1).map(decodePart);
    const catalog = this.live.catalogBySlug(slug);
    if (!catalog || !isKindShown(catalog.kind) || !catalog.kind.hasIndexPage || more.length > 0) return null;
    return this.ofKind(catalog, search, this.live.scene());
  }

  private ofKind(catalog: Catalog, search: string, queries: QueryScene): HeadedList {
    const list = listOfKind(catalog);
    return { list, query: this.asked(list, search, queries), selection: null, heading: catalog.kind.many };
  }

  private asked(list: AskedList, search: string, queries: QueryScene): Query {
    return withKnownValues(queryFromUrl(new URLSearchParams(search), list.kind, this.kindById), list, queries);
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
    const ofKinds = withPages.map(({ kind }) => ({ label: kind.many, href: `/${kind.slug}` }));
    const free = pagesFor('free', null, this.live.designs()).filter(({ definition }) => definition.inMenu);
    const kinds = [
      ...ofKinds,
      ...free.map(({ definition: { name, address } }) => ({ label: name, href: `/${address}` })),
    ];
    const { kindById } = this;
    return {
      site: this.live.site(),
      now: new Date(context.nowInMs),
      context,
      kinds,
      kindById,
      designs: this.live.designs(),
    };
  }

  private home(scene: PageScene): Promise<PageModel> {
    const [kept] = pagesFor('home', null, this.live.designs());
    const shown = this.published().filter(({ kind }) => kind.hasIndexPage);
    const design =
      kept?.definition ??
      standardHome(
        this.live.site(),
        shown.map(({ kind }) => kind),
      );
    return this.designed(scene, design, { canonical: '/', listing: null, kind: null });
  }

  private ofListing(scene: PageScene, listing: Listing, kind: Kind): Promise<PageModel> {
    const design = this.pageServing(listing, kind)?.definition ?? standardListingPage(kind);
    return this.designed(scene, design, { canonical: listingPath(kind, listing), listing, kind });
  }

  private pageServing(listing: Listing, kind: Kind): KeptPage | null {
    const { kindById } = this;
    const shown = { listing, kind, context: this.live.context(), kindById, linked: () => undefined, distance: '' };
    return pageServing(pagesFor('listing', kind.id, this.live.designs()), shown);
  }

  private designed(scene: PageScene, design: PageDesign, subject: PageSubject): Promise<PageModel> {
    const source = { queries: this.live.scene(), selections: this.live.selections(), listings: this.readListings };
    return designedPage(scene, design, subject, source);
  }

  private freePageAt(path: string): KeptPage | undefined {
    return pagesFor('free', null, this.live.designs()).find(({ definition }) => `/${definition.address}` === path);
  }

  private index(scene: PageScene, state: HeadedList, queries = this.live.scene()): Promise<PageModel> {
    return listPage(scene, state, { queries, listings: this.readListings });
  }

  private readonly readListings = (ids: readonly number[]): Promise<Listing[]> => this.live.listings(ids);

  /** Of which listings the page of a list is made; those that others are linked with count as changed with them. */
  private readsOf({ list, query, selection }: HeadedList): Reads {
    // Its conditions may look into any kind, and a place that a visitor names may be of any.
    const isFar = selection !== null || [...query.choices.values()].some(({ kind }) => kind === 'near');
    if (isFar) return ALL_KINDS;
    const inUse = { kindById: this.kindById, designs: this.live.designs() };
    const kinds = list.parts.flatMap(({ catalog: { kind } }) => [
      ...kindsAskedBy(kind, this.kindById),
      ...kindsOnCards(kind, inUse),
    ]);
    return { kinds, listings: [] };
  }

  /** Of which listings the page of a listing is made, whichever of its kind's pages serves it. */
  private readsOfListing(kind: Kind, id: number): Reads {
    const inUse = { kindById: this.kindById, designs: this.live.designs() };
    const pages = pagesFor('listing', kind.id, inUse.designs).map(({ definition }) => definition);
    const kinds = pages.map((page) => kindsOnPage(page, kind, inUse));
    if (kinds.some((ids) => ids === null)) return ALL_KINDS;
    return { kinds: [...new Set(kinds.flatMap((ids) => ids ?? []))], listings: [id] };
  }

  /** The listing whose page stands at an address. */
  private listingAt(path: string): { catalog: Catalog; id: number; slug: string } | null {
    const [kindSlug = '', slug, ...more] = path.split('/').slice(1).map(decodePart);
    const catalog = this.live.catalogBySlug(kindSlug);
    if (!catalog || slug === undefined || more.length > 0) return null;
    if (!isKindShown(catalog.kind) || !catalog.kind.hasListingPages) return null;
    const id = catalog.idOfSlug(slug);
    return id !== undefined && catalog.isOnSite(id, this.live.nowInMs()) ? { catalog, id, slug } : null;
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
