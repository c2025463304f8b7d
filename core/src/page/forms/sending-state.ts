import type { Answers, Sender } from '../../submissions/index.js';
import type { FormFault, SummaryLine } from './form-model.js';

/** What a visitor tells of a listing: that something is wrong with it, or that it is theirs. */
export interface ToldOfListing {
  readonly listingId: number;
  readonly intent: 'wrong' | 'mine';
  readonly message: string;
}

/** What a visitor has answered in a form so far. */
export interface SendingState {
  /** Number of the form; 0 for what is told of a listing. */
  readonly formId: number;
  /** What is told of a listing; null for the answers to a form. */
  readonly told: ToldOfListing | null;
  /** Names what the server keeps of it; '' as long as it keeps nothing. */
  readonly token: string;
  /** The secret of what was sent before, which this changes; '' for something new. */
  readonly secret: string;
  readonly answers: Answers;
  readonly sender: Pick<Sender, 'name' | 'email'>;
  /** Keys of the consents that were given. */
  readonly consents: readonly string[];
  /** Keys of the fields of questions that don't apply. */
  readonly hidden: readonly string[];
  readonly faults: readonly FormFault[];
  /** What would be sent; null as long as anything is missing. */
  readonly summary: readonly SummaryLine[] | null;
  /** What people without scripts are asked; '' as long as nothing can be sent. */
  readonly sum: string;
}

/** Somebody without scripts who comes back to a form. */
export interface ComeBack {
  /** Names what they have answered; '' for nothing. */
  readonly token: string;
  /** Whether they have answered the sum, and wrongly. */
  readonly isSumWrong: boolean;
}
