import { issue, ok, refuse } from '../../values/index.js';
import type { FieldType } from './field-type.js';
import { isText } from './field-type.js';
import { countFitting, proposeIfEnough } from './proposal.js';
import { readLine } from './short-text.js';

/** The longest address that all browsers take (common practice). */
const LONGEST_ADDRESS = 2000;
const WITH_SCHEME = /^https?:\/\//i;
const BARE = /^(www\.)?([\p{L}\p{N}-]+\.)+\p{L}{2,}(\/\S*)?$/u;

/** Host, and port and user if any, then the rest; no white space. Written out, as `core` has no `URL` of its own. */
const ADDRESS = /^https?:\/\/([\p{L}\p{N}._~%-]+@)?([\p{L}\p{N}-]+(\.[\p{L}\p{N}-]+)*)(:\d{1,5})?([/?#][^\s<>"]*)?$/iu;

function normaliseAddress(text: string): string | null {
  const address = WITH_SCHEME.test(text) ? text : BARE.test(text) ? `https://${text}` : null;
  return address !== null && ADDRESS.test(address) ? address : null;
}

/** Whether a text is a web address that can be followed. */
export function isWebAddress(text: string): boolean {
  return normaliseAddress(text) !== null;
}

export const webAddressType: FieldType<string> = {
  label: 'web address',
  icon: 'link',
  control: 'line',
  inputType: 'url',
  settings: [],
  short: true,
  read(input, field) {
    const line = readLine(input, field, LONGEST_ADDRESS);
    if (!line.ok || line.value === null) return line;
    const address = normaliseAddress(line.value);
    if (address !== null) return ok(address);
    return refuse(issue('value.not-an-address', { label: field.label, found: line.value }, { field: field.key }));
  },
  holds: isText,
  toText: (value) => value,
  format: (value) => value.replace(WITH_SCHEME, '').replace(/\/$/, ''),
  column: { kind: 'text', of: (value) => value.replace(WITH_SCHEME, '') },
  facets: [],
  propose(sample) {
    const fitting = countFitting(sample, (value) => WITH_SCHEME.test(value) && normaliseAddress(value) !== null);
    const bare = countFitting(sample, (value) => !WITH_SCHEME.test(value) && /^www\./i.test(value));
    return proposeIfEnough(sample, fitting + bare, 0.97, { plural: 'web addresses' });
  },
};
