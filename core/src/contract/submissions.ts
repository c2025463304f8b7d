import type { Status } from '../listings/index.js';
import type { Picture } from '../structure/index.js';
import type { GivenConsent, Sender, SentValues, Submission, Suspicion } from '../submissions/index.js';

/** A submission in the queue of the office. */
export type SubmissionSummary = Pick<
  Submission,
  'id' | 'version' | 'intent' | 'state' | 'kindId' | 'listingId' | 'title' | 'reason'
> & {
  readonly sender: Sender;
  readonly suspicions: readonly Suspicion[];
  /** ISO 8601 moments. */
  readonly createdAt: string;
  readonly changedAt: string;
};

export interface SubmissionQueue {
  readonly total: number;
  readonly submissions: readonly SubmissionSummary[];
}

/** How many wait for review, and how many lie on the heap of what may be misuse. */
export interface SubmissionCounts {
  readonly waiting: number;
  readonly suspected: number;
}

/** One field of a submission beside what the listing has there now. */
export interface SubmittedField {
  /** Key of the field, a built-in one with its mark. */
  readonly key: string;
  readonly label: string;
  readonly sent: SubmittedValue;
  /** Null where there is no listing yet. */
  readonly now: SubmittedValue | null;
  /** Whether somebody has changed it in the listing since it was sent. */
  readonly isChangedSince: boolean;
}

/** A value in words, with its pictures. */
export interface SubmittedValue {
  readonly text: string;
  readonly pictures: readonly Picture[];
}

/** Why a listing may be the one that was sent in. */
export type LikenessReason = 'title' | 'place' | 'telephone';

export interface LikeListing {
  readonly id: number;
  readonly title: string;
  readonly status: Status;
  readonly why: readonly LikenessReason[];
}

/** A submission with all that is needed to decide about it. */
export interface SubmissionDetail extends SubmissionSummary {
  readonly message: string;
  readonly values: SentValues;
  readonly consents: readonly GivenConsent[];
  readonly fields: readonly SubmittedField[];
  /** The listing that it is about; null for none. */
  readonly listing: {
    readonly id: number;
    readonly title: string;
    readonly version: number;
    readonly status: Status;
  } | null;
  /** Listings that it may be about as well; none for anything but a new one. */
  readonly alike: readonly LikeListing[];
  /** With what a listing begins that is accepted. */
  readonly begins: { readonly status: 'live' | 'draft'; readonly featured: boolean };
}

/** What is decided about a submission. */
export interface Decision {
  readonly version: number;
  /** What the sender is told; '' for nothing. */
  readonly reason: string;
}

/** An acceptance: which of the sent values are taken, as they were sent or as they were changed on the way. */
export interface Acceptance extends Decision {
  readonly values: SentValues;
  readonly status: 'live' | 'draft';
  readonly featured: boolean;
  /** The version of the listing that the editor has seen; null where there is none yet. */
  readonly listingVersion: number | null;
}

export interface Merging extends Decision {
  readonly values: SentValues;
  readonly listingId: number;
  readonly listingVersion: number;
}

/** One decision about several submissions. */
export const DECIDED_TOGETHER = ['accept', 'refuse', 'trust'] as const;
export type DecidedTogether = (typeof DECIDED_TOGETHER)[number];

/** What came of one decision about several: the changes, and those that stayed as they were, with why. */
export interface DecidedSubmissions {
  readonly changeIds: readonly number[];
  readonly refused: readonly { readonly id: number; readonly why: string }[];
}

/** A submission of whoever asks, with the page where they can see and change it; null where its link can't be opened any more. */
export interface OwnSubmission extends SubmissionSummary {
  readonly path: string | null;
  /** Whether its listing is theirs, and they may correct it. */
  readonly isOwned: boolean;
}
