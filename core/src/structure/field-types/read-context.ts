import type { NumberMarks } from '../../values/index.js';
import { Formats, numberMarks } from '../../values/index.js';

/** What reading a value depends on beside its field. Made once for a batch, as looking up a locale is slow. */
export interface ReadContext {
  readonly locale: string;
  readonly marks: NumberMarks;
  /** For messages. */
  readonly formats: Formats;
}

export function readContext(locale: string): ReadContext {
  return { locale, marks: numberMarks(locale), formats: new Formats(locale) };
}
