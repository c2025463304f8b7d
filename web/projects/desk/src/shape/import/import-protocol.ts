import type { BadValuePolicy, DryRun, ImportPlan, ImportRow, PlannedImport } from '@plindo/core/exchange';
import type { Status } from '@plindo/core/listings';
import type { DesignedPage } from '@plindo/core/page';
import type { FieldTypeName, Proposal, ReadScene, SiteSettings } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';

/** What the page asks of the worker that holds the file; each ask has one answer. */
export type Ask =
  | { readonly do: 'read'; readonly file: File; readonly scene: ReadScene }
  | { readonly do: 'propose'; readonly column: number; readonly type: FieldTypeName }
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
  readonly delimiter: string;
  readonly encoding: string;
  readonly plan: ImportPlan;
}

export interface AnswerTo {
  read: FileFacts;
  propose: Proposal;
  check: DryRun;
  rows: readonly ImportRow[];
  /** The refused rows with their header, as CSV text. */
  refused: string;
  /** The index page that visitors would have of the rows, in a state. */
  page: DesignedPage;
}

export type Answer =
  { readonly id: number; readonly result: AnswerTo[keyof AnswerTo] } | { readonly id: number; readonly issue: Issue };
