import type { Pager, Picture } from '../../structure/index.js';
import type { CardModel } from '../cards/card-model.js';

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
  /** What its parts of the address are called. */
  readonly name: string;
  readonly label: string;
  /** Whether it is unfolded when the page is made. */
  readonly open: boolean;
}

export interface ValuesFacetModel extends FacetModelFrame {
  readonly control: 'ticks' | 'drop-down' | 'chips' | 'tree' | 'yes-no' | 'letters';
  readonly join: 'any' | 'all';
  readonly values: readonly FacetValueModel[];
  /** How many values stand before "show all". */
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
  /**
   * The periods from the first to the last with a listing: months by year, or years or decades where there would be too
   * many; then also the years and months inside what is chosen. `label` is '' for a strip that needs no heading.
   */
  readonly strips: readonly { readonly label: string; readonly periods: readonly PeriodModel[] }[];
}

/** A month, a year or a decade. */
export interface PeriodModel extends FacetStepModel {
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
  /** Listings in each of 20 equal parts from the least value to the greatest. */
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
  /** Address; null on the first page. */
  readonly previous: string | null;
  /** Address; null on the last page. */
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
  /** Whether any of it stands on this page. */
  readonly isHere: boolean;
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

/** How the head of a column orders its list. */
export interface TableHead {
  /** What leads to the list in the order of the column, or in the other direction; null where nothing does. */
  readonly href: string | null;
  /** How the list is ordered by the column now. */
  readonly order: 'ascending' | 'descending' | null;
}

/** What to take back so that anything is found, and how much that is. */
export interface DropModel extends ChipModel {
  readonly total: number;
}
