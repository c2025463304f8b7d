import { issue, ok, refuse } from '../../values/index.js';
import type { FieldType } from './field-type.js';
import { isText } from './field-type.js';
import { proposeIfEnough } from './proposal.js';
import { readLine } from './short-text.js';

const LONGEST_PHONE = 40;
const PHONE = /^\+?[\d\s()./-]+(\s*(ext\.?|x)\s*\d{1,6})?$/i;

const EXTENSION = /ext\.?|x/i;
const [ZERO, NINE] = [48, 57];

/** 5 to 15 digits (ITU-T E.164 allows 15) with the usual marks between; kept as typed, since spacing helps readers. */
function isPhone(text: string): boolean {
  if (!PHONE.test(text)) return false;
  const digits = digitsBefore(text, text.search(EXTENSION));
  return digits >= 5 && digits <= 15;
}

/** How many digits stand before a position; before the end for -1. */
function digitsBefore(text: string, end: number): number {
  let digits = 0;
  const until = end < 0 ? text.length : end;
  for (let at = 0; at < until; at++) if (text.charCodeAt(at) >= ZERO && text.charCodeAt(at) <= NINE) digits++;
  return digits;
}

export const phoneType: FieldType<string> = {
  label: 'phone',
  icon: 'call',
  control: 'line',
  inputType: 'tel',
  settings: [],
  short: true,
  read(input, field) {
    const line = readLine(input, field, LONGEST_PHONE);
    if (!line.ok || line.value === null) return line;
    if (isPhone(line.value)) return ok(line.value);
    return refuse(issue('value.not-a-phone', { label: field.label, found: line.value }, { field: field.key }));
  },
  holds: isText,
  toText: (value) => value,
  format: (value) => value,
  column: { kind: 'text', of: (value) => value },
  facets: [],
  propose(sample) {
    const headerSays = /phone|tel|mobil|fax|handy|m[oó]vil|portable|gsm|\bfon\b/i.test(sample.header);
    let [fitting, abroad] = [0, 0];
    for (const [value, times] of sample.tally) {
      if (!isPhone(value)) continue;
      const isMarked = /[+()\s-]/.test(value) && !/^\d{4}-\d/.test(value);
      if (headerSays || isMarked) fitting += times;
      if (value.startsWith('+')) abroad += times;
    }
    const isSure = headerSays || abroad >= sample.filled / 2;
    return proposeIfEnough(sample, fitting, isSure ? 0.97 : 0.6, { plural: 'phone numbers' });
  },
};
