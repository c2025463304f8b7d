import type { TextOrder } from './collation.js';
import { textOrder } from './collation.js';
import type { Money } from './money.js';
import { minorDigits } from './money.js';
import { decimalsOf } from './numbers.js';
import { SiteWords } from './words/site-words.js';

const MOST_DECIMALS = 6;

/** Ways to write a day, each in the locale's manner; "" leaves it as the field writes it, "relative" counts from now. */
export const DATE_FORMS = ['', 'short', 'long', 'weekday', 'weekday-short', 'day-month', 'month', 'relative'] as const;
export type DateForm = (typeof DATE_FORMS)[number];

const WRITTEN_AS: Readonly<Record<Exclude<DateForm, '' | 'relative'>, Intl.DateTimeFormatOptions>> = {
  short: { day: 'numeric', month: 'short', year: 'numeric' },
  long: { day: 'numeric', month: 'long', year: 'numeric' },
  weekday: { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' },
  'weekday-short': { weekday: 'short', day: 'numeric', month: 'short' },
  'day-month': { day: 'numeric', month: 'long' },
  month: { month: 'long', year: 'numeric' },
};

/**
 * Writes numbers, money, dates and lists as a locale does, and says what a site says. It keeps the formatters of `Intl`, which take longer to make
 * than to use a hundred times; so make one for a page or a batch and hand it on.
 */
export class Formats {
  private readonly numbers = new Map<string, Intl.NumberFormat>();
  private readonly dates = new Map<string, Intl.DateTimeFormat>();
  private zonedDays: Intl.DateTimeFormat | null = null;
  private moments: Intl.DateTimeFormat | null = null;
  private exactMoments: Intl.DateTimeFormat | null = null;
  private relatives: Intl.RelativeTimeFormat | null = null;
  private relativeDays: Intl.RelativeTimeFormat | null = null;
  private lists: Intl.ListFormat | null = null;
  private order: TextOrder | null = null;

  /** Moments are shown in the given IANA zone; values that are words, such as yes and no, in those of the site. */
  constructor(
    readonly locale: string,
    readonly zone = 'UTC',
    readonly words = new SiteWords(locale),
  ) {}

  /** The order of texts in the locale. */
  get compareTexts(): TextOrder {
    return (this.order ??= textOrder(this.locale));
  }

  /** A number with as many decimals as it has, at most six, unless told otherwise. */
  number(value: number, decimals?: number): string {
    return this.numberFormat({
      minimumFractionDigits: decimals ?? 0,
      maximumFractionDigits: decimals ?? Math.min(decimalsOf(value), MOST_DECIMALS),
    }).format(value);
  }

  /** An amount with its currency, without decimals when they are all zero, or with as many as are asked for. */
  money({ minor, currency }: Money, decimals?: number): string {
    const digits = minorDigits(currency);
    const least = decimals ?? (minor % 10 ** digits === 0 ? 0 : digits);
    const most = decimals ?? digits;
    const style = { style: 'currency', currency, minimumFractionDigits: least, maximumFractionDigits: most } as const;
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

  /** "today", "tomorrow", "in 3 days", "2 days ago". */
  relativeDay(days: number): string {
    this.relativeDays ??= new Intl.RelativeTimeFormat(this.locale, { numeric: 'auto' });
    return this.relativeDays.format(days, 'day');
  }

  /** A day in a form, given as a moment in it in UTC, or in the zone where it is to be told there. */
  dated(momentInMs: number, form: Exclude<DateForm, '' | 'relative'>, zone = 'UTC'): string {
    return this.dateFormat(WRITTEN_AS[form], zone).format(momentInMs);
  }

  /** From one day to another in a form: "4–6 December 2026". */
  datedSpan(fromInMs: number, toInMs: number, form: Exclude<DateForm, '' | 'relative'>, zone = 'UTC'): string {
    return this.dateFormat(WRITTEN_AS[form], zone).formatRange(fromInMs, toInMs);
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
    return this.dateFormat(options, 'UTC');
  }

  private dateFormat(options: Intl.DateTimeFormatOptions, timeZone: string): Intl.DateTimeFormat {
    const key = `${timeZone} ${JSON.stringify(options)}`;
    const known = this.dates.get(key);
    if (known) return known;
    const made = new Intl.DateTimeFormat(this.locale, { ...options, timeZone });
    this.dates.set(key, made);
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
