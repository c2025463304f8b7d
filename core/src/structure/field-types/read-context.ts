import type { NumberMarks } from '../../values/index.js';
import { Formats, numberMarks } from '../../values/index.js';

/** Where and when values are read. */
export interface ReadScene {
  /** BCP 47, such as "en-GB". */
  readonly locale: string;
  /** IANA time zone of times that name none. */
  readonly zone: string;
  /** The moment that relative bounds count from, in milliseconds since 1970. */
  readonly nowInMs: number;
}

/** What reading a value depends on beside its field. Made once for a batch, as looking up a locale is slow. */
export interface ReadContext extends ReadScene {
  readonly marks: NumberMarks;
  /** For messages. */
  readonly formats: Formats;
}

export function readContext(scene: ReadScene): ReadContext {
  const { locale, zone } = scene;
  return { ...scene, marks: numberMarks(locale), formats: new Formats(locale, zone) };
}

/** Makes contexts of one moment after the other; what depends on locale and zone alone is made once. */
export class ReadContexts {
  private last: ReadContext | null = null;

  of({ locale, zone }: Pick<ReadScene, 'locale' | 'zone'>, nowInMs: number): ReadContext {
    const isSame = this.last?.locale === locale && this.last.zone === zone;
    this.last = isSame ? { ...this.last!, nowInMs } : readContext({ locale, zone, nowInMs });
    return this.last;
  }
}
