import type { NumberMarks } from '../../values/index.js';
import { numberMarks } from '../../values/index.js';

/** What reading a value depends on beside its field. Made once for a batch, as looking up a locale is slow. */
export interface ReadContext {
  readonly locale: string;
  readonly marks: NumberMarks;
}

export function readContext(locale: string): ReadContext {
  return { locale, marks: numberMarks(locale) };
}
