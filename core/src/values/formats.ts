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
  private readonly utcDates = new Map<string, Intl.DateTimeFormat>();
  private zonedDays: Intl.DateTimeFormat | null = null;
  private moments: Intl.DateTimeFormat | null = null;
  private exactMoments: Intl.DateTimeFormat | null = null;
  private relatives: Intl.RelativeTimeFormat | null = null;
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
    return this.utcFormat({ dateStyle: 'long' }).format(momentInMs);
  }

  /** The day that it is in the zone at a moment: "4 December 2026". */
  day(momentInMs: number): string {
    this.zonedDays ??= new Intl.DateTimeFormat(this.locale, { dateStyle: 'long', timeZone: this.zone });
    return this.zonedDays.format(momentInMs);
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

  /** A moment by its weekday: "Friday, 4 December 2026 at 18:00". */
  exactly(momentInMs: number): string {
    this.exactMoments ??= new Intl.DateTimeFormat(this.locale, {
      weekday: 'long',
      year: 'numeric',
      month: 'long',
      day: 'numeric',
      hour: 'numeric',
      minute: '2-digit',
      timeZone: this.zone,
    });
    return this.exactMoments.format(momentInMs);
  }

  /** "in 3 days", "2 hours ago". */
  relative(amount: number, unit: 'minute' | 'hour' | 'day'): string {
    this.relatives ??= new Intl.RelativeTimeFormat(this.locale);
    return this.relatives.format(amount, unit);
  }

  /** A month and its year, given as a moment in it in UTC: "December 2026". */
  month(momentInMs: number): string {
    return this.utcFormat({ month: 'long', year: 'numeric' }).format(momentInMs);
  }

  /** "Dec". */
  shortMonth(momentInMs: number): string {
    return this.utcFormat({ month: 'short' }).format(momentInMs);
  }

  /** A day with its weekday, given as a moment in it in UTC: "Friday, 4 December 2026". */
  weekday(momentInMs: number): string {
    return this.utcFormat({ weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' }).format(momentInMs);
  }

  /** From one day to another, given as moments in them in UTC: "30 November – 6 December 2026". */
  days(fromInMs: number, toInMs: number): string {
    return this.utcFormat({ day: 'numeric', month: 'long', year: 'numeric' }).formatRange(fromInMs, toInMs);
  }

  /** A time of day, given in minutes since midnight. */
  time(minutes: number): string {
    return this.utcFormat({ hour: 'numeric', minute: '2-digit' }).format(minutes * 60_000);
  }

  /** "Water, Power, Fuel". */
  list(texts: readonly string[]): string {
    this.lists ??= new Intl.ListFormat(this.locale, { type: 'unit' });
    return this.lists.format(texts);
  }

  private utcFormat(options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
    const key = JSON.stringify(options);
    const known = this.utcDates.get(key);
    if (known) return known;
    const made = new Intl.DateTimeFormat(this.locale, { ...options, timeZone: 'UTC' });
    this.utcDates.set(key, made);
    return made;
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
