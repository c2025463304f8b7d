import type { Suspicion } from './suspicion.js';

/** What somebody sends in: a listing, a change of one, that something is wrong with one, or that one is theirs. */
export const INTENTS = ['new', 'correction', 'wrong', 'mine'] as const;
export type Intent = (typeof INTENTS)[number];

/** Waiting for review; returned to its sender with a reason; decided; or withdrawn by its sender. */
export const SUBMISSION_STATES = ['waiting', 'returned', 'accepted', 'refused', 'merged', 'withdrawn'] as const;
export type SubmissionState = (typeof SUBMISSION_STATES)[number];

/** By the key of a field (a built-in one with its mark), what was sent for it, read by its type; null for emptied. Links are numbers of listings. */
export type SentValues = Readonly<Record<string, unknown>>;

export interface Sender {
  /** '' when it isn't given. */
  readonly name: string;
  readonly email: string;
  /** The account with which it was sent, or that collected it later; null for none. */
  readonly userId: number | null;
}

/** A consent in the words that were agreed to. */
export interface GivenConsent {
  readonly words: string;
  /** Milliseconds since 1970. */
  readonly at: number;
}

/** Who sent something in. It is no part of the change log, so that it can be erased. */
export interface SubmissionSender {
  readonly sender: Sender;
  readonly consents: readonly GivenConsent[];
}

/** Something that a visitor has sent in, on no page until somebody accepts it. Moments are milliseconds since 1970. */
export interface Submission {
  readonly id: number;
  /** Goes up by one at every change. */
  readonly version: number;
  readonly intent: Intent;
  readonly state: SubmissionState;
  /** The form by which it came; null for one that came without a form. */
  readonly formId: number | null;
  readonly kindId: number;
  /** The listing that it is about, or has become; null for a new one that nobody has accepted yet. */
  readonly listingId: number | null;
  readonly title: string;
  readonly values: SentValues;
  /** Of a correction, what the listing had in the same fields when it was sent; null for anything else. */
  readonly was: SentValues | null;
  /** What the sender wrote beside it; '' for nothing. */
  readonly message: string;
  /** Why it may be misuse; none for what may not. */
  readonly suspicions: readonly Suspicion[];
  /** What the office wrote to the sender last; '' for nothing. */
  readonly reason: string;
  readonly createdAt: number;
  readonly changedAt: number;
  /** Null as long as nobody has decided. */
  readonly decidedAt: number | null;
}

export type SentSubmission = Submission & SubmissionSender;

/** Whether it waits for somebody of the office. */
export function isOpen({ state }: Pick<Submission, 'state'>): boolean {
  return state === 'waiting';
}

/** Whether its sender may still change it, or send it again. */
export function isChangeable({ state }: Pick<Submission, 'state'>): boolean {
  return state === 'waiting' || state === 'returned';
}

/** Whether it was only written about a listing, by somebody who is not known as its owner: of its values they see nothing. */
export function isMessage(submission: Pick<Submission, 'state' | 'intent' | 'listingId'>): boolean {
  return submission.intent === 'wrong' || (submission.intent === 'mine' && !isOwning(submission));
}

/** Whether its sender owns the listing that came of it, and may correct that. */
export function isOwning({ state, intent, listingId }: Pick<Submission, 'state' | 'intent' | 'listingId'>): boolean {
  return state === 'accepted' && listingId !== null && (intent === 'new' || intent === 'mine');
}
