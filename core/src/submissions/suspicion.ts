/** Why something that was sent in may be misuse; such submissions lie on a heap of their own. */
export const SUSPICIONS = ['trap', 'fast', 'links', 'repeated'] as const;
export type Suspicion = (typeof SUSPICIONS)[number];

/** Nobody looks over what they have answered in less time. */
const LEAST_TO_LOOK_IN_MS = 2_000;
/** More addresses than that in its texts are advertising (common practice). */
const MOST_LINKS = 3;
const LINK = /\bhttps?:\/\/|\bwww\./gi;

/** What is known of how something was sent in. */
export interface Sending {
  /** What was typed into the field that people don't see; '' for nothing. */
  readonly trap: string;
  /** Between looking over the answers and sending them; of what is told of a listing, between beginning to write and sending. */
  readonly tookInMs: number;
  /** All texts of it that are not meant to be addresses. */
  readonly texts: readonly string[];
  /** Whether the same texts were sent in before, lately. */
  readonly isRepeated: boolean;
}

export function suspicionsOf({ trap, tookInMs, texts, isRepeated }: Sending): Suspicion[] {
  const links = texts.reduce((sum, text) => sum + (text.match(LINK)?.length ?? 0), 0);
  return [
    ...(trap.trim() === '' ? [] : (['trap'] as const)),
    ...(tookInMs < LEAST_TO_LOOK_IN_MS ? (['fast'] as const) : []),
    ...(links > MOST_LINKS ? (['links'] as const) : []),
    ...(isRepeated ? (['repeated'] as const) : []),
  ];
}
