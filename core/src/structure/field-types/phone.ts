import { issue, ok, refuse } from '../../values/index.js';
import type { FieldType } from './field-type.js';
import { isText } from './field-type.js';
import { countFitting, proposeIfEnough } from './proposal.js';
import { readLine } from './short-text.js';

const LONGEST_PHONE = 40;
const PHONE = /^\+?[\d\s()./-]+(\s*(ext\.?|x)\s*\d{1,6})?$/i;

/** 5 to 15 digits (ITU-T E.164 allows 15) with the usual marks between; kept as typed, since spacing helps readers. */
function isPhone(text: string): boolean {
  const digits = text.replace(/(ext\.?|x).*$/i, '').replace(/\D/g, '').length;
  return PHONE.test(text) && digits >= 5 && digits <= 15;
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
    const marked = countFitting(
      sample,
      (value) => isPhone(value) && /[+()\s-]/.test(value) && !/^\d{4}-\d/.test(value),
    );
    const headerSays = /phone|tel|mobil|fax|handy|m[oó]vil|portable|gsm|\bfon\b/i.test(sample.header);
    const abroad = countFitting(sample, (value) => isPhone(value) && value.startsWith('+'));
    const isSure = headerSays || abroad >= sample.filled / 2;
    const fitting = headerSays ? countFitting(sample, isPhone) : marked;
    return proposeIfEnough(sample, fitting, isSure ? 0.97 : 0.6, { plural: 'phone numbers' });
  },
};
