import type { LikenessReason } from '@plindo/core/contract';
import type { Intent, SubmissionState, Suspicion } from '@plindo/core/submissions';

/** What each submission is, as the queue says it. */
export const INTENT_WORDS: Readonly<Record<Intent, string>> = {
  new: 'New listing',
  correction: 'Correction',
  wrong: 'Something is wrong',
  mine: 'Says it is theirs',
};

export const STATE_WORDS: Readonly<Record<SubmissionState, string>> = {
  waiting: 'Waits for review',
  returned: 'Returned to its sender',
  accepted: 'Accepted',
  refused: 'Refused',
  merged: 'Merged',
  withdrawn: 'Withdrawn by its sender',
};

export const SUSPICION_WORDS: Readonly<Record<Suspicion, string>> = {
  trap: 'A field that people don’t see was filled in.',
  fast: 'It was sent faster than anybody can write it or look it over.',
  links: 'Its texts hold many web addresses.',
  repeated: 'The same texts were sent in before, within a week.',
};

export const LIKENESS_WORDS: Readonly<Record<LikenessReason, string>> = {
  title: 'called alike',
  place: 'at the same place',
  telephone: 'the same telephone number',
};

/** Reasons that offices often give (common practice). */
export const STOCK_REASONS: readonly string[] = [
  'Please add a telephone number or an e-mail address, so that visitors can get in touch.',
  'Please add a picture of your own. The one that you sent cannot be used here.',
  'Please write the summary in whole sentences, without capitals and prices.',
  'This is outside the area that we cover.',
  'We could not reach anybody there. Please check the telephone number.',
];

/** "2 days", "3 hours", "just now": how long something has waited. */
export function ageInWords(iso: string, nowInMs: number): string {
  const minutes = Math.max(0, Math.floor((nowInMs - Date.parse(iso)) / 60_000));
  if (minutes < 1) return 'just now';
  const [amount, unit] =
    minutes < 60
      ? ([minutes, 'minute'] as const)
      : minutes < 1440
        ? ([Math.floor(minutes / 60), 'hour'] as const)
        : ([Math.floor(minutes / 1440), 'day'] as const);
  return `${amount} ${unit}${amount === 1 ? '' : 's'}`;
}
