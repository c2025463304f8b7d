import { issue, ok, refuse } from '../../values/index.js';
import type { FieldType } from './field-type.js';
import { isEmptyInput, isText, wrongType } from './field-type.js';
import { countFitting, proposeIfEnough } from './proposal.js';

const HEX = /^#?([0-9a-f]{3}|[0-9a-f]{6})$/i;

/** "#0f6e6a" of a colour in three or six hexadecimal digits (CSS Color 4, hex notation); null when it isn't one. */
export function readColour(text: string): string | null {
  const digits = HEX.exec(text.trim())?.[1]?.toLowerCase();
  if (digits === undefined) return null;
  return `#${digits.length === 3 ? [...digits].map((digit) => digit + digit).join('') : digits}`;
}

export const colourType: FieldType<string> = {
  label: 'colour',
  icon: 'palette',
  control: 'colour',
  settings: [],
  short: true,
  read(input, field) {
    if (isEmptyInput(input)) return ok(null);
    if (typeof input !== 'string') return wrongType(field, 'a colour');
    const colour = readColour(input);
    const params = { label: field.label, found: input };
    return colour === null ? refuse(issue('value.not-a-colour', params, { field: field.key })) : ok(colour);
  },
  holds: (value): value is string => isText(value) && readColour(value) !== null,
  toText: (value) => value,
  format: (value) => value,
  column: { kind: 'text', of: (value) => value },
  facets: [],
  propose(sample) {
    const fitting = countFitting(sample, (value) => value.startsWith('#') && readColour(value) !== null);
    return proposeIfEnough(sample, fitting, 0.97, { plural: 'colours' });
  },
};
