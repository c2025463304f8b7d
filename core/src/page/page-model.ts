import type { Pager, Picture, SiteSettings } from '../structure/index.js';
import type { PageColumn, PagePurpose, Strip } from '../design/index.js';
import type { CardForms, CardModel } from './cards/card-model.js';
import type { PieceModel } from './pieces/piece-models.js';

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
  /** Links to the index pages of all published kinds, and to the pages that stand in the menu. */
  readonly kinds: readonly KindLink[];
}

export interface KindLink {
  readonly label: string;
  readonly href: string;
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

/** What all facets have. */
interface FacetModelFrame {
  readonly key: string;
  readonly label: string;
  /** Whether it is unfolded when the page is made. */
  readonly open: boolean;
}

export interface ValuesFacetModel extends FacetModelFrame {
  readonly control: 'ticks' | 'drop-down' | 'chips' | 'tree' | 'yes-no' | 'letters';
  readonly join: 'any' | 'all';
  readonly values: readonly FacetValueModel[];
  readonly shownFirst: number;
}

/** A step to choose, with the page that comes of choosing it, or of taking it back. */
export interface FacetStepModel {
  /** As it stands in the address. */
  readonly value: string;
  readonly label: string;
  /** Null where it can't be told yet. */
  readonly count: number | null;
  readonly chosen: boolean;
  readonly href: string;
}

export interface RatingFacetModel extends FacetModelFrame {
  readonly control: 'rating';
  readonly stars: number;
  /** From most stars to fewest. */
  readonly steps: readonly FacetStepModel[];
}

export interface DatesFacetModel extends FacetModelFrame {
  readonly control: 'dates';
  /** First and last date as input values and as readers see them; null when no listing has one. */
  readonly bounds: { readonly from: string; readonly to: string; readonly sentence: string } | null;
  /** Chosen days as input values, '' when open. */
  readonly from: string;
  readonly to: string;
  /** The months from the first to the last with a listing, by year. */
  readonly years: readonly { readonly label: string; readonly months: readonly MonthModel[] }[];
}

export interface MonthModel extends FacetStepModel {
  /** "Dec"; the label has the year too. */
  readonly short: string;
}

export interface DistanceFacetModel extends FacetModelFrame {
  readonly control: 'distance';
  /** What was typed or taken, '' for nothing; and the title of the listing that it found, '' for a position. */
  readonly at: string;
  readonly title: string;
  /** Whether what was typed leads nowhere. */
  readonly isUnknown: boolean;
  readonly unit: string;
  /** The chosen distance in the unit, '' for any. */
  readonly within: string;
  readonly steps: readonly FacetStepModel[];
}

export interface RangeFacetModel extends FacetModelFrame {
  readonly control: 'range';
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

export type FacetModel = ValuesFacetModel | RangeFacetModel | RatingFacetModel | DatesFacetModel | DistanceFacetModel;

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
  readonly mode: Pager;
  /** Of "show more" and the endless one: what shows more, and how many; null when all are there. */
  readonly more: { readonly href: string; readonly count: number } | null;
  readonly page: number;
  readonly pages: number;
  readonly previous: string | null;
  readonly next: string | null;
  /** Page numbers to show; null is a gap. */
  readonly links: readonly ({ readonly page: number; readonly href: string } | null)[];
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
  readonly cardForms: CardForms;
  readonly kind: { readonly slug: string; readonly one: string; readonly many: string; readonly intro: string };
  readonly heading: string;
  readonly text: string;
  /** Whether it has a search. */
  readonly isSearchable: boolean;
  readonly total: number;
  /** Listings of the kind on the site, whatever is chosen. */
  readonly outOf: number;
  /** "38 of 160 berths": what is announced. */
  readonly countSentence: string;
  readonly facets: readonly FacetModel[];
  readonly chips: readonly ChipModel[];
  /** A sentence when no listing has all the words of a search, '' else. */
  readonly searchNote: string;
  /** What to take back when nothing is found. */
  readonly drop: (ChipModel & { readonly total: number }) | null;
  /** Cards under headings of dates; empty where the page has none. */
  readonly groups: readonly DateGroupModel[];
  /** All groups of the result, on whatever page, to jump to. */
  readonly jumps: readonly JumpModel[];
  /** The one category that is chosen, when its set says anything of it; else null. */
  readonly category: CategoryModel | null;
  readonly clearHref: string;
  readonly sorts: readonly SortModel[];
  /** Featured listings that lead the page, and the rest. */
  readonly featured: readonly CardModel[];
  readonly cards: readonly CardModel[];
  readonly pager: PagerModel;
}

export interface DateGroupModel {
  readonly key: string;
  readonly label: string;
  /** Listings in it, on all pages. */
  readonly count: number;
  readonly isPast: boolean;
  /** Whether it began on an earlier page, and whether it goes on on the next. */
  readonly isContinued: boolean;
  readonly goesOn: boolean;
  readonly cards: readonly CardModel[];
}

export interface JumpModel {
  readonly key: string;
  readonly label: string;
  readonly count: number;
  readonly href: string;
}

/** What fits words that are being typed into the search of an index page. */
export interface SuggestionModel {
  readonly label: string;
  /** What it is: the facet of a value, or what the kind calls one listing. */
  readonly about: string;
  /** Listings behind a value; null for a listing. */
  readonly count: number | null;
  readonly href: string;
}

/** A page that is made by a design: strips, columns in them, pieces in these. */
export interface DesignedPage extends PageFrame {
  readonly type: 'designed';
  readonly serves: PagePurpose;
  /** The listing whose page it is; null for none. */
  readonly listing: { readonly id: number; readonly kindId: number; readonly title: string } | null;
  readonly strips: readonly StripModel[];
  readonly cardForms: CardForms;
}

export interface StripModel extends Pick<Strip, 'key' | 'width' | 'tone' | 'picture' | 'space' | 'anchor'> {
  readonly columns: readonly ColumnModel[];
}

export interface ColumnModel extends Pick<PageColumn, 'key' | 'share' | 'rem' | 'order'> {
  readonly pieces: readonly PieceModel[];
}

export interface NotFoundPage extends PageFrame {
  readonly type: 'not-found';
}

export type PageModel = DesignedPage | IndexPage | NotFoundPage;
