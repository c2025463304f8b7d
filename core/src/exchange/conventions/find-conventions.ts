import type { ColumnSample, DateOrder, ReadContext } from '../../structure/index.js';
import { possibleOrders } from '../../structure/index.js';
import type { DecimalMark } from '../../values/index.js';
import { numberEvidence } from '../../values/index.js';
import { axisOf } from '../columns/place-columns.js';
import type { FileTable } from '../tables/file-table.js';
import type { Conventions, Evidence, FoundConventions } from './conventions.js';
import { isEmptyWord } from './empty-words.js';

/** So many different values of a column are looked at; more would say the same. */
const MOST_VALUES = 5000;
/** A column has numbers, or dates, when at least this share of its different values are such. */
const LEAST_SHARE = 0.5;
/** What no more than this share of a column's values says is a slip in it. */
const SLIPS = 0.05;

/** What one column says of how it is written; null where it says nothing. */
export interface ColumnEvidence {
  readonly decimal: DecimalMark | null;
  readonly dateOrder: DateOrder | null;
  /** Whether it has numbers, or dates, that can be read in more than one way. */
  readonly hasEitherNumbers: boolean;
  readonly hasEitherDates: boolean;
  readonly group: string;
}

/** How numbers and dates are handed on that came as such. */
const PROGRAMS: ColumnEvidence = {
  ...{ decimal: '.', dateOrder: null, hasEitherNumbers: false, hasEitherDates: false, group: '' },
};

/** How a file is written, from all its columns together, and what each of them says. */
export function findConventions(
  samples: readonly ColumnSample[],
  { delimiter, typed = [] }: Pick<FileTable, 'delimiter' | 'typed'>,
  context: ReadContext,
): { readonly found: FoundConventions; readonly columns: readonly ColumnEvidence[] } {
  const columns = samples.map((sample, at) => (typed[at] ? PROGRAMS : columnEvidence(sample)));
  // Numbers and dates that came as such tell nothing of how texts are written.
  const decimals = columns.map((one) => (one === PROGRAMS ? null : one.decimal));
  const orders = columns.map(({ dateOrder }) => dateOrder);
  const likely = delimiter === ';' || context.marks.decimal === ',' ? ',' : '.';
  const decimal = mostSaid(decimals) ?? likely;
  const dateOrder = mostSaid(orders) ?? context.dateOrder;
  const speaking = columns.filter((_, at) => decimals[at] === decimal || orders[at] === dateOrder).length;
  const foundWords = wordsForNothing(samples);
  const found: FoundConventions = {
    ...{ decimal, dateOrder, foundWords, columns: speaking },
    emptyWords: foundWords.map(({ word }) => word),
    numbers: evidenceFor(
      decimal,
      decimals,
      columns.map(({ hasEitherNumbers }) => hasEitherNumbers),
    ),
    dates: evidenceFor(
      dateOrder,
      orders,
      columns.map(({ hasEitherDates }) => hasEitherDates),
    ),
    group: columns.find((one) => one.decimal === decimal && one.group !== '')?.group ?? '',
  };
  return { found, columns };
}

/** How a column is written: as it says itself, else as the file is. */
export function conventionsOf(evidence: ColumnEvidence, file: Conventions): Conventions {
  return { decimal: evidence.decimal ?? file.decimal, dateOrder: evidence.dateOrder ?? file.dateOrder };
}

function columnEvidence(sample: ColumnSample): ColumnEvidence {
  const numbers = new Votes<DecimalMark>();
  const dates = new Votes<DateOrder>();
  const axis = axisOf(sample.header);
  let group = '';
  let looked = 0;
  for (const value of sample.tally.keys()) {
    if (++looked > MOST_VALUES) break;
    const orders = possibleOrders(value);
    if (orders.length > 0) {
      // A date that begins with its year is the same in any order.
      const isYearFirst = /^\d{4}/.test(value);
      const order = isYearFirst ? null : orders.length === 1 ? orders[0]! : byItsDots(value, orders);
      dates.count(order, order === null && !isYearFirst);
      continue;
    }
    const said = numberEvidence(value);
    if (said.kind === 'none') continue;
    const decimal = said.kind === 'decided' ? said.decimal : said.kind === 'either' && axis ? said.mark : null;
    numbers.count(decimal, said.kind === 'either' && decimal === null);
    if (said.kind === 'decided' && group === '') ({ group } = said);
  }
  const most = Math.min(looked, MOST_VALUES);
  return {
    ...{ decimal: numbers.verdict(most), dateOrder: dates.verdict(most), group },
    hasEitherNumbers: numbers.isOpen(most),
    hasEitherDates: dates.isOpen(most),
  };
}

/** Dots stand in dates that begin with the day; nobody writes month.day.year (common practice). */
function byItsDots(value: string, orders: readonly DateOrder[]): DateOrder | null {
  return /^\d+\.\s*\d+\.\s*\d+/.test(value) && orders.includes('dmy') ? 'dmy' : null;
}

/** What the values of a column say, counted. */
class Votes<T extends string> {
  private readonly counts = new Map<T, number>();
  private either = 0;
  private all = 0;

  /** Null for a value that says nothing; `isEither` where it can be read in more than one way. */
  count(said: T | null, isEither: boolean): void {
    this.all++;
    if (said !== null) this.counts.set(said, (this.counts.get(said) ?? 0) + 1);
    if (isEither) this.either++;
  }

  /** What the column says, unless it contradicts itself by more than slips. */
  verdict(values: number): T | null {
    if (this.all < values * LEAST_SHARE) return null;
    const [first, second] = [...this.counts].sort((a, b) => b[1] - a[1]);
    if (!first) return null;
    return !second || second[1] <= (first[1] + second[1]) * SLIPS ? first[0] : null;
  }

  isOpen(values: number): boolean {
    return this.either > 0 && this.all >= values * LEAST_SHARE && this.verdict(values) === null;
  }
}

/** What most columns say; null where none says anything, and where as many say one thing as another. */
function mostSaid<T extends string>(said: readonly (T | null)[]): T | null {
  const counts = new Map<T, number>();
  for (const one of said) if (one !== null) counts.set(one, (counts.get(one) ?? 0) + 1);
  const [first, second] = [...counts].sort((a, b) => b[1] - a[1]);
  return first && first[1] !== second?.[1] ? first[0] : null;
}

function evidenceFor<T>(chosen: T, said: readonly (T | null)[], isEither: readonly boolean[]): Evidence {
  const columns = said.filter((one) => one === chosen).length;
  const of = said.filter((one, at) => one !== null || isEither[at]).length;
  return { columns, of, isDecided: columns > 0 };
}

function wordsForNothing(samples: readonly ColumnSample[]): FoundConventions['foundWords'] {
  const times = new Map<string, number>();
  for (const { tally } of samples) {
    for (const [value, count] of tally) {
      if (isEmptyWord(value, 'values')) times.set(value, (times.get(value) ?? 0) + count);
    }
  }
  return [...times].sort((a, b) => b[1] - a[1]).map(([word, count]) => ({ word, times: count }));
}
