import type { Result } from '../../values/index.js';
import { issue, normaliseLine, ok, refuse } from '../../values/index.js';
import type { Field } from '../fields/field.js';
import type { FieldType } from './field-type.js';
import { isEmptyInput, isText, withAffixes, wrongType } from './field-type.js';
import type { ColumnSample } from './proposal.js';
import { fitsPattern } from './text-pattern.js';

export const LONGEST_SHORT_TEXT = 300;

/**
 * Reads one line of text of at most `longest` characters; shared by all types that are kept as a line. Refused by
 * `value.pattern`, `value.too-long` and `value.too-short`.
 */
export function readLine(input: unknown, field: Field, longest: number): Result<string | null> {
  if (isEmptyInput(input)) return ok(null);
  if (typeof input !== 'string' && typeof input !== 'number') return wrongType(field, 'a text');
  const text = normaliseLine(String(input));
  if (text.length > longest) {
    return refuse(
      issue('value.too-long', { label: field.label, found: text.length, greatest: longest }, { field: field.key }),
    );
  }
  const { shortest = 0, pattern } = field.settings;
  const params = { label: field.label, found: text.length, least: shortest };
  if (text.length < shortest) return refuse(issue('value.too-short', params, { field: field.key }));
  if (pattern && !fitsPattern(text, pattern)) {
    return refuse(issue('value.pattern', { label: field.label, pattern, found: text }, { field: field.key }));
  }
  return ok(text);
}

/** What the lengths of a text field have to be. */
export function checkLengths(field: Field, most: number): string | null {
  const { shortest = 0, longest = most } = field.settings;
  if (shortest < 0 || shortest > longest) return `${field.label} asks for more characters than fit.`;
  return longest > most ? `${field.label} can have at most ${most} characters.` : null;
}

export const shortTextType: FieldType<string> = {
  label: 'short text',
  icon: 'short_text',
  control: 'line',
  settings: ['shortest', 'longest', 'pattern', 'before', 'after'],
  short: true,
  checkSettings: (field) => checkLengths(field, LONGEST_SHORT_TEXT),
  read: (input, field) => readLine(input, field, field.settings.longest ?? LONGEST_SHORT_TEXT),
  holds: isText,
  toText: (value) => value,
  format: (value, field) => withAffixes(value, field),
  column: { kind: 'text', of: (value) => value },
  facets: ['letters'],
  words: (value) => value,
  propose: (sample) => ({
    strength: 0.1,
    settings: {},
    reason: `${textsOf(sample)}; the longest has ${sample.longest} characters.`,
  }),
};

function textsOf({ tally, context }: ColumnSample): string {
  return tally.size === 1 ? 'One text' : `${context.formats.number(tally.size)} different texts`;
}
