import type { SummaryLine } from './form-model.js';

/** What a visitor has sent in, and what became of it. */
export interface SentState {
  readonly secret: string;
  readonly title: string;
  /** What became of it, in a sentence. */
  readonly sentence: string;
  /** What the form says to who has sent it; '' for nothing. */
  readonly thanks: string;
  /** What the office wrote; '' for nothing. */
  readonly reason: string;
  /** What was asked for in a form; none of what is told of a listing. */
  readonly summary: readonly SummaryLine[];
  /** What they wrote of a listing that isn't theirs; '' for anything else. */
  readonly message: string;
  readonly canBeChanged: boolean;
  readonly canBeWithdrawn: boolean;
  /** The page of the listing that came of it; null for none. */
  readonly href: string | null;
}
