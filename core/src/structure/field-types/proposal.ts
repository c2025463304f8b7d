import type { FieldSettings } from '../fields/field.js';
import type { ReadContext } from './read-context.js';

/** The values of one column of a file, as the sniffing sees them. */
export interface ColumnSample {
  readonly header: string;
  /** How many cells hold something. */
  readonly filled: number;
  /** How often each different value occurs, trimmed, in the order in which they come first. */
  readonly tally: ReadonlyMap<string, number>;
  /** Characters of the longest value. */
  readonly longest: number;
  /** All cells, empty ones too. */
  readonly rows: number;
  readonly context: ReadContext;
}

/** A field type proposed for a column. */
export interface Proposal {
  /** 0 to 1; the highest of all types wins, the registry's order breaks a tie. */
  readonly strength: number;
  readonly settings: FieldSettings;
  /** A sentence for the person who decides: what speaks for it, in numbers. */
  readonly reason: string;
  /** What speaks against it, if anything. */
  readonly against?: string;
  /** What parts the entries of a list in a cell. */
  readonly separator?: string | null;
  /** Set where an empty cell means no. */
  readonly blankIsNo?: boolean;
}

/** The share of values that must fit before a type is proposed at all. */
export const ENOUGH = 0.9;

/** Counts the values that fit, each different one tested once. */
export function countFitting({ tally }: ColumnSample, fits: (value: string) => boolean): number {
  let count = 0;
  for (const [value, times] of tally) if (fits(value)) count += times;
  return count;
}

/** "1,204 of 1,204 values": the beginning of every reason. */
export function shareOf(fitting: number, sample: ColumnSample): string {
  const { formats } = sample.context;
  return `${formats.number(fitting)} of ${formats.number(sample.filled)} values`;
}

/** A proposal when enough values fit, weaker by the share of those that don't. */
export function proposeIfEnough(
  sample: ColumnSample,
  fitting: number,
  strength: number,
  words: { plural: string; settings?: FieldSettings },
): Proposal | null {
  const share = sample.filled === 0 ? 0 : fitting / sample.filled;
  if (share < ENOUGH) return null;
  const misfits = sample.filled - fitting;
  return {
    strength: strength * share,
    settings: words.settings ?? {},
    reason: `${shareOf(fitting, sample)} are ${words.plural}.`,
    ...(misfits > 0 && {
      against:
        misfits === 1
          ? 'One is not and would be refused.'
          : `${misfits.toLocaleString(sample.context.locale)} are not and would be refused.`,
    }),
  };
}
