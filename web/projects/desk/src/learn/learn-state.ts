import type { Comparison, Period } from '@plindo/core/learn';
import { COMPARISONS } from '@plindo/core/learn';
import { dayNumberOfDate } from '@plindo/core/structure';
import { movedDay, periodStart } from '@plindo/core/time';

/** Times that are asked for often; each gives its days by what day it is, and "own" the days that were typed. */
export const SPANS = ['week', 'month', 'this-month', 'last-month', 'year', 'own'] as const;
export type Span = (typeof SPANS)[number];

export const SPAN_WORDS: Readonly<Record<Span, string>> = {
  week: 'Last 7 days',
  month: 'Last 30 days',
  'this-month': 'This month',
  'last-month': 'Last month',
  year: 'Last 12 months',
  own: 'Days of your own …',
};

export const COMPARISON_WORDS: Readonly<Record<Comparison, string>> = {
  before: 'the time before',
  year: 'a year before',
};

/** What the address of a page of Learn says. */
export interface LearnState {
  readonly span: Span;
  /** Of "own", 2026-12-04; '' while they are typed. */
  readonly from: string;
  readonly to: string;
  readonly against: Comparison;
  /** Null for all. */
  readonly kind: number | null;
  readonly listing: number | null;
}

/** Reads the state from the parts of an address; what means nothing is left out. */
export function stateOf(part: (name: string) => string | null): LearnState {
  const numberIn = (name: string): number | null => Number(part(name)) || null;
  return {
    span: SPANS.find((one) => one === part('span')) ?? 'month',
    ...{ from: part('from') ?? '', to: part('to') ?? '' },
    against: COMPARISONS.find((one) => one === part('against')) ?? 'before',
    ...{ kind: numberIn('kind'), listing: numberIn('listing') },
  };
}

/** The days that are asked for on a day; null while those of one's own are not typed to their end. */
export function periodOf({ span, from, to }: LearnState, today: number): Period | null {
  const month = periodStart(today, 'month');
  switch (span) {
    case 'week':
      return { from: today - 6, to: today };
    case 'month':
      return { from: today - 29, to: today };
    case 'this-month':
      return { from: month, to: today };
    case 'last-month':
      return { from: movedDay(month, -1, 'month'), to: month - 1 };
    case 'year':
      return { from: movedDay(month, -12, 'month'), to: month - 1 };
    case 'own': {
      const [first, last] = [dayNumberOfDate(from), dayNumberOfDate(to)];
      return first === null || last === null || first > last ? null : { from: first, to: last };
    }
  }
}
