import type { ColumnSample, FieldTypeName, Proposal } from '../../structure/index.js';
import { FIELD_TYPE_NAMES, choicesFromLabels, fieldType, hasSubfields } from '../../structure/index.js';
import { foldText } from '../../values/index.js';
import type { FileConventions } from '../conventions/conventions.js';
import type { EmptyWhere } from '../conventions/empty-words.js';
import { emptyWordsIn } from '../conventions/empty-words.js';
import type { CellReading } from './import-plan.js';
import type { BestType } from './propose-nested.js';
import { proposeNested } from './propose-nested.js';

/** A field type for a column, with how its cells are read. */
export interface ProposedType {
  readonly type: FieldTypeName;
  readonly proposal: Proposal;
  readonly reading: CellReading;
  /** How many cells hold a word that stands for nothing. */
  readonly emptied: number;
}

/** The field type that a column fits best, without the words that stand for nothing where the type has no use for them. */
export function proposeType(sample: ColumnSample, conventions: FileConventions): ProposedType {
  const cleaned = withoutEmptyWords(sample, conventions.emptyWords, 'values');
  const first = bestType(cleaned);
  const where = emptyWhere(first.type);
  const right =
    where === 'values' || cleaned === sample ? cleaned : withoutEmptyWords(sample, conventions.emptyWords, where);
  const best = right === cleaned ? first : bestType(right);
  return {
    ...best,
    reading: readingOf(best.type, best.proposal, conventions),
    emptied: sample.filled - right.filled,
  };
}

/** What a half of a place is by itself: a number, whose cells nothing else is asked of. */
export function halfOfPlace(conventions: FileConventions): ProposedType {
  const proposal = { strength: 1, settings: {}, reason: '' };
  return { type: 'decimal', proposal, reading: readingOf('decimal', proposal, conventions), emptied: 0 };
}

/** What can be said when a person gives a column a type of their own choice. */
export function proposalForType(type: FieldTypeName, sample: ColumnSample, conventions: FileConventions): ProposedType {
  const cleaned = withoutEmptyWords(sample, conventions.emptyWords, emptyWhere(type));
  const nested = hasSubfields({ type }) ? proposeNested(cleaned, bestType) : null;
  const found = nested?.type === type ? nested.proposal : fieldType(type).propose?.(cleaned);
  const settings = type === 'one-choice' || type === 'several-choices' ? { choices: choicesOf(cleaned) } : {};
  const proposal = found ?? { strength: 0, settings, reason: 'You chose this.' };
  const emptied = sample.filled - cleaned.filled;
  return { type, proposal, reading: readingOf(type, proposal, conventions), emptied };
}

/** So many different values tell which types a column can have; only those are tried on all of them. */
const QUICK_VALUES = 600;
/** Types of texts, which one long text among thousands decides. */
const ALWAYS_TRIED: ReadonlySet<FieldTypeName> = new Set(['short-text', 'long-text']);

function bestType(sample: ColumnSample): BestType {
  const nothing = { strength: 0, settings: {}, reason: 'The column is empty.' };
  if (sample.filled === 0) return { type: 'short-text', proposal: nothing };
  const nested = proposeNested(sample, bestType);
  if (nested) return nested;
  const quick = quickSample(sample);
  const likely = FIELD_TYPE_NAMES.flatMap((type) => {
    const proposal = fieldType(type).propose?.(ALWAYS_TRIED.has(type) ? sample : quick);
    return proposal ? [{ type, proposal }] : [];
  });
  // The registry's order breaks a tie, as sorting is stable.
  likely.sort((a, b) => b.proposal.strength - a.proposal.strength);
  let best: BestType | null = null;
  for (const one of likely) {
    if (best && best.proposal.strength >= one.proposal.strength) break;
    const isWhole = quick === sample || ALWAYS_TRIED.has(one.type);
    const proposal = isWhole ? one.proposal : fieldType(one.type).propose?.(sample);
    if (proposal && proposal.strength > (best?.proposal.strength ?? 0)) best = { type: one.type, proposal };
  }
  return best ?? { type: 'short-text', proposal: nothing };
}

/** The first different values of a column, with how often each occurs in all of it. */
function quickSample(sample: ColumnSample): ColumnSample {
  if (sample.tally.size <= QUICK_VALUES) return sample;
  const tally = new Map<string, number>();
  let filled = 0;
  for (const [value, times] of sample.tally) {
    if (tally.size === QUICK_VALUES) break;
    tally.set(value, times);
    filled += times;
  }
  return { ...sample, tally, filled, rows: sample.rows - sample.filled + filled };
}

/** Among which words those that stand for nothing are looked for; null where all of them may be meant. */
function emptyWhere(type: FieldTypeName): EmptyWhere | null {
  if (['short-text', 'long-text', 'rich-text', 'reference', 'web-address', 'email'].includes(type)) return null;
  return type === 'one-choice' || type === 'several-choices' || type === 'categories' ? 'choices' : 'values';
}

function withoutEmptyWords(sample: ColumnSample, words: readonly string[], where: EmptyWhere | null): ColumnSample {
  const found = emptyWordsIn(words, where).filter((word) => sample.tally.has(word));
  if (found.length === 0) return sample;
  const tally = new Map(sample.tally);
  let { filled } = sample;
  for (const word of found) {
    filled -= tally.get(word)!;
    tally.delete(word);
  }
  return { ...sample, filled, tally };
}

function readingOf(
  type: FieldTypeName,
  { separator = null, blankIsNo = false }: Proposal,
  { decimal, dateOrder, emptyWords }: FileConventions,
): CellReading {
  return { decimal, dateOrder, separator, blankIsNo, emptyWords: emptyWordsIn(emptyWords, emptyWhere(type)) };
}

function choicesOf(sample: ColumnSample): ReturnType<typeof choicesFromLabels> {
  return choicesFromLabels([...new Map([...sample.tally.keys()].map((label) => [foldText(label), label])).values()]);
}
