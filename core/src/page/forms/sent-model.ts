import type { PageFrame } from '../page-model.js';
import type { FormModel, SummaryLine } from './form-model.js';

/** What a visitor has sent in, and what became of it. */
export interface SentState {
  readonly secret: string;
  readonly title: string;
  /** What became of it, in a sentence. */
  readonly sentence: string;
  /** What the office wrote; '' for nothing. */
  readonly reason: string;
  readonly summary: readonly SummaryLine[];
  readonly canBeChanged: boolean;
  readonly canBeWithdrawn: boolean;
  /** The page of the listing that came of it; null for none. */
  readonly href: string | null;
}

/** The page to which the link of a sender leads. */
export interface SentPage extends PageFrame {
  readonly type: 'sent';
  readonly sent: SentState;
  /** With which it can be changed; null when it can't. */
  readonly form: FormModel | null;
}
