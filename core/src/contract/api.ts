import type { BadValuePolicy, ImportRow, RowReport } from '../exchange/index.js';
import type {
  ConditionFault,
  Difference,
  FoundProblem,
  Listing,
  ListingInput,
  Status,
  TypeChangeReport,
} from '../listings/index.js';
import type { Awkwardness, Design, PagePurpose } from '../design/index.js';
import type { CardForms, CardModel, PageModel } from '../page/index.js';
import type { Explanation, TableFilter } from '../query/index.js';
import type {
  CategorySet,
  ConditionGroup,
  Field,
  Kind,
  KindSketch,
  OrderSubject,
  Picture,
  Selection,
  SiteSettings,
} from '../structure/index.js';
import type { Issue } from '../values/index.js';

/** RFC 9457 problem details, with the code from the catalogue of errors and every single issue. */
export interface Problem {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly code: string;
  /** The first twenty. */
  readonly issues: readonly Issue[];
  /** How many others there are, where there are more. */
  readonly more?: number;
}

export const ROLES = ['owner', 'editor', 'contributor'] as const;
export type Role = (typeof ROLES)[number];

export interface User {
  readonly id: number;
  readonly email: string;
  readonly name: string;
  readonly role: Role;
}

export interface SessionInfo {
  /** Null when nobody is signed in. */
  readonly user: User | null;
  /** To be sent back as the header X-CSRF-Token with every change; '' when nobody is signed in. */
  readonly csrf: string;
  /** Whether they have to turn on a second step before they can do anything else. */
  readonly needsStep: boolean;
  /** Whether the store has no owner yet. */
  readonly needsOwner: boolean;
  readonly site: SiteSettings;
}

export interface KindSummary {
  readonly kind: Kind;
  /** Listings by status. */
  readonly counts: Readonly<Record<Status, number>>;
}

export interface CategorySetSummary {
  readonly set: CategorySet;
  /** Listings by category key; one counts once in a category and once in each above it. */
  readonly counts: Readonly<Record<string, number>>;
  /** The fields that use it. */
  readonly usedBy: readonly { readonly kindId: number; readonly kind: string; readonly field: string }[];
}

export interface SelectionSummary {
  readonly selection: Selection;
  /** Listings that it shows at this moment. */
  readonly total: number;
  /** What has become wrong with its conditions since it was saved; visitors get those counted as false. */
  readonly faults: readonly ConditionFault[];
  /** Where it is used: "its own page". */
  readonly usedBy: readonly string[];
}

/** What a selection would give, saved or not. */
export interface SelectionPreview {
  readonly total: number;
  /** Listings that it finds, before `skip` and `limit` are applied. */
  readonly found: number;
  /** How long answering took. */
  readonly ms: number;
  readonly cards: readonly CardModel[];
  readonly cardForms: CardForms;
  /** Numbers of the kinds that it chooses from, or of which something was picked. */
  readonly kinds: readonly number[];
  readonly issues: readonly Issue[];
  /** By position of a condition, how many listings it removes that all others let in. */
  readonly removed: readonly number[];
}

/** A whole site to begin with. */
export interface SiteStarterSummary {
  readonly name: string;
  readonly label: string;
  readonly purpose: string;
  /** What its kinds are called, with how many examples each brings. */
  readonly kinds: readonly { readonly many: string; readonly examples: number }[];
}

/** A page of a site as it would be. */
export interface PreviewedPage {
  readonly label: string;
  readonly path: string;
  readonly model: PageModel;
}

/** The listings that came with a starter and are not in the bin. */
export interface ExamplesSummary {
  /** Those that are as they came. */
  readonly untouched: number;
  /** Those that somebody has changed, and made their own by that. */
  readonly changed: number;
}

/** The page that serves a listing; its number is null for the standard one of its kind. */
export interface ServingPage {
  readonly id: number | null;
  readonly name: string;
  /** What has to hold of a listing for it; null for all listings of the kind. */
  readonly when: ConditionGroup | null;
  /** The designed pages of the kind in the order in which they are tried, with whether what each asks holds. */
  readonly tried: readonly {
    readonly id: number;
    readonly name: string;
    /** How many conditions it has; pages with more are tried first. */
    readonly asks: number;
    readonly holds: boolean;
  }[];
}

/** An address that stood for something before. */
export interface FormerAddresses {
  /** How many there are; some of them are shown. */
  readonly total: number;
  /** Paths; where one leads now, null for nowhere. */
  readonly rows: readonly { readonly from: string; readonly to: string | null }[];
}

/** What is at an address of the site. */
export interface AddressLook {
  readonly address: string;
  /** Whether a page stands there. */
  readonly isThere: boolean;
  /** Where else visitors are led from there; null for nowhere. */
  readonly leadsTo: string | null;
}

/** Which page serves how many listings of a kind. */
export interface ServingTable {
  /** In the order in which they are tried; the last one, that Plindo makes, has no number. */
  readonly pages: readonly {
    readonly id: number | null;
    readonly name: string;
    readonly asks: number;
    readonly count: number;
    /** The first of them. */
    readonly listings: readonly NamedListing[];
  }[];
  /** How many listings were looked at, and whether these are all. */
  readonly looked: number;
  readonly isWhole: boolean;
}

/** An earlier version of a design. */
export interface DesignVersion {
  readonly version: number;
  /** ISO 8601 moment. */
  readonly at: string;
  readonly who: string;
  readonly sentence: string;
  readonly definition: Design['definition'];
}

/** A design that visitors do not see yet, with who changed it last. */
export interface KeptDraft {
  readonly design: Design;
  /** ISO 8601 moment; null where no change of it is known. */
  readonly at: string | null;
  readonly who: string;
}

/** Which design made a page, and what it was shown with. */
export interface DesignOfPage {
  /** Null for a page that nobody has designed. */
  readonly id: number | null;
  readonly serves: PagePurpose;
  /** Null for a page of no kind. */
  readonly kindId: number | null;
  /** Number of the selection whose list it shows; 0 for none. */
  readonly selection: number;
  /** The listing that the page was shown with; null for none. */
  readonly listingId: number | null;
  /** Key of the category that it is about. */
  readonly category: string | null;
}

/** Listings to try a design with, complete, and those that they are linked with, at most two links away. */
export interface DesignSamples {
  readonly samples: readonly DesignSample[];
  readonly linked: readonly Listing[];
}

export interface DesignSample {
  readonly listing: Listing;
  /** Why it is worth looking at; empty for a plain one. */
  readonly why: readonly Awkwardness[];
}

/** A selection that chooses from the kind of a listing, and where in it the listing is, or why it isn't. */
export interface ListingInSelection {
  readonly id: number;
  readonly name: string;
  readonly explanation: Explanation;
}

/** A listing as it is named, with what leads to its form. */
export type NamedListing = Pick<Listing, 'id' | 'kindId' | 'title'>;

/** Listings that fail one condition alone: its position, how many, and the first ones. */
export interface JustMissing {
  readonly at: number;
  readonly total: number;
  readonly listings: readonly NamedListing[];
}

/** Something chosen on a public list that alone keeps some listings out of it. */
export interface MissedOnPage {
  readonly label: string;
  /** The list without it. */
  readonly href: string;
  readonly total: number;
  /** The first of them. */
  readonly listings: readonly NamedListing[];
}

/** A link as it is asked for; the fields at its ends get the labels. */
export interface LinkSketch {
  readonly a: LinkEndSketch;
  readonly b: LinkEndSketch;
  readonly hasNotes: boolean;
}

/** A field of texts that is to become a link to the listings that the texts name. */
export interface FieldToLinkSketch {
  /** Key of the field; the link's end has the same key and the same label. */
  readonly field: string;
  /** The kind of the listings that it names. */
  readonly otherKindId: number;
  /** What names them: "@title", "@slug", or the key of a field of theirs. */
  readonly namedBy: string;
  /** What the other end is called among the fields of the other kind. */
  readonly otherLabel: string;
}

export interface LinkEndSketch {
  readonly kindId: number;
  /** What the end is called among the fields of its kind: "Harbour" at the berths. */
  readonly label: string;
  /** Whether one listing of this kind may be connected with many of the other. */
  readonly many: boolean;
}

/** A listing that could be linked, with what tells it apart. */
export interface LinkCandidate {
  readonly id: number;
  readonly title: string;
  readonly picture: Picture | null;
  readonly facts: readonly string[];
  /** The listing it is connected with now, where it can be with one only; it would be moved. */
  readonly heldBy: { readonly id: number; readonly title: string } | null;
}

export type { AddressesPlan, CategoryMove } from '../plans/index.js';

/** What another type would make of the values of a field. */
export interface TypeChangePlan {
  /** The field as it would be, with choices made of the values where it needs some. */
  readonly field: Field;
  readonly report: TypeChangeReport;
}

export interface ListingsWindow {
  readonly total: number;
  readonly offset: number;
  readonly listings: readonly Listing[];
}

/** What a change answers: the change's number, by which it can be undone, and what it made of the subject. */
export interface Changed<T> {
  readonly changeId: number;
  readonly result: T;
}

export interface ChangeSummary {
  readonly id: number;
  /** ISO 8601. */
  readonly at: string;
  readonly who: string;
  readonly sentence: string;
  readonly undone: boolean;
}

/** One state of a listing in its history. */
export interface Revision extends ChangeSummary {
  readonly differences: readonly Difference[];
  /** Whether the listing itself was changed, so that it can be put back to how it was then. */
  readonly isState: boolean;
}

/** A listing that was found by words. */
export type FoundListing = Pick<Listing, 'id' | 'kindId' | 'title' | 'status' | 'picture'>;

export interface FoundListings {
  readonly total: number;
  /** The best of them. */
  readonly listings: readonly FoundListing[];
}

/** Where a picture is used; `link` is the way there in the Desk. */
export interface PictureUse {
  readonly title: string;
  readonly link: readonly (string | number)[];
}

/** A picture that is kept. */
export interface KeptPicture {
  readonly hash: string;
  /** In pixels. */
  readonly width: number;
  readonly height: number;
  readonly fileName: string;
  /** Size of the kept file. */
  readonly bytes: number;
  /** Milliseconds since 1970. */
  readonly createdAt: number;
  /** How many places use it. */
  readonly uses: number;
  /** The first of them. */
  readonly usedBy: readonly PictureUse[];
}

export interface PictureWindow {
  readonly total: number;
  /** How many of all are used nowhere. */
  readonly unused: number;
  readonly pictures: readonly KeptPicture[];
}

export interface ProblemReport {
  readonly problems: readonly FoundProblem[];
}

/** What the bin of a kind holds. */
export interface BinSummary {
  readonly listings: number;
  /** Connections with other listings, which go with them. */
  readonly connections: number;
}

/** Which columns of a table somebody sees, in which order; and, under a name, how it is sorted and narrowed. */
export interface KeptTable {
  /** Null for the columns that the fields ask for. */
  readonly columns: readonly string[] | null;
  /** Keys of columns that stay in view, beside the title. */
  readonly frozen: readonly string[];
  readonly views: readonly TableView[];
}

export interface TableView {
  readonly name: string;
  readonly columns: readonly string[];
  readonly frozen: readonly string[];
  readonly ask: TableAsk;
}

/** What a table is asked for, its window aside. */
export interface TableAsk {
  readonly text: string;
  readonly status: Status | null;
  readonly filters: readonly TableFilter[];
  readonly sort: OrderSubject;
  readonly direction: 'up' | 'down';
}

export interface ImportStart {
  readonly fileName: string;
  readonly rows: number;
  readonly policy: BadValuePolicy;
  readonly kind: KindSketch;
}

export interface ImportBatch {
  /** Position of the first row in the file, counted from 0: batches have to come in order. */
  readonly offset: number;
  readonly rows: readonly ImportRow[];
}

/** What open Desks are told of a change. */
export interface DeskChange {
  readonly type: 'change';
  readonly who: string;
  readonly sentence: string;
  /** Kinds of which listings were changed. */
  readonly kinds: readonly number[];
  /** Listings that were changed; null for too many to name. */
  readonly listings: readonly number[] | null;
  /** Whether kinds, selections, designs or settings were changed. */
  readonly structure: boolean;
  /** Whether something that visitors have sent in came or was decided. */
  readonly submissions: boolean;
  /** Whether the one who is told made it, here or in another window. */
  readonly isOwn?: boolean;
}
export type DeskEvent = DeskChange;

/** What becomes of listings that a file says nothing of. */
export const MISSING_ACTS = ['leave', 'hide', 'bin'] as const;
export type MissingAct = (typeof MISSING_ACTS)[number];

/** What a file that is brought in again makes of a kind: what was compared and agreed to. */
export interface FileUpdate {
  readonly fileName: string;
  readonly policy: BadValuePolicy;
  readonly changes: readonly { readonly id: number; readonly version: number; readonly input: ListingInput }[];
  readonly additions: readonly ImportRow[];
  readonly missing: {
    readonly act: MissingAct;
    readonly listings: readonly { readonly id: number; readonly version: number }[];
  };
}

/** How many listings were added, changed, and hidden or binned. */
export interface FileUpdateResult {
  readonly added: number;
  readonly changed: number;
  readonly missing: number;
}

export interface ImportState {
  readonly id: number;
  readonly kindId: number;
  readonly state: 'running' | 'done' | 'cancelled';
  readonly rows: number;
  /** Rows that the server has read so far. */
  readonly seen: number;
  readonly added: number;
  readonly refused: number;
  /** The first refused rows and why. */
  readonly reports: readonly RowReport[];
}
