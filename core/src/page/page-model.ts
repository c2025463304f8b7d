import type { Picture } from '../structure/index.js';

/** Of the whole site, on every page. */
export interface SiteSettings {
  readonly name: string;
  /** A sentence under the name. */
  readonly tagline: string;
  /** BCP 47, such as "en-GB". */
  readonly locale: string;
  /** IANA time zone, such as "Europe/Lisbon". */
  readonly zone: string;
}

/** Where and when a page was made, so that the browser repeats the server's words exactly. */
export interface PageFrame {
  readonly site: SiteSettings;
  /** ISO 8601 moment at which the page was made. */
  readonly now: string;
  /** For the browser's title bar and for search engines. */
  readonly title: string;
  readonly description: string;
  /** The one address of this page, without the parts that mean nothing. */
  readonly canonical: string;
  /** Links to the index pages of all published kinds. */
  readonly kinds: readonly KindLink[];
}

export interface KindLink {
  readonly label: string;
  readonly href: string;
  readonly total: number;
}

/** One labelled value on a card or a listing page. */
export interface SlotModel {
  readonly key: string;
  readonly label: string;
  readonly icon: string;
  readonly text: string;
  readonly shape:
    | 'text'
    | 'long-text'
    | 'rich-text'
    | 'link'
    | 'file'
    | 'pictures'
    | 'place'
    | 'colour'
    | 'rating'
    | 'links'
    | 'group'
    | 'rows';
  /** Where a link or a file leads. */
  readonly href?: string;
  readonly pictures?: readonly Picture[];
  /** Cleaned HTML of a rich text. */
  readonly html?: string;
  /** As #rrggbb. */
  readonly colour?: string;
  readonly stars?: { readonly given: number; readonly of: number };
  /** The values inside a group. */
  readonly parts?: readonly SlotModel[];
  readonly rows?: RowsModel;
  /** Linked listings, in their order; one without a page of its own has no address. */
  readonly links?: readonly { readonly text: string; readonly href: string | null; readonly note: string }[];
}

/** Rows as a table of texts. */
export interface RowsModel {
  readonly columns: readonly { readonly key: string; readonly label: string }[];
  readonly rows: readonly (readonly string[])[];
}

export interface CardModel {
  readonly id: number;
  /** Null when listings of the kind have no pages of their own. */
  readonly href: string | null;
  readonly title: string;
  readonly summary: string;
  readonly picture: Picture | null;
  /** Whether listings of the kind have lead pictures, so that one without shows a stand-in. */
  readonly hasPictures: boolean;
  readonly featured: boolean;
  readonly slots: readonly SlotModel[];
}

export interface FacetValueModel {
  readonly value: string;
  readonly label: string;
  readonly count: number;
  readonly chosen: boolean;
  /** How deep a category lies; 0 for everything else. */
  readonly depth: number;
  /** Of a category: name of an icon and a colour, '' for none. */
  readonly icon: string;
  readonly colour: string;
  /** The page after choosing it, or after taking it back. */
  readonly href: string;
}

export interface ValuesFacetModel {
  readonly control: 'ticks' | 'yes-no';
  readonly key: string;
  readonly label: string;
  readonly join: 'any' | 'all';
  readonly values: readonly FacetValueModel[];
  readonly shownFirst: number;
}

export interface RangeFacetModel {
  readonly control: 'range';
  readonly key: string;
  readonly label: string;
  readonly inputType: 'number' | 'date';
  /** The unit behind the inputs, '' for none. */
  readonly unit: string;
  /** Outer bounds as input values and as readers see them; null when no listing has a value. */
  readonly bounds: { readonly from: string; readonly to: string; readonly sentence: string } | null;
  /** Chosen bounds as input values, '' when open. */
  readonly from: string;
  readonly to: string;
  readonly histogram: readonly number[];
}

export type FacetModel = ValuesFacetModel | RangeFacetModel;

/** Something chosen, with the page that comes of taking it back. */
export interface ChipModel {
  readonly label: string;
  readonly href: string;
}

export interface SortModel {
  readonly key: string;
  readonly label: string;
  readonly href: string;
  readonly current: boolean;
}

export interface PagerModel {
  readonly page: number;
  readonly pages: number;
  readonly previous: string | null;
  readonly next: string | null;
  /** Page numbers to show; null is a gap. */
  readonly links: readonly ({ readonly page: number; readonly href: string } | null)[];
}

export interface HomePage extends PageFrame {
  readonly type: 'home';
  readonly sections: readonly (KindLink & { readonly intro: string; readonly cards: readonly CardModel[] })[];
}

/** What a category set says of a category. */
export interface CategoryModel {
  readonly label: string;
  readonly text: string;
  readonly icon: string;
  readonly colour: string;
  readonly picture: Picture | null;
}

export interface IndexPage extends PageFrame {
  readonly type: 'index';
  readonly kind: { readonly slug: string; readonly one: string; readonly many: string; readonly intro: string };
  readonly text: string;
  readonly total: number;
  /** Listings of the kind on the site, whatever is chosen. */
  readonly outOf: number;
  /** "38 of 160 berths": what is announced. */
  readonly countSentence: string;
  readonly facets: readonly FacetModel[];
  readonly chips: readonly ChipModel[];
  /** The one category that is chosen, when its set says anything of it; else null. */
  readonly category: CategoryModel | null;
  readonly clearHref: string;
  readonly sorts: readonly SortModel[];
  /** Featured listings that lead the page, and the rest. */
  readonly featured: readonly CardModel[];
  readonly cards: readonly CardModel[];
  readonly pager: PagerModel;
}

export interface ListingPage extends PageFrame {
  readonly type: 'listing';
  /** The kind; `href` is null when it has no index page. */
  readonly kind: { readonly one: string; readonly many: string; readonly href: string | null };
  readonly card: CardModel;
  /** Cleaned HTML; '' when there is none. */
  readonly body: string;
  /** "By Ana, 4 December 2026, changed 6 December 2026"; '' when the kind shows neither. */
  readonly byline: string;
  readonly slots: readonly SlotModel[];
}

export interface NotFoundPage extends PageFrame {
  readonly type: 'not-found';
}

export type PageModel = HomePage | IndexPage | ListingPage | NotFoundPage;
