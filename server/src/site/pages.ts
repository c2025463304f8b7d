import { frameOf, standardListingPage } from '@plindo/core/design';
import type { Design, Viewer } from '@plindo/core/design';
import type { DesignOfPage } from '@plindo/core/contract';
import type { Listing } from '@plindo/core/listings';
import type {
  ChosenCards,
  ComeBack,
  DesignedSource,
  PageModel,
  PageScene,
  SendingState,
  SentState,
} from '@plindo/core/page';
import {
  addressOfAreas,
  cardsOf,
  chosenAt,
  linksOfSite,
  notFoundPage,
  pageAt,
  sentPage,
  shortlistAddress,
  siteFrame,
} from '@plindo/core/page';
import { hasFormerKeys, partsOfUrl } from '@plindo/core/query';
import type { KindById } from '@plindo/core/structure';
import { siteForVisitors } from '@plindo/core/structure';
import type { Store } from '../store/index.js';
import type { Live } from '../live/live.js';
import type { Reads } from '../live/revisions.js';
import { comeBackIn, partOfComeBack, secretIn } from './come-back.js';
import { FormerPlaces } from './former-places.js';
import { CardsOfPages } from './held-cards.js';
import { PageReads, together } from './page-reads.js';
import type { ListingPlace, PagePlace } from './places.js';
import { Places } from './places.js';
import { ServingPages } from './serving-pages.js';

/** Where no page can be, as no kind has such an address: the one page for all addresses that lead nowhere. */
export const NOWHERE = '/-';

/** The page that an address leads to. */
export interface LeadsToPage {
  readonly kind: 'page';
  /** The one address of the page. */
  readonly address: string;
  /** What visitors have to find as it is; of everything else as it was up to a second ago. */
  readonly present: Reads;
  /** Of which listings the page is made. */
  readonly reads: Reads;
  /** Whether it is for one visitor alone, and is never kept. */
  readonly isPrivate?: boolean;
  /** While these listings are the same the address leads there; null where another listing may come to be there. */
  readonly leadsThere: Reads | null;
}

/** Where an address leads: to a page, or to another address for good. */
export type Destination = LeadsToPage | { readonly kind: 'moved'; readonly to: string };

/** What stands around pages, with the designs that it was made of. */
interface KnownAround extends Required<Pick<PageScene, 'kinds' | 'around'>> {
  readonly designs: readonly Design[];
  readonly listed: number;
}

/** In which state a page is shown, and to whom. */
interface Shown {
  readonly search: string;
  readonly viewer: Viewer;
  readonly sending?: SendingState;
}

/** What visitors have sent in or are about to, by the secrets that name it. */
export interface SentThings {
  /** What was answered in a form so far; null for nothing that is kept. */
  state(again: ComeBack): Promise<SendingState | null>;
  /** What was sent in, and with what it can be changed; null for nothing. */
  at(secret: string, again: ComeBack): Promise<{ sent: SentState; sending: SendingState | null } | null>;
}

const NOTHING: Reads = { kinds: [], listings: [] };
const ALL_LISTINGS: Reads = { kinds: null, listings: [] };
/** A page for one visitor alone. */
const ALONE = { kind: 'page', present: ALL_LISTINGS, reads: ALL_LISTINGS, leadsThere: null, isPrivate: true } as const;

/** Answers addresses of the public side with page models. */
export class Pages {
  private readonly places: Places;
  private readonly former: FormerPlaces;
  private readonly serving: ServingPages;
  private known: KnownAround | null = null;
  private readonly reads: PageReads;
  private readonly cards: CardsOfPages;

  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly sentThings: SentThings | null = null,
  ) {
    this.places = new Places(live);
    this.former = new FormerPlaces(store, live, this.places);
    this.serving = new ServingPages(store, live);
    this.reads = new PageReads(live);
    this.cards = new CardsOfPages(live);
  }

  /** The page at an address ("/berths?facility=water"). */
  async page(url: string, viewer: Viewer = 'visitor'): Promise<PageModel> {
    const { path, search } = partsOfUrl(url);
    const scene = this.scene();
    const secret = secretIn(path);
    if (secret !== null) return (await this.sent(secret, search, scene)) ?? this.notFound(scene);
    const place = await this.placeNow(path);
    if (!place) return this.notFound(scene);
    const sending = (await this.sentThings?.state(comeBackIn(search))) ?? null;
    const shown = { search, viewer, ...(sending && { sending }) };
    if (place.of === 'page') return this.made(scene, place, shown);
    const listing = await this.store.listing(place.id);
    return listing ? this.madeOfListing(scene, place, this.live.complete(listing), shown) : this.notFound(scene);
  }

  /** The cards of listings that a browser keeps. */
  cardsOf(ids: readonly number[]): Promise<ChosenCards> {
    return cardsOf(ids, this.scene(), this.source());
  }

  private async sent(secret: string, search: string, scene: PageScene): Promise<PageModel | null> {
    const found = await this.sentThings?.at(secret, comeBackIn(search));
    return found ? sentPage(scene, this.live.scene(), found.sent, found.sending) : null;
  }

  private notFound(scene: PageScene): PageModel {
    return notFoundPage(scene, this.places.listedKinds());
  }

  /** The paths of the lists of all kinds that visitors see. */
  listPaths(): string[] {
    return this.places.listedKinds().map(({ slug }) => `/${slug}`);
  }

  /** Where what stood at an address before is now, for an address that leads nowhere; null for nothing. */
  async formerly(url: string): Promise<string | null> {
    const { path, search } = partsOfUrl(url);
    // What the publisher says of an older site goes first, and may lead to another one.
    const led = this.former.led(url);
    if (led !== null) return led;
    const now = await this.former.at(path);
    return now !== null && search !== '' ? `${now}?${search}` : now;
  }

  /** What stands at a path, or where what stood there before is now. */
  private async placeNow(path: string): Promise<PagePlace | ListingPlace | null> {
    const here = this.places.at(path);
    if (here && here.of !== 'moved') return here;
    const now = here ? here.to : await this.former.at(path);
    const there = now === null ? null : this.places.at(now);
    return there?.of === 'moved' ? null : there;
  }

  /** Which design made the page at an address, and what it was shown with, for the designer; null where no page is. */
  async designAt(url: string): Promise<DesignOfPage | null> {
    const place = await this.placeNow(partsOfUrl(url).path);
    if (!place) return null;
    if (place.of === 'listing') {
      const listing = await this.store.listing(place.id);
      const { kind } = place.catalog;
      const page = listing && this.serving.pageFor(this.live.complete(listing), kind);
      return {
        ...{ id: page?.id ?? null, serves: 'listing', kindId: kind.id },
        ...{ selection: 0, listingId: place.id, category: null },
      };
    }
    const { design, designId, own, selectionId, category } = place;
    const [part] = own?.list.parts ?? [];
    const kindId = selectionId === 0 ? (part?.catalog.kind.id ?? null) : null;
    const { serves } = design;
    return {
      id: designId,
      serves,
      kindId,
      selection: selectionId,
      listingId: null,
      category: category?.category.key ?? null,
    };
  }

  /** Where an address leads. All that lead to one page have the same destination. */
  destination(url: string): Destination {
    const { path, search } = partsOfUrl(url);
    const again = partOfComeBack(comeBackIn(search));
    if (secretIn(path) !== null) return { ...ALONE, address: path + again };
    const place = this.places.at(path);
    if (place && place.of !== 'moved' && again !== '') return { ...ALONE, address: place.path + again };
    if (!place) return { kind: 'page', address: NOWHERE, present: NOTHING, reads: NOTHING, leadsThere: null };
    if (place.of === 'moved') return { kind: 'moved', to: search === '' ? place.to : `${place.to}?${search}` };
    const areas = this.places.areasAt(place, search);
    const isShortlist = place.of === 'page' && place.design.serves === 'shortlist';
    const canonical = isShortlist ? shortlistAddress(chosenAt(search)) : this.places.canonicalPath(place);
    const address = addressOfAreas(canonical, areas, this.kindById);
    const parts = [...new URLSearchParams(search)];
    const isFormer = areas.some(({ list }) => hasFormerKeys(parts, list.design, this.kindById));
    if (isFormer) return { kind: 'moved', to: address };
    // A listing that visitors choose by its name in a facet may come, or go.
    const states = areas.map((area) => this.reads.ofArea(area));
    if (place.of === 'page') {
      const reads = isShortlist ? ALL_LISTINGS : this.reads.ofPage(place.design, areas);
      return { kind: 'page', address, present: NOTHING, reads, leadsThere: together(states) };
    }
    const { catalog, id } = place;
    const reads = this.reads.ofListing(catalog.kind, id, areas);
    const leadsThere = together([...states, { kinds: [], listings: [id] }]);
    return { kind: 'page', address, present: { kinds: [], listings: [id] }, reads, leadsThere };
  }

  private readonly kindById: KindById = (id) => this.live.kind(id);

  /** With what all pages are made at this moment. */
  scene(): PageScene {
    const context = this.live.context();
    const designs = this.live.designs();
    const { kinds, around } = this.siteAround(designs);
    const site = siteForVisitors(this.live.site());
    return { site, now: new Date(context.nowInMs), context, kinds, kindById: this.kindById, designs, around };
  }

  /**
   * Header and footer are the same for all pages until the structure changes, and every structure has designs of its own;
   * the list of a new kind is there once its catalog is.
   */
  private siteAround(designs: readonly Design[]): KnownAround {
    const listed = this.places.listedKinds();
    if (this.known?.designs === designs && this.known.listed === listed.length) return this.known;
    const kinds = linksOfSite(listed, designs);
    const { words } = this.live.context().formats;
    const around = siteFrame(frameOf(designs)?.definition, kinds, { kindById: this.kindById, words });
    return (this.known = { designs, listed: listed.length, kinds, around });
  }

  private made(scene: PageScene, place: PagePlace, { search, ...shown }: Shown): Promise<PageModel> {
    const { design, own, category } = place;
    const address = { path: this.places.canonicalPath(place), search, own };
    const chosen = design.serves === 'shortlist' ? { chosen: chosenAt(search) } : {};
    const about = { listing: null, kind: null, category, ...shown, ...chosen };
    return pageAt(scene, design, address, about, this.source());
  }

  private madeOfListing(
    scene: PageScene,
    place: ListingPlace,
    listing: Listing,
    { search, ...shown }: Shown,
  ): Promise<PageModel> {
    const { kind } = place.catalog;
    const design = this.serving.pageFor(listing, kind)?.definition ?? standardListingPage(kind);
    const address = { path: this.places.canonicalPath(place), search, own: null };
    return pageAt(scene, design, address, { listing, kind, ...shown }, this.source());
  }

  /** What pages are filled with; `previewed` is the number of a kind that counts as published. */
  source(previewed?: number): DesignedSource {
    const { queries, selections } = this.places.scene();
    return {
      queries: previewed === undefined ? queries : this.live.scene(previewed),
      selections,
      listings: (ids) => this.live.listings(ids),
      cards: this.cards.forPage(),
    };
  }
}
