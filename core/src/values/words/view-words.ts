import type { ViewWord } from './english-view.js';
import { ENGLISH_VIEW } from './english-view.js';
import type { Wording } from './wording.js';
import { Words } from './words.js';

/** What the components of a page say. */
export type ViewWords = Words<ViewWord>;

/** The words that a page brings with it: its locale, and the sentences that browsers don't have already. */
export interface SentWords {
  readonly locale: string;
  readonly said: Readonly<Partial<Record<ViewWord, Wording>>>;
}

/** The words of a page's components. */
export function viewWords({ locale, said }: SentWords): ViewWords {
  return new Words(locale, { ...ENGLISH_VIEW, ...said });
}
