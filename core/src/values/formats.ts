import type { Money } from './money.js';
import { minorDigits } from './money.js';
import { decimalsOf } from './numbers.js';

const MOST_DECIMALS = 6;

/**
 * Writes numbers, money, dates and lists as a locale does. It keeps the formatters of `Intl`, which take longer to make
 * than to use a hundred times; so make one for a page or a batch and hand it on.
 */
export class Formats {
  private readonly numbers = new Map<string, Intl.NumberFormat>();
  private dates: Intl.DateTimeFormat | null = null;
  private days: Intl.DateTimeFormat | null = null;
  private moments: Intl.DateTimeFormat | null = null;
  private times: Intl.DateTimeFormat | null = null;
  private lists: Intl.ListFormat | null = null;

  /** Moments are shown in the given IANA zone. */
  constructor(
    readonly locale: string,
    readonly zone = 'UTC',
  ) {}

  /** A number with as many decimals as it has, at most six, unless told otherwise. */
  number(value: number, decimals?: number): string {
    return this.numberFormat({
      minimumFractionDigits: decimals ?? 0,
      maximumFractionDigits: decimals ?? Math.min(decimalsOf(value), MOST_DECIMALS),
    }).format(value);
  }

  /** An amount with its currency, without decimals when they are all zero. */
  money({ minor, currency }: Money): string {
    const digits = minorDigits(currency);
    const shown = minor % 10 ** digits === 0 ? 0 : digits;
    const style = { style: 'currency', currency, minimumFractionDigits: shown, maximumFractionDigits: digits } as const;
    return this.numberFormat(style).format(minor / 10 ** digits);
  }

  /** A calendar date in full, given as the moment at which it begins in UTC. */
  date(momentInMs: number): string {
    this.dates ??= new Intl.DateTimeFormat(this.locale, { dateStyle: 'long', timeZone: 'UTC' });
    return this.dates.format(momentInMs);
  }

  /** The day that it is in the zone at a moment: "4 December 2026". */
  day(momentInMs: number): string {
    this.days ??= new Intl.DateTimeFormat(this.locale, { dateStyle: 'long', timeZone: this.zone });
    return this.days.format(momentInMs);
  }

  /** A moment with its day, time and zone: "4 December 2026 at 18:00 WET". */
  moment(momentInMs: number): string {
    this.moments ??= new Intl.DateTimeFormat(this.locale, {
      year: 'numeric',
      month: 'long',
      day: 'numeric',
      hour: 'numeric',
      minute: '2-digit',
      timeZoneName: 'short',
      timeZone: this.zone,
    });
    return this.moments.format(momentInMs);
  }

  /** A time of day, given in minutes since midnight. */
  time(minutes: number): string {
    this.times ??= new Intl.DateTimeFormat(this.locale, { hour: 'numeric', minute: '2-digit', timeZone: 'UTC' });
    return this.times.format(minutes * 60_000);
  }

  /** "Water, Power, Fuel". */
  list(texts: readonly string[]): string {
    this.lists ??= new Intl.ListFormat(this.locale, { type: 'unit' });
    return this.lists.format(texts);
  }

  private numberFormat(options: Intl.NumberFormatOptions): Intl.NumberFormat {
    const key = `${options.currency ?? ''} ${options.minimumFractionDigits} ${options.maximumFractionDigits}`;
    const known = this.numbers.get(key);
    if (known) return known;
    const made = new Intl.NumberFormat(this.locale, options);
    this.numbers.set(key, made);
    return made;
  }
}
