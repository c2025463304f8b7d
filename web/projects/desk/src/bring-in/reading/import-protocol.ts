import type {
  BadValuePolicy,
  DryRun,
  FileConventions,
  GivenConventions,
  ImportPlan,
  ImportRow,
  PlannedImport,
  ProposedType,
} from '@plindo/core/exchange';
import type { Status } from '@plindo/core/listings';
import type { DesignedPage } from '@plindo/core/page';
import type { FieldTypeName, ReadScene, SiteSettings } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';

/** What the page asks of the worker that holds the file; each ask has one answer. */
export type Ask =
  /** A file, or a text that was pasted. */
  | { readonly do: 'read'; readonly file: File | string; readonly scene: ReadScene }
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

export interface AnswerTo {
  read: FileFacts;
  table: FileFacts;
  propose: ProposedType;
  reread: ImportPlan;
  check: DryRun;
  rows: readonly ImportRow[];
  /** The refused rows with their header, as CSV text. */
  refused: string;
  /** The index page that visitors would have of the rows, in a state. */
  page: DesignedPage;
}

export type Answer =
  { readonly id: number; readonly result: AnswerTo[keyof AnswerTo] } | { readonly id: number; readonly issue: Issue };
