import type {
  BadValuePolicy,
  DryRun,
  FileConventions,
  GivenConventions,
  ImportPlan,
  ImportRow,
  ListingName,
  MatchedRow,
  PlannedImport,
  ProposedType,
  RowReport,
} from '@plindo/core/exchange';
import type { Status } from '@plindo/core/listings';
import type { DesignedPage } from '@plindo/core/page';
import type { FieldTypeName, Kind, ReadScene, SiteSettings } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import type { NamedPicture } from './picture-columns';

/** What the page asks of the worker that holds the file; each ask has one answer. */
export type Ask =
  /** A file, or a text that was pasted; for a kind that is there, or null for a new one. */
  | { readonly do: 'read'; readonly file: File | string; readonly scene: ReadScene; readonly kind: Kind | null }
  /** Another table of the file that was read last, by its position. */
  | { readonly do: 'table'; readonly at: number }
  /** What a column becomes when it is written in a way; `type` is what a person wants of it, null for the best. */
  | {
      readonly do: 'propose';
      readonly column: number;
      readonly type: FieldTypeName | null;
      readonly conventions: FileConventions;
    }
  /** The plan for a file that is written in another way. */
  | { readonly do: 'reread'; readonly plan: ImportPlan; readonly given: GivenConventions }
  | { readonly do: 'check'; readonly plan: ImportPlan; readonly policy: BadValuePolicy }
  | {
      readonly do: 'rows';
      readonly plan: ImportPlan;
      readonly status: Status;
      readonly offset: number;
      readonly most: number;
    }
  /** The listings that the rows are about, by what names them. */
  | { readonly do: 'match'; readonly plan: ImportPlan; readonly by: string; readonly names: readonly ListingName[] }
  /** Rows with their listings, of those that could be matched. */
  | {
      readonly do: 'matched';
      readonly plan: ImportPlan;
      readonly status: Status;
      /** Whether an empty cell leaves what is there. */
      readonly keepsBlanks: boolean;
      readonly offset: number;
      readonly most: number;
    }
  /** A picture of the zip, by the name that a row has for it. */
  | { readonly do: 'picture'; readonly name: string }
  | { readonly do: 'refused'; readonly rows: readonly number[] }
  | { readonly do: 'page'; readonly planned: PlannedImport; readonly site: SiteSettings; readonly search: string };

/** What is shown of a file that was read. */
export interface FileFacts {
  readonly headers: readonly string[];
  readonly rows: number;
  readonly firstRows: readonly (readonly string[])[];
  /** What the file is: "CSV, UTF-8". */
  readonly format: string;
  /** The names of its tables, of which `table` is shown; one that is '' is the only one. */
  readonly tables: readonly string[];
  readonly table: number;
  readonly plan: ImportPlan;
}

/** A row, and the pictures that it names, which are sent before it. */
export interface RowWithPictures {
  readonly row: ImportRow;
  readonly pictures: readonly NamedPicture[];
}

/** What came of matching the rows with listings. */
export interface MatchFacts {
  /** How many rows are about one listing, or a new one. */
  readonly rows: number;
  /** Rows of which it can't be told; the first thousand. */
  readonly reports: readonly RowReport[];
  readonly refused: number;
  /** Listings that no row is about. */
  readonly missing: readonly ListingName[];
}

export interface AnswerTo {
  read: FileFacts;
  table: FileFacts;
  propose: ProposedType;
  reread: ImportPlan;
  check: DryRun;
  rows: readonly RowWithPictures[];
  /** Null where there is none of that name. */
  picture: Uint8Array | null;
  match: MatchFacts;
  matched: readonly MatchedRow[];
  /** The refused rows with their header, as CSV text. */
  refused: string;
  /** The index page that visitors would have of the rows, in a state. */
  page: DesignedPage;
}

export type Answer =
  { readonly id: number; readonly result: AnswerTo[keyof AnswerTo] } | { readonly id: number; readonly issue: Issue };
