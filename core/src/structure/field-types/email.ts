import { issue, ok, refuse } from '../../values/index.js';
import type { FieldType } from './field-type.js';
import { isText } from './field-type.js';
import { countFitting, proposeIfEnough } from './proposal.js';
import { readLine } from './short-text.js';

/** The longest address that mail can be sent to: RFC 5321, 4.5.3.1.3, less the angle brackets. */
const LONGEST_EMAIL = 254;
/** The shape that HTML's `<input type="email">` takes, with at least one dot in the domain (HTML standard, 4.10.5.1.5). */
const EMAIL =
  /^[a-zA-Z0-9.!#$%&'*+/=?^_`{|}~-]{1,64}@[a-zA-Z0-9](?:[a-zA-Z0-9-]{0,61}[a-zA-Z0-9])?(?:\.[a-zA-Z0-9](?:[a-zA-Z0-9-]{0,61}[a-zA-Z0-9])?)+$/;

/** Whether a text has the shape of an e-mail address. */
export function isEmail(text: string): boolean {
  return text.length <= LONGEST_EMAIL && EMAIL.test(text);
}

export const emailType: FieldType<string> = {
  label: 'e-mail',
  icon: 'mail',
  control: 'line',
  inputType: 'email',
  settings: [],
  short: true,
  read(input, field) {
    const line = readLine(input, field, LONGEST_EMAIL);
    if (!line.ok || line.value === null) return line;
    if (isEmail(line.value)) return ok(line.value);
    return refuse(issue('value.not-an-email', { label: field.label, found: line.value }, { field: field.key }));
  },
  holds: isText,
  toText: (value) => value,
  format: (value) => value,
  column: { kind: 'text', of: (value) => value },
  facets: [],
  propose: (sample) => proposeIfEnough(sample, countFitting(sample, isEmail), 0.97, { plural: 'e-mail addresses' }),
};
