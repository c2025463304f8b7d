import type { Catalog } from '@plindo/core/catalog';
import type { KeptPage, PageDesign } from '@plindo/core/design';
import {
  pagesFor,
  standardCategoryPage,
  standardHome,
  standardIndexPage,
  standardShortlist,
} from '@plindo/core/design';
import type { CategoryOfPage, ListArea, ListScene, NamedList } from '@plindo/core/page';
import {
  areasOfPage,
  categoryOf,
  categoryPath,
  listNamedByKind,
  listNamedBySelection,
  listOfCategory,
  listingPath,
  pageForCategory,
} from '@plindo/core/page';
import type { Kind } from '@plindo/core/structure';
import { SELECTIONS_SLUG, SHORTLIST_SLUG, isKindShown, isListShown } from '@plindo/core/structure';
import type { Live } from '../live/live.js';

/** What stands at a path: one page by its design, or a listing, of which it has to be read first which page serves it. */
export type Place = PagePlace | ListingPlace | MovedPlace;

export interface PagePlace {
  readonly of: 'page';
  readonly path: string;
  readonly design: PageDesign;
  /** Number of the design; null for a page that nobody has designed. */
  readonly designId: number | null;
  /** Number of the selection whose list it is about; 0 for none. */
  readonly selectionId: number;
  /** The list that the page is about; null for none. */
  readonly own: NamedList | null;
  /** The category that it is about; null for none. */
  readonly category: CategoryOfPage | null;
}

/** A category that was merged into another: its page is now that one's. */
export interface MovedPlace {
  readonly of: 'moved';
  readonly to: string;
}

export interface ListingPlace {
  readonly of: 'listing';
  readonly path: string;
  readonly catalog: Catalog;
  readonly id: number;
}

const OF_NO_LIST = { own: null, category: null, selectionId: 0 } as const;

/** Finds what stands at paths of the public side. */
export class Places {
  private readonly standards = new WeakMap<Kind, Designed>();

  constructor(private readonly live: Live) {}

  at(path: string): Place | null {
    if (path === '/') return { of: 'page', path, ...this.home(), ...OF_NO_LIST };
    if (path === `/${SHORTLIST_SLUG}`) return { of: 'page', path, ...this.shortlist(), ...OF_NO_LIST };
    const { own, selection } = this.listAt(path) ?? {};
    if (own)
      return { of: 'page', path, ...this.designOf(own, selection), selectionId: selection ?? 0, own, category: null };
    const free = this.freePageAt(path);
    if (free) return { of: 'page', path, ...designed(free), ...OF_NO_LIST };
    return this.listingAt(path) ?? this.categoryAt(path);
  }

  /** The page of a list: the one that was designed for its kind, or for the selection with a number, else the standard one. */
  private designOf({ list, heading }: NamedList, selection = 0): Designed {
    const kindId = selection === 0 ? (list.parts[0]?.catalog.kind.id ?? null) : null;
    const pages = pagesFor('index', kindId, this.live.designs());
    const kept = pages.find(({ definition }) => definition.selection === selection);
    if (kept) return designed(kept);
    const made = (): Designed => standard(standardIndexPage(heading, list.design));
    const kind = list.parts[0]?.catalog.kind;
    return kind && selection === 0 ? this.standardOf(kind, made) : made();
  }

  /** The standard page of a kind's list, made once for as long as the kind stays as it is. */
  private standardOf(kind: Kind, make: () => Designed): Designed {
    const known = this.standards.get(kind) ?? make();
    this.standards.set(kind, known);
    return known;
  }

  ofKind(catalog: Catalog): NamedList {
    return listNamedByKind(catalog);
  }

  /** The kinds whose lists have pages that visitors see. */
  listedKinds(): Kind[] {
    return this.live.kinds().filter((kind) => isListShown(kind) && this.live.catalog(kind.id));
  }

  /** The lists on a page that visitors steer, in the state of an address. */
  areasOf(design: PageDesign, { path, own }: Pick<PagePlace, 'path' | 'own'>, search: string): ListArea[] {
    return areasOfPage(design, { path, search, own }, this.scene());
  }

  /** The lists that visitors steer on the page of a place; of a listing those of all pages that may serve it. */
  areasAt(place: PagePlace | ListingPlace, search: string): ListArea[] {
    if (place.of === 'page') return this.areasOf(place.design, place, search);
    const pages = pagesFor('listing', place.catalog.kind.id, this.live.designs());
    const path = this.canonicalPath(place);
    const areas = pages.flatMap(({ definition }) => this.areasOf(definition, { path, own: null }, search));
    return areas.filter(({ key }, at) => areas.findIndex((one) => one.key === key) === at);
  }

  /** The one path of what stands there. */
  canonicalPath(place: PagePlace | ListingPlace): string {
    if (place.of === 'listing') return place.path;
    return place.own?.list.design.path ?? place.path;
  }

  scene(): ListScene {
    return { queries: this.live.scene(), selections: this.live.selections() };
  }

  private home(): Designed {
    const [kept] = pagesFor('home', null, this.live.designs());
    const { words } = this.live.context().formats;
    return kept ? designed(kept) : standard(standardHome(this.live.site(), this.listedKinds(), words));
  }

  private shortlist(): Designed {
    const [kept] = pagesFor('shortlist', null, this.live.designs());
    return kept ? designed(kept) : standard(standardShortlist(this.live.context().formats.words));
  }

  private freePageAt(path: string): KeptPage | undefined {
    return pagesFor('free', null, this.live.designs()).find(({ definition }) => `/${definition.address}` === path);
  }

  /** The list that stands at a path, a kind's or a selection's, whose number goes with it; null where there is none. */
  private listAt(path: string): { readonly own: NamedList; readonly selection?: number } | null {
    const [first = '', second, ...more] = partsOfPath(path);
    if (more.length > 0) return null;
    if (first === SELECTIONS_SLUG && second !== undefined) {
      const selection = this.live.selections().find(({ slug, published }) => slug === second && published);
      return selection ? { own: listNamedBySelection(selection, this.live.scene()), selection: selection.id } : null;
    }
    const catalog = second === undefined ? this.live.catalogBySlug(first) : undefined;
    return catalog && isListShown(catalog.kind) ? { own: this.ofKind(catalog) } : null;
  }

  /** The page of a category of a kind; a listing that has the same address goes before it. */
  private categoryAt(path: string): PagePlace | MovedPlace | null {
    const { catalog, rest } = this.insideKind(path) ?? {};
    const found = catalog?.kind.hasIndexPage ? categoryOf(catalog.kind, rest!) : null;
    if (!catalog || !found) return null;
    const { kind } = catalog;
    const { category } = found;
    if (found.isFormer) return { of: 'moved', to: categoryPath(kind, category) };
    const kept = pageForCategory(pagesFor('category', kind.id, this.live.designs()), found.path);
    const by = kept ? designed(kept) : standard(standardCategoryPage(category.label, { intro: category.text ?? '' }));
    const own = listOfCategory(catalog, found, this.live.scene());
    return { of: 'page', path, ...by, selectionId: 0, own, category: { category, kind, path: found.path } };
  }

  /** The listing whose page stands at a path. */
  private listingAt(path: string): ListingPlace | null {
    const { catalog, rest } = this.insideKind(path) ?? {};
    if (!catalog?.kind.hasListingPages || rest === undefined) return null;
    const id = catalog.idOfAddress(rest);
    if (id === undefined || !this.hasPage(catalog, id)) return null;
    return { of: 'listing', path: listingPath(catalog.kind, { address: rest }), catalog, id };
  }

  /** Whether visitors find a page of a listing: of one that is on the site, or is over where its kind says so. */
  private hasPage(catalog: Catalog, id: number): boolean {
    const now = this.live.nowInMs();
    return catalog.isOnSite(id, now) || (catalog.kind.expiry?.saysOver === true && catalog.hasLeft(id, now));
  }

  /** The kind that visitors see at the first part of a path, and the rest of it. */
  private insideKind(path: string): { readonly catalog: Catalog; readonly rest: string } | null {
    const [kindSlug = '', ...parts] = partsOfPath(path);
    const catalog = this.live.catalogBySlug(kindSlug);
    const rest = parts.join('/');
    return catalog && isKindShown(catalog.kind) && rest !== '' ? { catalog, rest } : null;
  }
}

type Designed = Pick<PagePlace, 'design' | 'designId'>;

function designed({ id, definition }: KeptPage): Designed {
  return { design: definition, designId: id };
}

function standard(design: PageDesign): Designed {
  return { design, designId: null };
}

export function partsOfPath(path: string): string[] {
  return path.split('/').slice(1).map(decodePart);
}

/** A part of a path, decoded; one that cannot be decoded, or has a slash inside, names nothing. */
function decodePart(part: string): string {
  try {
    const decoded = decodeURIComponent(part);
    return decoded.includes('/') ? '\u0000' : decoded;
  } catch {
    return '\u0000';
  }
}
