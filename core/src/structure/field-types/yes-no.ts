import { issue, ok, refuse } from '../../values/index.js';
import type { FieldType } from './field-type.js';
import { isEmptyInput, wrongType } from './field-type.js';
import { countFitting, proposeIfEnough } from './proposal.js';

const YES = new Set(['yes', 'y', 'true', 'on', '1', '✓', 'x', 'sim', 'sí', 'si', 'oui', 'ja', 'tak']);
const NO = new Set(['no', 'n', 'false', 'off', '0', '✗', '-', 'não', 'nao', 'non', 'nein', 'nej', 'nee', 'nie']);
/** Words that mean yes or no wherever they stand; the digits and marks beside them need a header that asks a question. */
const AMBIGUOUS = new Set(['1', '0', 'x', 'y', 'n', '-', 'on', 'off']);

function meaning(text: string): boolean | null {
  const word = text.trim().toLowerCase();
  if (YES.has(word)) return true;
  return NO.has(word) ? false : null;
}

export const yesNoType: FieldType<boolean> = {
  label: 'yes/no',
  icon: 'toggle_on',
  control: 'yes-no',
  settings: [],
  short: true,
  read(input, field) {
    if (isEmptyInput(input)) return ok(null);
    if (typeof input === 'boolean') return ok(input);
    if (typeof input !== 'string' && typeof input !== 'number') return wrongType(field, 'yes or no');
    const value = meaning(String(input));
    if (value !== null) return ok(value);
    return refuse(issue('value.not-yes-no', { label: field.label, found: String(input) }, { field: field.key }));
  },
  holds: (value): value is boolean => typeof value === 'boolean',
  toText: (value) => (value ? 'yes' : 'no'),
  format: (value, _field, { words }) => words.say(value ? 'value.yes' : 'value.no'),
  column: { kind: 'yes-no', of: (value) => value },
  facets: ['yes-no', 'ticks'],
  propose(sample) {
    const words = [...sample.tally.keys()].map((value) => value.toLowerCase());
    const asks = /^(is|has|can|with|allows?|offers?)[\s_-]/i.test(sample.header);
    if (!asks && words.every((word) => AMBIGUOUS.has(word))) return null;
    const fitting = countFitting(sample, (value) => meaning(value) !== null);
    return proposeIfEnough(sample, fitting, 0.97, { plural: 'yes or no' });
  },
};
