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
