import type { PeriodUnit } from '../../time/index.js';

/** Headings by a stretch of time, over a list of listings. */
export interface DateGrouping {
  /** Key of a date, a moment, or a range of them; "@publishedAt" is the publishing time. */
  readonly field: string;
  /** Key of the field where a span ends that begins in `field`; '' where there is none. */
  readonly endField: string;
  readonly unit: PeriodUnit;
  /** Earliest or latest group first. */
  readonly direction: 'up' | 'down';
  /** Whether a span stands in its first group only, or in every one that it touches. */
  readonly spans: 'first' | 'every';
  /** Groups that are over: where they belong in time, or folded behind the others. */
  readonly past: 'in-place' | 'folded';
  /** Whether empty groups between others are shown. */
  readonly showsEmpty: boolean;
  /** Heading of the listings without a date, which come last; '' for the one that the site's words have. */
  readonly undatedLabel: string;
}

/** A grouping with every property at its plain default but those given. */
export function makeDateGrouping(given: Pick<DateGrouping, 'field'> & Partial<DateGrouping>): DateGrouping {
  return {
    field: given.field,
    endField: given.endField ?? '',
    unit: given.unit ?? 'month',
    direction: given.direction ?? 'up',
    spans: given.spans ?? 'first',
    past: given.past ?? 'in-place',
    showsEmpty: given.showsEmpty ?? false,
    undatedLabel: given.undatedLabel ?? '',
  };
}
