import type { DateOrder } from '../fields/field.js';
import type { NumberMarks, SiteWords } from '../../values/index.js';
import { Formats, numberMarks } from '../../values/index.js';

/** Where and when values are read. */
export interface ReadScene {
  /** BCP 47, such as "en-GB". */
  readonly locale: string;
  /** IANA time zone of times that name none. */
  readonly zone: string;
  /** What the site says; what Plindo ships for the locale where it isn't given. */
  readonly words?: SiteWords;
  /** The moment that relative bounds count from, in milliseconds since 1970. */
  readonly nowInMs: number;
}

/** How a file writes its values; nothing else is taken for one. Where people type there is none. */
export interface WrittenManner {
  readonly dateOrder: DateOrder;
  /** The month of a name, 1 to 12, in whatever language; null for a word that names none. */
  monthOf(name: string): number | null;
}

/** What reading a value depends on beside its field. Made once for a batch, as looking up a locale is slow. */
export interface ReadContext extends ReadScene {
  readonly marks: NumberMarks;
  /** The order in which people of the locale write dates with numbers. */
  readonly dateOrder: DateOrder;
  /** For messages. */
  readonly formats: Formats;
  readonly manner?: WrittenManner;
}

export function readContext(scene: ReadScene): ReadContext {
  const { locale, zone, words } = scene;
  return {
    ...scene,
    marks: numberMarks(locale),
    dateOrder: localDateOrder(locale),
    formats: new Formats(locale, zone, words),
  };
}

/** Makes contexts of one moment after the other; what depends on locale, zone and words alone is made once. */
export class ReadContexts {
  private last: ReadContext | null = null;

  of({ locale, zone }: Pick<ReadScene, 'locale' | 'zone'>, nowInMs: number, words?: SiteWords): ReadContext {
    const { last } = this;
    const isSame = last?.locale === locale && last.zone === zone && last.words === words;
    this.last = isSame ? { ...last, nowInMs } : readContext({ locale, zone, nowInMs, ...(words && { words }) });
    return this.last;
  }
}

/** The order in which a locale writes dates with numbers. */
function localDateOrder(locale: string): DateOrder {
  const parts = new Intl.DateTimeFormat(locale, { year: 'numeric', month: 'numeric', day: 'numeric' })
    .formatToParts(new Date(0))
    .map((part) => part.type);
  if (parts.indexOf('year') < parts.indexOf('month')) return 'ymd';
  return parts.indexOf('day') < parts.indexOf('month') ? 'dmy' : 'mdy';
}
