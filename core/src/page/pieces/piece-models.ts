import type { FormFault, FormModel } from '../forms/form-model.js';
import type { PICTURE_FITS, PICTURE_RATIOS } from '../../design/index.js';
import type { Picture, MapTiles } from '../../structure/index.js';
import type { PointsModel } from '../areas/map-points.js';
import type { CardModel, CardValue, SlotForm } from '../cards/card-model.js';
import type { ChosenListings } from '../visitor/chosen-listings.js';
import type { RowsModel } from '../cards/value-model.js';
import type {
  CategoryModel,
  ChipModel,
  DateGroupModel,
  DropModel,
  FacetModel,
  JumpModel,
  PagerModel,
  SortModel,
  TableHead,
} from '../areas/area-models.js';

/** What a slot shows, with how it stands. */
export interface ShownSlot {
  readonly form: SlotForm;
  readonly value: CardValue;
}

export interface HeadingModel {
  readonly type: 'heading';
  readonly level: 1 | 2 | 3;
  readonly text: string;
  readonly href: string | null;
}

export interface TextModel {
  readonly type: 'text';
  readonly slots: readonly ShownSlot[];
}

export interface RichTextModel {
  readonly type: 'rich-text';
  /** Cleaned HTML. */
  readonly html: string;
}

export interface PictureModel {
  readonly type: 'picture';
  readonly picture: Picture;
  readonly ratio: (typeof PICTURE_RATIOS)[number];
  readonly fit: (typeof PICTURE_FITS)[number];
  readonly caption: string;
}

export interface GalleryModel {
  readonly type: 'gallery';
  readonly pictures: readonly Picture[];
}

export interface ValuesModel {
  readonly type: 'values';
  readonly layout: 'table' | 'list' | 'tiles' | 'sections';
  /** 0 for as many as fit. */
  readonly columns: number;
  readonly slots: readonly ShownSlot[];
}

/** One entry of rows, as a tile or a place in a ranked list. */
export interface EntryModel {
  readonly title: string;
  readonly picture: Picture | null;
  readonly href: string | null;
  readonly facts: readonly { readonly label: string; readonly text: string }[];
}

export interface SpecificationModel {
  readonly type: 'specification';
  readonly layout: 'table' | 'tiles' | 'ranked';
  readonly rows: RowsModel;
  readonly entries: readonly EntryModel[];
  /** Words on the button of an entry that leads somewhere. */
  readonly button: string;
}

/** A row of a list that stands as a table. */
export interface TableRowModel {
  readonly id: number;
  readonly href: string | null;
  /** By key of the column's slot. */
  readonly values: Readonly<Record<string, CardValue>>;
}

export interface ListModel {
  readonly type: 'list';
  readonly layout: 'grid' | 'rows' | 'table' | 'scrolling' | 'ranked';
  /** The least width of a card, in rem. */
  readonly width: number;
  readonly heading: string;
  readonly intro: string;
  /** The page of all of them, and how many they are; null where it leads nowhere. */
  readonly all: { readonly href: string; readonly total: number } | null;
  readonly cards: readonly CardModel[];
  readonly columns: readonly SlotForm[];
  readonly rows: readonly TableRowModel[];
  /** Null for a list that visitors don't steer. */
  readonly state: ListStateModel | null;
  /** Of what a browser keeps for its visitor; null for every other list. */
  readonly visitors: VisitorsListModel | null;
}

/** A list of what a browser keeps for its visitor. */
export interface VisitorsListModel {
  readonly of: 'shortlist' | 'recent';
  readonly most: number;
  /** The listings that the address says; null where the browser has to ask for those that it keeps. */
  readonly chosen: ChosenListings | null;
}

/** What a list that visitors steer says of its state. */
export interface ListStateModel {
  /** Featured listings that lead it, apart from the rest. */
  readonly featured: readonly CardModel[];
  /** What it lists, for those who go from heading to heading: "Berths". */
  readonly label: string;
  /** What stands above the rest: "More berths"; '' where nothing stands before it. */
  readonly rest: string;
  /** Cards under headings of dates, in the place of the plain ones; empty where the list has none. */
  readonly groups: readonly DateGroupModel[];
  /** How many listings stand on the pages before this one. */
  readonly before: number;
  /** A sentence about the search; '' for none. */
  readonly note: string;
  /** Why nothing stands there; null where anything does. */
  readonly empty: EmptyModel | null;
  /** By key of the column. */
  readonly heads: Readonly<Record<string, TableHead>>;
}

/** Why a list is empty: there is nothing at all, nothing that is asked for, or nothing on so late a page. */
export type EmptyModel =
  | { readonly why: 'nothing-yet' }
  | { readonly why: 'no-match'; readonly drop: DropModel | null; readonly clearHref: string }
  | { readonly why: 'past-end'; readonly lastHref: string | null };

export interface SearchModel {
  readonly type: 'search';
  readonly area: string;
  /** The form that its field is part of, and what the field is called in it. */
  readonly form: string;
  readonly name: string;
  readonly text: string;
  readonly label: string;
  readonly placeholder: string;
}

export interface FacetsModel {
  readonly type: 'facets';
  readonly area: string;
  readonly form: string;
  readonly facets: readonly FacetModel[];
  /** Listings that are found, and things that are chosen. */
  readonly total: number;
  /** How many things are chosen. */
  readonly chosen: number;
  readonly clearHref: string;
}

export interface SortPieceModel {
  readonly type: 'sort';
  readonly form: string;
  readonly name: string;
  readonly choices: readonly SortModel[];
}

export interface CountModel {
  readonly type: 'count';
  readonly total: number;
  readonly sentence: string;
}

export interface ChipsModel {
  readonly type: 'chips';
  readonly chips: readonly ChipModel[];
  readonly clearHref: string;
}

export interface PagerPieceModel {
  readonly type: 'pager';
  readonly pager: PagerModel;
}

export interface JumpPieceModel {
  readonly type: 'jump';
  readonly jumps: readonly JumpModel[];
}

export interface MapModel extends PointsModel {
  readonly type: 'map';
  readonly form: string;
  readonly name: string;
  readonly height: 'small' | 'normal' | 'large';
  /** What it is a map of, for those who don't see it. */
  readonly label: string;
  /** The part of the map that is chosen, as it stands in the address; '' for none. */
  readonly box: string;
  /** The address of the site's own base map, GeoJSON (RFC 7946); null for none. */
  readonly base: string | null;
  /** Where pictures of the ground come from; null for nowhere. */
  readonly tiles: MapTiles | null;
}

export interface ChosenCategoryModel {
  readonly type: 'chosen-category';
  /** Of its heading; 0 for none. */
  readonly level: 0 | 1 | 2;
  readonly category: CategoryModel;
}

export interface CategoriesModel {
  readonly type: 'categories';
  readonly layout: 'list' | 'tiles' | 'tree';
  readonly heading: string;
  readonly entries: readonly CategoryEntry[];
}

/** A value of a facet with the page of its listings. */
export interface CategoryEntry {
  readonly label: string;
  readonly href: string;
  /** Null where counts aren't shown. */
  readonly count: number | null;
  /** How deep a category lies; 0 for everything else. */
  readonly depth: number;
  readonly icon: string;
  readonly colour: string;
  readonly picture: Picture | null;
}

export interface ButtonsModel {
  readonly type: 'buttons';
  readonly look: 'filled' | 'plain';
  readonly buttons: readonly { readonly words: string; readonly href: string }[];
}

export interface BreadcrumbModel {
  readonly type: 'breadcrumb';
  /** What it is called to those who hear the page. */
  readonly label: string;
  readonly words: string;
  readonly href: string;
}

export interface BylineModel {
  readonly type: 'byline';
  readonly text: string;
}

export interface ShareModel {
  readonly type: 'share';
  readonly canShare: boolean;
  readonly canPrint: boolean;
}

/** A button with which visitors put the listing of the page on their shortlist. */
export interface KeepModel {
  readonly type: 'keep';
  readonly id: number;
  readonly title: string;
}

/** What each of the compared listings says of one thing, in the order of the heads. */
export interface ComparedRow {
  readonly form: SlotForm;
  readonly values: readonly (CardValue | null)[];
}

export interface ComparisonModel {
  readonly type: 'comparison';
  readonly heads: readonly {
    readonly id: number;
    readonly title: string;
    readonly href: string | null;
    readonly picture: Picture | null;
  }[];
  readonly different: readonly ComparedRow[];
  readonly same: readonly ComparedRow[];
  /** Whether others were chosen that are of another kind, and so cannot stand beside these. */
  readonly isOfSeveralKinds: boolean;
  /** The shortlist without the comparison. */
  readonly endHref: string;
}

export interface DividerModel {
  readonly type: 'divider';
}

export interface SpaceModel {
  readonly type: 'space';
  readonly size: 'small' | 'normal' | 'large';
}

/** What stands in the place of a piece that has nothing to show. */
export interface NothingModel {
  readonly type: 'nothing';
  readonly sentence: string;
}

/** With which visitors tell what is wrong with the listing of the page, or that it is theirs. */
export interface TellModel {
  readonly type: 'tell';
  readonly listingId: number;
  readonly title: string;
  /** The page, to which its sender comes back. */
  readonly path: string;
  readonly canTell: boolean;
  readonly canClaim: boolean;
  /** What was told and not sent yet; null for nothing. */
  readonly attempt: TellAttempt | null;
}

export interface TellAttempt {
  readonly token: string;
  readonly intent: 'wrong' | 'mine';
  readonly message: string;
  readonly sender: { readonly name: string; readonly email: string };
  readonly faults: readonly FormFault[];
  /** What people without scripts are asked; '' as long as anything is missing. */
  readonly sum: string;
}

export type MadePiece =
  | HeadingModel
  | TextModel
  | RichTextModel
  | PictureModel
  | GalleryModel
  | ValuesModel
  | SpecificationModel
  | ListModel
  | FacetsModel
  | SearchModel
  | SortPieceModel
  | CountModel
  | ChipsModel
  | PagerPieceModel
  | JumpPieceModel
  | MapModel
  | ChosenCategoryModel
  | CategoriesModel
  | ButtonsModel
  | BreadcrumbModel
  | BylineModel
  | ShareModel
  | KeepModel
  | FormModel
  | TellModel
  | ComparisonModel
  | DividerModel
  | SpaceModel;

/** A quiet piece of which a browser knows only which it is, as its HTML came from the server. */
export interface AsleepModel {
  readonly type: 'asleep';
  readonly print: number;
}

export type PieceModel = (MadePiece | NothingModel | AsleepModel) & {
  readonly key: string;
  readonly screens?: 'narrow' | 'wide';
};
export type PieceModelOf<Type extends PieceModel['type']> = Extract<PieceModel, { readonly type: Type }>;
